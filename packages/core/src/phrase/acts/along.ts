import { pointText } from "../../verb/form.js";
import { nearestOnPath } from "../../geometry/path/nearest-on-path.js";
import { endOf, type Path, pathLength, startOf } from "../../geometry/path/path.js";
import { distance, type Point } from "../../geometry/point.js";
import type { Amount, Heading, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";

/** A share of the way along a line, counted from a point of it or from where it begins. */
export function alongShare(line: Line, share: string, from: Spot | undefined): string {
  if (line.unknown !== undefined) throw refuse(`There is no ${line.unknown} here.`);
  const backward = from !== undefined && isFarEnd(from, line);
  if (line.straight && line.ends) {
    const [a, b] = (backward ? [line.ends[1], line.ends[0]] : line.ends).map(pointText);
    return share === "1/2" ? `midway ${a} to ${b}` : `part ${share} from ${a} to ${b}`;
  }
  if (line.text.includes("-") || line.text.startsWith("line ")) throw NOT_SO;
  return `along ${line.text}, ${backward ? `1 - ${share}` : share} of the way`;
}

/** A share is counted from an end of the line. */
function isFarEnd(from: Spot, { ends }: Line): boolean {
  if (!("id" in from) || (ends && !ends.includes(from.id))) throw NOT_SO;
  return ends?.[1] === from.id;
}

interface Way {
  readonly line: Line;
  readonly amount: Amount;
  readonly from: Spot | undefined;
  readonly way: Heading | undefined;
  /** It is said to go back. */
  readonly back: boolean;
  /** It is past the end of the line. */
  readonly beyond?: boolean;
}

/** So far along a line from a point of it, as a rule; from its far end, back along it. */
export function alongBy(said: Way, sheet: Sheet): [Sheet, string] {
  const { line, way, back } = said;
  const [on, text] = sheet.line(line);
  const by = laidOff(said.amount, on);
  const [at, id] = on.spot(beginning(said, on));
  if (at.boardOf(id) !== line.board) throw NOT_SO;
  const axis = way === "back" ? undefined : way;
  if (line.text.startsWith("line across from ")) return [at, `${axis === undefined ? "out" : sideOf(axis)} ${by.formula} from ${id}`];
  const run = runOf(line, at);
  // What was said before need not lie on the line that is spoken of.
  const here = at.at(id);
  if (!said.from && here && run && offRun(here, run) > 1) throw ask("From which point of it?");
  if (axis !== undefined && run && !back && !said.beyond && line.straight && liesAlong(run, axis))
    return [at, `${sideOf(axis)} ${by.formula} from ${id}`];
  return [at, `along ${text} from ${id}, ${goesBack(said, here, run, axis) ? "back " : ""}${by.formula}`];
}

const goesBack = ({ beyond, back }: Way, here: Point | undefined, run: Run | undefined, axis: Heading | undefined): boolean =>
  beyond === true ? isStart(here, run) : isBackward(here, run, axis, back);

/** The place it is measured from; without one, the point said before. */
function beginning({ from, line, way }: Way, sheet: Sheet): Spot {
  if (from) return from;
  if (sheet.empty && line.ends && way === undefined) throw ask("From which end, and which way?");
  if (sheet.it === undefined) throw ask("From which point?");
  return { before: "it" };
}

/** Past the end where a line starts it goes backward, past the other forward. */
function isStart(here: Point | undefined, run: Run | undefined): boolean {
  if (!here || !run) throw ask("Past which end?");
  if (distance(here, run.start) < 1) return true;
  if (distance(here, run.end) < 1) return false;
  throw NOT_SO;
}

function isBackward(here: Point | undefined, run: Run | undefined, axis: Heading | undefined, back: boolean): boolean {
  if (!here || !run) return false;
  if (offRun(here, run) > 1) throw NOT_SO;
  return goesBackward(here, run, axis, back);
}

/** A line on a body in the middle. */
interface Run {
  readonly start: Point;
  readonly end: Point;
  readonly path: Path | undefined;
}

function runOf(line: Line, sheet: Sheet): Run | undefined {
  const path = line.path === undefined ? undefined : (sheet.ground.pathOf(line.path) ?? sheet.ground.pathOf(line.text));
  if (path) return { start: startOf(path), end: endOf(path), path };
  const [start, end] = (line.ends ?? []).map((id) => sheet.at(pointText(id)));
  return start && end ? { start, end, path } : undefined;
}

const sideOf = (way: Heading): string => (way === "level" ? "out" : way === "plumb" || way === "back" ? "down" : way);

function liesAlong({ start, end }: Run, way: Heading): boolean {
  const [dx, dy] = [Math.abs(end.x - start.x), Math.abs(end.y - start.y)];
  return way === "up" || way === "down" || way === "plumb" ? dx < 0.02 * dy : dy < 0.02 * dx;
}

function offRun(p: Point, { start, end, path }: Run): number {
  if (path) return nearestOnPath(path, p).off;
  return Math.abs((end.x - start.x) * (p.y - start.y) - (end.y - start.y) * (p.x - start.x)) / (distance(start, end) || 1);
}

/** Whether it goes against the line. At an end there is only one way to go; in between it must be said. */
function goesBackward(here: Point, run: Run, axis: Heading | undefined, back: boolean): boolean {
  if (distance(here, run.end) < 1) return true;
  if (distance(here, run.start) < 1) return false;
  if (axis === undefined) {
    if (back) return true;
    throw ask("Which way along it?");
  }
  const share = run.path ? nearestOnPath(run.path, here).along / (pathLength(run.path) || 1) : 0.5;
  if (share < 0.01 || share > 0.99) return share > 0.5;
  const [dx, dy] = [run.end.x - run.start.x, run.end.y - run.start.y];
  return { up: -dy, down: dy, in: -dx, out: dx, level: dx, plumb: dy, back: -1 }[axis] < 0;
}
