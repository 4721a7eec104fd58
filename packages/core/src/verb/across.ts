import { form } from "./form.js";
import { meet } from "./meet.js";
import type { Verb } from "./verb.js";

export const across: Verb = {
  word: "across",
  forms: [form("from {from:point} to {to:line}")],
  course: true,
  description: "Square across the paper, either way, until it meets a line or curve.",
  prepare(_, filled) {
    const from = filled.point("from");
    const to = filled.line("to");
    return (f) => {
      const p = from(f);
      return meet({ a: p, b: { x: p.x + 1, y: p.y } }, to(f));
    };
  },
};
