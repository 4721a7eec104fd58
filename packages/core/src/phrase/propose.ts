import { pointText } from "../verb/form.js";
import type { Known } from "./known.js";
import { lineOf, LINE_PHRASES, measureLine, spoken } from "./line-phrases.js";
import { numberedLine } from "./numbered.js";
import { NotMeant, placeIn } from "./place.js";
import { POINT_PHRASES } from "./point-phrases.js";

/** Lines of the notation that are likely meant by a plain sentence. */
export interface Proposal {
  readonly lines: readonly string[];
}

/**
 * The notation that a plain sentence most likely means, or undefined: a number, a rule of the language, and the sentence kept
 * as it was said. `next` is the number of a point that is given none.
 */
export function propose(sentence: string, known: Known, next: string): Proposal | undefined {
  const { number, said } = numberedLine(sentence);
  const needs = new Set<string>();
  const place = placeIn(known, needs);
  const [first = "", ...more] = sentencesOf(said);
  const found =
    firstOf(POINT_PHRASES, (phrase) => {
      const match = phrase.said.exec(bare(first));
      if (!match) return undefined;
      const rules = phrase.rules(match, place);
      const ids = numbersFor(number, rules.length, known, next);
      const joined = { ...known, points: new Set([...known.points, ...ids]) };
      return [
        ...rules.map((rule, i) => `${pointText(ids[i] ?? next)} ${rule}  "${spoken(first)}"`),
        // "… Join 1 and 3: the slant." behind it is a line of its own.
        ...more.flatMap(
          (sentence) => firstOf([lineOf], (read) => read(bare(sentence), placeIn(joined, needs), `"${spoken(sentence)}"`)) ?? [],
        ),
      ];
    }) ?? firstOf(LINE_PHRASES, (read) => read(bare(said), place, `"${spoken(said)}"`));
  if (!found) return undefined;
  return { lines: [...[...needs].map((key) => measureLine(key, known.unit)), ...found] };
}

/** The sentences of a line; a number with its full stop ends none. */
const sentencesOf = (said: string): string[] => said.split(/(?<=[a-z)\]]\.|\d[a-z]?\.)\s+(?=[A-Z][a-z])/);

/** A sentence without what is said in brackets and behind a semicolon, and without its full stop. */
const bare = (sentence: string): string =>
  sentence
    .replace(/\([^)]*\)/g, " ")
    .replace(/\s+/g, " ")
    .replace(/\s*;.*$/, "")
    .replace(/\.\s*$/, "")
    .trim();

/** Tries one reading after the other; one that speaks of what is not there is not meant. */
function firstOf<T>(ways: readonly T[], read: (way: T) => readonly string[] | undefined): readonly string[] | undefined {
  for (const way of ways) {
    try {
      const lines = read(way);
      if (lines) return lines;
    } catch (error) {
      if (!(error instanceof NotMeant)) throw error;
    }
  }
  return undefined;
}

/** The numbers points take: the author's own where it is free, the next free ones else. */
function numbersFor(given: string | undefined, count: number, known: Known, next: string): string[] {
  const own = given === undefined ? undefined : /^\d/.test(given) ? `${known.letters}${given}` : given;
  const first = own !== undefined && !known.points.has(own) ? own : next;
  // The author's own numbers go on behind it: a second point of the same line takes its number with a letter.
  if (first === own) return Array.from({ length: count }, (_, i) => (i === 0 ? first : `${first}${"abcd".charAt(i)}`));
  const { letters, number } = { letters: /^[A-Z]*/.exec(first)?.[0] ?? "", number: Number(/\d+/.exec(first)?.[0] ?? 0) };
  const out = [first];
  for (let n = number + 1; out.length < count; n++) if (!known.points.has(`${letters}${n}`)) out.push(`${letters}${n}`);
  return out;
}
