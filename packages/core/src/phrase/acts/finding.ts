import { endOf, startOf } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { bracketed, negative } from "../grammar/amounts.js";
import { COUNT, DEGREES } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import { listOf } from "../chart/pattern.js";
import { idText } from "../ground/ground.js";
import type { Amount, Direction, Heading, Line, Spot } from "../meaning.js";
import type { Bag } from "../clause.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { laidOff } from "./laid-off.js";

const nameOf = (bag: Bag): string | undefined => {
  const names = bag.first("name")?.names ?? [];
  if (names.length > 1) throw NOT_SO;
  return names[0];
};
const only = (bag: Bag, most: Parameters<Bag["holds"]>[0] = {}): void => {
  if (!bag.holds({ act: 1, name: 1, ...most })) throw NOT_SO;
};
const oneAmount = (bag: Bag, sheet: Sheet): Amount | undefined => {
  const [amount, more] = bag.all("amount");
  if (more || amount?.as === "wide" || amount?.as === "each") throw NOT_SO;
  return amount && laidOff(amount.amount, sheet);
};
const headingOf = (bag: Bag): Heading | undefined => {
  const ways = [...new Set(bag.all("heading").map(({ way }) => way))].filter((w) => w !== "back");
  return ways.find((w) => w !== "level" && w !== "plumb") ?? ways[0];
};
const sideOf = (heading: Heading | undefined): Direction | undefined =>
  heading === undefined || heading === "level" || heading === "plumb" || heading === "back" ? undefined : heading;

const MEETS = saying<true>("meets").said(on(p`(cuts|crosses|meets|meet|cross|cut|hits|touches|intersects|intersect)`, () => true));

/** Where a line and another cross. */
const crossing = (a: Line | undefined, b: Line | undefined): Act | undefined =>
  a && b
    ? act(`cross ${a.text} ${b.text}`, (bag, sheet) => {
        only(bag, { board: 1 });
        const [first, one] = sheet.line(a);
        const [both, other] = first.line(b);
        return both.place(`cross ${one} with ${other}`, a.board, nameOf(bag));
      })
    : undefined;

const CROSSING = saying<Act>("crossing").said(
  on(p`(point|place|crossing)? where ${LINE} ${MEETS} (with)? ${LINE}`, ([a, , b]) => crossing(a, b)),
  on(p`(point|place)? where (line|lines)? ${LINE} and (line)? ${LINE} ${MEETS}`, ([a, b]) => crossing(a, b)),
  on(p`(a)? (crossing|intersection|meeting point|meeting) (point)? (of|between) ${LINE} (and|with) ${LINE}`, ([a, b]) => crossing(a, b)),
  on(p`(cross|intersect) ${LINE} (with|and) ${LINE}`, ([a, b]) => crossing(a, b)),
  on(p`${LINE} (,|and|, and|;) ${LINE} (:|,|;|.)? (mark)? where (they|two|these|both|lines) (two)? ${MEETS}`, ([a, b]) => crossing(a, b)),
  on(p`(draw)? ${LINE} and ${LINE} (until|till) they meet`, ([a, b]) => crossing(a, b)),
  on(p`${LINE} (meets|crosses|x|*) ${LINE}`, ([a, b]) => crossing(a, b), 0.2),
);

/** The foot of a perpendicular. */
const square = (spot: Spot | undefined, line: Line | undefined): Act | undefined =>
  spot && line
    ? act(`square ${line.text}`, (bag, sheet) => {
        only(bag);
        const [at, id] = sheet.spot(spot);
        const [then, text] = at.line(line);
        return then.place(`square from ${id} to ${text}`, at.boardOf(id), nameOf(bag));
      })
    : undefined;
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
  on(p`square from ${SPOT} (to|on|onto) ${LINE}`, ([spot, line]) => square(spot, line), 0.3),
);

/** The place of a line on a level. */
const LEVELLED = saying<Act>("on a level").said(
  on(p`where ${LINE} (lies|is|stands|comes|runs|has come) ${AMOUNT} (below|under) (level of)? ${SPOT}`, ([line, amount, spot]) =>
    atDepth(line, amount, spot, "+"),
  ),
  on(p`where ${LINE} (lies|is|stands|comes|runs) ${AMOUNT} above (level of)? ${SPOT}`, ([line, amount, spot]) =>
    atDepth(line, amount, spot, "-"),
  ),
  on(p`(on)? ${LINE} ,? ${AMOUNT} (below|under) level of ${SPOT}`, ([line, amount, spot]) => atDepth(line, amount, spot, "+"), 0.2),
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

function atDepth(line: Line | undefined, amount: Amount | undefined, spot: Spot | undefined, sign: "+" | "-"): Act | undefined {
  if (!line || !amount || !spot) return undefined;
  return act(`on ${line.text} ${amount.formula}`, (bag, sheet) => {
    only(bag);
    const [at, id] = sheet.spot(spot);
    const [then, text] = at.line(line);
    const by = laidOff(amount, then);
    const here = then.at(id);
    const depth =
      here && Math.abs(here.y) < 1e-6
        ? sign === "+"
          ? by.formula
          : negative(by)
        : `depth(${id}) ${sign} ${sign === "-" ? bracketed(by) : by.formula}`;
    return then.place(`on ${text} at ${depth} down`, line.board, nameOf(bag)).measuring(by);
  });
}

/** Square off a line at a point of it. */
const off = (line: Line | undefined, spot: Spot | undefined): Act =>
  act(`off ${line?.text ?? ""}`, (bag, sheet) => {
    only(bag, { amount: 1, heading: 2, at: 1, from: 1, spot: 1, on: 1 });
    const start = spot ?? bag.first("at")?.spot ?? bag.first("from")?.spot ?? bag.first("spot")?.spot;
    if (!start) throw ask("At which point?");
    const along = line ?? bag.first("on")?.line ?? lineThrough(start, sheet);
    if (!along) throw ask("Square off which line?");
    const [at, id] = sheet.spot("rule" in start ? { ...start } : start);
    const [then, text] = at.line(along);
    const amount = oneAmount(bag, then);
    if (!amount) throw ask("How far?");
    const way = sideOf(headingOf(bag));
    if (way === undefined) throw ask("To which side?");
    return then.place(`off ${straightOf(along, text)} at ${id}, ${amount.formula} ${way}`, then.boardOf(id), nameOf(bag)).measuring(amount);
  });

/** A straight line by its ends, so that it stands where its name is an edge's. */
const straightOf = (line: Line, text: string): string =>
  line.straight && line.ends && !text.startsWith("line ") ? `${idText(line.ends[0])}-${idText(line.ends[1])}` : text;

/** The line whose middle or part a place is. */
function lineThrough(spot: Spot, { ground }: Sheet): Line | undefined {
  if (!("rule" in spot) || spot.mentions.length !== 2) return undefined;
  const [a, b] = spot.mentions as readonly [string, string];
  return { text: `${idText(a)}-${idText(b)}`, board: ground.points.get(a)?.board ?? ground.board, ends: [a, b], straight: true };
}

const OFF = saying<Act>("square off").said(
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

const IN_LINE = saying<true>("mirrored in").said(on(p`(mirrored|reflected|flipped)? (in|over|across|about|on|along|through)`, () => true));
const mirror = (spot: Spot | undefined, line: Line | undefined): Act | undefined =>
  spot && line
    ? act(`mirror ${line.text}`, (bag, sheet) => {
        only(bag);
        const [at, id] = sheet.spot(spot);
        const [then, text] = at.line(line);
        return then.place(`mirror ${id} in ${text}`, at.boardOf(id), nameOf(bag));
      })
    : undefined;
/** Without a line, a half that is cut on the fold is mirrored in its fold. */
const mirrorInFold = (spot: Spot): Act =>
  act("mirror", (bag, sheet) => {
    only(bag);
    const [at, id] = sheet.spot(spot);
    const board = at.boardOf(id);
    const first = [...at.ground.points.values()].find((point) => point.board === board);
    if (!first || !at.ground.folded.has(board)) throw ask("Mirrored in which line?");
    return at.place(`mirror ${id} in line down from ${idText(first.id)}`, board, nameOf(bag));
  });
const mirrorLine = (of: Line | undefined, line: Line | undefined): Act | undefined =>
  of && line
    ? act(`trace ${of.text}`, (bag, sheet) => {
        only(bag);
        const [first] = sheet.line(of);
        const [then, text] = first.line(line);
        return then.draw("trace", `${keyFrom(of)}_other`, `: ${pathOf(of)} mirrored in ${straightOf(line, text)}`, of.board);
      })
    : undefined;
/** A drawn line by its key, else the edge. */
export const pathOf = (line: Line): string => {
  if (/^[a-z_]+\d*$/.test(line.text)) return line.text;
  if (line.path !== undefined) return line.path;
  throw refuse("Draw this line first, then it can be traced.");
};
export const keyFrom = (line: Line): string => (line.role ?? line.path ?? line.text).replace(/^.*\./, "").replace(/\W+/g, "_");

const MIRROR = saying<Act>("mirror").said(
  on(p`(mirror|reflect|flip|turn over|copy|prick) ${SPOT} ${IN_LINE} ${LINE}`, ([spot, , line]) => mirror(spot, line)),
  on(p`(mirror|reflect) ${SPOT}`, ([spot]) => spot && mirrorInFold(spot), 0.5),
  on(p`${SPOT} (mirrored|reflected|flipped) (in|over|across|about|on|along) ${LINE}`, ([spot, line]) => mirror(spot, line)),
  on(p`(mirror image|reflection|mirror) of ${SPOT} ${IN_LINE} ${LINE}`, ([spot, , line]) => mirror(spot, line)),
  on(
    p`fold (paper|it|sheet)? (on|along|at|over) ${LINE} (and|,) (prick|trace|mark|copy|pin|pierce) ${SPOT} (through)? ((to|onto|on) other side)?`,
    ([line, spot]) => mirror(spot, line),
  ),
  on(
    p`(trace|copy|mirror|reflect|prick) ${LINE} (through fold|through|over fold|mirrored in|reflected in|in|over|across) ${LINE}`,
    ([of, line]) => mirrorLine(of, line),
  ),
);

/** A line beside another. */
const parallel = (line: Line | undefined, by?: Amount, way?: Direction): Act | undefined =>
  line &&
  act(`parallel ${line.text}`, (bag, sheet) => {
    only(bag, { amount: 1, heading: 2 });
    sheet.line(line);
    const amount = by ? laidOff(by, sheet) : oneAmount(bag, sheet);
    if (!amount) throw ask("How far beside it?");
    const side = way ?? sideOf(headingOf(bag));
    if (side === undefined) throw ask("On which side of it?");
    if (/^[a-z_]\w*$/.test(line.text) || !line.ends)
      return sheet
        .draw("trace", `${keyFrom(line)}_parallel`, `: ${pathOf(line)} offset ${amount.formula} ${side}`, line.board)
        .measuring(amount);
    const [first, one] = sheet
      .place(`off ${line.text} at ${idText(line.ends[0])}, ${amount.formula} ${side}`, line.board)
      .spot({ before: "it" });
    const [second, two] = first
      .place(`off ${line.text} at ${idText(line.ends[1])}, ${amount.formula} ${side}`, line.board)
      .spot({ before: "it" });
    return second.draw("line", "parallel", `: ${one} > ${two}`, line.board).measuring(amount);
  });
const SIDE = saying<Direction>("side of a line").said(
  on(p`(inside|in|inward|inwards|to inside|to left|left)`, () => "in" as const),
  on(p`(outside|out|outward|outwards|beyond|to outside|to right|right)`, () => "out" as const),
  on(p`(below|under|down|beneath)`, () => "down" as const),
  on(p`(above|over|up)`, () => "up" as const),
);
const PARALLEL = saying<Act>("parallel").said(
  on(
    p`(draw|rule)? (a|another)? (line|curve)? (parallel|running parallel) (line)? (to|with) ${LINE} (,|and|at|, at)? (a distance of)? ${AMOUNT} ${SIDE} (of|from)? (it)?`,
    ([line, by, side]) => parallel(line, by, side),
  ),
  on(p`(draw|rule)? (a|another)? (line|curve)? (parallel|running parallel) (line)? (to|with) ${LINE}`, ([line]) => parallel(line), 0.2),
  on(
    p`(draw|rule)? (a)? (line|curve|seam line)? ${AMOUNT} ${SIDE} (of|from)? ${LINE} (, whole way along it|all way along|all way|parallel to it|and parallel to it)`,
    ([by, side, line]) => parallel(line, by, side),
  ),
  on(p`(draw|rule)? (a|another) (line|curve) ${AMOUNT} ${SIDE} (of|from)? ${LINE}`, ([by, side, line]) => parallel(line, by, side)),
  on(p`beside ${LINE} ,? ${AMOUNT} ${SIDE} (of)? (it)? ,?`, ([line, by, side]) => parallel(line, by, side)),
);

export const WHICH = saying<string>("which of two places");
for (const [word, which] of Object.entries({
  upper: "upper",
  higher: "upper",
  lower: "lower",
  inner: "inner",
  left: "inner",
  outer: "outer",
  right: "outer",
}))
  WHICH.said(on(p`,? (at)? (the)? ${oneOf(word, { [word]: true })} (place|one|crossing|of two|point|meeting|time)`, () => which));

/** The place something goes out from. */
const startIn = (bag: Bag): Spot | undefined => bag.first("from")?.spot ?? bag.first("at")?.spot ?? bag.first("spot")?.spot;

/** A length swung about a point until it meets a line. */
const swing = (from: Spot | undefined, by: Amount | undefined, line: Line | undefined, which?: string): Act =>
  act(`swing ${which ?? ""}`, (bag, sheet) => {
    only(bag, { amount: 1, from: 1, at: 1, to: 1, spot: 1, which: 1 });
    const start = from ?? startIn(bag);
    if (!start) throw ask("Swing it from which point?");
    const [at, id] = sheet.spot(start);
    const amount = by ? laidOff(by, at) : oneAmount(bag, at);
    if (!amount) throw ask("What length is swung?");
    const target = line ?? bag.first("to")?.line;
    if (!target) throw ask("To what line is it swung?");
    const [then, text] = at.line(target);
    const place = which ?? bag.first("which")?.which;
    const of = place === undefined ? "" : `, the ${place}`;
    const spoken = target.path === undefined ? text : straightOf(target, text);
    return then.place(`swing ${amount.formula} from ${id} to ${spoken}${of}`, then.boardOf(id), nameOf(bag)).measuring(amount);
  });
const STRIKE = saying<true>("strike").said(
  on(
    p`(,|and|, and)? (cut|strike|swing to|swing an arc to|strike an arc to|draw an arc to|arc to|mark|meet|cross|cut across|swing until it meets|swing round to)`,
    () => true,
  ),
);
const SWUNG = saying<true>("swung").said(on(p`(round|around|over|down|up|across|out)`, () => true));
const SWING = saying<Act>("swing").said(
  on(p`swing ${SWUNG}`, () => swing(undefined, undefined, undefined), 0.1),
  on(p`swing`, () => swing(undefined, undefined, undefined)),
  on(
    p`(hold tape|keep tape|put compass|keep compass|put end of tape|compass|tape) (at|on) ${SPOT} (and|,) swing ${AMOUNT} ${SWUNG} (till|until|to) (it)? (hits|meets|touches|reaches|cuts)? ${LINE} ${WHICH}`,
    ([from, by, , line, which]) => swing(from, by, line, which),
  ),
  on(
    p`(hold tape|keep tape|put compass|keep compass|put end of tape|compass|tape) (at|on) ${SPOT} (and|,) swing ${AMOUNT} (round|around)? (till|until|to) (it)? (hits|meets|touches|reaches|cuts)? ${LINE}`,
    ([from, by, line]) => swing(from, by, line),
  ),
  on(
    p`swing (an arc of|a length of|an arc)? ${AMOUNT} from ${SPOT} (round|around|over|down|up|across|out)? (to|till|until|onto) (it|you)? (hits|meets|touches|reaches|cuts|meet|hit|touch)? ${LINE} ${WHICH}`,
    ([by, from, line, which]) => swing(from, by, line, which),
  ),
  on(p`with (centre)? ${SPOT} (as centre)? (and|,) (a)? radius (of|is)? ${AMOUNT} ,? ${STRIKE} ${LINE}`, ([from, by, , line]) =>
    swing(from, by, line),
  ),
  on(
    p`with (centre)? ${SPOT} (as centre)? (and|,) (a)? radius (of|is)? ${AMOUNT} ,? ${STRIKE} ${LINE} ${WHICH}`,
    ([from, by, , line, which]) => swing(from, by, line, which),
  ),
  on(p`(strike|draw) (an)? arc of ${AMOUNT} from ${SPOT} (to|across|on) ${LINE}`, ([by, from, line]) => swing(from, by, line)),
);

/** Which way round a corner lies between the directions to its neighbours, in degrees clockwise from straight out. */
function intoCorner(id: string, sheet: Sheet, between?: readonly string[]): number {
  const here = sheet.at(id);
  const bare = id.replace("#", "");
  const others = (between ?? sheet.ground.neighbours.get(bare) ?? []).flatMap((n) => sheet.at(idText(n)) ?? []);
  if (!here) throw ask("Into which corner?");
  const ways: number[] = [];
  for (const other of others) {
    const angle = bearing(here, other);
    if (Number.isFinite(angle) && !ways.some((w) => Math.abs(turn(w - angle)) < 1)) ways.push(angle);
  }
  const [a, b, more] = ways;
  if (a === undefined || b === undefined) throw ask("Between which lines is the corner?");
  const squareOnes =
    more === undefined
      ? [[a, b] as const]
      : ways
          .flatMap((x, i) => ways.slice(i + 1).map((y) => [x, y] as const))
          .filter(([x, y]) => Math.abs(Math.abs(turn(x - y)) - 90) < 0.5);
  const [corner, another] = squareOnes;
  if (!corner || another) throw ask("Between which lines is the corner?");
  const half = turn(corner[1] - corner[0]) / 2;
  return turn(corner[0] + half);
}
const bearing = (from: Point, to: Point): number =>
  Math.hypot(to.x - from.x, to.y - from.y) < 0.5 ? NaN : (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
const turn = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;
const degreesText = (degrees: number): string => String(Number(degrees.toFixed(4)));

/** Into or out of a corner by an amount. */
const diagonal = (spot: Spot | undefined, between?: readonly Spot[], draws = false): Act =>
  act(`diagonal ${String(draws)}`, (bag, sheet) => {
    only(bag, { amount: 1, from: 1, heading: 1, at: 1 });
    const start = spot ?? bag.first("from")?.spot ?? bag.first("at")?.spot;
    if (!start) throw ask("From which corner?");
    const [at, id] = sheet.spot(start);
    const amount = oneAmount(bag, at) ?? bag.all("amount").map(({ amount: a }) => laidOff(a, at))[0];
    if (!amount) throw ask("How far?");
    const ends = between?.flatMap((s) => ("id" in s ? [s.id] : [])).filter((s) => idText(s) !== id);
    const placed = at
      .place(`at ${degreesText(intoCorner(id, at, ends))}, ${amount.formula} from ${id}`, at.boardOf(id), nameOf(bag))
      .measuring(amount);
    return draws ? placed.draw("line", "corner", `: ${id} > ${placed.it ?? ""}`) : placed;
  });
const CORNERS = listOf("corner by three points", SPOT, saying<true>("dash").said(on(p`(-|,|and)`, () => true)), 2);
const DIAGONAL = saying<Act>("corner").said(
  on(
    p`(bisect|halve) (that)? (corner|angle) (at|of)? ${SPOT} (and go out on diagonal|and go out on it|and go out|and measure|and come out|and mark)?`,
    ([spot]) => diagonal(spot),
  ),
  on(p`(bisect|halve) (that)? (corner|angle) (at|of)? ${SPOT} ${bracketRule()}`, ([spot, between]) => diagonal(spot, between)),
  on(p`(at ${DEGREES})? (into|out of) corner`, () => diagonal(undefined), 0.3),
  on(p`(draw|rule) (a)? line at ${DEGREES} into corner`, () => diagonal(undefined, undefined, true)),
  on(p`(on|along) diagonal`, () => diagonal(undefined), 0.3),
);
function bracketRule() {
  const OPEN = oneOf("(", { "(": true });
  const SHUT = oneOf(")", { ")": true });
  return saying<readonly Spot[]>("between").said(on(p`${OPEN} ${CORNERS} ${SHUT}`, ([, spots]) => spots));
}

/** At an angle from a point. */
const angled = (degrees: number | undefined, side: "below" | "above" | undefined, draws: boolean): Act =>
  act(`angle ${degrees ?? ""} ${side ?? ""} ${String(draws)}`, (bag, sheet) => {
    only(bag, { amount: 1, from: 1, at: 1, heading: 1, spot: 1, draws: 1 });
    const [at, id] = sheet.spot(bag.first("from")?.spot ?? bag.first("at")?.spot ?? bag.first("spot")?.spot ?? { before: "it" });
    if (degrees === undefined) throw ask("At what angle?");
    const by = oneAmount(bag, at);
    if (!by) throw ask("How long?");
    const angle = clockwise(degrees, side, headingOf(bag));
    const placed = at.place(`at ${degreesText(angle)}, ${by.formula} from ${id}`, at.boardOf(id), nameOf(bag)).measuring(by);
    return draws || bag.first("draws") ? placed.draw("line", "angled", `: ${id} > ${placed.it ?? ""}`) : placed;
  });

/** An angle to the level, clockwise from straight out. */
function clockwise(degrees: number, side: "below" | "above" | undefined, heading: Heading | undefined): number {
  const down = side === "below" || heading === "down" ? true : side === "above" || heading === "up" ? false : undefined;
  if (down === undefined) throw ask("Above the level or below it?");
  if (heading === "in") return down ? 180 - degrees : degrees - 180;
  return down ? degrees : -degrees;
}
const ABOVE = oneOf<"below" | "above">("above or below the level", { below: "below", under: "below", above: "above", over: "above" });
const ANGLED = saying<Act>("at an angle").said(
  on(
    p`,? (at|at an angle of|with an angle of|inclined at|sloping at) ${DEGREES} ${ABOVE} (level|horizontal|horizontal line|level line)`,
    ([degrees, side]) => angled(degrees, side, false),
  ),
  on(
    p`,? (at|at an angle of|with an angle of|inclined at|sloping at) ${DEGREES} (to level|from level|to horizontal)?`,
    ([degrees]) => angled(degrees, undefined, false),
    0.2,
  ),
  on(
    p`,? (at|at an angle of|with an angle of) ${DEGREES} ${ABOVE} (level|horizontal) ,? (draw|rule) (a)? (straight)? line`,
    ([degrees, side]) => angled(degrees, side, true),
  ),
  on(p`(draw|rule) (a)? line (at|at an angle of) ${DEGREES} ${ABOVE} (level|horizontal)`, ([degrees, side]) => angled(degrees, side, true)),
  on(p`(draw|rule) (a|an)? (line)? (at)? (an)? (angled|sloping|slanted|slanting|oblique|angle) (line)?`, () =>
    angled(undefined, undefined, true),
  ),
);

const CLOCK = saying<number>("way round").said(
  on(p`(clockwise|clock wise|with clock)`, () => 1),
  on(p`(anticlockwise|anti clockwise|anti - clockwise|counterclockwise|counter clockwise|counter - clockwise|against clock)`, () => -1),
);
const TURN = saying<Act>("turn").said(
  on(
    p`(turn|pivot|rotate|swing|move) ${SPOT} (about|around|round|on) ${SPOT} (by|through)? ${DEGREES} ${CLOCK}`,
    ([spot, about, by, way]) => turned(spot, about, by, way),
  ),
  on(
    p`(turn|pivot|rotate|swing) ${SPOT} (about|around|round|on) ${SPOT} (by|through)? ${DEGREES}`,
    ([spot, about, by]) => turned(spot, about, by, undefined),
    0.2,
  ),
  on(p`(turn|pivot|rotate|swing) ${SPOT} (by|through)? ${DEGREES} ${CLOCK} (about|around|round|on) ${SPOT}`, ([spot, by, way, about]) =>
    turned(spot, about, by, way),
  ),
);
function turned(spot: Spot | undefined, about: Spot | undefined, by: number | undefined, way: number | undefined): Act | undefined {
  if (!spot || !about || by === undefined) return undefined;
  return act(`turn ${by} ${way ?? ""}`, (bag, sheet) => {
    only(bag);
    if (way === undefined) throw ask("Clockwise or against the clock?");
    const [at, [id = "", centre = ""]] = sheet.spots([spot, about]);
    return at.place(`turn ${id} about ${centre} by ${degreesText(by * way)}°`, at.boardOf(id), nameOf(bag));
  });
}

/** Part of a circle, as far round as it is said. */
const ARC = saying<Act>("arc").said(
  on(
    p`(keep|put|set|place|stand) (point of)? compass (on|at|in) ${SPOT} ,? (and)? open it to ${SPOT} ,? (and)? (strike|draw|swing|make) (an)? arc ${DEGREES} (toward|towards|to) ${LINE}`,
    ([centre, from, by, line]) => arc(centre, from, by, line),
  ),
  on(
    p`(draw|strike|swing) (an)? arc from ${SPOT} to ${SPOT} (about|around|round|with centre|centred on|centre) ${SPOT}`,
    ([a, b, centre]) =>
      a && b && centre
        ? act("arc", (bag, sheet) => {
            only(bag);
            const [at, [from = "", to = "", about = ""]] = sheet.spots([a, b, centre]);
            return at.draw("arc", "arc", `: ${from} > ${to} about ${about}`, at.boardOf(from));
          })
        : undefined,
  ),
);
function arc(centre: Spot | undefined, from: Spot | undefined, by: number | undefined, line: Line | undefined): Act | undefined {
  if (!centre || !from || by === undefined || !line) return undefined;
  return act(`arc ${by} ${line.text}`, (bag, sheet) => {
    only(bag);
    const [at, [about = "", id = ""]] = sheet.spots([centre, from]);
    const [c, s] = [at.at(about), at.at(id)];
    const path = line.path === undefined ? undefined : at.ground.pathOf(line.path);
    const ends = path ? [startOf(path), endOf(path)] : (line.ends ?? []).map((end) => at.at(idText(end)));
    const [a, b] = ends;
    if (!c || !s || !a || !b) throw ask("Which way round?");
    const end = (sign: number): Point => {
      const [cos, sin] = [Math.cos((sign * by * Math.PI) / 180), Math.sin((sign * by * Math.PI) / 180)];
      return { x: c.x + (s.x - c.x) * cos - (s.y - c.y) * sin, y: c.y + (s.x - c.x) * sin + (s.y - c.y) * cos };
    };
    const away = (p: Point): number => Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x));
    const sign = away(end(1)) <= away(end(-1)) ? 1 : -1;
    const placed = at.place(`turn ${id} about ${about} by ${degreesText(by * sign)}°`, at.boardOf(id), nameOf(bag));
    const to = placed.it ?? "";
    return placed.draw("arc", "arc", `: ${sign > 0 ? `${id} > ${to}` : `${id} > ${to}`} about ${about}`);
  });
}

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
  const beyond = end ? sheet.spot(end)[1] : idText(farEnd(ends, way ?? "down", sheet));
  const [a, b] = ends.map(idText) as [string, string];
  if (beyond !== a && beyond !== b) throw NOT_SO;
  return beyond === a ? [b, a] : [a, b];
}

function farEnd(ends: readonly [string, string], way: Heading, sheet: Sheet): string {
  const [a, b] = ends.map((end) => sheet.at(idText(end)));
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
          { text: `${idText(a.id)}-${idText(b.id)}`, board: ground.points.get(a.id)?.board ?? "", ends: [a.id, b.id], straight: true },
          b,
        )
      : undefined,
  ),
  on(p`(extend|produce|continue|prolong) ${SPOT} (to)? ${SPOT} (up|down|out|in)? (past|beyond) ${LINE}`, ([a, b], ground) =>
    a && b && "id" in a && "id" in b
      ? extend(
          { text: `${idText(a.id)}-${idText(b.id)}`, board: ground.points.get(a.id)?.board ?? "", ends: [a.id, b.id], straight: true },
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

export const FINDING = [FROM_LINE, CROSSING, SQUARE, LEVELLED, OFF, MIRROR, PARALLEL, SWING, DIAGONAL, ANGLED, TURN, ARC, EXTEND, DIVIDE];
