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
  /** What its parts say, without those that say nothing: covers that say the same are one. */
  readonly says: string;
}

const MOST = 48;
/** What a word costs that is not understood: rather anything else. */
const LEFT = 8;

/** Ways to part all of a sentence, the likeliest first: each word is in a part, or is left over. */
export function coversOf(chart: Chart<Ground>): readonly Cover[] {
  const { tokens } = chart;
  const open: Cover[][] = tokens.map(() => []);
  open.push([]);
  open[0] = [{ items: [], cost: 0, left: [], says: "" }];
  for (let at = 0; at < tokens.length; at++) {
    const here = best(open[at] ?? []);
    if (here.length === 0) continue;
    const found = chart.parse(ITEM, at);
    const said = found.map(({ value }) => (silent(value) ? "" : JSON.stringify(value)));
    for (const cover of here) {
      found.forEach(({ value: item, to, cost }, i) =>
        open[to]?.push({
          items: [...cover.items, { item, from: at, to }],
          cost: cover.cost + 1 + cost,
          left: cover.left,
          says: cover.says + (said[i] ?? ""),
        }),
      );
      open[at + 1]?.push({ ...cover, cost: cover.cost + LEFT, left: [...cover.left, at] });
    }
  }
  return best(open[tokens.length] ?? []);
}

/** A part that says nothing by itself. */
export const silent = (item: Item): boolean => item.is === "gap" || item.is === "remark" || item.is === "go";

function best(covers: readonly Cover[]): readonly Cover[] {
  const known = new Set<string>();
  const kept: Cover[] = [];
  for (const cover of [...covers].sort((a, b) => a.cost - b.cost)) {
    const says = `${cover.left.join()}:${cover.says}`;
    if (known.has(says)) continue;
    known.add(says);
    kept.push(cover);
    if (kept.length === MOST) break;
  }
  return kept;
}
