import { pointText } from "../../verb/form.js";
import { act, type Act } from "../clause.js";
import { COUNT } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { NAME } from "../grammar/names.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Direction, Heading, Line, Spot } from "../meaning.js";
import type { Point } from "../../geometry/point.js";
import type { Ground } from "../ground/ground.js";
import { alongBy } from "./along.js";
import { crossing } from "./crossing.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { nameOf, only, oneAmount, headingOf, pathOf } from "./said.js";

/** A straight line carried on past its end. */
const extend = (line: Line | undefined, end: Spot | undefined, by?: Amount): Act | undefined =>
  line &&
  act(`extend ${line.text}`, (bag, sheet) => {
    only(bag, { amount: 1, heading: 1, from: 1, at: 1, on: 1, to: 1 });
    const [on] = sheet.line(line);
    const [other, beyond] = extendedFrom(line, end ?? bag.first("from")?.spot ?? bag.first("at")?.spot, headingOf(bag), on);
    const to = bag.first("to")?.line;
    if (to) {
      const [then, text] = on.line(to);
      return then.place(`cross ${other}-${beyond} with ${text}`, line.board, nameOf(bag));
    }
    const amount = by ? laidOff(by, on) : oneAmount(bag, on);
    if (!amount) throw ask("How far?");
    return on.about(beyond).place(`along ${other}-${beyond} from ${beyond}, ${amount.formula}`, line.board, nameOf(bag)).measuring(amount);
  });

/** The two ends of a line that is carried on, the one beyond which it goes last. */
function extendedFrom(
  { ends, path, piece }: Line,
  end: Spot | undefined,
  way: Heading | undefined,
  sheet: Sheet,
): readonly [string, string] {
  if (!ends) throw ask("From which end?");
  const said = path === undefined && piece === undefined;
  // Two points said one after the other say the way as well.
  if (!end && way === undefined && !said) throw ask("Beyond which end?");
  const beyond = end ? sheet.spot(end)[1] : pointText(way === undefined ? ends[1] : farEnd(ends, way, sheet));
  const [a, b] = ends.map(pointText) as [string, string];
  if (beyond !== a && beyond !== b) throw NOT_SO;
  return beyond === a ? [b, a] : [a, b];
}

function farEnd(ends: readonly [string, string], way: Heading, sheet: Sheet): string {
  const [a, b] = ends.map((end) => sheet.at(pointText(end)));
  if (!a || !b) throw ask("Beyond which end?");
  const ahead = { up: a.y - b.y, down: b.y - a.y, plumb: b.y - a.y, out: b.x - a.x, level: b.x - a.x, in: a.x - b.x, back: 0 }[way];
  return ahead >= 0 ? ends[1] : ends[0];
}
/** The line that was drawn last is carried on. */
const extendIt = (end: Spot | undefined, by: Amount | undefined): Act =>
  act("extend it", (bag, sheet) => {
    const ends = sheet.lastEnds;
    if (!ends) throw NOT_SO;
    only(bag, { amount: 1, heading: 1, from: 1, at: 1, to: 1 });
    const [a, b] = ends;
    const said = end ?? bag.first("from")?.spot ?? bag.first("at")?.spot;
    const beyond = said ? sheet.spot(said)[1] : b;
    if (beyond !== a && beyond !== b) throw NOT_SO;
    const other = beyond === a ? b : a;
    const to = bag.first("to")?.line;
    if (to) return sheet.place(`cross ${other}-${beyond} with ${sheet.line(to)[1]}`, sheet.boardOf(beyond), nameOf(bag));
    const amount = by ? laidOff(by, sheet) : oneAmount(bag, sheet);
    if (!amount) throw ask("How far?");
    return sheet.place(`along ${other}-${beyond} from ${beyond}, ${amount.formula}`, sheet.boardOf(beyond), nameOf(bag)).measuring(amount);
  });
const EXTENDED = saying<true>("carried on").said(
  on(p`(is|are)? (extended|produced|continued|prolonged|lengthened|carried on|run on|carried|drawn on)`, () => true),
);
const PAST = saying<true>("past").said(on(p`(beyond|past|from|at|on from|on past|on beyond|outside)`, () => true));
const EXTEND = saying<Act>("extend").said(
  on(p`${LINE} ,? ${EXTENDED} ${PAST} ${SPOT} (by|for) ${AMOUNT} (ends|end|stops|finishes)?`, ([line, , , end, by]) =>
    extend(line, end, by),
  ),
  on(
    p`(extend|produce|continue|prolong|carry|run|take|lengthen) ${LINE} (on|further|straight on|onward)? (until|till|to) (it)? (meets|hits|touches|reaches|cuts|crosses|strikes)? ${LINE}`,
    ([line, to]) => (line?.straight ? crossing(line, to) : undefined),
    0.3,
  ),
  on(
    p`(extend|produce|continue|prolong|carry|run|take|lengthen) ${LINE} (on|further)? (by|for)? ${AMOUNT} ${PAST} ${SPOT}`,
    ([line, by, , end]) => extend(line, end, by),
    0.1,
  ),
  on(
    p`(extend|produce|continue|prolong|carry|run|take|lengthen) ${LINE} (on|further)? (by|for)? ${AMOUNT} (downward|downwards|upward|upwards|outward|outwards|inward|inwards|on)`,
    ([line, by], g) =>
      line?.ends && line.path === undefined ? carriedOn({ id: line.ends[0] }, { id: line.ends[1] }, by, g) : extend(line, undefined, by),
    0.2,
  ),
  on(
    p`(extend|produce|continue|prolong|carry|run|take|lengthen) ${LINE} (on|further)? ${PAST} ${SPOT} (by|for)? ${AMOUNT}`,
    ([line, , end, by]) => extend(line, end, by),
    0.1,
  ),
  on(
    p`(extend|produce|continue|prolong|carry on|run on|carry) (it|that line|this line|line) (on)? (by)? ${AMOUNT}? (beyond|past|from|at|on from|on past)? ${SPOT}?`,
    ([by, end]) => extendIt(end, by),
  ),
  on(p`${LINE} is (extended|produced|continued|prolonged|carried on) (beyond|past|from|at) ${SPOT}`, ([line, end]) => extend(line, end)),
  on(p`${LINE} is (extended|produced|continued|prolonged|carried on) (by)? ${AMOUNT} (beyond|past|from|at) ${SPOT}`, ([line, by, end]) =>
    extend(line, end, by),
  ),
  on(p`(extend|produce|continue|prolong|carry on|run on) ${LINE} (beyond|past|from|at|on from|on past) ${SPOT}`, ([line, end]) =>
    extend(line, end),
  ),
  on(p`(extend|produce|continue|prolong|carry on) ${LINE}`, ([line]) => extend(line, undefined), 0.1),
  on(p`(extend|produce|continue|prolong) ${SPOT} (to)? ${SPOT}`, ([a, b], g) => carriedOn(a, b, undefined, g)),
  on(p`(extend|produce|continue|prolong) ${SPOT} (to)? ${SPOT} (up|down|out|in)? (past|beyond) ${LINE}`, ([a, b], g) =>
    carriedOn(a, b, undefined, g),
  ),
);

/** The line from one point to another, carried on past the other. */
const carriedOn = (a: Spot | undefined, b: Spot | undefined, by: Amount | undefined, ground: Ground): Act | undefined =>
  a && b && "id" in a && "id" in b
    ? extend(
        { text: `${pointText(a.id)}-${pointText(b.id)}`, board: ground.points.get(a.id)?.board ?? "", ends: [a.id, b.id], straight: true },
        b,
        by,
      )
    : undefined;
const CARRY_ON = saying<Act>("carry on").said(
  on(
    p`(draw|rule)? (a)? (straight)? (line)? (from)? ${SPOT} (through|to|and) ${SPOT} (and|,|, and)? (beyond|past|past it|beyond it|on|on past|extended|extend it|carry it on|continue it|further) (it)? (by|for)? ${AMOUNT}`,
    ([a, b, by], g) => carriedOn(a, b, by, g),
  ),
  on(
    p`${LINE} ,? (${LINE})? (is)? (extended|produced|continued|lengthened) (by)? ${AMOUNT}`,
    ([line, pair, by]) => extend(pair ?? line, undefined, by),
    0.1,
  ),
  on(p`(lengthen|extend|continue|carry on) ${LINE} (by)? ${AMOUNT} (at|from|past|beyond) ${SPOT}`, ([line, by, end]) =>
    extend(line, end, by),
  ),
  on(p`(shorten|cut back|take back) ${LINE} (by)? ${AMOUNT} (at|from) ${SPOT}`, ([line, by, end]) => shorten(line, end, by)),
);
/** So far before a point of a line is reached. */
const BEFORE = saying<Act>("before a point is reached").said(
  on(
    p`${AMOUNT} (before|short of|this side of|from) (i|we|you)? (reach|reaching|get to|come to|meet|arrive at)? ${SPOT} (on|along) ${LINE}`,
    ([by, end, line]) => shorten(line, end, by),
    0.2,
  ),
  on(
    p`(on|along) ${LINE} ,? ${AMOUNT} (before|short of|this side of) (i|we|you)? (reach|reaching|get to|come to|meet|arrive at)? ${SPOT}`,
    ([line, by, end]) => shorten(line, end, by),
    0.2,
  ),
);
/** A line ends so far before its end. */
const shorten = (line: Line | undefined, end: Spot | undefined, by: Amount | undefined): Act | undefined =>
  line && end && by
    ? act(`shorten ${line.text}`, (bag, sheet) => {
        only(bag);
        const [at, rule] = alongBy({ line, amount: by, from: end, way: undefined, back: false }, sheet);
        return at.place(rule, line.board, nameOf(bag));
      })
    : undefined;

/** Equal parts of a way. */
const divide = (ends: readonly [Spot, Spot] | undefined, line: Line | undefined, parts: number | undefined): Act =>
  act(`divide ${parts ?? ""}`, (bag, sheet) => {
    only(bag);
    if (parts === undefined) throw ask("Into how many parts?");
    if (parts < 2 || parts > 20) throw refuse("A way is divided into 2 to 20 parts.");
    const names = bag.first("name")?.names ?? [];
    if (names.length > 0 && names.length !== parts - 1) throw NOT_SO;
    const straightEnds = ends ?? (line?.straight && line.ends ? ([{ id: line.ends[0] }, { id: line.ends[1] }] as const) : undefined);
    const marks = Array.from({ length: parts - 1 }, (_, i) => i + 1);
    if (straightEnds) {
      const [at, [a = "", b = ""]] = sheet.spots(straightEnds);
      return marks.reduce((made, k, i) => made.place(`part ${k}/${parts} from ${a} to ${b}`, at.boardOf(a), names[i]), at);
    }
    if (!line) throw NOT_SO;
    const [on] = sheet.line(line);
    return marks.reduce((made, k, i) => made.place(`along ${pathOf(line)}, ${k}/${parts} of the way`, line.board, names[i]), on);
  });
const DIVIDE = saying<Act>("divide").said(
  on(
    p`(divide|split|cut|part) (line|distance)? (from|between)? ${SPOT} (to|and|-) ${SPOT} (into|in|by) ${COUNT} (equal)? (parts|pieces|lengths|portions|sections)?`,
    ([a, b, n]) => (a && b ? divide([a, b], undefined, n) : undefined),
  ),
  on(p`(divide|split|cut|part) ${LINE} (into|in|by) ${COUNT} (equal)? (parts|pieces|lengths|portions|sections)?`, ([line, n]) =>
    divide(undefined, line, n),
  ),
  on(
    p`(divide|split|cut|part) (line|distance)? (from|between)? ${SPOT} (to|and|-) ${SPOT} (into|in) (equal|several|some)? (equal)? (parts|pieces|lengths)`,
    ([a, b]) => (a && b ? divide([a, b], undefined, undefined) : undefined),
  ),
  on(p`(divide|split) ${LINE} (into|in) (equal|several)? (parts|pieces|lengths)`, ([line]) => divide(undefined, line, undefined)),
  on(
    p`(divide|split|cut|part) ${LINE} (into|in) (equal)? ${oneOf("parts", { halves: 2, thirds: 3, quarters: 4, fourths: 4, fifths: 5, sixths: 6, eighths: 8 })}`,
    ([line, n]) => divide(undefined, line, n),
  ),
  on(
    p`(divide|split|cut|part) (line|distance)? (from|between)? ${SPOT} (to|and|-) ${SPOT} (into|in) (equal)? ${oneOf("parts", { halves: 2, thirds: 3, quarters: 4, fourths: 4, fifths: 5, sixths: 6, eighths: 8 })}`,
    ([a, b, n]) => (a && b ? divide([a, b], undefined, n) : undefined),
  ),
  on(p`(divide|split|cut|part|fold) ${LINE} (in|into) (half|two|two equal parts|two halves)`, ([line]) => divide(undefined, line, 2)),
  on(p`(divide|split|cut|part) (line|distance)? (from|between)? ${SPOT} (to|and|-) ${SPOT} (in|into) (half|two|two halves)`, ([a, b]) =>
    a && b ? divide([a, b], undefined, 2) : undefined,
  ),
  on(p`(halve|bisect) ${LINE}`, ([line]) => divide(undefined, line, 2), 0.2),
  on(p`(halve|bisect) ${SPOT} (to|-) ${SPOT}`, ([a, b]) => (a && b ? divide([a, b], undefined, 2) : undefined)),
  on(p`(a)? (point)? (partway|part way|part of way|somewhere) (along|between|from) ${SPOT} (and|to) ${SPOT}`, () =>
    act("partway", () => {
      throw ask("How far along?");
    }),
  ),
);

/** One of the equal parts of a way, counted from its upper or lower end, or from the one said first. */
const PLACES: Readonly<Record<string, "first" | "last" | "upper" | "lower">> = {
  first: "first",
  nearest: "first",
  last: "last",
  upper: "upper",
  top: "upper",
  highest: "upper",
  lower: "lower",
  bottom: "lower",
  lowest: "lower",
};
const PART_OF_IT = saying<readonly [number, "first" | "last" | "upper" | "lower"]>("one of the parts").said(
  on(
    p`${oneOf("which part", PLACES)} ${oneOf("part", { third: 3, quarter: 4, fourth: 4, half: 2, fifth: 5, sixth: 6, eighth: 8, mark: 0, one: 0, part: 0, point: 0 })}`,
    ([which, under = 0]) => which && [under, which],
  ),
);
/** Whether a part is counted from the point that was said first. */
function countsFromStart(which: "first" | "last" | "upper" | "lower", a: Point | undefined, b: Point | undefined): boolean {
  if (which === "first" || which === "last") return which === "first";
  if (!a || !b || Math.abs(a.y - b.y) < 1) throw ask("Counted from which end?");
  return which === "upper" ? a.y < b.y : a.y > b.y;
}

const onePart = (
  a: Spot | undefined,
  b: Spot | undefined,
  parts: number | undefined,
  one: readonly [number, "first" | "last" | "upper" | "lower"] | undefined,
  name: string | undefined,
): Act | undefined =>
  a && b && parts !== undefined && one
    ? act(`part ${one.join()}`, (bag, sheet) => {
        only(bag);
        if (one[0] !== 0 && one[0] !== parts) throw NOT_SO;
        const [at, [from = "", to = ""]] = sheet.spots([a, b]);
        const fromStart = countsFromStart(one[1], at.at(from), at.at(to));
        return at.place(`part ${fromStart ? 1 : parts - 1}/${parts} from ${from} to ${to}`, at.boardOf(from), name ?? nameOf(bag));
      })
    : undefined;
const ONE_PART = saying<Act>("one of equal parts").said(
  on(
    p`(divide|split|cut|part) (line|distance)? (from|between)? ${SPOT} (to|and|-) ${SPOT} (into|in|by) ${COUNT} (equal)? (parts|pieces)? (,|and|, and|;) (mark|number|call|take|name|label) ${PART_OF_IT} (as|for|point)? ${NAME}?`,
    ([a, b, n, one, name]) => onePart(a, b, n, one, name),
    -0.3,
  ),
);

/** So far out from a line, on the level of the point said before. */
const FROM_LINE = saying<Act>("out from a line").said(
  on(p`${oneOf<Direction>("way", { out: "out", in: "in" })} (to)? ${AMOUNT} from ${LINE}`, ([way, by, line]) =>
    way && by && line
      ? act(`${way} from ${line.text}`, (bag, sheet) => {
          only(bag);
          if (sheet.empty) throw NOT_SO;
          const [at, id] = sheet.spot({ before: "it" });
          const [then, text] = at.line(line);
          const amount = laidOff(by, then);
          const helped = then.place(`across from ${id} to ${text}`, at.boardOf(id), undefined, true);
          return helped.place(`${way} ${amount.formula} from ${helped.it ?? ""}`, at.boardOf(id), nameOf(bag)).measuring(amount);
        })
      : undefined,
  ),
);

export const PARTS = [BEFORE, FROM_LINE, CARRY_ON, EXTEND, DIVIDE, ONE_PART];
