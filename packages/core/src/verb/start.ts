import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const start: Verb = {
  word: "start",
  forms: [form(""), form("at {across:length} across {down:length} down")],
  course: false,
  description: "The first point of a board, or a point at a place on it.",
  prepare(which, filled) {
    if (which === 0) return () => ({ x: 0, y: 0 });
    const across = filled.length("across");
    const down = filled.length("down");
    return (f) => ({ x: across(f), y: down(f) });
  },
};
