import { FormulaError } from "../../formula/error.js";
import { polyline } from "../../geometry/path.js";
import { type Point, samePlace } from "../../geometry/point.js";
import { WHOLE } from "../step-reader.js";
import type { PathMaker } from "./path-maker.js";

/** Straight through its points. */
export const line: PathMaker = (step, read) => {
  if (step.through.length < 2) throw new FormulaError("A line runs through two points at least.", "Write it like #10 > #12.", WHOLE);
  const points = step.through.map((id, i) => read.point(id, `through.${i}`));
  return (f) => {
    const places: Point[] = [];
    for (const point of points) {
      const place = point(f);
      // A stretch of no length has no direction: what is drawn along the line would go astray at it.
      if (places.length === 0 || !samePlace(places[places.length - 1] as Point, place)) places.push(place);
    }
    return polyline(places.length > 1 ? places : [places[0] as Point, places[0] as Point]);
  };
};
