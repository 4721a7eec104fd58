import { direction, foot } from "../geometry/line.js";
import { distance as distanceBetween } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import { SIDES } from "./sides.js";
import type { Verb } from "./verb.js";

export const swing: Verb = {
  word: "swing",
  forms: [
    ...SIDES.map(({ word }) => form(`{distance:length} from {from:point} to {line:line}, the ${word}`)),
    form("{distance:length} from {from:point} to {line:line}"),
  ],
  course: true,
  lays: ["distance"],
  description: "Swing a length from a point until it meets a line: on the side the line runs toward, or the place named by its side.",
  prepare(which, filled) {
    const distance = filled.length("distance");
    const from = filled.point("from");
    const to = filled.line("line");
    return (f) => {
      const { line } = to(f);
      const u = line && direction(line);
      if (!u) throw new DraftError("A length is swung to a straight line with a direction.", "Name it by two points, like #1-#2.");
      const p = from(f);
      const nearest = foot(p, line) ?? p;
      const r = distance(f);
      const left = r * r - distanceBetween(p, nearest) ** 2;
      if (left < -1e-6)
        throw new DraftError(
          "The tape does not reach: the length is shorter than the way square to the line.",
          "Make it longer, or the line nearer.",
        );
      const reach = Math.sqrt(Math.max(0, left));
      const met = [1, -1].map((way) => ({ x: nearest.x + u.x * reach * way, y: nearest.y + u.y * reach * way }));
      const side = SIDES[which];
      const [place] = side ? met.sort(side.before) : met;
      return place ?? nearest;
    };
  },
};
