import { pointText } from "../../verb/form.js";
import { endOf, startOf } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import { listOf } from "../chart/pattern.js";
import { act, type Act } from "../clause.js";
import { DEGREES } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { NAME } from "../grammar/names.js";
import { on, oneOf, p, saying } from "../grammar/rules.js";
import type { Amount, Heading, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { nameOf, only, oneAmount, headingOf, straightOf, startIn } from "./said.js";

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
WHICH.said(
  on(p`,? (below|under) ${SPOT}`, () => "lower", 0.3),
  on(p`,? (above|over) ${SPOT}`, () => "upper", 0.3),
);

/** A length swung about a point until it meets a line. */
const swing = (from: Spot | undefined, by: Amount | undefined, line: Line | undefined, which?: string, name?: string): Act =>
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
    return then.place(`swing ${amount.formula} from ${id} to ${spoken}${of}`, then.boardOf(id), name ?? nameOf(bag)).measuring(amount);
  });
const STRIKE = saying<true>("strike").said(
  on(
    p`(,|and|, and)? (cut|strike|swing to|swing an arc to|strike an arc to|draw an arc to|arc to|mark|meet|cross|cut across|swing until it meets|swing round to)`,
    () => true,
  ),
);
const SWUNG = saying<true>("swung").said(on(p`(round|around|over|down|up|across|out)`, () => true));
const PIVOT = saying<Spot>("what is swung about").said(
  on(
    p`(with|using|taking|use|take) ${SPOT} (as|for) (a|an|centre|its)? (centre|pivot|pivot point|point of pivot|turning point)`,
    ([spot]) => spot,
  ),
  on(p`(pivoting|pivot|turning|swinging|centre|centred) (on|at|from|about|round) ${SPOT}`, ([spot]) => spot),
  on(p`from ${SPOT}`, ([spot]) => spot, 0.2),
);
const ARC_OF = saying<Amount>("arc of a radius").said(
  on(
    p`(swing|strike|draw|make|describe|cut) (a|an)? (arc|circle|part of circle)? (of|with|with radius|with a radius|with a radius of|with radius of|radius|in)? ${AMOUNT} (long|in radius|radius|as radius)?`,
    ([by]) => by,
  ),
  on(p`(a|an)? radius (of|is|equal to)? ${AMOUNT} ,? (swing|strike|draw|cut)?`, ([by]) => by, 0.1),
);
const ONTO = saying<true>("onto a line").said(
  on(
    p`,? (and)? (to|onto|on|until|till|so that it|that|across|so it)? (it)? (to)? (meet|meets|cut|cuts|cutting|cross|crosses|crossing|hit|hits|touch|touches|touching|strike|strikes|reach|reaches|meeting|lands on|fall on|falls on|comes to)`,
    () => true,
  ),
  on(p`(to|onto|on|until|till|across)`, () => true, 0.1),
);
const SWING = saying<Act>("swing").said(
  on(
    p`${PIVOT} ,? (and)? (i|we|you)? ${ARC_OF} ${ONTO} ${LINE} ${WHICH}?`,
    ([from, by, , line, which]) => swing(from, by, line, which),
    0.3,
  ),
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
  on(
    p`(with)? (a)? radius (of)? ${AMOUNT} (and|,) (from|about)? (a)? (centre)? (at|on)? ${SPOT} ,? ${STRIKE} ${LINE} ${WHICH}?`,
    ([by, from, , line, which]) => swing(from, by, line, which),
  ),
  on(p`with (centre)? ${SPOT} (as centre)? (and|,) (a)? radius (of|is)? ${AMOUNT} ,? ${STRIKE} ${LINE}`, ([from, by, , line]) =>
    swing(from, by, line),
  ),
  on(
    p`with (centre)? ${SPOT} (as centre)? (and|,) (a)? radius (of|is)? ${AMOUNT} ,? ${STRIKE} ${LINE} ${WHICH}`,
    ([from, by, , line, which]) => swing(from, by, line, which),
  ),
  on(
    p`(with|using) ${SPOT} as (a|an)? centre ,? (and|,|with)? (a)? (radius)? (of)? ${AMOUNT} (as radius|as a radius)? ,? ${STRIKE} ${LINE}`,
    ([from, by, , line]) => swing(from, by, line),
  ),
  on(
    p`(with|put|set|place|stand) (point of)? (compass|compasses|tape) (on|at|in) ${SPOT} (,|and)? (set|opened|open|set it|open it) to ${AMOUNT} ,? (and)? (find|mark|strike|cut|swing|draw|make)? (an)? (arc)? (cutting|to|on|across|onto)? ${LINE}`,
    ([from, by, line]) => swing(from, by, line),
  ),
  on(
    p`(with|put|set|place|stand) (point of)? (compass|compasses|tape) (on|at|in) ${SPOT} (,|and)? (set|opened|open|set it|open it) to ${AMOUNT} ,? (and)? (find|mark|cut|strike) (point)? ${NAME} (on|along) ${LINE}`,
    ([from, by, name, line]) => swing(from, by, line, undefined, name),
  ),
  on(
    p`(set|open|take) (compass|compasses) (to|at) ${AMOUNT} (,|and|, and)? (put|place|stand|set) (point|it|its point) (on|at|in) ${SPOT} (and|,|, and)? ${STRIKE}? ${LINE} ${WHICH}?`,
    ([by, from, , line, which]) => swing(from, by, line, which),
  ),
  on(p`measure from ${SPOT} to ${LINE} ,? ${AMOUNT} ${WHICH}?`, ([from, line, by, which]) => swing(from, by, line, which), 0.4),
  on(p`measure ${AMOUNT} from ${SPOT} to ${LINE} ${WHICH}?`, ([by, from, line, which]) => swing(from, by, line, which), 0.4),
  on(
    p`(swing|strike|draw|make) (a|an)? ${AMOUNT} (radius)? arc (from|at|about|centred on) ${SPOT} (to|to meet|to cut|cutting|meeting|across|until it meets|to cross|onto) ${LINE} ${WHICH}?`,
    ([by, from, line, which]) => swing(from, by, line, which),
  ),
  on(p`(strike|draw) (an)? arc of ${AMOUNT} from ${SPOT} (to|across|on) ${LINE}`, ([by, from, line]) => swing(from, by, line)),
);

/** The two neighbours of a point between which its corner lies. */
function cornerOf(id: string, sheet: Sheet, between?: readonly string[]): readonly [string, string] {
  const here = sheet.at(id);
  const bare = id.replace("#", "");
  const others = (between ?? sheet.ground.neighbours.get(bare) ?? []).flatMap((n) => {
    const at = sheet.at(pointText(n));
    return at ? [[n, at] as const] : [];
  });
  if (!here) throw ask("Into which corner?");
  const ways: (readonly [number, string])[] = [];
  for (const [other, at] of others) {
    const angle = bearing(here, at);
    if (Number.isFinite(angle) && !ways.some(([w]) => Math.abs(turn(w - angle)) < 1)) ways.push([angle, other]);
  }
  const [a, b, more] = ways;
  if (a === undefined || b === undefined) throw ask("Between which lines is the corner?");
  const squareOnes =
    more === undefined
      ? [[a, b] as const]
      : ways
          .flatMap((x, i) => ways.slice(i + 1).map((y) => [x, y] as const))
          .filter(([[x], [y]]) => Math.abs(Math.abs(turn(x - y)) - 90) < 0.5);
  const [corner, another] = squareOnes;
  if (!corner || another) throw ask("Between which lines is the corner?");
  return [corner[0][1], corner[1][1]];
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
    const ends = between?.flatMap((s) => ("id" in s ? [s.id] : [])).filter((s) => pointText(s) !== id);
    const placed = at
      .place(`bisect ${cornerOf(id, at, ends).map(pointText).join(`-${id}-`)}, ${amount.formula}`, at.boardOf(id), nameOf(bag))
      .measuring(amount);
    return draws ? placed.draw("line", "corner", `: ${id} > ${placed.it ?? ""}`) : placed;
  });
const CORNERS = listOf("corner by three points", SPOT, saying<true>("dash").said(on(p`(-|,|and)`, () => true)), 2);
const DIAGONAL = saying<Act>("corner").said(
  on(
    p`(bisect|halve) (that)? (corner|angle) (at|of)? ${SPOT} (and go out on diagonal|and go out on it|and go out|and measure|and come out|and mark)?`,
    ([spot]) => diagonal(spot),
  ),
  on(
    p`(bisect|halve) (that)? (corner|angle) (at|of)? ${SPOT} (between|from) ${SPOT} (and|to) ${SPOT} ,? (and)? (go|come|measure|mark|lay off|square)? (in|out|inward|outward)?`,
    ([spot, a, b]) => diagonal(spot, a && b ? [a, b] : undefined),
    -0.2,
  ),
  on(p`(bisect|halve) (that)? (corner|angle) (at|of)? ${SPOT} ${bracketRule()}`, ([spot, between]) => diagonal(spot, between)),
  on(p`(at ${DEGREES})? (into|out of) corner`, () => diagonal(undefined), 0.3),
  on(p`(draw|rule) (a)? line at ${DEGREES} into corner`, () => diagonal(undefined, undefined, true)),
  on(
    p`(on|along) (diagonal|bisector|bisecting line|bisector of corner|bisector of angle|mitre|mitre line)`,
    () => diagonal(undefined),
    0.3,
  ),
);
function bracketRule() {
  const OPEN = oneOf("(", { "(": true });
  const SHUT = oneOf(")", { ")": true });
  return saying<readonly Spot[]>("between").said(on(p`${OPEN} ${CORNERS} ${SHUT}`, ([, spots]) => spots));
}

/** At an angle from a point. */
const angled = (degrees: number | undefined, side: "below" | "above" | undefined, draws: boolean): Act =>
  act(`angle ${degrees ?? ""} ${side ?? ""} ${String(draws)}`, (bag, sheet) => {
    only(bag, { amount: 1, from: 1, at: 1, heading: 2, spot: 1, draws: 1, pair: 1 });
    const [at, id] = sheet.spot(
      bag.first("pair")?.from ?? bag.first("from")?.spot ?? bag.first("at")?.spot ?? bag.first("spot")?.spot ?? { before: "it" },
    );
    if (degrees === undefined) throw ask("At what angle?");
    const by = oneAmount(bag, at);
    if (!by) throw ask("How long?");
    const angle = clockwise(
      degrees,
      side,
      bag.all("heading").map(({ way }) => way),
    );
    const placed = at
      .place(`at ${degreesText(angle)}, ${by.formula} from ${id}`, at.boardOf(id), bag.first("pair")?.name ?? nameOf(bag))
      .measuring(by);
    return draws || bag.first("draws") ? placed.draw("line", "angled", `: ${id} > ${placed.it ?? ""}`) : placed;
  });

/** An angle to the level, clockwise from straight out. */
function clockwise(degrees: number, side: "below" | "above" | undefined, headings: readonly Heading[]): number {
  const down = side === "below" || headings.includes("down") ? true : side === "above" || headings.includes("up") ? false : undefined;
  if (down === undefined) throw ask("Above the level or below it?");
  if (headings.includes("in")) return down ? 180 - degrees : degrees - 180;
  return down ? degrees : -degrees;
}
const ACROSS = oneOf<"in" | "out">("in or out", {
  in: "in",
  out: "out",
  left: "in",
  right: "out",
  inward: "in",
  outward: "out",
  inwards: "in",
  outwards: "out",
});
const UPRIGHT = oneOf<"up" | "down">("up or down", {
  up: "up",
  down: "down",
  upward: "up",
  downward: "down",
  upwards: "up",
  downwards: "down",
});
const DIAGONAL_WAY = saying<readonly ["in" | "out", "up" | "down"]>("slanting way").said(
  on(p`${ACROSS} and ${UPRIGHT}`, ([a, u]) => a && u && [a, u]),
  on(p`${UPRIGHT} and ${ACROSS}`, ([u, a]) => a && u && [a, u]),
);
const ABOVE = oneOf<"below" | "above">("above or below the level", { below: "below", under: "below", above: "above", over: "above" });
const SLANTED = saying<true>("slanted").said(
  on(p`(angle|slope|slant|tilt|set out|set|lay|draw) (shoulder|line|shoulder line|it)?`, () => true),
);
const ANGLED = saying<Act>("at an angle").said(
  on(
    p`${SLANTED} (at|by|of)? ${UPRIGHT} (at|by)? ${DEGREES}`,
    ([, way, degrees]) => angled(degrees, way === "down" ? "below" : "above", false),
    0.3,
  ),
  on(
    p`${SLANTED} (at|by|of)? ${DEGREES} ${ABOVE} (level|horizontal|horizontal line|level line|straight across)?`,
    ([, degrees, side]) => angled(degrees, side, false),
    0.3,
  ),
  on(
    p`(draw|rule|run)? (a)? (line)? ,? ${DEGREES} ${ABOVE} (level|horizontal|horizontal line|level line|straight across)`,
    ([degrees, side]) => angled(degrees, side, true),
    0.2,
  ),
  on(p`(go|come|measure)? (diagonally|on diagonal|at diagonal|on slant|at 45) ,? ${DIAGONAL_WAY}`, ([way]) => way && slanting(way), 0.2),
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

/** Out or in, and up or down: halfway between the two. */
function slanting([across, upright]: readonly ["in" | "out", "up" | "down"]): Act {
  return act(`slanting ${across} ${upright}`, (bag, sheet) => {
    only(bag, { amount: 1, from: 1, at: 1, spot: 1 });
    const [at, id] = sheet.spot(startIn(bag) ?? { before: "it" });
    const by = oneAmount(bag, at);
    if (!by) throw ask("How far?");
    const angle = (upright === "down" ? 1 : -1) * (across === "out" ? 45 : 135);
    return at.place(`at ${angle}, ${by.formula} from ${id}`, at.boardOf(id), nameOf(bag)).measuring(by);
  });
}

const CLOCK = saying<number>("way round").said(
  on(p`(clockwise|clock wise|with clock)`, () => 1),
  on(p`(anticlockwise|anti clockwise|anti - clockwise|counterclockwise|counter clockwise|counter - clockwise|against clock)`, () => -1),
);
const TURN = saying<Act>("turn").said(
  on(
    p`(turn|pivot|rotate|swing|move) ${SPOT} (about|around|round|on) ${SPOT} ,? (by|through)? ${DEGREES} ${CLOCK}`,
    ([spot, about, by, way]) => turned(spot, about, by, way),
  ),
  on(
    p`(turn|pivot|rotate|swing) ${SPOT} (about|around|round|on) ${SPOT} ,? (by|through)? ${DEGREES}`,
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
    only(bag, { heading: 1 });
    const [at, [id = "", centre = ""]] = sheet.spots([spot, about]);
    const round = way ?? roundBy(headingOf(bag), at.at(centre), at.at(id));
    if (round === undefined) throw ask("Clockwise or against the clock?");
    return at.place(`turn ${id} about ${centre} by ${degreesText(by * round)}°`, at.boardOf(id), nameOf(bag));
  });
}

/** The way round by which a point goes up, down, in or out; it must be clear. */
function roundBy(heading: Heading | undefined, centre: Point | undefined, point: Point | undefined): 1 | -1 | undefined {
  if (heading === undefined || !centre || !point) return undefined;
  // Clockwise, on paper whose depth grows downwards.
  const [dx, dy] = [centre.y - point.y, point.x - centre.x];
  const goes = { up: -dy, down: dy, in: -dx, out: dx, level: 0, plumb: 0, back: 0 }[heading];
  return Math.abs(goes) < 0.2 * Math.hypot(dx, dy) ? undefined : goes > 0 ? 1 : -1;
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
    const ends = path ? [startOf(path), endOf(path)] : (line.ends ?? []).map((end) => at.at(pointText(end)));
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

export const SWINGS = [SWING, DIAGONAL, ANGLED, TURN, ARC];
