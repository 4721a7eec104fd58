import { LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Line, Spot } from "../meaning.js";
import { act, type Act, type Bag } from "../clause.js";
import type { Sheet } from "../sheet/sheet.js";
import { NOT_SO, ask, refuse } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";

/** A corner between two drawn lines, rounded. */
const ROUND = saying<true>("round it").said(
  on(p`(round|blend|smooth|round off|blend off|smooth off|ease) (it)? (off|out|together|away)?`, () => true),
);
export const BLEND = saying<Act>("round a corner").said(
  on(p`${ROUND} (that)? (sharp)? corner at ${SPOT}`, ([, spot]) => cornerAt(spot)),
  on(p`${ROUND} ${SPOT}`, ([, spot]) => cornerAt(spot), 0.5),
  on(p`(that|see|there is)? (a)? (sharp)? corner (at ${SPOT})? between ${LINE} and ${LINE} ,? ${ROUND}`, ([, a, b]) => blended(a, b)),
  on(p`${ROUND} (corner)? (at ${SPOT})? (between|of|where)? ${LINE} (and|into|with) ${LINE} (meet)?`, ([, , a, b]) => blended(a, b)),
);
/** The corner at a point, between the two drawn lines that end there. */
function cornerAt(spot: Spot | undefined): Act | undefined {
  if (!spot) return undefined;
  return act("round a corner", (bag, sheet) => {
    const id = "id" in spot ? spot.id : undefined;
    const drawnThere = sheet.ground.lines.filter(
      (l) => id !== undefined && /^[a-z_]\w*$/.test(l.text) && l.path === l.text && l.ends?.includes(id),
    );
    const [a, b, more] = drawnThere;
    if (!a || !b || more) throw ask("The corner between which two lines?");
    return blendOf(a, b, bag, sheet);
  });
}

function blended(a: Line | undefined, b: Line | undefined): Act | undefined {
  if (!a || !b) return undefined;
  return act(`blend ${a.text} ${b.text}`, (bag, sheet) => blendOf(a, b, bag, sheet));
}

function blendOf(a: Pick<Line, "text" | "board">, b: Pick<Line, "text" | "board">, bag: Bag, sheet: Sheet): Sheet {
  if (!bag.holds({ act: 1, amount: 2 })) throw NOT_SO;
  for (const line of [a, b])
    if (!/^[a-z_]\w*$/.test(line.text))
      throw refuse("Only lines that are drawn can be rounded into each other: draw the edge as a line first.");
  const amounts = bag.all("amount").map(({ amount }) => laidOff(amount, sheet).formula);
  const [before, after = before] = amounts;
  if (before === undefined) throw ask("Over how much of each?");
  return sheet.draw("blend", `${a.text}_${b.text}`, `: ${a.text} and ${b.text}, ${before} before, ${after ?? before} after`, a.board);
}
