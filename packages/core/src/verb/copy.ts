import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const copy: Verb = {
  word: "copy",
  forms: [form("{point:point} by {from:point} to {to:point}")],
  course: false,
  description: "A point copied by the way from one point to another.",
  prepare(_, filled) {
    const [point, from, to] = [filled.point("point"), filled.point("from"), filled.point("to")];
    return (f) => {
      const [p, a, b] = [point(f), from(f), to(f)];
      return { x: p.x + b.x - a.x, y: p.y + b.y - a.y };
    };
  },
};
