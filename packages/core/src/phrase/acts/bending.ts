import { pointText } from "../../verb/form.js";
import { AMOUNT, LINE, PLACED, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import { sharedEnd, type Amount, type Direction, type Line, type Manner, type Spot } from "../meaning.js";
import { act, type Act, type Bag } from "../clause.js";
import { type Sheet } from "../sheet/sheet.js";
import { keyOf } from "../../formula/key-of.js";
import { NOT_SO, ask } from "../sheet/unclear.js";
import { keyFrom } from "./said.js";
import { laidOff } from "./laid-off.js";
import { SIDE_WORD } from "./manner.js";

const BENT = saying<"hollow" | "bow">("bent").said(
  on(p`(hollow|hollow out|scoop|scoop out|dip|hollowed|curve in|take in|shape in)`, () => "hollow" as const),
  on(p`(bow|bow out|bowed|round out|swell|swelled|curve out|let out|shape out)`, () => "bow" as const),
);
const MIDDLE_OF_IT = saying<Spot | "middle">("where it bends").said(
  on(p`,? (at|in) (its|their)? (middle|centre|mid point|half way|halfway)`, () => "middle" as const),
  on(p`at ${SPOT}`, ([spot]) => spot),
);
const MUCH = saying<true>("a little").said(on(p`(by)? (a little|a bit|slightly|a touch|a shade|a trifle|somewhat)`, () => true));

/** A line drawn anew with a bow or a hollow in it. */
function bent(
  ends: readonly [string, string] | undefined,
  how: "hollow" | "bow",
  by: Amount | undefined,
  side: Direction | undefined,
  where: Spot | "middle" | undefined,
  name: string,
): Act {
  return act(`bend ${name} ${how}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    if (!ends) throw ask("Between which points?");
    if (!by) throw ask("By how much?");
    return bentBetween(ends, { how, by, ...(side === undefined ? {} : { side }) }, where === "middle" ? undefined : where, name, sheet);
  });
}

export function bentBetween(
  ends: readonly [string, string],
  { how, by, side }: NonNullable<Manner["bend"]>,
  where: Spot | undefined,
  name: string,
  sheet: Sheet,
): Sheet {
  const amount = laidOff(by, sheet);
  const [a, b] = ends.map((end) => sheet.at(end));
  if (!a || !b) throw NOT_SO;
  const upright = Math.abs(b.y - a.y) > Math.abs(b.x - a.x);
  const way = side ?? (upright ? (how === "hollow" ? "in" : "out") : how === "hollow" ? "down" : "up");
  const [at, middle] =
    where === undefined
      ? sheet.place(`midway ${ends[0]} to ${ends[1]}`, sheet.boardOf(ends[0]), undefined, true).spot({ before: "it" })
      : sheet.spot(where);
  const [then, bow] = at
    .place(`off ${ends[0]}-${ends[1]} at ${middle}, ${amount.formula} ${way}`, at.boardOf(ends[0]))
    .spot({ before: "it" });
  const bend = `${keyOf(name) || "line"}_${how === "hollow" ? "hollowed" : "bowed"}`;
  return then.draw("curve", bend, `: ${ends[0]} > ${bow} > ${ends[1]}`, then.boardOf(ends[0]));
}
const endsOf = (line: Line | undefined): readonly [string, string] | undefined =>
  line?.ends && ([pointText(line.ends[0]), pointText(line.ends[1])] as const);
export const BEND = saying<Act>("bend").said(
  on(p`${BENT} ${LINE} ${AMOUNT} ${SIDE_WORD}? ${MIDDLE_OF_IT}?`, ([how = "hollow", line, by, side, where]) =>
    bent(endsOf(line), how, by, side, where, line ? keyFrom(line) : ""),
  ),
  on(
    p`${BENT} ${PLACED} (-|to) ${PLACED} ${SIDE_WORD}? (by)? ${AMOUNT} ${SIDE_WORD}? ${MIDDLE_OF_IT}?`,
    ([how = "hollow", a, b, before, by, after, where]) =>
      a && b ? bent([pointText(a), pointText(b)], how, by, before ?? after, where, "") : undefined,
  ),
  on(p`${BENT} ${LINE} ${SIDE_WORD}? (by)? ${AMOUNT} ${MIDDLE_OF_IT}`, ([how = "hollow", line, side, by, where]) =>
    bent(endsOf(line), how, by, side, where, line ? keyFrom(line) : ""),
  ),
  on(
    p`${BENT} ${LINE} ${SIDE_WORD}? (by)? ${AMOUNT}`,
    ([how = "hollow", line, side, by]) => bent(endsOf(line), how, by, side, undefined, line ? keyFrom(line) : ""),
    0.1,
  ),
  on(p`${LINE} (is)? ${BENT} ${SIDE_WORD}? (by)? ${AMOUNT} ${MIDDLE_OF_IT}`, ([line, how = "hollow", side, by, where]) =>
    bent(endsOf(line), how, by, side, where, line ? keyFrom(line) : ""),
  ),
  on(
    p`${LINE} (:|,) ${PLACED} (-|to) ${PLACED} ,? (curve)? ,? ${BENT} ${SIDE_WORD}? ,? (by)? ${AMOUNT} ${MIDDLE_OF_IT}`,
    ([line, a, b, how = "bow", side, by, where]) =>
      a && b ? bent([pointText(a), pointText(b)], how, by, side, where, line ? keyFrom(line) : "") : undefined,
  ),
  on(p`(curve|bend|shape|bow|hollow|round) ${LINE} ${SIDE_WORD}? ${MUCH} (between ${PLACED} and ${PLACED})?`, () =>
    act("bend a little", () => {
      throw ask("By how much?");
    }),
  ),
  on(p`(curve|bend|shape) ${LINE} ${SIDE_WORD} (by)? ${AMOUNT} ${MIDDLE_OF_IT}`, ([line, side, by, where]) =>
    bent(endsOf(line), side === "in" ? "hollow" : "bow", by, side, where, line ? keyFrom(line) : ""),
  ),
);

const RAISED = oneOf<Direction>("raise or lower", { raise: "up", lift: "up", lower: "down", drop: "down", dip: "down", sink: "down" });
/** Where a line is raised or lowered: a point of it, or where it meets another. */
const PLACE_ON = saying<Spot | Line>("place on a line").said(
  on(p`at ${SPOT}`, ([spot]) => spot),
  on(p`at ${LINE}`, ([line]) => line, 0.3),
);
export const RAISE = saying<Act>("raise a line").said(
  on(p`${RAISED} ${LINE} (line)? (by)? ${AMOUNT} ${PLACE_ON}`, ([way, line, by, place]) => raised(way, line, by, place)),
  on(p`${RAISED} ${LINE} (line)? ${PLACE_ON} (by)? ${AMOUNT}`, ([way, line, place, by]) => raised(way, line, by, place)),
  on(p`${RAISED} ${LINE} (by)? ${AMOUNT}`, ([way, line, by]) => raised(way, line, by, undefined), 0.5),
);
function raised(
  way: Direction | undefined,
  line: Line | undefined,
  by: Amount | undefined,
  place: Spot | Line | undefined,
): Act | undefined {
  if (!way || !line || !by) return undefined;
  return act(`${way} ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    if (!place) throw ask("At which point of it?");
    const corner = "text" in place ? sharedEnd(line, place) : undefined;
    if ("text" in place && corner === undefined) throw ask("At which point of it?");
    const [at, id] = sheet.spot("text" in place ? { id: corner ?? "" } : place);
    const amount = laidOff(by, at);
    return at.place(`${way} ${amount.formula} from ${id}`, at.boardOf(id), bag.first("name")?.names[0]).speaking(line.text);
  });
}
/** A line brought in or out at a point: the point is placed, and what is drawn next goes through it. */
export const BRING = saying<Act>("bring a line").said(
  on(p`(bring|take|move|push|let|shift|pull|come) ${LINE} ${SIDE_WORD} (by)? ${AMOUNT} at ${SPOT}`, ([line, side, by, spot]) =>
    line && side && by && spot
      ? act(`bring ${line.text}`, (bag: Bag, sheet: Sheet) => {
          if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
          const [at, id] = sheet.spot(spot);
          const amount = laidOff(by, at);
          return at.place(`${side} ${amount.formula} from ${id}`, at.boardOf(id), bag.first("name")?.names[0]).speaking(line.text);
        })
      : undefined,
  ),
);
