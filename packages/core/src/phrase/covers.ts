import type { Chart } from "./chart/chart.js";
import type { Item } from "./clause.js";
import { ITEM } from "./grammar/items.js";
import type { Ground } from "./ground/ground.js";

/** The parts of a sentence one after the other, with what each was read from. */
export interface Cover {
  readonly items: readonly { readonly item: Item; readonly from: number; readonly to: number }[];
  readonly cost: number;
  /** Words that no part of it takes. */
  readonly left: readonly number[];
}

const MOST = 48;
/** What a word costs that is not understood: rather anything else. */
const LEFT = 8;

/** The parts of a beginning of a sentence, the last first: beginnings have most of their parts in common. */
interface Beginning {
  readonly cost: number;
  /** The numbers of what its parts say, and of the words that are left over. */
  readonly says: string;
  readonly last: { readonly part: Cover["items"][number] | { readonly left: number }; readonly before: Beginning } | undefined;
}

/** Ways to part all of a sentence, the likeliest first: each word is in a part, or is left over. */
export function coversOf(chart: Chart<Ground>): readonly Cover[] {
  const { tokens } = chart;
  const open: Beginning[][] = tokens.map(() => []);
  open.push([]);
  open[0] = [{ cost: 0, says: "", last: undefined }];
  const numbers = new Map<string, number>();
  for (let at = 0; at < tokens.length; at++) {
    const here = best(open[at] ?? []);
    if (here.length === 0) continue;
    const found = chart.parse(ITEM, at).map(({ value: item, to, cost }) => ({
      part: { item, from: at, to },
      cost: cost + 1,
      says: silent(item) ? "" : `,${numberOf(JSON.stringify(item), numbers)}`,
    }));
    for (const before of here) {
      for (const { part, cost, says } of found)
        open[part.to]?.push({ cost: before.cost + cost, says: before.says + says, last: { part, before } });
      open[at + 1]?.push({ cost: before.cost + LEFT, says: `${before.says}-${at}`, last: { part: { left: at }, before } });
    }
  }
  return best(open[tokens.length] ?? []).map(coverOf);
}

function numberOf(text: string, numbers: Map<string, number>): number {
  let number = numbers.get(text);
  if (number === undefined) numbers.set(text, (number = numbers.size));
  return number;
}

function coverOf({ cost, last }: Beginning): Cover {
  const items: Cover["items"][number][] = [];
  const left: number[] = [];
  for (let one = last; one; one = one.before.last)
    if ("left" in one.part) left.push(one.part.left);
    else items.push(one.part);
  return { items: items.reverse(), cost, left: left.reverse() };
}

/** A part that says nothing by itself. */
export const silent = (item: Item): boolean => item.is === "gap" || item.is === "remark" || item.is === "go";

/** The likeliest beginnings, each that says something else: parts that say nothing tell none apart. */
function best(all: readonly Beginning[]): readonly Beginning[] {
  const known = new Set<string>();
  const kept: Beginning[] = [];
  for (const one of [...all].sort((a, b) => a.cost - b.cost)) {
    if (known.has(one.says)) continue;
    known.add(one.says);
    kept.push(one);
    if (kept.length === MOST) break;
  }
  return kept;
}
