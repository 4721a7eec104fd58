import { pointText } from "../../verb/form.js";
import { act, type Act, type Bag } from "../clause.js";
import { bracketed, negative } from "../grammar/amounts.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import { middleOfLine } from "../grammar/spots.js";
import type { Amount, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { fromPlaceAndLine, handOn, nameOf, onLine, only, oneAmount, headingOf, sideOf, straightOf } from "./said.js";

const MEETS = saying<true>("meets").said(on(p`(cuts|crosses|meets|meet|cross|cut|hits|touches|intersects|intersect)`, () => true));

/** Where a line and another cross. */
export const crossing = (a: Line | undefined, b: Line | undefined): Act | undefined =>
  a && b
    ? act(`cross ${a.text} ${b.text}`, (bag, sheet) => {
        only(bag, { board: 1, which: 1 });
        const [first, one] = sheet.line(a);
        const [both, other] = first.line(b);
        return both.place(`cross ${one} with ${other}${placeOf(bag, [one, other], both)}`, a.board, nameOf(bag));
      })
    : undefined;

/** Where the line that was drawn last crosses another. */
const itCrosses = (other: Line | undefined): Act | undefined =>
  other &&
  act(`it crosses ${other.text}`, (bag, sheet) => {
    only(bag, { which: 1 });
    const { lastLine } = sheet;
    if (lastLine === undefined) throw NOT_SO;
    const [at, text] = sheet.line(other);
    return at.place(`cross ${lastLine} with ${text}${placeOf(bag, [lastLine, text], at)}`, other.board, nameOf(bag));
  });

/** Which of the places is meant; a circle is crossed twice, and then it is asked. */
function placeOf(bag: Bag, lines: readonly string[], sheet: Sheet): string {
  const which = bag.first("which")?.which;
  if (which !== undefined) return `, the ${which}`;
  const round = lines.find((text) => sheet.isRound(text) || sheet.ground.lines.some((line) => line.text === text && line.round));
  if (round !== undefined) throw ask("A circle is crossed twice: the upper place or the lower, the inner or the outer?");
  return "";
}

const CROSSING = saying<Act>("crossing").said(
  on(
    p`(point|place|crossing)? where (it|this|that|arc|line|curve|this arc|that arc|this line|that line|this curve|that curve) ${MEETS} (with)? ${LINE}`,
    ([, line]) => itCrosses(line),
    0.5,
  ),
  on(p`(point|place|crossing)? where ${LINE} ${MEETS} (with)? ${LINE}`, ([a, , b]) => crossing(a, b)),
  on(p`(point|place)? where (line|lines)? ${LINE} and (line)? ${LINE} ${MEETS}`, ([a, b]) => crossing(a, b)),
  on(p`(a)? (crossing|intersection|meeting point|meeting) (point)? (of|between) ${LINE} (and|with) ${LINE}`, ([a, b]) => crossing(a, b)),
  on(p`(cross|intersect) ${LINE} (with|and) ${LINE}`, ([a, b]) => crossing(a, b)),
  on(p`${LINE} (,|and|, and|;) ${LINE} (:|,|;|.)? (mark)? where (they|two|these|both|lines) (two)? ${MEETS}`, ([a, b]) => crossing(a, b)),
  on(p`(draw)? ${LINE} and ${LINE} (until|till) they meet`, ([a, b]) => crossing(a, b)),
  on(p`(lines|straight lines)? ${LINE} and ${LINE} ${MEETS}`, ([a, b]) => crossing(a, b), 0.1),
  on(p`${LINE} (meets|crosses|x|*) ${LINE}`, ([a, b]) => crossing(a, b), 0.2),
);

/** The foot of a perpendicular. */
const square = fromPlaceAndLine((id, line) => `square from ${id} to ${line}`);
const SQUARE = saying<Act>("perpendicular").said(
  on(
    p`(drop|let fall|draw|square|rule|let drop|drop down)? (a)? (perpendicular|square line|foot of perpendicular|foot of a perpendicular|perpendicular line|line square) (dropped)? (from|out of) ${SPOT} (to|on|upon|onto|into|on to) ${LINE}`,
    ([spot, line]) => square(spot, line),
  ),
  on(
    p`from ${SPOT} ,? (drop|let fall|draw|square|go) (a)? (perpendicular|square line|perpendicularly|line square) (to|on|upon|onto|into|on to) ${LINE}`,
    ([spot, line]) => square(spot, line),
  ),
  on(p`(draw|rule)? (a)? (perpendicular|square line) (to|on|upon|onto) ${LINE} (from|through) ${SPOT}`, ([line, spot]) =>
    square(spot, line),
  ),
  on(p`(nearest|closest) (place|point) (of|on) ${LINE} (to|from) ${SPOT}`, ([line, spot]) => square(spot, line)),
  on(
    p`(from|at|through) ${SPOT} ,? (draw|rule|go|square|drop|run|take) (a)? (line)? (straight)? (square|squarely|at right angles|at a right angle|perpendicular|perpendicularly) (to|on|onto|with) ${LINE}`,
    ([spot, line]) => square(spot, line),
  ),
  on(
    p`(draw|rule|run)? (a)? (line)? (square|at right angles|at a right angle|perpendicular) (to|with) ${LINE} (from|through|starting at|starting from) ${SPOT}`,
    ([line, spot]) => square(spot, line),
    0.2,
  ),
  on(p`(drop|draw)? (a)? perpendicular ,? (from)? ${SPOT} (-|to|on|onto|->) ${LINE}`, ([spot, line]) => square(spot, line), 0.2),
  on(
    p`(draw|drop|let fall|rule)? (a)? (line|perpendicular) from ${SPOT} (square|at right angles|perpendicular) to ${LINE}`,
    ([spot, line]) => square(spot, line),
  ),
  on(p`square from ${SPOT} (to|on|onto) ${LINE}`, ([spot, line]) => square(spot, line), 0.3),
);

/** The place of a line on a level. */
const LEVELLED = saying<Act>("on a level").said(
  on(p`where ${LINE} (lies|is|stands|comes|runs|has come) ${AMOUNT} (below|under) (level of)? ${SPOT}`, ([line, amount, spot]) =>
    atPlace(line, amount, spot, "depth"),
  ),
  on(p`where ${LINE} (lies|is|stands|comes|runs) ${AMOUNT} above (level of)? ${SPOT}`, ([line, amount, spot]) =>
    atPlace(line, amount, spot, "depth", { sign: "-" }),
  ),
  on(p`(on)? ${LINE} ,? ${AMOUNT} (below|under) level of ${SPOT}`, ([line, amount, spot]) => atPlace(line, amount, spot, "depth"), 0.2),
  // Below a point of the line itself, or on a curve, it is as likely along it.
  on(
    p`on ${LINE} ,? ${AMOUNT} (below|under) ${SPOT}`,
    ([line, amount, spot]) => (line?.straight ? atPlace(line, amount, spot, "depth", { besides: true }) : undefined),
    0.2,
  ),
  on(
    p`on ${LINE} ,? ${AMOUNT} (out from|out of|outside) (upright through|upright of)? ${SPOT}`,
    ([line, amount, spot]) => atPlace(line, amount, spot, "out"),
    0.2,
  ),
  on(p`(where|on)? ${LINE} (is|lies|,)? (level with|on level of|at level of|as low as|as high as) ${SPOT}`, ([line, spot]) =>
    line && spot
      ? act(`level ${line.text}`, (bag, sheet) => {
          only(bag);
          const [at, id] = sheet.spot(spot);
          const [then, text] = at.line(line);
          return then.place(`cross ${text} with line across from ${id}`, line.board, nameOf(bag));
        })
      : undefined,
  ),
);

/** How far down or out a place lies, counted from where its board begins. */
const COUNTED = { depth: { way: "down", axis: "y" }, out: { way: "out", axis: "x" } } as const;

/** The place of a line so far below a point, above it or out from it; with `besides` only where the point is not on the line. */
function atPlace(
  line: Line | undefined,
  amount: Amount | undefined,
  spot: Spot | undefined,
  counted: keyof typeof COUNTED,
  { sign = "+", besides = false }: { readonly sign?: "+" | "-"; readonly besides?: boolean } = {},
): Act | undefined {
  if (!line || !amount || !spot) return undefined;
  const { way, axis } = COUNTED[counted];
  return act(`on ${line.text} ${amount.formula} ${way}`, (bag, sheet) => {
    only(bag);
    const [at, id] = sheet.spot(spot);
    const [then, text] = at.line(line);
    if (besides && onLine(id, line, then)) throw NOT_SO;
    const by = laidOff(amount, then);
    const here = then.at(id);
    const isZero = here !== undefined && Math.abs(here[axis]) < 1e-6;
    const from = isZero
      ? sign === "+"
        ? by.formula
        : negative(by)
      : `${counted}(${id}) ${sign} ${sign === "-" ? bracketed(by) : by.formula}`;
    return then.place(`on ${text} at ${from} ${way}`, line.board, nameOf(bag)).measuring(by);
  });
}

/** Square off a line at a point of it. */
const off = (line: Line | undefined, spot: Spot | undefined): Act =>
  act(`off ${line?.text ?? ""}`, (bag, sheet) => {
    only(bag, { amount: 1, heading: 2, hand: 1, at: 1, from: 1, spot: 1, on: 1 });
    const start = spot ?? bag.first("at")?.spot ?? bag.first("from")?.spot ?? bag.first("spot")?.spot;
    if (!start) throw ask("At which point?");
    const along = line ?? bag.first("on")?.line ?? lineThrough(start, sheet);
    if (!along) throw ask("Square off which line?");
    const [at, id] = sheet.spot("rule" in start ? { ...start } : start);
    const [then, text] = at.line(along);
    const amount = oneAmount(bag, then);
    if (!amount) throw ask("How far?");
    const hand = bag.first("hand");
    const way = hand ? handOn(along, hand) : sideOf(headingOf(bag));
    if (way === undefined) throw ask("To which side?");
    return then.place(`off ${straightOf(along, text)} at ${id}, ${amount.formula} ${way}`, then.boardOf(id), nameOf(bag)).measuring(amount);
  });

/** The line whose middle or part a place is. */
function lineThrough(spot: Spot, { ground }: Sheet): Line | undefined {
  if (!("rule" in spot) || spot.mentions.length !== 2) return undefined;
  const [a, b] = spot.mentions as readonly [string, string];
  return { text: `${pointText(a)}-${pointText(b)}`, board: ground.points.get(a)?.board ?? ground.board, ends: [a, b], straight: true };
}

const RIGHT_ANGLE = saying<true>("right angle").said(
  on(
    p`(make|draw|raise|erect|set up|put up|set|rule) (a|an)? (right angle|perpendicular|square line|line at right angles) (to|on|with|off|from|at)`,
    () => true,
  ),
  on(
    p`(square|come square|go square|work square|step square|measure square) (out|in|down|up|inward|outward)? (off|away from)`,
    () => true,
    0.2,
  ),
);
const OFF = saying<Act>("square off").said(
  on(p`(at|from) ${SPOT} ,? (i|we|you)? ${RIGHT_ANGLE} ${LINE}`, ([spot, , line]) => off(line, spot), 0.2),
  on(p`${RIGHT_ANGLE} ${LINE} (at|from|in|through) ${SPOT}`, ([, line, spot]) => off(line, spot), 0.2),
  on(
    p`(square off|square off from|perpendicular to|at right angles to|right angle to) ${LINE} (at|from|in|through) (its)? (middle|centre|half way|halfway)`,
    ([line], g) => line && off(line, middleOfLine(line, g)),
    0.2,
  ),
  on(
    p`(put|place|lay|hold|set) (set square|square|ruler) (on|against|to|along) ${LINE} at ${SPOT} (and|,) square off (it)?`,
    ([line, spot]) => off(line, spot),
  ),
  on(p`(square|at right angles|right angle) (off|off from|away from|to) ${LINE} (at|from|in|through) ${SPOT}`, ([line, spot]) =>
    off(line, spot),
  ),
  on(p`(at|from) ${SPOT} ,? (square|go square|at right angles|measure square) (off|to|away from) ${LINE}`, ([spot, line]) =>
    off(line, spot),
  ),
  on(p`(square|go square|measure square|come square) (off|to|away from) ${LINE}`, ([line]) => off(line, undefined), 0.2),
  on(p`(square|go square) off (it)?`, () => off(undefined, undefined)),
);

/** Level with one point and plumb with another. */
const LEVEL_WITH = saying<Spot>("level with").said(
  on(
    p`(is|lies|stands|be|sits)? (at)? (level with|on level of|at level of|on level with|same height as|same level as|as high as|as low as) ${SPOT}`,
    ([spot]) => spot,
  ),
);
const PLUMB_WITH = saying<Spot>("plumb with").said(
  on(
    p`(is|lies|stands|sits)? (plumb|straight|directly|vertically|exactly)? (under|below|beneath|above|over|plumb with|in line with) ${SPOT}`,
    ([spot]) => spot,
  ),
);
const SQUARED = saying<Act>("level with and plumb with").said(
  on(p`${LEVEL_WITH} ,? (and)? ${PLUMB_WITH}`, ([level, plumb]) => levelAndPlumb(level, plumb), 0.2),
  on(p`${PLUMB_WITH} ,? (and)? ${LEVEL_WITH}`, ([plumb, level]) => levelAndPlumb(level, plumb), 0.2),
);
const levelAndPlumb = (level: Spot | undefined, plumb: Spot | undefined): Act | undefined =>
  level && plumb
    ? act("level and plumb", (bag, sheet) => {
        only(bag, { go: 1 });
        const [at, [across = "", down = ""]] = sheet.spots([level, plumb]);
        return at.place(`cross line across from ${across} with line down from ${down}`, at.boardOf(across), nameOf(bag));
      })
    : undefined;

export const CROSSINGS = [SQUARED, CROSSING, SQUARE, LEVELLED, OFF];
