import { FormulaError } from "../../formula/error.js";
import { hobby } from "../../geometry/curve/hobby.js";
import {
  endOf,
  headingAtEnd,
  headingAtStart,
  joinPaths,
  type Path,
  pathLength,
  reversePath,
  splitPath,
  startOf,
} from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import type { PathMaker } from "./path-maker.js";

/** How near (mm) the two lines must come to share a corner. */
const CORNER_MM = 1;

/** Two lines that meet in a corner as one, the corner rounded over a distance on each side. */
export const blend: PathMaker = (step, read) => {
  const { blend: text } = step;
  if (!text) throw new FormulaError("A blend names two lines that meet.", "Write it like side and hem, 2 before, 3 after.", [0, 0]);
  const [first, second] = [read.path(text.first, "blend.first"), read.path(text.second, "blend.second")];
  const before = read.figure(text.before, "length", "blend.before");
  const after = read.figure(text.after, "length", "blend.after");
  return (f) => {
    const [a, b] = headToTail(first(f), second(f));
    const [x, y] = [before(f), after(f)];
    if (x < 0 || y < 0 || x > pathLength(a) || y > pathLength(b))
      throw new DraftError("The corner is rounded over more than there is of a line.", "Round it over less.");
    const kept = splitPath(a, pathLength(a) - x)[0];
    const rest = splitPath(b, y)[1];
    const angle = (u: { x: number; y: number }): number => Math.atan2(u.y, u.x);
    const corner = hobby([
      { at: endOf(kept), heading: angle(headingAtEnd(kept)) },
      { at: startOf(rest), heading: angle(headingAtStart(rest)) },
    ]);
    return joinPaths([...(x < pathLength(a) ? [kept] : []), ...(x + y > 1e-6 ? [corner] : []), ...(y < pathLength(b) ? [rest] : [])]);
  };
};

/** The two turned so that the second begins where the first ends. */
function headToTail(a: Path, b: Path): [Path, Path] {
  for (const first of [a, reversePath(a)])
    for (const second of [b, reversePath(b)]) if (distance(endOf(first), startOf(second)) <= CORNER_MM) return [first, second];
  throw new DraftError("The two lines do not meet in a corner.", "Draw them to a common point first.");
}
