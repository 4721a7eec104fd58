import { direction } from "../geometry/line.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { pathLength, pointAtLength } from "../geometry/path/path.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const along: Verb = {
  word: "along",
  forms: [
    form("{line:line} from {from:point}, {distance:length}"),
    form("{path:path}, {share:number} of the way"),
    form("{line:line} from {from:point}, back {distance:length}"),
  ],
  course: true,
  description: "Along a line or curve from a point on it by a length, onward or back, or a share of the whole way.",
  prepare(which, filled) {
    if (which === 1) {
      const path = filled.path("path");
      const share = filled.number("share");
      return (f) => {
        const p = path(f);
        return pointAtLength(p, pathLength(p) * share(f)).at;
      };
    }
    const line = filled.line("line");
    const from = filled.point("from");
    const distance = filled.length("distance");
    const sign = which === 2 ? -1 : 1;
    return (f) => {
      const target = line(f);
      const p = from(f);
      const d = sign * distance(f);
      if (target.path) return pointAtLength(target.path, nearestOnPath(target.path, p).along + d).at;
      const u = direction(target.line);
      if (!u)
        throw new DraftError(
          "The line has no length, so nothing lies along it.",
          "Its two points fall on each other: check the measurements.",
        );
      return { x: p.x + u.x * d, y: p.y + u.y * d };
    };
  },
};
