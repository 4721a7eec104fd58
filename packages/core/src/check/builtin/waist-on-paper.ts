import type { Frame } from "../../formula/scope.js";
import type { Plan } from "../../plan/plan.js";
import { endOf, startOf } from "../../geometry/path.js";
import type { Point } from "../../geometry/point.js";
import type { CheckResult } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";

const WAIST = /\bwaist\b/i;

/** Levels are compared that begin where the waist does; a shaped centre moves it a little. */
const FROM_THE_CENTRE_MM = 60;

/** The paper is folded or cut by the widest of the other levels: the waist, with what its darts take, runs off it when it is wider still. */
export const waistOnPaper: BuiltinCheck = ({ plan, frame }) =>
  plan.levels.flatMap(({ board, title, lines }): CheckResult[] => {
    const waist = widest(
      lines.filter((l) => WAIST.test(l.label)),
      frame,
    );
    if (!waist) return [];
    const other = widest(
      lines.filter((l) => !WAIST.test(l.label)),
      frame,
      waist.inner.x,
    );
    if (!other) return [];
    return [
      {
        name: `${title}: waist on the paper`,
        status: waist.outer.x <= other.outer.x + 1e-6 ? "pass" : "look",
        kind: "length",
        got: waist.outer.x,
        expected: [0, other.outer.x],
        tolerance: 0,
        at: waist.outer,
        board,
        edges: [],
        cause: "With its dart the waist is wider than bust and hip: fold the paper by the waist, or take less into the dart.",
      },
    ];
  });

/** The level that reaches furthest out, of those that begin at `inner`, with its ends. */
function widest(lines: Plan["levels"][number]["lines"], frame: Frame, inner?: number): { inner: Point; outer: Point } | undefined {
  let found: { inner: Point; outer: Point } | undefined;
  for (const { path: index } of lines) {
    const path = frame.paths[index];
    if (!path) continue;
    const [a, b] = [startOf(path), endOf(path)];
    const ends = a.x < b.x ? { inner: a, outer: b } : { inner: b, outer: a };
    if (inner !== undefined && Math.abs(ends.inner.x - inner) >= FROM_THE_CENTRE_MM) continue;
    if (!found || ends.outer.x > found.outer.x) found = ends;
  }
  return found;
}
