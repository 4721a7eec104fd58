import { direction } from "../geometry/line.js";
import { headingAtStart } from "../geometry/path.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

/** Square off a line, to the left or right hand of someone who walks along it from its first point to its second. */
export const off: Verb = {
  word: "off",
  forms: [form("{line:line} at {at:point}, {distance:length} left"), form("{line:line} at {at:point}, {distance:length} right")],
  course: true,
  says: "Square off a line at a point, to the left or right hand of someone walking along it.",
  prepare(which, filled) {
    const at = filled.point("at");
    const line = filled.line("line");
    const distance = filled.length("distance");
    const side = which === 0 ? 1 : -1;
    return (f) => {
      const target = line(f);
      const u = target.line ? direction(target.line) : headingAtStart(target.path);
      if (!u)
        throw new DraftError(
          "The line has no length, so nothing stands square to it.",
          "Its two points fall on each other: check the measurements.",
        );
      const p = at(f);
      const d = side * distance(f);
      return { x: p.x + u.y * d, y: p.y - u.x * d };
    };
  },
};
