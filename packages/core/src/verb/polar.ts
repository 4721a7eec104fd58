import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const polar: Verb = {
  word: "at",
  forms: [form("{angle:angle}, {distance:length} from {from:point}")],
  course: true,
  lays: ["distance"],
  description: "From a point at an angle, clockwise from straight across to the right.",
  prepare(_, filled) {
    const angle = filled.angle("angle");
    const distance = filled.length("distance");
    const from = filled.point("from");
    return (f) => {
      const p = from(f);
      const a = angle(f);
      const d = distance(f);
      return { x: p.x + d * Math.cos(a), y: p.y + d * Math.sin(a) };
    };
  },
};
