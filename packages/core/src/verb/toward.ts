import { lerp, distance as distanceBetween, SAME_PLACE_MM } from "../geometry/point.js";
import { DraftError } from "./draft-error.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const toward: Verb = {
  word: "toward",
  forms: [form("{to:point}, {distance:length} from {from:point}")],
  course: true,
  lays: ["distance"],
  description: "From one point straight toward another by a distance, and on past it when the distance is longer.",
  prepare(_, filled) {
    const distance = filled.length("distance");
    const from = filled.point("from");
    const to = filled.point("to");
    return (f) => {
      const a = from(f);
      const b = to(f);
      const whole = distanceBetween(a, b);
      if (whole <= SAME_PLACE_MM)
        throw new DraftError(
          "The two points fall on each other, so there is no way from one toward the other.",
          "Check the measurements they come from.",
        );
      return lerp(a, b, distance(f) / whole);
    };
  },
};
