import { mirror as mirrorPoint } from "../geometry/line.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const mirror: Verb = {
  word: "mirror",
  forms: [form("{point:point} in {line:line}")],
  course: false,
  description: "The point traced through to the other side of a line the paper is folded on.",
  prepare(_, filled) {
    const point = filled.point("point");
    const fold = filled.line("line");
    return (f) => {
      const { line } = fold(f);
      if (!line) throw new DraftError("Paper cannot be folded on a curve.", "Name a straight line, like #6-#8.");
      const mirrored = mirrorPoint(point(f), line);
      if (!mirrored) throw new DraftError("The fold line has no length.", "Its two points fall on each other: check the measurements.");
      return mirrored;
    };
  },
};
