import { lerp } from "../geometry/point.js";
import { form } from "./form.js";
import type { Verb } from "./verb.js";

export const part: Verb = {
  word: "part",
  forms: [form("{share:number} from {from:point} to {to:point}")],
  course: false,
  description: "A share of the straight way from one point to another: part 1/3 from #1 to #2.",
  prepare(_, filled) {
    const share = filled.number("share");
    const from = filled.point("from");
    const to = filled.point("to");
    return (f) => lerp(from(f), to(f), share(f));
  },
};
