import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { type AlongItem, alongText, withPicked } from "./edge-along.js";

// A square of a hand's breadth: its sides as lines, two of which run against the way round.
const { plan } = loadSystem(`system "Square"
  unit cm
board A "A"
A0 start
A1 out 10 from A0
A2 down 10 from A1
A3 down 10 from A0
line top: A0 > A1
line right: A2 > A1
line bottom: A2 > A3
line left: A0 > A3
`);
const drafted = run(plan, {});
const press = (...names: readonly string[]): AlongItem[] =>
  names.reduce<AlongItem[]>((along, name) => withPicked(plan, drafted, along, { kind: /^[A-Z]/.test(name) ? "point" : "path", name }), []);

describe("an edge that is pressed on the paper", () => {
  it("goes on from where it was: lines are travelled the way that meets", () => {
    expect(press("top", "right", "bottom", "left")).toEqual([
      { path: "top" },
      { path: "right", reversed: true },
      { path: "bottom" },
      { path: "left", reversed: true },
    ]);
  });

  it("turns its first line when the second shows that it is gone backwards", () => {
    expect(press("right", "bottom")).toEqual([{ path: "right", reversed: true }, { path: "bottom" }]);
    expect(press("left", "top")).toEqual([{ path: "left", reversed: true }, { path: "top" }]);
  });

  it("runs through points, and from a point along a line", () => {
    expect(press("A0", "A1", "A2")).toEqual([{ point: "A0" }, { point: "A1" }, { point: "A2" }]);
    expect(press("A1", "right")).toEqual([{ point: "A1" }, { path: "right", reversed: true }]);
  });

  it("is told as it stands", () => {
    expect(press("top", "right").map(alongText)).toEqual(["top", "right, backwards"]);
    expect([alongText({ point: "12" }), alongText({ point: "A3" })]).toEqual(["#12", "A3"]);
  });
});
