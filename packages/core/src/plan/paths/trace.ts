import { FormulaError } from "../../formula/error.js";
import { mirror } from "../../geometry/line.js";
import { offsetPath } from "../../geometry/path/offset-path.js";
import { mapPath, type Path, pathLength, pointAtLength, shiftPath } from "../../geometry/path/path.js";
import { type Point, turn } from "../../geometry/point.js";
import type { PathStep } from "../../system/model.js";
import { DraftError } from "../../verb/draft-error.js";
import { WHOLE } from "../compile/step-reader.js";
import { lineReader } from "../compile/lines.js";
import type { PathMaker } from "./path-maker.js";

/** A drawn path gone over with the tracing wheel: as it lies, moved, turned, beside itself, or through the paper folded on a line. */
export const trace: PathMaker = (step, read) => {
  const path = read.path(step.of ?? "", "of");
  if (step.moved) {
    const out = read.figure(step.moved.out, "length", "moved.out");
    const down = read.figure(step.moved.down, "length", "moved.down");
    return (f) => shiftPath(path(f), out(f), down(f));
  }
  if (step.turned) {
    const about = read.point(step.turned.about, "turned.about");
    const by = read.figure(step.turned.by, "angle", "turned.by");
    return (f) => mapPath(path(f), (p) => turn(p, about(f), by(f)));
  }
  if (step.offset) {
    const { way } = step.offset;
    const by = read.figure(step.offset.by, "length", "offset.by");
    return (f) => beside(path(f), by(f), way);
  }
  if (step.mirroredIn === undefined) return path;
  const tree = read.lineTree(step.mirroredIn, "mirroredIn");
  if (tree.type === "ray" || tree.type === "parallel")
    throw new FormulaError("The fold is named by two points or by its line.", "Write mirrored in #6-#8.", WHOLE);
  const fold = lineReader(tree, read.scope);
  return (f) => {
    const { line } = fold(f);
    if (!line) throw new DraftError("Paper cannot be folded on a curve.", "Name a straight line, like #6-#8.");
    return mapPath(path(f), (p) => mirror(p, line) ?? noFold());
  };
};

type Way = NonNullable<PathStep["offset"]>["way"];

const WAYS: Readonly<Record<Exclude<Way, "left" | "right">, Point>> = {
  out: { x: 1, y: 0 },
  in: { x: -1, y: 0 },
  up: { x: 0, y: -1 },
  down: { x: 0, y: 1 },
};

/** The path beside itself, on the side that lies the way named at its middle; left and right are those of someone walking along it. */
function beside(path: Path, mm: number, way: Way): Path {
  if (mm < 0) throw new DraftError("A line cannot lie less than nothing beside another.", "Name the other side: in for out, up for down.");
  const { heading } = pointAtLength(path, pathLength(path) / 2);
  const left = { x: heading.y, y: -heading.x };
  const side = way === "left" ? 1 : way === "right" ? -1 : left.x * WAYS[way].x + left.y * WAYS[way].y;
  if (Math.abs(side) < 1e-3)
    throw new DraftError(
      `The line runs ${way} itself, so neither side of it lies ${way}.`,
      "Name the side by left or right, as someone walks along the line.",
    );
  const made = offsetPath(path, side > 0 ? mm : -mm);
  if (!made)
    throw new DraftError(
      "The line bends more tightly than the distance at which it is to be drawn beside itself.",
      "Draw it nearer, or round the bend.",
    );
  return made;
}

function noFold(): Point {
  throw new DraftError("The fold line has no length.", "Its two points fall on each other: check the measurements.");
}
