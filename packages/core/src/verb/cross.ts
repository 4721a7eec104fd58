import { intersectPathLine } from "../geometry/intersect.js";
import { intersectLines } from "../geometry/line.js";
import { intersectPaths } from "../geometry/path/intersect-paths.js";
import { distance, type Point } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import { SIDES } from "./sides.js";
import type { LineOrPath, Verb } from "./verb.js";

/** Every crossing of two lines or curves; straight lines are carried on past their ends. */
function crossings(a: LineOrPath, b: LineOrPath): Point[] {
  if (a.path && b.path) return intersectPaths(a.path, b.path);
  if (a.path && b.line) return intersectPathLine(a.path, b.line);
  if (a.line && b.path) return intersectPathLine(b.path, a.line);
  const only = a.line && b.line && intersectLines(a.line, b.line);
  return only ? [only] : [];
}

export const cross: Verb = {
  word: "cross",
  forms: [
    form("{first:line} with {second:line} nearest to {near:point}"),
    ...SIDES.map(({ word }) => form(`{first:line} with {second:line}, the ${word}`)),
    form("{first:line} with {second:line}"),
  ],
  course: false,
  description:
    "Where two lines or curves cross: the first met on the way along the first line, the one nearest to a point, or the one named by its side.",
  prepare(which, filled) {
    const first = filled.line("first");
    const second = filled.line("second");
    const near = which === 0 ? filled.point("near") : undefined;
    const side = SIDES[which - 1];
    return (f) => {
      const met = crossings(first(f), second(f));
      const from = near?.(f);
      const [place] = from ? met.sort((a, b) => distance(a, from) - distance(b, from)) : side ? met.sort(side.before) : met;
      if (!place) throw new DraftError("The two never cross.", "Carry one of them on, or name another line.");
      return place;
    };
  },
};
