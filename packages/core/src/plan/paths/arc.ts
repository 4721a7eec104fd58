import { FormulaError } from "../../formula/error.js";
import { arcPath, circleThrough } from "../../geometry/curve/arc.js";
import { bearing, distance, turnBetween } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { pointText } from "../../verb/form.js";
import type { StepReader } from "../compile/step-reader.js";
import type { PathMaker } from "./path-maker.js";

/** How unequally far (mm) the ends of an arc may lie from its centre. */
const EQUAL_MM = 0.5;

/** Part of a circle: through three points, or between two about a centre, the short way round. */
export const arc: PathMaker = (step, read) => {
  const ids = step.about === undefined ? step.through : [...step.through, step.about];
  if (ids.length !== 3)
    throw new FormulaError(
      "An arc runs through three points, or between two about a centre.",
      "Write it like #1 > #2 > #3, or #1 > #3 about #2.",
      [0, 0],
    );
  const [a, b, c] = ids.map((id, i) => read.point(id, i < step.through.length ? `through.${i}` : "about")) as [Reader, Reader, Reader];
  if (step.about === undefined) {
    return (f) => {
      const circle = circleThrough(a(f), b(f), c(f));
      if (!circle)
        throw new DraftError("The three points lie in a line, and no circle runs through them.", "Draw a line, or move the middle point.");
      return arcPath(circle.centre, a(f), circle.turn);
    };
  }
  return (f) => {
    const [from, to, centre] = [a(f), b(f), c(f)];
    if (Math.abs(distance(centre, from) - distance(centre, to)) > EQUAL_MM)
      throw new DraftError(
        `${pointText(ids[0] ?? "")} and ${pointText(ids[1] ?? "")} are not equally far from ${pointText(ids[2] ?? "")}.`,
        "An arc keeps its distance from the centre: swing the second point from it.",
      );
    return arcPath(centre, from, turnBetween(bearing(centre, from), bearing(centre, to)));
  };
};

type Reader = ReturnType<StepReader["point"]>;
