import { polyline } from "../../geometry/path.js";
import { pointReader } from "../lines.js";
import type { Shape } from "./shape.js";

/** Straight through its points. */
export const line: Shape = (step, scope, uses) => {
  step.through.forEach((id) => uses.points.add(id));
  const points = step.through.map((id) => pointReader(id, scope, [0, 0]));
  return (f) => polyline(points.map((p) => p(f)));
};
