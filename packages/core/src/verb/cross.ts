import { crossPathLine } from "../geometry/cross.js";
import { crossLines } from "../geometry/line.js";
import { crossPaths } from "../geometry/meet-paths.js";
import type { Point } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { LineOrPath, Verb } from "./verb.js";

/** Every crossing of two lines or curves; straight lines are carried on past their ends. */
function crossings(a: LineOrPath, b: LineOrPath): Point[] {
  if (a.path && b.path) return crossPaths(a.path, b.path);
  if (a.path && b.line) return crossPathLine(a.path, b.line);
  if (a.line && b.path) return crossPathLine(b.path, a.line);
  const only = a.line && b.line && crossLines(a.line, b.line);
  return only ? [only] : [];
}

export const cross: Verb = {
  word: "cross",
  forms: [form("{first:line} with {second:line}")],
  course: false,
  says: "Where two lines or curves cross; the first crossing met on the way along the first.",
  prepare(_, filled) {
    const first = filled.line("first");
    const second = filled.line("second");
    return (f) => {
      const [place] = crossings(first(f), second(f));
      if (!place) throw new DraftError("The two never cross.", "Carry one of them on, or name another line.");
      return place;
    };
  },
};
