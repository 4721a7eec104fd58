import { describe, expect, it } from "vitest";
import { readNotation } from "../system/notation/read.js";
import { replaceHeading } from "./heading.js";
import { applyEdits } from "./line-edit.js";

const TEXT = `# for the brass band
system "Jacket"
  garment jacket · unit cm · tape 1mm
  # not yet tried
  about "A short jacket."

board A "A"
A0 start
`;
const heading = { title: "Band jacket", garment: "jacket", unit: "cm", tape: "1mm", about: "A short jacket.", suits: "Everyone." } as const;

describe("the heading of a system", () => {
  it("is rewritten; the lines around it are kept", () => {
    const read = readNotation(TEXT);
    const now = applyEdits(TEXT, replaceHeading(read, heading));
    expect(now).toBe(`# for the brass band
system "Band jacket"
  garment jacket · unit cm · tape 1mm
  about "A short jacket."
  suits "Everyone."
  # not yet tried

board A "A"
A0 start
`);
    expect(readNotation(now).system).toMatchObject(heading);
    expect(replaceHeading(readNotation(now), heading)).toEqual([]);
  });

  it("is put at the head of a text that has none", () => {
    const bare = 'board A "A"\nA0 start\n';
    const now = applyEdits(bare, replaceHeading(readNotation(bare), heading));
    expect(readNotation(now).problems).toEqual([]);
    expect(readNotation(now).system.title).toBe("Band jacket");
  });
});
