import { pointText } from "../../verb/form.js";
import { act, type Act } from "../clause.js";
import { COUNT } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Direction, Heading, Line, Spot } from "../meaning.js";
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
function extendedFrom({ ends }: Line, end: Spot | undefined, way: Heading | undefined, sheet: Sheet): readonly [string, string] {
  if (!ends) throw ask("From which end?");
  if (!end && way === undefined) throw ask("Beyond which end?");
  const beyond = end ? sheet.spot(end)[1] : pointText(farEnd(ends, way ?? "down", sheet));
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
const EXTEND = saying<Act>("extend").said(
  on(p`${LINE} is (extended|produced|continued|prolonged|carried on) (beyond|past|from|at) ${SPOT}`, ([line, end]) => extend(line, end)),
  on(p`${LINE} is (extended|produced|continued|prolonged|carried on) (by)? ${AMOUNT} (beyond|past|from|at) ${SPOT}`, ([line, by, end]) =>
    extend(line, end, by),
  ),
  on(p`(extend|produce|continue|prolong|carry on|run on) ${LINE} (beyond|past|from|at|on from|on past) ${SPOT}`, ([line, end]) =>
    extend(line, end),
  ),
  on(p`(extend|produce|continue|prolong|carry on) ${LINE}`, ([line]) => extend(line, undefined), 0.1),
  on(p`(extend|produce|continue|prolong) ${SPOT} (to)? ${SPOT}`, ([a, b], ground) =>
    a && b && "id" in a && "id" in b
      ? extend(
          {
            text: `${pointText(a.id)}-${pointText(b.id)}`,
            board: ground.points.get(a.id)?.board ?? "",
            ends: [a.id, b.id],
            straight: true,
          },
          b,
        )
      : undefined,
  ),
  on(p`(extend|produce|continue|prolong) ${SPOT} (to)? ${SPOT} (up|down|out|in)? (past|beyond) ${LINE}`, ([a, b], ground) =>
    a && b && "id" in a && "id" in b
      ? extend(
          {
            text: `${pointText(a.id)}-${pointText(b.id)}`,
            board: ground.points.get(a.id)?.board ?? "",
            ends: [a.id, b.id],
            straight: true,
          },
          b,
        )
      : undefined,
  ),
);

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
  on(p`(halve|bisect) ${LINE}`, ([line]) => divide(undefined, line, 2), 0.2),
  on(p`(halve|bisect) ${SPOT} (to|-) ${SPOT}`, ([a, b]) => (a && b ? divide([a, b], undefined, 2) : undefined)),
  on(p`(a)? (point)? (partway|part way|part of way|somewhere) (along|between|from) ${SPOT} (and|to) ${SPOT}`, () =>
    act("partway", () => {
      throw ask("How far along?");
    }),
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

export const PARTS = [FROM_LINE, EXTEND, DIVIDE];
