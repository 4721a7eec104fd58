import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const trace: Verb = {
  word: "trace",
  forms: [form("{point:point}")],
  course: false,
  description: "A point of another board traced through, at the same place.",
  prepare(_, filled) {
    const point = filled.point("point");
    return (f) => point(f);
  },
};
