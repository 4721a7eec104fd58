import { foot } from "../geometry/line.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { pointAtLength } from "../geometry/path/path.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const square: Verb = {
  word: "square",
  forms: [form("from {from:point} to {line:line}")],
  course: true,
  description: "Square from a point to a line: the foot of the perpendicular, or the nearest place of a curve.",
  prepare(_, filled) {
    const from = filled.point("from");
    const line = filled.line("line");
    return (f) => {
      const p = from(f);
      const target = line(f);
      if (target.path) return pointAtLength(target.path, nearestOnPath(target.path, p).along).at;
      const found = foot(p, target.line);
      if (!found)
        throw new DraftError(
          "The line has no length, so nothing stands square to it.",
          "Its two points fall on each other: check the measurements.",
        );
      return found;
    };
  },
};
