import { FormulaError } from "../../formula/error.js";
import type { Environment } from "../../formula/scope.js";
import { arcPath, circleThrough } from "../../geometry/curve/arc.js";
import type { Path } from "../../geometry/path/path.js";
import { bearing, distance, turnBetween } from "../../geometry/point.js";
import { DraftError } from "../../verb/draft-error.js";
import { pointText } from "../../verb/form.js";
import type { StepReader } from "../compile/step-reader.js";
import type { PathMaker } from "./path-maker.js";

/** How unequally far (mm) the ends of an arc may lie from its centre. */
const EQUAL_MM = 0.5;

/** Part of a circle: through three points, between two about a centre, the short way round, or swung free about a centre. */
export const arc: PathMaker = (step, read) => {
  if (step.radius !== undefined && step.about !== undefined) return swungFree(step.radius, step.about, step.half, read);
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

/** Where each half of a circle begins, to be gone through clockwise on the paper (radians). */
const HALVES = { upper: Math.PI, lower: 0, inner: Math.PI / 2, outer: -Math.PI / 2 } as const;

/** A whole circle about a point, or the half of it that is named. */
function swungFree(radius: string, about: string, half: keyof typeof HALVES | undefined, read: StepReader): (f: Environment) => Path {
  const length = read.figure(radius, "length", "radius");
  const centre = read.point(about, "about");
  return (f) => {
    const [r, c] = [length(f), centre(f)];
    if (!(r > 0)) throw new DraftError("An arc has a radius of more than nothing.", "Check the figure it is swung by.");
    const start = half === undefined ? 0 : HALVES[half];
    return arcPath(c, { x: c.x + r * Math.cos(start), y: c.y + r * Math.sin(start) }, half === undefined ? 2 * Math.PI : Math.PI);
  };
}

type Reader = ReturnType<StepReader["point"]>;
