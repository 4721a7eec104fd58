import { pointText } from "../verb/form.js";
import type { Item } from "./clause.js";
import { COMES_ALONG, type Line, type Spot } from "./meaning.js";
import type { Understood } from "./understand.js";

/** A group of words of a sentence, and what it was taken for, in the words of the notation. */
export interface Taken {
  readonly from: number;
  readonly to: number;
  readonly as: string;
}

/** What each group of words was taken for, in their order; words that say nothing are passed over. */
export const takenFor = ({ cover, tokens }: Understood): Taken[] =>
  cover.items.flatMap(({ item, from, to }) => {
    const as = itemText(item).replaceAll(COMES_ALONG, "");
    const [first, last] = [tokens[from], tokens[to - 1]];
    return as === "" || !first || !last ? [] : [{ from: first.from, to: last.to, as }];
  });

/** What a part was taken for; a part of a kind that is not listed says nothing by itself. */
const TEXTS: { readonly [K in Item["is"]]?: (item: Extract<Item, { is: K }>) => string } = {
  heading: ({ way }) => way,
  amount: ({ amount, as }) => (amount.same ? "the same" : `${amount.formula}${as === undefined || as === "each" ? "" : ` ${as}`}`),
  from: ({ spot }) => `from ${spotText(spot)}`,
  at: ({ spot }) => spotText(spot),
  spot: ({ spot }) => spotText(spot),
  toward: ({ spot }) => `toward ${spotText(spot)}`,
  chain: ({ spots }) => spots.map(spotText).join(" > "),
  pair: ({ from, name }) => `from ${spotText(from)}, point ${name}`,
  to: ({ line }) => `to ${lineText(line)}`,
  on: ({ line }) => `along ${lineText(line)}`,
  share: ({ share }) => `${share.top}/${share.under} of the way`,
  name: ({ names }) => `point ${names.join(", ")}`,
  if: ({ condition }) => `if ${condition}`,
  range: ({ from, to }) => `from ${from} to ${to}`,
};

const itemText = (item: Item): string => (TEXTS[item.is] as ((item: Item) => string) | undefined)?.(item) ?? "";

const lineText = ({ text, unknown }: Line): string => unknown ?? text;

function spotText(spot: Spot): string {
  if ("id" in spot) return pointText(spot.id);
  if ("rule" in spot) return spot.rule;
  return "unknown" in spot ? spot.unknown : "the point before";
}
