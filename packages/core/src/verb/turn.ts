import { bearing, turn as turnPoint } from "../geometry/point.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const turn: Verb = {
  word: "turn",
  forms: [
    form("{point:point} about {centre:point} by {angle:angle}"),
    form("{point:point} about {centre:point} so that {from:point} falls on {to:point}"),
  ],
  course: false,
  description: "A point turned about another, clockwise on the paper by an angle, or so that one line falls on another.",
  prepare(which, filled) {
    const point = filled.point("point");
    const centre = filled.point("centre");
    if (which === 0) {
      const angle = filled.angle("angle");
      return (f) => turnPoint(point(f), centre(f), angle(f));
    }
    const from = filled.point("from");
    const to = filled.point("to");
    return (f) => {
      const c = centre(f);
      return turnPoint(point(f), c, bearing(c, to(f)) - bearing(c, from(f)));
    };
  },
};
