import type { Kind } from "../quantity/kind.js";
import { type Evaluate, ONE_SLOT, type Sum, type Term, type Typed } from "./scope.js";

/** What a name sums up: itself. */
export const nameSum = (slot: number): Sum => ({ terms: [{ slot, by: 1, over: 1, divisor: ONE_SLOT }], plus: 0 });

/** A figure that is the same for every body. */
export const constant = (kind: Kind, value: number): Typed => ({ kind, constant: value, run: () => value });

/** A sum as a compiled part. */
export const sumOf = (kind: Kind, sum: Sum): Typed => ({ kind, sum, run: runSum(sum) });

/** What a part sums up, a figure among them; undefined for one that is no sum of names. */
export const sumIn = ({ sum, constant: plus }: Typed): Sum | undefined => (plus === undefined ? sum : { terms: [], plus });

/** More terms than this are added up by their parts. */
const MOST_TERMS = 4;

/** Two sums as one, the second added or taken away; undefined where one is no sum, or they are too long. */
export function addSums(a: Sum | undefined, b: Sum | undefined, sign: 1 | -1): Sum | undefined {
  if (!a || !b || a.terms.length + b.terms.length > MOST_TERMS || b.terms.some((t) => t.divisor !== ONE_SLOT)) return undefined;
  const second = sign === 1 ? b.terms : b.terms.map((t) => ({ ...t, by: -t.by }));
  return { terms: [...a.terms, ...second], plus: a.plus + sign * b.plus };
}

/** The slot of a sum that is one name and nothing more. */
function slotAlone(sum: Sum | undefined): number | undefined {
  const only = termAlone(sum);
  return only?.by === 1 && only.over === 1 && only.divisor === ONE_SLOT ? only.slot : undefined;
}

/** A sum times a figure: one name alone, times what it was not times before, so that figures stay as written. */
export function sumTimes(sum: Sum | undefined, by: number): Sum | undefined {
  const only = termAlone(sum);
  return only && only.divisor === ONE_SLOT && (only.by === 1 || by === -1)
    ? { terms: [{ ...only, by: only.by * by }], plus: 0 }
    : undefined;
}

/** A sum over a figure, likewise. */
export function sumOver(sum: Sum | undefined, over: number): Sum | undefined {
  const only = termAlone(sum);
  return only?.over === 1 && only.divisor === ONE_SLOT ? { terms: [{ ...only, over }], plus: 0 } : undefined;
}

/** One name over another. */
export function quotientSum(top: Sum | undefined, under: Sum | undefined): Sum | undefined {
  const [over, divisor] = [slotAlone(top), slotAlone(under)];
  return over === undefined || divisor === undefined ? undefined : { terms: [{ slot: over, by: 1, over: 1, divisor }], plus: 0 };
}

const termAlone = (sum: Sum | undefined): Term | undefined => (sum?.terms.length === 1 && sum.plus === 0 ? sum.terms[0] : undefined);

/**
 * One closure for the whole sum. All sums of up to two terms share one code, quotients among them: where many formulas are
 * called from one place, the engine then knows what it calls.
 */
function runSum({ terms, plus }: Sum): Evaluate {
  const [first, second, ...more] = terms as [Term, ...Term[]];
  if (more.length > 0) {
    const head = runSum({ terms: [first, second as Term], plus: 0 });
    const tail = runSum({ terms: more, plus });
    return (f) => head(f) + tail(f);
  }
  const { slot: i, by: p, over: u, divisor: k } = first;
  // A sum of one term adds nothing times itself.
  const { slot: j, by: q, over: v } = second ?? { slot: i, by: 0, over: 1 };
  return ({ slots }) => ((slots[i] as number) * p) / ((slots[k] as number) * u) + ((slots[j] as number) * q) / v + plus;
}
