import type { Amount } from "../meaning.js";
import type { Bag } from "../clause.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO } from "../sheet/unclear.js";

/**
 * The amounts of a clause: as they were said; one for those who fulfil a condition and another for the rest; a table by steps; or a
 * setting with the range it may be chosen from.
 */
export function chosen(bag: Bag, sheet: Sheet): readonly [Sheet, readonly Amount[]] {
  const amounts = bag.all("amount").map(({ amount, as }) => {
    if (as !== undefined) throw NOT_SO;
    return amount;
  });
  const conditions = bag.all("if");
  const range = bag.first("range");
  if (range) {
    const [amount] = amounts;
    if (amounts.length === 0 && bag.first("heading")) throw ask("And how much is usual?");
    if (!amount || amounts.length > 1 || conditions.length > 0) throw NOT_SO;
    const key = sheet.key("to_taste");
    const made = sheet.put("setting", `set ${key} = ${amount.formula} from ${range.from} to ${range.to} "To taste."`).keep(key);
    return [made, [{ formula: key, bond: "one" }]];
  }
  if (conditions.length === 0) {
    if (bag.first("otherwise")) throw NOT_SO;
    return [sheet, amounts];
  }
  const figures = amounts.filter((a) => a.unknown === undefined && !a.same);
  if (figures.length !== amounts.length) throw NOT_SO;
  if (conditions.length === 1 && figures.length === 1) throw ask("And otherwise?");
  if (conditions.length === 1 && figures.length === 2) {
    const [then, otherwise] = figures as [Amount, Amount];
    return [sheet, [{ formula: `if(${conditions[0]?.condition ?? ""}, ${then.formula}, ${otherwise.formula})`, bond: "one" }]];
  }
  throw NOT_SO;
}
