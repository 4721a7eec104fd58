import { FormulaError } from "../../formula/error.js";
import { parseLineRef } from "../../formula/parse.js";
import { mirror } from "../../geometry/line.js";
import { mapPath } from "../../geometry/path.js";
import type { Point } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { lineReader, pathReader } from "../lines.js";
import { gatherLine } from "../references.js";
import type { Shape } from "./shape.js";

/** A drawn path gone over with the tracing wheel: as it lies, or through the paper folded on a line. */
export const trace: Shape = (step, scope, uses) => {
  const name = step.of ?? "";
  const read = pathReader(name, scope, [0, 0]);
  uses.names.add(name);
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

function noFold(): Point {
  throw new DraftError("The fold line has no length.", "Its two points fall on each other: check the measurements.");
}
