import type { Item } from "../clause.js";
import type { Amount } from "../meaning.js";
import { AMOUNTS as AMOUNT } from "./amounts.js";
import { on, oneOf, p, saying } from "./rules.js";

const COMPARISON = oneOf<"under" | "above" | "upTo">("comparison", {
  over: "above",
  above: "above",
  under: "under",
  below: "under",
  exceeds: "above",
  upto: "upTo",
});
const MORE_THAN = saying<"under" | "above" | "upTo">("more than").said(
  on(p`(is|measures|comes out)? (at)? ${COMPARISON}`, ([c]) => c),
  on(p`(is|measures)? (more|greater|larger|bigger|fuller) than`, () => "above" as const),
  on(p`(is|measures)? (less|smaller) than`, () => "under" as const),
  on(p`(is|measures)? (up to|at most|no more than)`, () => "upTo" as const),
);

export const CONDITION = saying<Item>("condition").said(
  on(p`(if|when|where|for|with|in case) (a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} ,? (then)?`, ([of, than, at]) => condition(of, than, at)),
  on(
    p`(for)? (fuller|larger|bigger|smaller) (ladies|figures|people|women|men|ones|wearers) ,? (so)? (that is)? (if|with|a)? (a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} ,?`,
    ([of, than, at]) => condition(of, than, at),
  ),
  on(p`(a)? ${AMOUNT} ${MORE_THAN} ${AMOUNT} (,|:)`, ([of, than, at]) => condition(of, than, at), 0.5),
);

function condition(of: Amount | undefined, bound: "under" | "above" | "upTo" | undefined, at: Amount | undefined): Item | undefined {
  if (!of || !bound || !at || of.plain === true || of.unknown !== undefined || !/^[a-z_]+$/.test(of.formula) || !/^\d/.test(at.formula))
    return undefined;
  const sign = { under: "<", above: ">", upTo: "<=" }[bound];
  return { is: "if", condition: `${of.formula} ${sign} ${at.formula}`, figure: of.formula, at: at.formula, bound };
}
