import { distance } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const bisect: Verb = {
  word: "bisect",
  forms: [form("{a:point}-{corner:point}-{b:point}, {distance:length}")],
  course: true,
  lays: ["distance"],
  description:
    "Into a corner: from the middle point of three, halfway between the directions to the other two (the bisector of the angle).",
  prepare(_, filled) {
    const [a, corner, b] = [filled.point("a"), filled.point("corner"), filled.point("b")];
    const by = filled.length("distance");
    return (f) => {
      const [p, c, q] = [a(f), corner(f), b(f)];
      const [d, e] = [distance(c, p), distance(c, q)];
      const sum = { x: (p.x - c.x) / d + (q.x - c.x) / e, y: (p.y - c.y) / d + (q.y - c.y) / e };
      const length = Math.hypot(sum.x, sum.y);
      if (!(d > 0) || !(e > 0) || !(length > 1e-9))
        throw new DraftError(
          "The three points make no corner.",
          "Name the point of the corner in the middle, and one on each of its sides.",
        );
      return { x: c.x + (sum.x / length) * by(f), y: c.y + (sum.y / length) * by(f) };
    };
  },
};
