import { pointText } from "../../verb/form.js";
import { listOf } from "../chart/pattern.js";
import { AMOUNT, LINE, PLACED, SPOT } from "../grammar/main-rules.js";
import { NO_NAME, on, oneOf, p, saying, wordsRow } from "../grammar/rules.js";
import { type Amount, type Direction, type Line, type Manner, sharedEnd, type Spot } from "../meaning.js";
import type { Bag } from "../clause.js";
import { keyOf, type Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { isFold } from "./shaping.js";
import { keyFrom, onLine } from "./said.js";
import { laidOff } from "./laid-off.js";
import { wordOf } from "../words/word-of.js";

const KINDS: Readonly<Record<string, string>> = { hip: "hip", armhole: "armhole", neck: "neck" };
const KIND_WORD = oneOf("kind of curve", KINDS);
const STRAIGHTNESS = saying<Manner>("straight").said(
  on(
    p`(straight|straightly|in a straight line|by a straight line|with a straight line|with straight lines|by straight lines|in straight lines|with ruler|with a ruler)`,
    () => ({ straight: true }),
  ),
);

/** Directions of a curve at its ends. */
const DIRECTION = saying<string>("direction of a curve").said(
  on(p`(level|horizontally|horizontal|flat)`, () => "level"),
  on(p`(plumb|vertically|vertical|straight up and down|upright)`, () => "plumb"),
  on(p`(square|squarely|at right angles|at a right angle|perpendicular) (to|off|from|with|at) ${LINE}`, ([line]) =>
    line?.unknown === undefined && line ? `square to ${lineText(line)}` : undefined,
  ),
  on(p`${LINE} (square|at right angles|squarely)`, ([line]) =>
    line?.unknown === undefined && line ? `square to ${lineText(line)}` : undefined,
  ),
  on(p`(along|tangent to|touching|running into) ${LINE}`, ([line]) =>
    line?.unknown === undefined && line ? `along ${lineText(line)}` : undefined,
  ),
);
const lineText = (line: Line): string => (line.straight && line.ends ? `${pointText(line.ends[0])}-${pointText(line.ends[1])}` : line.text);

const INTO = saying<true>("into a place").said(
  on(p`(into|to|at|on|towards) ${LINE}`, () => true),
  on(p`(into|to|at|on|towards) ${PLACED}`, () => true),
);

const SIDE: Readonly<Record<string, Direction>> = {
  in: "in",
  out: "out",
  up: "up",
  down: "down",
  inward: "in",
  inwards: "in",
  outward: "out",
  outwards: "out",
};
const SIDE_WORD = oneOf("side", SIDE);
const BENDING = oneOf<"hollow" | "bow">("bending", {
  dipping: "hollow",
  hollowed: "hollow",
  hollowing: "hollow",
  hollow: "hollow",
  dip: "hollow",
  dipped: "hollow",
  sinking: "hollow",
  scooped: "hollow",
  bowed: "bow",
  bowing: "bow",
  bow: "bow",
  rising: "bow",
  raised: "bow",
  swelling: "bow",
  rounded: "bow",
  bulging: "bow",
});
const IN_MIDDLE = saying<true>("in the middle").said(
  on(p`(at|in|through) (its|their)? (middle|centre|mid point|half way|halfway|deepest point|highest point)`, () => true),
);

const ADJECTIVE = saying<true>("kind of curve").said(
  on(p`(smooth|smoothly|gentle|easy|nice|flowing|soft|slight|good|even|shallow|clean|flat|long|graceful)`, () => true),
);

export const MANNER = saying<Manner>("manner of drawing").said(
  on(
    p`,? (and)? (going|passing|running)? (through|via|by way of|hitting|touching|passing) ${SPOT}`,
    ([spot]) => (spot ? { via: [spot] } : undefined),
    0.2,
  ),
  on(p`(,|with|by|in|as|using)? (a|an)? ${ADJECTIVE}? ,? (and)? ${ADJECTIVE}? (curve|curved line|curved|curve line|sweep)`, () => ({
    curve: true,
  })),
  on(
    p`(and|,)? (square|squarely|at right angles|at a right angle|perpendicular) (to|with|at) ${LINE}`,
    ([line]) => (line === undefined || line.unknown !== undefined ? undefined : { curve: true, squareTo: line }),
    0.3,
  ),
  on(p`,? (with)? (a)? ${BENDING} ${SIDE_WORD}? (by|of)? ${AMOUNT} ${SIDE_WORD}? ${IN_MIDDLE}?`, ([how, before, by, after]) => {
    const side = before ?? after;
    return how && by ? { curve: true, bend: { how, by, ...(side === undefined ? {} : { side }) } } : undefined;
  }),
  on(p`,? (with)? (a)? ${AMOUNT} ${BENDING} ${SIDE_WORD}? ${IN_MIDDLE}?`, ([by, how, side]) =>
    how && by ? { curve: true, bend: { how, by, ...(side === undefined ? {} : { side }) } } : undefined,
  ),
  on(p`(,|with|by|in|using|as|like) (a|an)? (smooth|gentle|easy)? ${KIND_WORD} curve`, ([like]) =>
    like === undefined ? undefined : { curve: true, like },
  ),
  on(p`(a|an)? (smooth|gentle|easy)? ${KIND_WORD} curve`, ([like]) => (like === undefined ? undefined : { curve: true, like }), 0.9),
  on(
    p`(and|,)? (leaving|starting|beginning|start|starts) ${PLACED}? (square|squarely|at right angles)`,
    () => ({ curve: true, squareStart: true }),
    0.5,
  ),
  on(p`(,|with|by|in|using)? (a|an)? (french|pistol|curved) (curve|ruler|rule)`, () => ({ curve: true })),
  on(p`,? ${STRAIGHTNESS}`, ([manner]) => manner),
  on(p`(by|with|as|in)? (a|an)? (dotted|dashed|broken) (line)?`, () => ({ dashed: true })),
  on(p`(by|with|as|in)? (a)? (level|horizontal) line`, () => ({ straight: true })),
  on(
    p`(and|,)? (leaving|starting|beginning|start|starts|begins|leaves|begin) (it|out)? ${DIRECTION} (there|at first)?`,
    ([leaving = ""]) => ({ leaving }),
  ),
  on(p`(and|,)? (leaving|starting|beginning|start|starts|begins|leaves) ${PLACED} ${DIRECTION}`, ([, leaving = ""]) => ({ leaving })),
  on(
    p`(and|,|and running|running)? (arriving|ending|running|arrive|arrives|ends|end|runs|coming|finishing|meeting|finish|run) (in|out)? ${DIRECTION}`,
    ([arriving = ""]) => ({ arriving }),
  ),
  on(
    p`(and|,)? (arriving|ending|running|arrive|arrives|ends|end|runs|coming|finishing|run) (in|out)? ${DIRECTION} ${INTO}`,
    ([arriving = ""]) => ({ arriving }),
  ),
);

const GAP = saying<true>("from point to point").said(
  on(
    p`(, and then|, then|and then|, and|and|to|with|through to|on to|and on to|down to|up to|straight to|out to|then to|, to|,|-|then|across to|->|over)`,
    () => true,
  ),
  // From one point to another through a third: what is gone through may come last and lies between.
  on(p`(through|via|by way of)`, () => true, 1.5),
  on(p`(and)? (back|round) to`, () => true),
  on(p`(straight|down|up|out|in|across) (to)`, () => true),
);
const THROUGH = listOf("points to draw through", SPOT, GAP, 2);

const RULED = saying<true>("join").said(
  on(p`(join|connect|link|unite|joining|connecting) (up)?`, () => true),
  on(p`(draw|rule|make|run|put in|pencil in|mark in|sketch|blend|draw in|run in)`, () => true, 0.2),
  on(p`(straight)? (line|lines|guideline|guide line|guide) (connecting|joining|through|:)?`, () => true, 0.2),
  on(p`(draw|rule|make|put in|run) (a|an)? (new)? (straight)? (line|guideline|guide line|guide) (connecting|joining|through)?`, () => true),
);

const merge = (manners: readonly Manner[]): Manner => Object.assign({}, ...manners) as Manner;

/** A line or curve through places. */
function drawn(spots: readonly Spot[], manner: Manner, name: string | undefined, like: string | undefined): Act {
  return act(`draw ${name ?? ""} ${JSON.stringify(manner)}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 4, board: 1 })) throw NOT_SO;
    const how = merge([manner, ...bag.all("manner").map((m) => m.manner)]);
    return drawThrough(sheet, spots, how, name, like);
  });
}

/** Draws through places in the manner that is said. */
function drawThrough(sheet: Sheet, spots: readonly Spot[], how: Manner, name?: string, like?: string): Sheet {
  const last = spots.length - 1;
  const said = new Set(spots.map((spot) => JSON.stringify(spot)));
  const via = (how.via ?? []).filter((spot) => !said.has(JSON.stringify(spot)));
  const all = [...spots.slice(0, last), ...via, ...spots.slice(last)];
  const [at, ids] = sheet.spots(all);
  return drawBetween(at, ids, how.via ? { curve: true, ...how } : how, name, like);
}

/** Draws through points by their names. */
export function drawBetween(at: Sheet, ids: readonly string[], how: Manner, name?: string, like?: string): Sheet {
  if (how.bend) {
    const [a, b, more] = ids;
    if (a === undefined || b === undefined || more !== undefined) throw NOT_SO;
    return bentBetween([a, b], how.bend, undefined, name ?? "", at);
  }
  if (new Set(ids).size < ids.length && ids.length === 2) throw refuse("One point makes no line.");
  const board = at.boardOf(ids[0] ?? "");
  const through = ids.join(" > ");
  const curved = isCurved(how);
  const wanted =
    name ?? `${curved && how.dashed !== true ? "curve" : "line"}_${ids.map((id) => id.replace(/[#⟨⟩]/g, "").toLowerCase()).join("_")}`;
  if (!curved) return at.draw("line", wanted, `: ${through}${how.dashed ? " dashed" : ""}`, board);
  return at.draw(
    "curve",
    wanted,
    `: ${[through, ...clausesOf(how, ids, board, at, like)].join(", ")}${how.dashed ? " dashed" : ""}`,
    board,
  );
}

const isCurved = (how: Manner): boolean =>
  how.curve === true || how.leaving !== undefined || how.arriving !== undefined || how.squareTo !== undefined || how.squareStart === true;

/** What is said of a curve behind its points: its directions, else the kind it has, or that of the line it takes the place of. */
function clausesOf(how: Manner, ids: readonly string[], board: string, sheet: Sheet, like: string | undefined): string[] {
  const { leaving, arriving } =
    how.squareStart === true
      ? { ...how, leaving: squareAtStart(ids[0] ?? "", sheet) }
      : how.squareTo
        ? squareAtEnd(how.squareTo, how, ids, sheet)
        : how;
  const free = leaving === undefined && arriving === undefined && how.straight !== true && how.dashed !== true;
  // Directions that are said count more than those of the kind.
  const kind = (leaving === undefined && arriving === undefined ? kindOf(how.like, board, sheet) : undefined) ?? (free ? like : undefined);
  return [
    ...(leaving === undefined ? [] : [`leaving ${leaving}`]),
    ...(arriving === undefined ? [] : [`arriving ${arriving}`]),
    ...(kind === undefined ? [] : [`like ${kind}`]),
  ];
}

/** Square to the fold or centre line on which a curve begins. */
function squareAtStart(id: string, sheet: Sheet): string {
  const bare = id.replace("#", "");
  const line = sheet.ground.lines.find((l) => l.straight && l.ends?.includes(bare) && isFold(l, sheet.ground));
  if (!line) throw ask("Square to what line?");
  return `square to ${lineText(line)}`;
}

/** Square to a line at the end that is on it. */
function squareAtEnd(line: Line, how: Manner, ids: readonly string[], sheet: Sheet): Pick<Manner, "leaving" | "arriving"> {
  const square = `square to ${lineText(line)}`;
  const isOn = (id: string | undefined): boolean => id !== undefined && onLine(id, line, sheet);
  if (isOn(ids[0])) return { ...how, leaving: square };
  if (isOn(ids.at(-1))) return { ...how, arriving: square };
  throw ask("At which end is it square?");
}

/** The kind of a curve as the notation knows it: armholes and necks are told apart by front and back. */
function kindOf(kind: string | undefined, board: string, { ground }: Sheet): string | undefined {
  if (kind === undefined || kind === "hip") return kind;
  const front = ground.boards.find((b) => b.key === board)?.words.includes("front") ?? false;
  return kind === "armhole" ? (front ? "armhole_front" : "armhole_back") : front ? "neck" : "back_neck";
}

const CALLED_LINE = wordsRow<string>(
  "name of a line",
  3,
  (words) =>
    /^[a-z ]+$/.test(words) &&
    !NO_NAME.test(words) &&
    !/\b(?:line|a|from|through|to|straight|join|new|it|lines|down|up|out|in|across|half|by|of)\b/.test(words)
      ? words
      : undefined,
  0.6,
);

/** The manners that stand before or behind the points. */
const PAIR = saying<readonly [Spot, Spot]>("from one to another").said(
  on(p`(from)? ${SPOT} (to|with|-|straight to|up to|down to|across to) ${SPOT}`, ([a, b]) => (a && b ? [a, b] : undefined)),
);
const PAIRS = listOf(
  "ways to join",
  PAIR,
  saying<true>("and").said(on(p`(,|and|, and|; and|and then|, then|, and then|then|;)`, () => true)),
  2,
);

/** Several ways at once: those that hang together are one line. */
function pairs(ways: readonly (readonly [Spot, Spot])[]): Act {
  return act("join pairs", (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 1 })) throw NOT_SO;
    const how = merge(bag.all("manner").map((m) => m.manner));
    const lines: Spot[][] = [];
    for (const [a, b] of ways) {
      const last = lines.at(-1);
      if (last && JSON.stringify(last.at(-1)) === JSON.stringify(a)) last.push(b);
      else lines.push([a, b]);
    }
    return lines.reduce((made, spots) => drawThrough(made, spots, how), sheet);
  });
}

const JOINED = saying<Act>("join").said(
  on(p`${MANNER} (joins|connects|runs through|goes through|passes through|runs from|goes from) ${THROUGH}`, ([manner = {}, spots = []]) =>
    drawn(spots, manner, undefined, undefined),
  ),
  on(
    p`${RULED} (from|between|points|point)? ${THROUGH} (:|,) ${CALLED_LINE} (line|seam|edge)?`,
    ([, spots = [], name = ""]) => drawn(spots, {}, keyOf(name), undefined),
    -0.2,
  ),
  on(p`${RULED} ${PAIRS}`, ([, ways = []]) => pairs(ways), -1.2),
  on(p`${RULED} (from|between|points|point)? ${THROUGH}`, ([, spots = []]) => drawn(spots, {}, undefined, undefined)),
  on(p`${RULED} ${MANNER} (from|between|through)? ${THROUGH}`, ([, manner = {}, spots = []]) => drawn(spots, manner, undefined, undefined)),
  on(
    p`(draw|make)? ${MANNER} (from|between|through|joining) ${THROUGH}`,
    ([manner = {}, spots = []]) => drawn(spots, manner, undefined, undefined),
    0.1,
  ),
  on(
    p`(draw|make)? ${MANNER} from ${SPOT} to ${SPOT} ,? (passing)? (through|via|by|touching) ${SPOT}`,
    ([manner = {}, a, b, c]) => (a && b && c ? drawn([a, c, b], manner, undefined, undefined) : undefined),
    -0.3,
  ),
  on(p`${SPOT} -> ${SPOT} (:|,)? (straight|straight line|line)`, ([a, b]) =>
    a && b ? drawn([a, b], {}, undefined, undefined) : undefined,
  ),
  on(
    p`(draw|rule|make|sketch) ${CALLED_LINE} ${MANNER} (from|between|through) ${THROUGH}`,
    ([name = "", manner = {}, spots = []]) =>
      drawn(spots, manner.curve === true ? { ...manner, ...kindIn(name) } : manner, keyOf(name), undefined),
    0.2,
  ),
  on(
    p`(shape|draw|curve|redraw|sketch) ${LINE} (,|from|through|between)? ${THROUGH}`,
    ([line, spots = []]) => redrawn(line, spots, { curve: true }),
    0.3,
  ),
  on(p`(shape|draw|curve) ${LINE} ${MANNER} (from|through|between) ${THROUGH}`, ([line, manner = {}, spots = []]) =>
    redrawn(line, spots, manner),
  ),
  on(p`(go|run|come|sweep) (from)? ${THROUGH} (in|with|as|on|by) ${MANNER}`, ([spots = [], manner = {}]) =>
    manner.curve === true ? drawn(spots, manner, undefined, undefined) : undefined,
  ),
  on(p`(curve|sweep) (from|between|through)? ${THROUGH}`, ([spots = []]) => drawn(spots, { curve: true }, undefined, undefined)),
  on(
    p`(curve|shape|sweep) ${CALLED_LINE} (from|between|through) ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.2,
  ),
  on(p`(curve|sweep) ${LINE} (from|between|through) ${THROUGH}`, ([line, spots = []]) => redrawn(line, spots, { curve: true })),
  on(p`${RULED} (a)? (curve|smooth curve|nice curve|curved line) (from|between|through)? ${THROUGH}`, ([, spots = []]) =>
    drawn(spots, { curve: true }, undefined, undefined),
  ),
  on(
    p`${CALLED_LINE} (line|seam|edge) ${SPOT} - ${SPOT}`,
    ([name = "", a, b]) => (a && b ? drawn([a, b], {}, keyOf(name), undefined) : undefined),
    1.2,
  ),
  on(p`${THROUGH} (is|are) (joined|connected|drawn)`, ([spots = []]) => drawn(spots, {}, undefined, undefined)),
  // A line that is there already is drawn again, in its own kind unless another is said.
  on(
    p`(draw|redraw|make) (new)? ${LINE} (again|anew|new|once more)? (from|between|through|:|,|=)? ${THROUGH}`,
    ([line, spots = []]) => redrawn(line, spots, {}),
    0.1,
  ),
  on(p`${LINE} (is|are) (drawn|made|drafted) ${MANNER} (from|between|through)? ${THROUGH}`, ([line, manner = {}, spots = []]) =>
    redrawn(line, spots, manner),
  ),
  on(p`${LINE} (is|are) (drawn|made|drafted) (from|between|through)? ${THROUGH}`, ([line, spots = []]) => redrawn(line, spots, {})),
  on(
    p`${CALLED_LINE} curve (from|through|:|=) (from|points)? ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.3,
  ),
  on(
    p`(draw|make|sketch)? ${CALLED_LINE} (line|seam)? (from|through|:|=) (from|points)? ${THROUGH}`,
    ([name = "", spots = []]) => named(name, spots),
    0.3,
  ),
  on(
    p`(draw|make|rule|sketch) ${CALLED_LINE} (curve) (from|through)? ${THROUGH}`,
    ([name = "", spots = []]) => drawn(spots, { curve: true, ...kindIn(name) }, keyOf(name), undefined),
    0.3,
  ),
  on(
    p`(grab|take|use|pick up|with|lay) ${MANNER} (and)? (run|draw|lay|go|trace|follow)? (it|along it|with it)? (from)? ${THROUGH}`,
    ([manner = {}, spots = []]) => drawn(spots, { ...manner, curve: true }, undefined, undefined),
  ),
  on(p`(a)? (new)? (smooth|easy|gentle|soft)? (curve|line) ,? (from|through)? ${THROUGH}`, ([spots = []]) => smoothly(spots)),
  // It is the point or line said before.
  on(
    p`(draw|make|run|sketch) (new)? ${CALLED_LINE} ${MANNER} (up|down|on|across|over|round)? to ${SPOT}`,
    ([name = "", manner = {}, spot]) =>
      spot
        ? drawn(
            [{ before: "it" }, spot],
            { ...manner, ...(/hem|waist/.test(name) && manner.curve ? { leaving: "level" } : {}) },
            keyOf(name),
            undefined,
          )
        : undefined,
  ),
  on(p`${RULED} (it|that|this|them) (up)? (to|with) ${SPOT}`, ([, spot]) =>
    spot ? drawn([{ before: "it" }, spot], {}, undefined, undefined) : undefined,
  ),
  on(p`${RULED} (them|these|those|points|dots|it all) (up|together)?`, () =>
    act("join them", () => {
      throw ask("Which points are joined?");
    }),
  ),
);

function redrawn(line: Line | undefined, spots: readonly Spot[], manner: Manner): Act | undefined {
  if (!line) return undefined;
  if (line.unknown !== undefined) return drawn(spots, manner, keyOf(line.unknown), undefined);
  return act(`redraw ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 4, board: 1 })) throw NOT_SO;
    const how = merge([manner, ...bag.all("manner").map((m) => m.manner)]);
    const bends = !line.straight && how.straight !== true;
    return drawThrough(sheet, spots, bends ? { ...how, curve: true } : how, `new_${keyFrom(line)}`, likeOf(line, sheet));
  });
}

const likeOf = (line: Line, { ground }: Sheet): string | undefined =>
  ground.lines.find((l) => l.text === line.text && l.like !== undefined)?.like;

/** The kind of curve a name says: the back neck curve is drawn as a neck. */
function kindIn(name: string): Pick<Manner, "like"> {
  const like = Object.keys(KINDS).find((kind) => new RegExp(`\\b${kind}$`).test(name.replace(/ (?:curve|line)$/, "")));
  return like === undefined ? {} : { like };
}

function named(name: string, spots: readonly Spot[]): Act {
  const curve = /curve|neck|armhole|scye|crown|cap|head/.test(name);
  return drawn(spots, curve ? { curve: true, ...kindIn(name) } : {}, keyOf(name), undefined);
}

/** A new line through points in place of the one that was spoken of before. */
function smoothly(spots: readonly Spot[]): Act {
  return act("smooth", (bag, sheet) => {
    if (!bag.holds({ act: 1, manner: 2 })) throw NOT_SO;
    const line = sheet.lastLine === undefined ? undefined : sheet.ground.lines.find((l) => l.text === sheet.lastLine);
    return drawThrough(sheet, spots, { curve: true, ...merge(bag.all("manner").map((m) => m.manner)) }, undefined, line?.like);
  });
}

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

function bentBetween(
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
const BEND = saying<Act>("bend").said(
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
const RAISE = saying<Act>("raise a line").said(
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
const BRING = saying<Act>("bring a line").said(
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

/** A level line with a name, from a point to a line. */
const LEVEL = saying<Act>("level line").said(
  on(
    p`(draw|rule|square) ${CALLED_LINE} line (level|square|straight|straight across|squarely)? (across|out|in|level)? from ${SPOT} (to|as far as|until) ${LINE}`,
    ([name = "", spot, line]) => across(spot, line, name),
    0.1,
  ),
  on(
    p`(guideline|guide|line|draw a line|draw a guideline|guide line|rule a line) (from)? ${SPOT} (->|to|-|as far as) ${LINE} ,? (level|square|across|squared|level across)`,
    ([spot, line]) => across(spot, line, ""),
  ),
  on(p`(draw|rule) (a)? (level|horizontal) (line|guideline) from ${SPOT} (->|to|-|as far as) ${LINE}`, ([spot, line]) =>
    across(spot, line, ""),
  ),
  on(
    p`(join)? ${SPOT} to ${LINE} (with|by) (a)? (level|horizontal|straight)? (level|horizontal) line`,
    ([spot, line]) => across(spot, line, ""),
    0.1,
  ),
);
function across(spot: Spot | undefined, line: Line | undefined, name: string): Act | undefined {
  if (!spot || !line) return undefined;
  return act(`across ${name} ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(spot);
    const [then, text] = at.line(line);
    const placed = then.place(`across from ${id} to ${text}`, at.boardOf(id), bag.first("name")?.names[0], bag.first("name") === undefined);
    const end = placed.it ?? "";
    const level = wordOf(LEVELS, name);
    if (name === "") return placed.draw("line", "level", `: ${end} > ${id}`, at.boardOf(id));
    const key = `${name} line`;
    return placed.draw(
      "level",
      keyOf(key),
      ` "${key.replace(/^./, (c) => c.toUpperCase())}"${level === undefined ? "" : ` at ${level}`}: ${end} > ${id}`,
      at.boardOf(id),
    );
  });
}
const LEVELS: Readonly<Record<string, string>> = {
  bust: "bust",
  chest: "chest",
  waist: "waist",
  hip: "hip",
  knee: "knee",
  hem: "hem",
  underbust: "underbust",
  "high hip": "high_hip",
};

/** A corner between two drawn lines, rounded. */
const ROUND = saying<true>("round it").said(
  on(p`(round|blend|smooth|round off|blend off|smooth off|ease) (it)? (off|out|together|away)?`, () => true),
);
const BLEND = saying<Act>("round a corner").said(
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

export const DRAWING = [JOINED, BEND, RAISE, BRING, LEVEL, BLEND];
