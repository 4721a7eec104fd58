import { isLettered, pointName } from "./point-name.js";
import { COUNT_WORDS } from "./figures.js";
import { saying } from "./rules.js";

/** The name a new point is given: a number or letter that is not placed yet, or one that is and is given again. */
export const NAME = saying<string>("new name").said(
  {
    starts: ({ tokens, ground }, at) => {
      const token = tokens[at];
      const name = token && pointName(token);
      if (name === undefined || token === undefined) return [];
      if (token.kind === "number" && isLettered(ground)) return [];
      // `A` at the beginning is rather an article, and `I` the one who speaks.
      const article = token.text === "a" ? 0.3 : token.text === "i" ? 2 : 0;
      return [{ value: name, to: at + 1, cost: (ground.points.has(name) ? 0.6 : 0) + article }];
    },
  },
  {
    // In words only what is free: `thirteen` is hardly a length where it stands alone.
    starts: (chart, at) =>
      chart
        .parse(COUNT_WORDS, at)
        .flatMap(({ value, to }) => (value > 2 && !chart.ground.points.has(String(value)) ? [{ value: String(value), to, cost: 1 }] : [])),
  },
);
