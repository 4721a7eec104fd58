import { Rule } from "../chart/chart.js";
import { on as onAny, pattern as anyPattern, type Pattern } from "../chart/pattern.js";
import type { Way } from "../chart/chart.js";
import type { Ground } from "../ground/ground.js";

/** A rule of the trade's English: what it reads may speak of what a system has. */
export type Saying<T> = Rule<T, Ground>;
export const saying = <T>(name: string): Saying<T> => new Rule<T, Ground>(name);

/** See `pattern`. */
export const p = <R extends readonly Saying<unknown>[]>(texts: TemplateStringsArray, ...rules: R): Pattern<R, Ground> =>
  anyPattern<Ground, R>(texts, ...rules);

type Caught<R extends readonly unknown[]> = { readonly [K in keyof R]: R[K] extends Rule<infer T, Ground> ? T | undefined : never };

/** See `on`. */
export const on = <T, R extends readonly unknown[]>(
  said: Pattern<R, Ground>,
  means: (caught: Caught<R>, ground: Ground) => T | undefined,
  cost = 0,
): Way<T, Ground> => onAny<T, Ground, R>(said, means, cost);

/** A single word or sign that is meant so, with what it means. */
export const oneOf = <T>(name: string, words: Readonly<Record<string, T>>): Saying<T> =>
  saying<T>(name).said({
    firsts: () => new Set(Object.keys(words)),
    starts: ({ tokens }, at) => {
      const text = tokens[at]?.text;
      return text !== undefined && Object.hasOwn(words, text) ? [{ value: words[text] as T, to: at + 1, cost: 0 }] : [];
    },
  });

/** So many words in a row, from the longest on, with what they mean together. */
export const wordsRow = <T>(name: string, most: number, means: (words: string, ground: Ground) => T | undefined, cost = 0): Saying<T> =>
  saying<T>(name).said({
    starts: ({ tokens, ground }, at) => {
      const found = [];
      let words = "";
      for (let to = at; to < tokens.length && to - at < most && tokens[to]?.kind === "word"; to++) {
        words = `${words} ${(tokens[to]?.text ?? "").replace(/_/g, " ")}`.trim();
        const value = means(words, ground);
        if (value !== undefined) found.push({ value, to: to + 1, cost });
      }
      return found;
    },
  });

/** Words that ask, join or do something: no new line or piece is called by one. */
export const NO_NAME =
  /\b(?:where|when|while|is|are|be|with|and|then|if|same|swing|swung|turn|rotate|pivot|measure|mark|raise|find|put|place|lay|go|come|move|repeat|check|mirror|continue|halfway|on|at|off|past|above|over|below|under)\b/;

export const OPEN = oneOf("bracket", { "(": true });
export const CLOSE = oneOf("end of a bracket", { ")": true });
