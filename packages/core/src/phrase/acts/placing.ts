import { pointText } from "../../verb/form.js";
import { Bag } from "../clause.js";
import { drawBetween } from "./draw-between.js";
import { negative } from "../grammar/amounts.js";
import type { Share } from "../grammar/figures.js";
import { type Amount, type Direction, type Heading, type Line, type Manner, sharedEnd, type Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { alongBy, alongShare } from "./along.js";
import { chosen } from "./choosing.js";
import { laidOff } from "./laid-off.js";
import { handOn, onLine, straightOf } from "./said.js";

/** What a clause says of one point, or of some: in any order, each part at most as often as it can be meant. */
interface Said {
  readonly sheet: Sheet;
  readonly amounts: readonly Amount[];
  readonly headings: readonly Heading[];
  readonly start: Spot | undefined;
  /** How many places could be the one it starts from. */
  readonly starts: number;
  readonly line: Line | undefined;
  readonly lineWay: Heading | undefined;
  readonly share: Share | undefined;
  readonly fromLine: Line | undefined;
  readonly chain: readonly Spot[] | undefined;
  readonly until: Line | undefined;
  readonly toward: Spot | undefined;
  readonly both: boolean;
  readonly back: boolean;
  /** Past the end of a line. */
  readonly beyond: boolean;
  /** A full stop is among them: what stands on both sides of it is not one point. */
  readonly parted: boolean;
  /** A verb of going or marking is among the words. */
  readonly goes: boolean;
  readonly place: (made: Sheet, rule: string, on: string, i?: number) => Sheet;
}

const MOST = {
  heading: 3,
  hand: 1,
  amount: 2,
  from: 1,
  fromLine: 1,
  at: 1,
  spot: 1,
  pair: 1,
  chain: 1,
  to: 1,
  until: 1,
  toward: 1,
  on: 1,
  share: 1,
  name: 1,
  both: 1,
  vague: 1,
  board: 1,
  if: 3,
  otherwise: 1,
  range: 1,
  draws: 1,
} as const;

/** Places a point, or some, by what is in the bag: directions, amounts and places in any order. */
export function placing(bag: Bag, from: Sheet): Sheet {
  if (bag.first("draws")) return placedAndDrawn(bag, from);
  if (!bag.holds(MOST) || bag.stopped) throw NOT_SO;
  if (bag.first("vague")) throw ask("How far?");
  const said = saidIn(bag, from);
  return byLines(said, bag) ?? byPlaces(said, bag);
}

/** What is placed by a line: along it, beside it, or where it is met. */
function byLines(said: Said, bag: Bag): Sheet | undefined {
  if (said.fromLine) return besideLine(said, said.fromLine, bag);
  if (bag.first("hand")) throw NOT_SO;
  if (said.both) return onBothSides(said);
  if (said.share) return byShare(said, said.share);
  if (said.line) return alongLine(said, said.line);
  return (said.until ?? bag.first("until")) ? toLine(said) : undefined;
}

/** What is placed from points alone. */
function byPlaces(said: Said, bag: Bag): Sheet {
  if (said.toward) return towardPlace(said, said.toward);
  if (said.chain || said.starts > (bag.first("pair") ? 2 : 1)) throw NOT_SO;
  if (said.amounts.length === 0) return atPlace(said, bag);
  if (said.starts > 1) throw NOT_SO;
  return byAxes(said);
}

/** "Draw a line down from 5 to the waist": the place is found, and a line drawn to it from where it starts. */
function placedAndDrawn(bag: Bag, from: Sheet): Sheet {
  const manners = bag.all("manner").map(({ manner }) => manner);
  const placed = placing(new Bag(bag.items.filter(({ is }) => is !== "draws" && is !== "manner")), from);
  const start = /\bfrom (\S+?)(?:,|$| to )/.exec(`${placed.ruleOf(placed.it ?? "") ?? ""} `.trimEnd())?.[1];
  if (start === undefined || manners.some(({ curve }) => curve === true)) throw NOT_SO;
  const dashed = bag.first("draws")?.dashed === true ? [{ dashed: true }] : [];
  return drawBetween(placed, [start, placed.it ?? ""], Object.assign({}, ...manners, ...dashed) as Manner);
}

function saidIn(bag: Bag, from: Sheet): Said {
  const board = bag.first("board")?.board;
  const names = namesIn(bag);
  const [sheet, amounts] = chosen(bag, board === undefined ? from : from.on(board));
  const starts = startsIn(bag);
  // "From 5, …" is where the next is placed from: it is not passed over for another place.
  if (sheet.starting && starts.length > 0) throw NOT_SO;
  const ways = bag.all("heading").map(({ way }) => way);
  const on = bag.first("on");
  return {
    sheet,
    amounts,
    headings: merged(ways),
    start: starts[0],
    starts: starts.length,
    line: on?.line,
    lineWay: on?.way,
    share: bag.first("share")?.share,
    fromLine: bag.first("fromLine")?.line,
    chain: bag.first("chain")?.spots,
    until: bag.first("to")?.line,
    toward: bag.first("toward")?.spot,
    both: bag.first("both") !== undefined,
    back: [on?.way, ...ways].includes("back"),
    beyond: bag.first("at")?.beyond === true,
    parted: bag.all("gap").some(({ stop }) => stop),
    goes: bag.all("go").length > 0,
    place: (made, rule, board_, i = 0) => made.place(rule, board_, names[i]),
  };
}

const startsIn = (bag: Bag): readonly Spot[] =>
  [bag.first("from")?.spot, bag.first("pair")?.from, bag.first("at")?.spot, bag.first("spot")?.spot].flatMap((spot) => spot ?? []);

/** Only to both sides of a place there are two points to be named. */
function namesIn(bag: Bag): readonly string[] {
  const names = [...bag.all("pair").map(({ name }) => name), ...(bag.first("name")?.names ?? [])];
  if (names.length > 1 && !bag.first("both")) throw NOT_SO;
  return names;
}

function onBothSides({ amounts, start, starts, chain, share, until, headings, sheet, place }: Said): Sheet {
  const [amount] = amounts;
  if (!amount || !start || starts !== 1 || chain || share || until) throw NOT_SO;
  const [at, id] = sheet.spot(start);
  const by = laidOff(amount, at).formula;
  const ways: readonly Direction[] = headings.some((h) => h === "up" || h === "down") ? ["up", "down"] : ["out", "in"];
  return ways.reduce((made, way, i) => place(made, `${way} ${by} from ${id}`, at.boardOf(id), i), at);
}

function byShare({ amounts, until, headings, chain, line, start, starts, sheet, place }: Said, share: Share): Sheet {
  if (amounts.length > 0 || until || headings.some((h) => h === "up" || h === "in")) throw NOT_SO;
  const text = `${share.top}/${share.under}`;
  if (chain?.length === 2 && !line) {
    const [at, [a = "", b = ""]] = sheet.spots(chain);
    return place(at, share.under === 2 ? `midway ${a} to ${b}` : `part ${text} from ${a} to ${b}`, at.boardOf(a));
  }
  if (!line || chain || starts > 1) throw NOT_SO;
  return place(sheet, alongShare(line, text, start), line.board);
}

function alongLine(said: Said, line: Line): Sheet {
  const { amounts, until, chain, headings, lineWay, start, starts, goes, back, beyond, sheet, place } = said;
  if (until || chain || amounts.length > 1 || starts > 1 || (start && "rule" in start)) throw NOT_SO;
  const [amount] = amounts;
  const way = headings[0] ?? lineWay;
  if (!amount) {
    if (way === undefined && !start && !goes) throw NOT_SO;
    throw ask("How far?");
  }
  const level = line.unknown === undefined ? undefined : onNamedLevel(said, amount);
  if (level) return level;
  const [at, rule] = alongBy({ line, amount, from: start, way, back, beyond }, sheet);
  return place(at, rule, line.board).measuring(laidOff(amount, sheet));
}

/** On a level that was only named ("on the chest line from 2 out") the way says all that is needed. */
function onNamedLevel({ start, headings, lineWay, sheet, place }: Said, amount: Amount): Sheet | undefined {
  const way = headings[0] ?? lineWay;
  if (!start || (way !== "in" && way !== "out" && way !== "up" && way !== "down")) return undefined;
  const [at, id] = sheet.spot(start);
  const by = laidOff(amount, at);
  return place(at, `${way} ${by.formula} from ${id}`, at.boardOf(id)).measuring(by);
}

/** From where a line is met: along another from their meeting, or square off it at a point. */
function besideLine(said: Said, of: Line, bag: Bag): Sheet {
  const { amounts, until, toward, chain, share, both, line, start, starts } = said;
  const [amount, more] = amounts;
  if (!amount || more || until || toward || chain || share || both || starts > 1) throw NOT_SO;
  if (line && !start && !bag.first("hand")) return fromMeeting(said, line, of, amount);
  if (line || !start) throw NOT_SO;
  return squareOff(said, start, of, amount, bag.first("hand"));
}

function fromMeeting({ headings, lineWay, back, sheet, place }: Said, line: Line, of: Line, amount: Amount): Sheet {
  const corner = sharedEnd(line, of);
  if (corner === undefined) throw ask("Where do they meet: at which point does it start?");
  const [at, rule] = alongBy({ line, amount, from: { id: corner }, way: headings[0] ?? lineWay, back }, sheet);
  return place(at, rule, line.board).measuring(laidOff(amount, sheet));
}

function squareOff({ headings, sheet, place }: Said, start: Spot, of: Line, amount: Amount, hand?: Parameters<typeof handOn>[1]): Sheet {
  const [at, id] = sheet.spot(start);
  const [then, text] = at.line(of);
  if (!onLine(id, of, then)) throw ask(`${id.replace("#", "")} is not on that line. Square off which point of it?`);
  const by = laidOff(amount, then);
  const way = hand ? handOn(of, hand) : headings.find((h) => h === "up" || h === "down" || h === "in" || h === "out");
  if (way === undefined) throw ask("To which side?");
  return place(then, `off ${straightOf(of, text)} at ${id}, ${by.formula} ${way}`, then.boardOf(id)).measuring(by);
}

function toLine({ amounts, chain, until, starts, start, headings, sheet, place }: Said): Sheet {
  if (amounts.length > 0 || chain || !until || starts > 1) throw NOT_SO;
  const [on, text] = sheet.line(until);
  const [at, id] = startOn(start, on);
  const [heading, second] = headings;
  if (second !== undefined) throw NOT_SO;
  if (heading === undefined || heading === "back") throw ask("Which way?");
  return place(at, `${wayTo(heading, id, until, at)} from ${id} to ${text}`, at.boardOf(id));
}

function towardPlace({ amounts, starts, chain, headings, start, sheet, place }: Said, toward: Spot): Sheet {
  const [amount] = amounts;
  if (!amount || amounts.length > 1 || starts > 1 || chain) throw NOT_SO;
  if (headings.length > 0 && !("id" in toward)) throw NOT_SO;
  const [at, id] = startOn(start, sheet);
  const [then, other] = at.spot(toward);
  const by = laidOff(amount, then);
  return place(then, `toward ${other}, ${by.formula} from ${id}`, at.boardOf(id)).measuring(by);
}

/** A place that is found by its own words, as the middle of something. */
function atPlace({ headings, starts, start, goes, sheet, place }: Said, bag: Bag): Sheet {
  const pair = bag.first("pair");
  if (headings.length > 0) {
    if (starts === 0 && !pair && !goes) throw NOT_SO;
    throw ask("How far?");
  }
  if (pair) return partOfWay(pair.from, bag.first("at")?.spot ?? bag.first("spot")?.spot, sheet, place);
  if (!start || starts !== 1 || !("rule" in start)) throw NOT_SO;
  return place(sheet, start.rule, start.board);
}

/** "1–13: a third of 1–2": the way to the new point is part of a way from the same point. */
function partOfWay(from: Spot, spot: Spot | undefined, sheet: Sheet, place: Said["place"]): Sheet {
  if (!spot || !("rule" in spot) || !("id" in from) || spot.mentions[0] !== from.id || !spot.rule.startsWith("part ")) throw NOT_SO;
  return place(sheet, spot.rule, spot.board);
}

/** Out, in, up or down by amounts. */
function byAxes({ headings, amounts, start, starts, goes, parted, sheet, place }: Said): Sheet {
  const [heading, second] = headings;
  const [amount] = amounts;
  if (!amount) throw NOT_SO;
  if (heading === undefined && start === undefined && sheet.empty)
    throw amount.plain !== true && amounts.length === 1 && goes ? ask("From which point, and which way?") : NOT_SO;
  const [at, id] = startOn(start, sheet);
  const on = at.boardOf(id);
  const first = laidOff(amount, at);
  askIfWholeGirth(first, heading, id, at);
  const way = oneWay(heading ?? (starts > 0 && !goes ? at.lastWay : undefined), amount, id, at);
  if (second === undefined) {
    if (amounts.length > 1) throw NOT_SO;
    return place(at, `${way} ${first.formula} from ${id}`, on).measuring(first).going(way);
  }
  if (!amounts[1] || parted) throw NOT_SO;
  const other = laidOff(amounts[1], at.measuring(first));
  return place(at, movedBy(id, [way, first], [sideOf(second), other]), on).measuring(other);
}

/** A whole girth is hardly ever laid off: half or a quarter of it is. */
function askIfWholeGirth({ formula }: Amount, heading: Heading | undefined, id: string, { ground }: Sheet): void {
  const girth = ground.figures.find(({ key, girth: round }) => round && key === formula);
  if (girth)
    throw ask(
      `The whole ${girth.words}, or a part of it?`,
      `${heading ?? "out"} a quarter of the ${girth.words} from ${id.replace("#", "")}`,
    );
}

/** The way that is said; where it can be a point as well, or none is said, it is asked. */
function oneWay(heading: Heading | undefined, { plain, formula }: Amount, id: string, { ground }: Sheet): Direction {
  const bare = id.replace("#", "");
  if (plain === true && heading === "in" && ground.points.has(formula))
    throw ask(`Is ${formula} a length, or the point ${formula}?`, `in by ${formula}${ground.unit} from ${bare}`);
  if (heading === undefined || heading === "back")
    throw ask("Which way?", ...["out", "down", "up", "in"].map((way) => `${way} ${formula} from ${bare}`));
  return sideOf(heading);
}

type Move = readonly [Direction, Amount];

/** One point by two moves: across and down. */
function movedBy(id: string, ...moves: readonly [Move, Move]): string {
  const out = moves.find(([way]) => way === "out" || way === "in");
  const down = moves.find(([way]) => way === "up" || way === "down");
  if (!out || !down) throw NOT_SO;
  const text = ([way, amount]: Move, plus: Direction): string => (way === plus ? amount.formula : negative(amount));
  return `move ${id} ${text(out, "out")} out, ${text(down, "down")} down`;
}

/** Level means out where a side is not said, plumb means down. */
const sideOf = (heading: Heading): Direction =>
  heading === "level" ? "out" : heading === "plumb" || heading === "back" ? "down" : heading;

const isUpright = (way: Heading): boolean => way === "up" || way === "down" || way === "plumb";
const saysNoSide = (way: Heading): boolean => way === "level" || way === "plumb";

/** Directions that say the same once: straight down, level in. */
function merged(ways: readonly Heading[]): Heading[] {
  const out: Heading[] = [];
  for (const way of ways.filter((w) => w !== "back" || ways.length === 1)) {
    const last = out.at(-1);
    const goesWith = last !== undefined && isUpright(last) === isUpright(way) && (saysNoSide(last) || saysNoSide(way) || last === way);
    if (!goesWith) out.push(way);
    else if (saysNoSide(last)) out[out.length - 1] = way;
  }
  return out;
}

/** The point it goes on from; without one, the point said or placed before. */
function startOn(spot: Spot | undefined, sheet: Sheet): readonly [Sheet, string] {
  if (spot) return sheet.spot(spot);
  if (sheet.it === undefined) throw ask("From which point?");
  return [sheet, sheet.it];
}

/** The way to a line: a side that is not said is the side on which it lies. */
function wayTo(heading: Heading, id: string, target: Line, sheet: Sheet): string {
  if (heading === "level") return "across";
  if (heading !== "plumb") return heading;
  const [here, there] = [sheet.at(id), target.ends?.map((end) => sheet.at(pointText(end))).find((p) => p !== undefined)];
  return here && there && there.y < here.y ? "up" : "down";
}
