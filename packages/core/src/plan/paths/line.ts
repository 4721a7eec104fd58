import { FormulaError } from "../../formula/error.js";
import type { Environment } from "../../formula/scope.js";
import { type Cubic, straightCubic } from "../../geometry/curve/cubic.js";
import { type Point, samePlace } from "../../geometry/point.js";
import { WHOLE } from "../compile/step-reader.js";
import type { PathMaker } from "./path-maker.js";

/** Straight through its points. */
export const line: PathMaker = (step, read) => {
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
