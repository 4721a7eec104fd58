import { shift } from "../geometry/point.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const move: Verb = {
  word: "move",
  forms: [form("{point:point} {out:length} out, {down:length} down")],
  course: false,
  description: "A point shifted so far out and so far down, as grading does.",
  prepare(_, filled) {
    const point = filled.point("point");
    const out = filled.length("out");
    const down = filled.length("down");
    return (f) => shift(point(f), out(f), down(f));
  },
};
