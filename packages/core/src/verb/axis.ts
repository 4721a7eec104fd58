import { form } from "./form.js";
import { meet } from "./meet.js";
import type { Verb } from "./verb.js";

/** A verb that goes straight along the paper: by a distance, or until it meets a line. `dx`, `dy` is its unit direction. */
function axis(word: string, dx: number, dy: number, description: string): Verb {
  return {
    word,
    forms: [form("{distance:length} from {from:point}"), form("from {from:point} to {to:line}")],
    course: true,
    lays: ["distance"],
    description,
    prepare(which, filled) {
      const from = filled.point("from");
      if (which === 0) {
        const distance = filled.length("distance");
        return (f) => {
          const p = from(f);
          const d = distance(f);
          return { x: p.x + dx * d, y: p.y + dy * d };
        };
      }
      const to = filled.line("to");
      return (f) => {
        const p = from(f);
        return meet({ a: p, b: { x: p.x + dx, y: p.y + dy } }, to(f));
      };
    },
  };
}

export const down = axis("down", 0, 1, "Straight down the paper.");
export const up = axis("up", 0, -1, "Straight up the paper.");
export const out = axis("out", 1, 0, "Level, away from the centre line.");
export const inward = axis("in", -1, 0, "Level, towards the centre line.");
