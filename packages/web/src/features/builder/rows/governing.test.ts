import { applyEdits, loadSystem, readNotation } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { beginGoverning, conditionEdits, withLine } from "./governing.js";

const TEXT = `system "Yoke"
  unit cm
choose yoke "Whether there is one."
  with
  without
board A "A"
A0 start
A1 out 10 from A0  # the top
  why "So."
A2 down 10 from A0
  when yoke == with
A3 down 10 from A1
  when yoke == with
`;
const read = readNotation(TEXT);
const at = (id: string): number => read.system.statements.findIndex((s) => s.is === "point" && s.id === id);

describe("a condition over several lines", () => {
  it("begins with all that stand on it already", () => {
    expect(beginGoverning(read, at("A2"))).toEqual({ when: "yoke == with", lines: [at("A2"), at("A3")] });
    expect(beginGoverning(read, at("A1"))).toEqual({ when: "", lines: [at("A1")] });
    expect(beginGoverning(read, 0)).toBeUndefined();
  });

  it("takes lines in and out as they are pressed, and no heading", () => {
    const begun = beginGoverning(read, at("A2")) ?? expect.fail("nothing begun");
    expect(withLine(begun, read, at("A3")).lines).toEqual([at("A2")]);
    expect(withLine(begun, read, at("A1")).lines).toEqual([at("A2"), at("A3"), at("A1")]);
    expect(
      withLine(
        begun,
        read,
        read.system.statements.findIndex((s) => s.is === "board"),
      ),
    ).toEqual(begun);
  });

  it("is written to every line pressed, and taken from those let go; notes and comments stay", () => {
    const now = applyEdits(TEXT, conditionEdits(read, { when: "yoke == with", lines: [at("A1"), at("A2")] }));
    expect(now).toBe(
      TEXT.replace('  why "So."\n', '  when yoke == with\n  why "So."\n').replace(
        /A3 down 10 from A1\n {2}when yoke == with\n/,
        "A3 down 10 from A1\n",
      ),
    );
    expect(loadSystem(now).problems.map(({ why }) => why)).toEqual([]);
    expect(applyEdits(TEXT, conditionEdits(read, { when: "", lines: [at("A2"), at("A3")] }))).not.toContain("when");
    expect(conditionEdits(read, { when: "yoke == with", lines: [at("A2"), at("A3")] })).toEqual([]);
  });
});
