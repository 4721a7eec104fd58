import type { Hand, Heading } from "../meaning.js";
import { on, oneOf, p, saying, type Saying } from "./rules.js";
import { wordOf } from "../words/word-of.js";

export const HAND = oneOf<Hand>("hand", { left: "left", right: "right" });

const HEADING_WORDS: Readonly<Record<string, Heading>> = {
  up: "up",
  upward: "up",
  upwards: "up",
  raise: "up",
  raises: "up",
  rises: "up",
  raised: "up",
  rise: "up",
  lift: "up",
  higher: "up",
  down: "down",
  downward: "down",
  downwards: "down",
  drop: "down",
  drops: "down",
  lowers: "down",
  lower: "down",
  lowered: "down",
  dropped: "down",
  in: "in",
  inward: "in",
  inwards: "in",
  left: "in",
  out: "out",
  outward: "out",
  outwards: "out",
  right: "out",
  across: "level",
  level: "level",
  horizontal: "level",
  horizontally: "level",
  sideways: "level",
  over: "level",
  plumb: "plumb",
  vertically: "plumb",
  vertical: "plumb",
  back: "back",
  backward: "back",
  backwards: "back",
};
export const HEADING_WORD = saying<Heading>("way").said({
  firsts: () => new Set(Object.keys(HEADING_WORDS)),
  starts: ({ tokens }, at) => {
    const value = wordOf(HEADING_WORDS, tokens[at]?.text ?? "");
    if (value === undefined) return [];
    // "1/2 in," is rather half an inch.
    const unit = tokens[at]?.text === "in" && tokens[at - 1]?.kind === "number" && tokens[at + 1]?.kind === "mark";
    return [{ value, to: at + 1, cost: unit ? 2 : 0 }];
  },
});

export const UP_OR_DOWN = oneOf<Heading>("up or down", { up: "up", down: "down", back: "back" });

export const HEADING: Saying<Heading> = saying<Heading>("heading").said(
  on(p`(straight|squarely|directly|square|plumb|vertically|vertical)? ${HEADING_WORD}`, ([way]) => way),
  on(p`,? (and)? pointing (straight)? ${HEADING_WORD}`, ([way]) => way),
  on(
    p`(level|horizontally|straight|square)? (to|toward|towards) (left|centre|centre back|centre front|centre line|inside|fold|middle)`,
    () => "in" as const,
    0.1,
  ),
  on(p`(level|horizontally|straight|square)? (to|toward|towards) (right|outside)`, () => "out" as const, 0.1),
  on(p`(level|horizontally|straight|square)? (toward|towards) (side|side seam|sideseam)`, () => "out" as const, 0.1),
  // "To the side" is as far as the side, where there is one.
  on(p`(level|horizontally|straight|square)? to (side|side seam|sideseam)`, () => "out" as const, 2),
  on(p`(to)? (left|inside) (of)?`, () => "in" as const, 0.3),
  on(p`(to)? (right|outside) (of)?`, () => "out" as const, 0.3),
  on(p`(straight|directly|vertically|plumb)? (below|under|beneath|underneath)`, () => "down" as const, 0.2),
  on(p`(straight|directly|vertically|plumb)? above`, () => "up" as const, 0.2),
  {
    // Before a direction it only says that that is straight.
    firsts: () => new Set(["straight", "square"]),
    starts: ({ tokens }, at) =>
      /^(?:straight|square)$/.test(tokens[at]?.text ?? "") && wordOf(HEADING_WORDS, tokens[at + 1]?.text ?? "") === undefined
        ? [{ value: "level", to: at + 1, cost: 2.5 }]
        : [],
  },
  on(p`(drop|let fall|let drop)? (a)? (plumb line|plumb|vertical line|vertical)`, () => "plumb" as const),
  on(p`(a)? (level line|horizontal line|horizontal|line level|line across)`, () => "level" as const, 0.3),
  on(p`square (a)? line`, () => "level" as const, 0.3),
  on(p`(drop|let fall|let drop) (a)? (line|straight line|perpendicular)`, () => "plumb" as const, 0.3),
  on(p`(straight)? line down`, () => "down" as const, 0.3),
  on(p`(draw|rule) (a)? (level|line across|line level|line square across)`, () => "level" as const, 0.4),
);
