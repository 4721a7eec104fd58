import { pointText } from "../../verb/form.js";
import { MEASURED } from "../grammar/figures.js";
import { AMOUNT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount } from "../meaning.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { laidOff } from "./laid-off.js";

/** A measurement by steps: one figure for each size of it. */
interface Row {
  readonly bound: "under" | "up to" | "above";
  readonly at: string;
}
const BOUND = oneOf<"under" | "up to" | "above">("bound", { under: "under", below: "under", above: "above", over: "above" });
const FIRST = saying<Row & { readonly by: string }>("first row").said(
  on(p`(for)? (a)? ${AMOUNT} ${BOUND} ${MEASURED} ,?`, ([of, bound, at]) => first(of, bound, at)),
  on(p`(for)? (a)? ${AMOUNT} ${BOUND} ${AMOUNT} ,`, ([of, bound, at]) => first(of, bound, at?.formula)),
  on(p`(for)? (a)? ${AMOUNT} (up to) ${AMOUNT} ,`, ([of, at]) => first(of, "up to", at?.formula)),
);
function first(of: Amount | undefined, bound: Row["bound"] | undefined, at: string | undefined): (Row & { by: string }) | undefined {
  return of && bound && at !== undefined && /^[a-z_]+$/.test(of.formula) && /^\d/.test(at) ? { by: of.formula, bound, at } : undefined;
}
const NEXT = saying<Row>("next row").said(
  on(p`(;|,|.|and) (up to) ${AMOUNT} ,?`, ([at]) => at && { bound: "up to" as const, at: at.formula }),
  on(p`(;|,|.|and) ${BOUND} ${AMOUNT} ,?`, ([bound, at]) => at && bound && { bound, at: at.formula }, 0.1),
  on(p`(;|,|.|and)? ,? (above that|over that|above|more|otherwise|for rest|beyond that|larger) ,?`, () => ({
    bound: "above" as const,
    at: "",
  })),
);

/** Rows of a table, with the step they belong to: `Bust under 34, half an inch out from 8; up to 40, 3/4; above that, 1`. */
const PLACE = saying<readonly [string, Amount]>("what is laid off").said(
  on(p`${AMOUNT} ${oneOf("way", { out: "out", in: "in", up: "up", down: "down" })} from ${pointRule()}`, ([by, way, from]) =>
    by && way !== undefined && from !== undefined ? [`${way} ⟨by⟩ from ${from}`, by] : undefined,
  ),
  on(
    p`(go|come|measure|square)? ${oneOf("way", { out: "out", in: "in", up: "up", down: "down" })} ${AMOUNT} from ${pointRule()}`,
    ([way, by, from]) => (by && way !== undefined && from !== undefined ? [`${way} ⟨by⟩ from ${from}`, by] : undefined),
  ),
);
function pointRule() {
  return saying<string>("point").said({
    starts: ({ tokens, ground }, at) => {
      const value = tokens[at]?.value ?? "";
      return ground.points.has(value) ? [{ value: pointText(value), to: at + 1, cost: 0 }] : [];
    },
  });
}
export const BY_STEPS = saying<Act>("by steps").said(
  on(p`${FIRST} ${PLACE} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT}`, ([one, place, two, b, three, c]) =>
    steps(one, place, [
      [two, b],
      [three, c],
    ]),
  ),
  on(p`${FIRST} ${PLACE} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT} ${NEXT} ${AMOUNT}`, ([one, place, two, b, three, c, four, d]) =>
    steps(one, place, [
      [two, b],
      [three, c],
      [four, d],
    ]),
  ),
);
function steps(
  one: (Row & { by: string }) | undefined,
  place: readonly [string, Amount] | undefined,
  more: readonly (readonly [Row | undefined, Amount | undefined])[],
): Act | undefined {
  if (!one || !place || more.some(([row, by]) => !row || !by)) return undefined;
  return act(`table ${one.by} ${more.length}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const rows = [[one, place[1]] as const, ...more.map(([row, by]) => [row as Row, by as Amount] as const)];
    const last = rows.at(-1)?.[0];
    if (last?.bound !== "above") throw ask("And above that?");
    const key = sheet.key(`by_${one.by}`);
    const text = rows
      .map(([row, by]) => `${row.bound}${row.bound === "above" ? "" : ` ${row.at}`} -> ${laidOff(by, sheet).formula}`)
      .join(" · ");
    const from = /from (\S+)$/.exec(place[0])?.[1] ?? "";
    return sheet
      .put("setting", `table ${key} by ${one.by}, steps: ${text}`)
      .keep(key)
      .place(place[0].replace("⟨by⟩", `${key}(${one.by})`), sheet.boardOf(from), bag.first("name")?.names[0]);
  });
}
