import { lerp } from "../geometry/point.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const midway: Verb = {
  word: "midway",
  forms: [form("{a:point} to {b:point}")],
  course: false,
  description: "The middle of the straight line between two points.",
  prepare(_, filled) {
    const a = filled.point("a");
    const b = filled.point("b");
    return (f) => lerp(a(f), b(f), 0.5);
  },
};
