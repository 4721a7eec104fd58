import { direction } from "../geometry/line.js";
import { headingAtStart } from "../geometry/path/path.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

const WAYS = [
  { x: -1, y: 0 },
  { x: 1, y: 0 },
  { x: 0, y: -1 },
  { x: 0, y: 1 },
] as const;

/** Square off a line, to the left or right hand of someone who walks along it from its first point to its second. */
export const off: Verb = {
  word: "off",
  forms: ["left", "right", "in", "out", "up", "down"].map((way) => form(`{line:line} at {at:point}, {distance:length} ${way}`)),
  course: true,
  lays: ["distance"],
  description:
    "Square off a line at a point: to the left or right hand of someone walking along it, or to the side that lies in, out, up or down.",
  prepare(which, filled) {
    const at = filled.point("at");
    const line = filled.line("line");
    const distance = filled.length("distance");
    const way = WAYS[which - 2];
    return (f) => {
      const target = line(f);
      const u = target.line ? direction(target.line) : headingAtStart(target.path);
      if (!u)
        throw new DraftError(
          "The line has no length, so nothing stands square to it.",
          "Its two points fall on each other: check the measurements.",
        );
      const p = at(f);
      // To the left of the way is (y, −x): on the paper y grows downward.
      const left = way ? Math.sign(u.y * way.x - u.x * way.y) : which === 0 ? 1 : -1;
      if (left === 0) throw new DraftError("The line runs that very way, so nothing square to it does.", "Say left or right instead.");
      const d = left * distance(f);
      return { x: p.x + u.y * d, y: p.y - u.x * d };
    };
  },
};
