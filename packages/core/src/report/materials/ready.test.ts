import { describe, expect, it } from "vitest";
import { run } from "../../run/run.js";
import { readShelf } from "../../test/shelf.js";
import { sheetsFor, toolsFor } from "./ready.js";

const sleeve = readShelf().find(({ slug }) => slug.startsWith("13"));
if (!sleeve) throw new Error("There is no short sleeve on the shelf.");
const { plan } = sleeve;
// Half the sleeve is 8 1/4 in wide and, with its hem, 10 1/4 in long; it lies on both sides of its fold.
const drafted = run(plan, { bust: 36, armhole_depth: 7.5, sleeve_length: 9, sleeve_opening: 13, bicep: 12 });

describe("what to have ready", () => {
  it("is a sheet as large as the draft and a hand's breadth round it", () => {
    const [sheet, ...more] = sheetsFor(plan, drafted);
    expect(more).toEqual([]);
    expect(sheet?.board).toBe("Sleeve");
    expect(sheet?.width).toBeCloseTo(16.5 * 25.4 + 120, 6);
    expect(sheet?.height).toBeCloseTo(10.25 * 25.4 + 120, 6);
  });

  it("is what its steps ask for, and no more", () => {
    const tools = toolsFor(plan, drafted);
    expect(tools).toEqual(expect.arrayContaining(["tape measure", "set square", "tracing wheel", "French curve, or a flexible one"]));
    expect(tools).not.toContain("compasses, or a pin and string");
  });
});
