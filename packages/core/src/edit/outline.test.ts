import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { printStatement } from "../system/notation/print.js";
import { type AlongItem, withPicked } from "./edge-along.js";
import { outlineEdges } from "./outline.js";

// A front: neck and armhole drawn as curves, shoulder, side and hem straight, a dart in the side; the waist is a point of the fold.
const SYSTEM = `system "Front"
  unit cm
board A "Front" · centre fold
A0 start
A1 out 8 from A0
A2 start at 20 across 4 down
A3 start at 23 across 20 down
A4 down 60 from A0
A5 start at 23 across 60 down
A6 down 8 from A0
A7 start at 23 across 28 down
A8 start at 14 across 26 down
A9 down 40 from A0
B1 start at 12 across 20 down
curve neck: A1 > A6, leaving plumb, arriving level
curve armhole: A2 > A3, leaving plumb, arriving level
line yoke: B1 > A3
dart bust "Bust dart": at A7, intake 3 to A8, pressed down
`;
const { plan } = loadSystem(SYSTEM);
const drafted = run(plan, {});

function walked(presses: string, onFold = true): string[] {
  const items = presses
    .split(" ")
    .reduce<AlongItem[]>((along, name) => withPicked(plan, drafted, along, { kind: /^[A-Z]/.test(name) ? "point" : "path", name }), []);
  const edges = outlineEdges(plan, drafted, items, onFold);
  return printStatement({ is: "piece", key: "Front", title: "Front", board: "A", cut: 1, edges })
    .slice(1)
    .map((line) => line.trim());
}

describe("an outline gone round on the paper", () => {
  it("makes every drawn line an edge of its name, and every straight way another; the fold is known", () => {
    expect(walked("neck A1 A2 armhole A3 A5 A4 A6")).toEqual([
      "edge neck: neck reversed",
      "edge edge_2: A1 > A2",
      "edge armhole: armhole",
      "edge edge_4: A3 > A5",
      "edge edge_5: A5 > A4",
      "edge centre: A4 > A6 · fold",
    ]);
  });

  it("closes itself, and puts in the points where two lines do not meet", () => {
    expect(walked("armhole A5 A4 neck", false)).toEqual([
      "edge armhole: armhole",
      "edge edge_2: A3 > A5",
      "edge edge_3: A5 > A4",
      "edge edge_4: A4 > A6",
      "edge neck: neck reversed",
      "edge edge_6: A1 > A2",
    ]);
  });

  it("keeps a dart in the edge it opens in, and a point on a straight way in that way", () => {
    expect(walked("neck armhole bust A5 A4 A9")).toEqual([
      "edge neck: neck reversed",
      "edge edge_2: A1 > A2",
      "edge armhole: armhole",
      "edge edge_4: A3 > bust > A5",
      "edge edge_5: A5 > A4",
      "edge centre: A4 > A9 > A6 · fold",
    ]);
  });

  it("takes only the stretch of a line between where it is entered and left", () => {
    expect(walked("A2 armhole A3 yoke B1", false)).toEqual(["edge armhole: armhole", "edge yoke: yoke reversed", "edge edge_3: B1 > A2"]);
    const { plan: two } = loadSystem(`${SYSTEM}B2 along armhole, 1/2 of the way\n`);
    const draft = run(two, {});
    const items = (["A2", "armhole", "B2", "A5"] as const).reduce<AlongItem[]>(
      (along, name) => withPicked(two, draft, along, { kind: name === "armhole" ? "path" : "point", name }),
      [],
    );
    expect(items).toEqual([{ path: "armhole", from: "A2", to: "B2" }, { point: "A5" }]);
  });
});
