import { FormulaError } from "../../formula/error.js";
import type { Environment } from "../../formula/scope.js";
import { type Cubic, straightCubic } from "../../geometry/curve/cubic.js";
import { direction } from "../../geometry/line.js";
import type { Path } from "../../geometry/path/path.js";
import { type Point, samePlace } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { type StepReader, WHOLE } from "../compile/step-reader.js";
import type { PathMaker } from "./path-maker.js";

/** Straight through its points, or a guideline without ends. */
export const line: PathMaker = (step, read) => {
  if (step.open !== undefined) return guideline(step.open, read);
  if (step.through.length < 2) throw new FormulaError("A line runs through two points at least.", "Write it like #10 > #12.", WHOLE);
  const [first, ...rest] = step.through.map((id, i) => read.point(id, `through.${i}`)) as [
    (f: Environment) => Point,
    ...((f: Environment) => Point)[],
  ];
  return (f) => {
    const segments: Cubic[] = [];
    let from = first(f);
    for (const point of rest) {
      const to = point(f);
      // A stretch of no length has no direction: what is drawn along the line would go astray at it.
      if (samePlace(from, to)) continue;
      segments.push(straightCubic(from, to));
      from = to;
    }
    return { segments: segments.length > 0 ? segments : [straightCubic(from, from)] };
  };
};

/** How far a guideline reaches to either side (mm): beyond any board. */
const REACH_MM = 3000;

/** Straight on both ways along the line that is named. */
function guideline(text: string, read: StepReader): (f: Environment) => Path {
  const named = read.line(text, "open");
  return (f) => {
    const { line } = named(f);
    const u = line && direction(line);
    if (!u) throw new DraftError("A guideline is straight.", "Write it like line across from #8, or parallel to #1-#2, 3 out.");
    const at = (mm: number): Point => ({ x: line.a.x + u.x * mm, y: line.a.y + u.y * mm });
    return { segments: [straightCubic(at(-REACH_MM), at(REACH_MM))] };
  };
}
