import { describe, expect, it } from "vitest";
import { endOf, pathLength, startOf } from "../geometry/path/path.js";
import { distance } from "../geometry/point.js";
import { loadSystem } from "../plan/load.js";
import { printNotation } from "../system/notation/print.js";
import { run } from "./run.js";

// What sentences of teachers need of the notation, each against geometry that is worked out here by hand. One unit is an inch.
const INCH = 25.4;
const HEAD = `system "A"
  garment block · unit in
measure bust girth 20..60
board B "Back" · centre fold
#1 start
#2 down 10 from #1
#3 out 8 from #1
#4 out 8 from #2
`;
const load = (lines: string) => {
  const loaded = loadSystem(HEAD + lines);
  expect(loaded.problems).toEqual([]);
  // What is printed is read as the same again.
  expect(loadSystem(printNotation(loaded.system)).system.statements).toEqual(loaded.system.statements);
  return loaded;
};
const drawn = (lines: string, bust = "40") => {
  const { plan } = load(lines);
  const made = run(plan, { bust });
  return {
    made,
    point: (id: string) => {
      const p = made.board.points[plan.scope.points.get(id) ?? -1];
      return p && [p.x / INCH, p.y / INCH].map((n) => Number(n.toFixed(4)));
    },
  };
};

describe("what sentences need of the notation", () => {
  it("a share in percent of a measurement", () => {
    expect(drawn("#5 out 10% of bust from #1").point("5")).toEqual([4, 0]);
    expect(drawn("#5 out 10 % of bust + 1 from #1").point("5")).toEqual([5, 0]);
  });

  it("a corner bisected: the direction halves the angle on every body", () => {
    const half = 3 / Math.SQRT2;
    expect(drawn("#5 bisect #1-#2-#4, 3").point("5")).toEqual([half, 10 - half].map((n) => Number(n.toFixed(4))));
    // 60 degrees between level and a line: 30 degrees below the level (cos 30 and sin 30 from a table).
    expect(drawn("#5 at 60, 4 from #1\n#6 bisect #3-#1-#5, 2").point("6")).toEqual([Number((2 * 0.8660254).toFixed(4)), 1]);
    expect(run(load("#5 bisect #1-#1-#4, 3").plan, { bust: "40" }).outcomes.at(-1)).toMatchObject({ status: "failed" });
  });

  it("back along a line from its far end, without a figure below nothing", () => {
    expect(drawn("line side: #3 > #4\n#5 along side from #4, back 2").point("5")).toEqual([8, 8]);
    expect(drawn("#5 along #1-#3 from #3, back 1/2").point("5")).toEqual([7.5, 0]);
  });

  it("a line beside another, in a crossing", () => {
    expect(drawn("#5 cross parallel to #1-#2, 3 out with #2-#4").point("5")).toEqual([3, 10]);
    expect(drawn("#5 cross parallel to #1-#3, bust/20 down with #1-#4").point("5")).toEqual([1.6, 2]);
    const { plan } = load("#5 cross parallel to #1-#2, 3 down with #2-#4");
    expect(run(plan, { bust: "40" }).outcomes.at(-1)).toMatchObject({
      status: "failed",
      why: "That line runs down itself, so it has no such side.",
    });
  });

  it("a straight line drawn dashed", () => {
    expect(load("line guide: #1 > #4 dashed").system.statements.at(-1)).toMatchObject({ type: "line", dashed: true });
  });

  const PIECE = `piece Back "Back" on B · cut 1 on fold
  edge top: #1 > #3 · allow 1/4
  edge side: #3 > #4 · allow 1/2
  edge waist: #4 > #2 · allow 1/2
  edge centre: #2 > #1 · fold
`;
  const back = (lines: string) => drawn(PIECE + lines).made;

  it("how a piece is cut, said later; the fold goes with it", () => {
    expect(back("piece Back also: cut 2 on fold").pieces[0]).toMatchObject({ cut: 2, onFold: true, mirrored: false });
    expect(back("piece Back also\n  cut 2 mirrored\n  edge centre: #2 > #1 · allow 1/2").pieces[0]).toMatchObject({
      cut: 2,
      onFold: false,
      mirrored: true,
    });
    expect(back("piece Back also: cut 2 mirrored").shapings[0]?.outcome).toMatchObject({ status: "failed" });
    expect(loadSystem(`${HEAD}${PIECE}piece Back also\n  cut 2\n  cut 3`).problems).toHaveLength(1);
  });

  it("an allowance for all edges at once, but for the fold", () => {
    const edges = back("piece Back also: allow 3/4 on all").pieces[0]?.edges ?? [];
    expect(edges.map((e) => [e.role, Math.round((e.allowance / INCH) * 1000) / 1000])).toEqual([
      ["top", 0.75],
      ["side", 0.75],
      ["waist", 0.75],
      ["centre", 0],
    ]);
  });

  it("a notch so far from a point of an edge", () => {
    const at = (line: string) => back(line).pieces[0]?.notches.map((n) => [n.at.x / INCH, n.at.y / INCH].map((v) => Number(v.toFixed(4))));
    expect(at("piece Back also: notch on side at 3 from #4")).toEqual([[8, 7]]);
    expect(at("piece Back also: notch on side at 3 from #3")).toEqual([[8, 3]]);
    expect(back("piece Back also: notch on side at 3 from #1").pieces[0]?.doubts.join()).toContain("not on that edge");
  });

  it("a dart with its legs on the seam itself", () => {
    const { made, point } = drawn(`line side: #3 > #4
#5 along side, 1/2 of the way
#6 in 4 from #5
dart side_dart "Side dart": at #5, intake 1 to #6, legs along side`);
    expect([point("5a"), point("5b")]).toEqual([
      [8, 4.5],
      [8, 5.5],
    ]);
    // On a curve both legs are on the curve, each half an inch along it.
    const bent = drawn(`curve side: #3 > #4, leaving at 60, arriving at 120
#5 along side, 1/2 of the way
#6 in 4 from #5
dart side_dart "Side dart": at #5, intake 1 to #6, legs along side`);
    const path = bent.made.board.paths[0];
    expect(path && pathLength(path)).toBeGreaterThan(distance(startOf(path as never), endOf(path as never)));
    const [, y] = bent.point("5a") ?? [];
    const [, below] = bent.point("5b") ?? [];
    expect(((y ?? 0) + (below ?? 0)) / 2).toBeCloseTo(5, 3);
    expect(made.outcomes.every(({ status }) => status === "drawn")).toBe(true);
  });
});
