import type { Amount } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, refuse } from "../sheet/unclear.js";

/** Checks an amount before it is laid off: one that is doubtful or not there is asked about. */
export function laidOff(amount: Amount, sheet: Sheet): Amount {
  if (amount.same) {
    if (!sheet.lastAmount) throw ask("How far? No figure was said before.");
    return sheet.lastAmount;
  }
  if (amount.unknown !== undefined) throw refuse(`There is no ${amount.unknown} here. Add it as a measurement first.`);
  if (amount.doubt) throw ask(amount.doubt.question, amount.formula, amount.doubt.or);
  return amount;
}
