import { compileAs } from "../../formula/compile.js";
import { FormulaError } from "../../formula/error.js";
import { parseFormula, parseLineRef } from "../../formula/parse.js";
import type { Evaluate, Scope } from "../../formula/scope.js";
import { mirror } from "../../geometry/line.js";
import { mapPath, shiftPath } from "../../geometry/path.js";
import { type Point, turn } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { lineReader, pathReader, pointReader } from "../lines.js";
import { gather, gatherLine, type References } from "../references.js";
import type { Shape } from "./shape.js";

/** A drawn path gone over with the tracing wheel: as it lies, moved, turned, or through the paper folded on a line. */
export const trace: Shape = (step, scope, uses) => {
  const name = step.of ?? "";
  const read = pathReader(name, scope, [0, 0]);
  uses.names.add(name);
  if (step.moved) {
    const out = figureOf(step.moved.out, "length", scope, uses);
    const down = figureOf(step.moved.down, "length", scope, uses);
    return (f) => shiftPath(read(f), out(f), down(f));
  }
  if (step.turned) {
    uses.points.add(step.turned.about);
    const about = pointReader(step.turned.about, scope, [0, 0]);
    const by = figureOf(step.turned.by, "angle", scope, uses);
    return (f) => mapPath(read(f), (p) => turn(p, about(f), by(f)));
  }
  if (step.mirroredIn === undefined) return read;
  const tree = parseLineRef(step.mirroredIn);
  gatherLine(tree, uses);
  if (tree.type === "ray") throw new FormulaError("The fold is named by two points or by its line.", "Write mirrored in #6-#8.", tree.at);
  const fold = lineReader(tree, scope);
  return (f) => {
    const { line } = fold(f);
    if (!line) throw new DraftError("Paper cannot be folded on a curve.", "Name a straight line, like #6-#8.");
    return mapPath(read(f), (p) => mirror(p, line) ?? noFold());
  };
};

function figureOf(text: string, kind: "length" | "angle", scope: Scope, uses: References): Evaluate {
  const tree = parseFormula(text);
  gather(tree, uses);
  return compileAs(tree, scope, kind).run;
}

function noFold(): Point {
  throw new DraftError("The fold line has no length.", "Its two points fall on each other: check the measurements.");
}
