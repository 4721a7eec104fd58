import { form } from "./form.js";
import { meet } from "./meet.js";
import type { Verb } from "./verb.js";

export const on: Verb = {
  word: "on",
  forms: [form("{line:line} at {down:length} down"), form("{line:line} at {out:length} out")],
  course: false,
  description: "The point of a line that lies so far below the board's first level, or so far out from its first upright.",
  prepare(which, filled) {
    const line = filled.line("line");
    if (which === 0) {
      const down = filled.length("down");
      return (f) => {
        const y = down(f);
        return meet({ a: { x: 0, y }, b: { x: 1, y } }, line(f));
      };
    }
    const out = filled.length("out");
    return (f) => {
      const x = out(f);
      return meet({ a: { x, y: 0 }, b: { x, y: 1 } }, line(f));
    };
  },
};
