import { Chart } from "./chart/chart.js";
import { ITEM } from "./grammar/items.js";
import { AMOUNT, SPOT } from "./grammar/main-rules.js";
import type { Ground } from "./ground/ground.js";
import type { Saying } from "./grammar/rules.js";
import type { Token } from "./words/tokens.js";

/** Words by which a speaker takes back what was said last. */
const TAKEN_BACK = new Set(["no", "sorry", "wait", "rather", "correction", "oops", "scratch"]);
/** Words that stand between taking back and what is said instead. */
const BETWEEN = new Set([",", "that", "i", "mean", "or", "make", "it", "is"]);
/** So many ways to put it right are tried. */
const MOST = 24;

/**
 * What a sentence may say when what was taken back is left out, or what was said instead stands in its place: first in the place of
 * something of the same kind, so that `four inches from 3, no, five inches` is five inches from 3.
 */
export function corrected(tokens: readonly Token[], ground: Ground): readonly (readonly Token[])[] {
  const first = tokens.findIndex(({ text }, i) => TAKEN_BACK.has(text) && i > 0 && tokens[i - 1]?.kind === "mark");
  if (first === -1) return [];
  let to = first;
  while (TAKEN_BACK.has(tokens[to]?.text ?? "") || BETWEEN.has(tokens[to]?.text ?? "")) to++;
  const rest = tokens.slice(to).filter(({ text }, i, all) => !(text === "mean" || (text === "i" && all[i + 1]?.text === "mean")));
  const before = tokens.slice(0, first - 1);
  const end = rest.findIndex(({ kind, text }) => kind === "mark" && [",", ".", ";", ":"].includes(text));
  const [instead, after] = end === -1 ? [rest, []] : [rest.slice(0, end), rest.slice(end)];
  const exchanged = ([from, until]: Span): readonly Token[] => [...before.slice(0, from), ...instead, ...before.slice(until), ...after];
  const left = before.slice(-9).map((_, i) => [...before.slice(0, before.length - 1 - i), ...rest]);
  return [...sameKind(instead, before, ground).map(exchanged), ...left, ...anywhere(before.length).map(exchanged)].slice(0, MOST);
}

type Span = readonly [from: number, to: number];

/** Where something of the same kind was said: an amount, a place, or a part of a sentence that begins alike; the last first. */
function sameKind(instead: readonly Token[], before: readonly Token[], ground: Ground): Span[] {
  const [then, now] = [new Chart(before, ground), new Chart(instead, ground)];
  const spans = (rule: Saying<unknown>): Span[] => {
    if (!now.parse(rule, 0).some(({ to }) => to === instead.length)) return [];
    const found = before.map((_, from): Span => [from, Math.max(0, ...then.parse(rule, from).map(({ to }) => to))]);
    // A word takes the place of a word, a figure that of a figure.
    const alien = ([from]: Span): number => (before[from]?.kind === instead[0]?.kind ? 0 : 1);
    return found
      .filter(([from, to], i) => to > from && !found.some(([, other], j) => j < i && other === to))
      .reverse()
      .sort((a, b) => alien(a) - alien(b));
  };
  const alike = ([from]: Span): boolean => before[from]?.text === instead[0]?.text;
  return [...spans(AMOUNT), ...spans(SPOT), ...spans(ITEM as Saying<unknown>).filter(alike)];
}

function anywhere(length: number): Span[] {
  const spans: Span[] = [];
  for (let long = 1; long <= 5; long++)
    for (let from = length - long - 1; from >= Math.max(0, length - 10); from--) spans.push([from, from + long]);
  return spans;
}
