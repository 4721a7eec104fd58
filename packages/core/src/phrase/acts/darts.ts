import { pointText } from "../../verb/form.js";
import { middleOfLine } from "../grammar/spots.js";
import { AMOUNT, LINE, PLACED, SPOT, SPOT_BELOW } from "../grammar/main-rules.js";
import { SHARE } from "../grammar/figures.js";
import { NAME } from "../grammar/names.js";
import { on, oneOf, p, saying, wordsRow, type Saying } from "../grammar/rules.js";
import { type KnownDart } from "../ground/ground.js";
import type { Amount, Direction, Line, Spot } from "../meaning.js";
import { bracketed } from "../grammar/amounts.js";
import { type Sheet } from "../sheet/sheet.js";
import { keyOf } from "../../formula/key-of.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act, Bag } from "../clause.js";
import { alongBy } from "./along.js";
import { laidOff } from "./laid-off.js";

/** A dart that is drawn, by its name; just "the dart" where there is one. */
export const DART: Saying<KnownDart | { readonly unknown: string }> = wordsRow<KnownDart | { unknown: string }>(
  "dart",
  4,
  (words, ground) => {
    const at = /^dart (?:at|in|on) ([a-z]+)$/.exec(words)?.[1];
    if (at === undefined && !/\bdart$/.test(words)) return undefined;
    const bare = (at === undefined ? words : `${at} dart`).replace(/^(?:that|this|existing) /, "");
    const owner = /^(front|back|sleeve|skirt) (.*)$/.exec(bare);
    const exact = ground.darts.find((dart) => dart.words === bare);
    if (exact) return exact;
    if (bare === "dart") return ground.darts.length === 1 ? ground.darts[0] : undefined;
    const of = owner && ground.darts.find((d) => d.words === owner[2] && ground.boards.find((b) => b.key === d.board)?.words === owner[1]);
    if (of) return of;
    return /^(?!a |an |new |half |whole |quarter |all |third )[a-z]+(?: [a-z]+)? dart$/.test(bare) ? { unknown: bare } : undefined;
  },
);

const TITLE = wordsRow<string>("what a dart is called", 3, (words) =>
  /^(?:[a-z]+ ){0,2}dart$/.test(words) &&
  !/\b(?:a|put|make|draw|place|mark|dart .*|and|of|for|at|on|into|where|sits)\b .*|^(?:put|make|draw|place)\b/.test(words)
    ? words
    : undefined,
);

const PRESSED: Readonly<Record<string, Direction>> = {
  in: "in",
  centre: "in",
  middle: "in",
  inward: "in",
  inwards: "in",
  out: "out",
  side: "out",
  outward: "out",
  outwards: "out",
  up: "up",
  upwards: "up",
  down: "down",
  downwards: "down",
  hem: "down",
};
const PRESS = saying<Direction>("pressed").said(
  on(
    p`,? (and)? (is|to be|it is)? (pressed|folded|press it|lies|lying) (toward|towards|to)? ${oneOf("side of a dart", PRESSED)}`,
    ([way]) => way,
  ),
);

/** A dart, as it is called; where it stands, how wide and long it is and where it points stand beside it. */
function newDart(title: string, here = false): Act {
  return act(`dart ${title}`, (bag, sheet) => {
    if (!bag.holds(BESIDE_DART)) throw NOT_SO;
    const drawn = sheet.ground.darts.some(({ words }) => words === title);
    const placed = bag.first("at") ?? bag.first("spot") ?? bag.first("from") ?? bag.first("on");
    if (drawn && placed === undefined)
      throw refuse(`There is a ${title} already: change it at its own line, which says how it lies and is pressed.`);
    const along = alongEdge(bag, sheet);
    if (along) return drawDart(title, along.bag, along.sheet, { before: "it" });
    const spot =
      bag.first("at")?.spot ?? bag.first("spot")?.spot ?? bag.first("from")?.spot ?? (here ? ({ before: "it" } as const) : undefined);
    if (!spot) throw ask("Where does the dart stand?");
    return drawDart(title, bag, sheet, spot);
  });
}

function drawDart(title: string, bag: Bag, sheet: Sheet, spot: Spot): Sheet {
  const { wide, long } = sizesOf(bag);
  if (!wide) throw ask("How wide is the dart?");
  const [at, middle] = sheet.spot(spot);
  const width = laidOff(wide, at);
  const board = at.boardOf(middle);
  const [then, point] = dartPoint(bag, at, { spot, middle, long });
  const pressed = bag.first("pressed")?.way;
  const said = `${middle}, intake ${width.formula} to ${point}${pressed === undefined ? "" : `, pressed ${pressed}`}`;
  return then.draw("dart", keyOf(title), ` "${asTitle(title)}": at ${said}`, board);
}

/** "On the side seam 2 inches down from 8": the dart stands so far along a line. */
function alongEdge(bag: Bag, sheet: Sheet): { readonly bag: Bag; readonly sheet: Sheet } | undefined {
  const line = bag.first("on")?.line;
  const from = bag.first("from");
  const amount = bag.all("amount").find(({ as }) => as === undefined);
  if (!line || !from || !amount) return undefined;
  const way = bag.all("heading").find(({ way: w }) => w === "up" || w === "down" || w === "in" || w === "out");
  const [at, rule] = alongBy({ line, amount: amount.amount, from: from.spot, way: way?.way, back: false }, sheet);
  const rest = bag.items.filter((item) => item !== amount && item !== from && item !== way && item.is !== "on");
  return { bag: new Bag(rest), sheet: at.place(rule, line.board) };
}
const asTitle = (words: string): string => words.replace(/^./, (c) => c.toUpperCase());
const BESIDE_DART = { act: 1, amount: 3, at: 1, spot: 1, toward: 1, heading: 2, on: 1, pressed: 1, from: 1, board: 1, name: 1 } as const;

function sizesOf(bag: Bag): { readonly wide: Amount | undefined; readonly long: Amount | undefined } {
  const amounts = bag.all("amount");
  const each = amounts.find((a) => a.as === "each")?.amount;
  const wide = amounts.find((a) => a.as === "wide")?.amount ?? (each && twice(each));
  const long = amounts.find((a) => a.as === "long")?.amount;
  const bare = amounts.filter((a) => a.as === undefined).map(({ amount }) => amount);
  if (bare.length > 0 && (wide !== undefined || long !== undefined)) throw NOT_SO;
  return { wide: wide ?? bare[0], long };
}

/** So much on either side of the middle. */
const twice = (each: Amount): Amount => ({ ...each, formula: `2*${bracketed(each)}`, bond: "product", plain: false });

interface Standing {
  readonly spot: Spot;
  readonly middle: string;
  readonly long: Amount | undefined;
}

/** The point of a dart: the place it is aimed at, so far towards it, or so far into the piece. */
function dartPoint(bag: Bag, at: Sheet, { spot, middle, long }: Standing): readonly [Sheet, string] {
  const aim = bag.first("toward")?.spot;
  const board = at.boardOf(middle);
  const placed = (sheet: Sheet, rule: string): readonly [Sheet, string] => sheet.place(rule, board).spot({ before: "it" });
  if (aim && long) {
    const [aimed, target] = at.spot(aim);
    return placed(aimed, `toward ${target}, ${laidOff(long, aimed).formula} from ${middle}`);
  }
  if (aim) return at.spot(aim);
  if (!long) throw ask("How long is the dart, or where does it point?");
  // "Draw in a dart": what stands before the dart is no way it points.
  const behind = new Bag(bag.items.slice(bag.items.findIndex(({ is }) => is === "act") + 1));
  const said =
    bag.all("amount").find((one) => one.way !== undefined)?.way ??
    behind
      .all("heading")
      .map(({ way }) => way)
      .find((w) => ["up", "down", "in", "out"].includes(w));
  const way = said ?? (onLowerEdge(middle, spot, at) ? "up" : undefined);
  if (way === undefined) throw ask("Which way does the dart point?");
  return placed(at, `${way} ${laidOff(long, at).formula} from ${middle}`);
}

/** A place on the lowest line of its board: a dart there stands upright. */
function onLowerEdge(id: string, spot: Spot, sheet: Sheet): boolean {
  const ids = "rule" in spot ? spot.mentions : [id.replace("#", "")];
  const depth = (point: string): number | undefined => sheet.at(pointText(point))?.y;
  const mine = depth(ids[0] ?? "");
  const board = sheet.ground.points.get(ids[0] ?? "")?.board;
  if (mine === undefined || ids.some((other) => Math.abs((depth(other) ?? NaN) - mine) > 1)) return false;
  const level = sheet.ground.lines.filter((l) => l.board === board && l.ends?.every((e) => Math.abs((depth(e) ?? NaN) - mine) < 1));
  return level.length > 0 && [...sheet.ground.points.values()].some((q) => q.board === board && q.at && q.at.y < mine - 10);
}

const A_DART = saying<Act>("a dart").said(
  on(p`(a|an)? ${TITLE} (is|stands|sits|lies|to be)? (placed|put|drawn|set)? (:)?`, ([title]) =>
    title === undefined ? undefined : newDart(title),
  ),
  on(p`(for|as|into) (a|an) ${TITLE}`, ([title]) => (title === undefined ? undefined : newDart(title)), 0.4),
  on(p`(put|draw|make|place|mark|set|add|take) (in)? (a|an)? ${TITLE}`, ([title]) => (title === undefined ? undefined : newDart(title))),
  on(
    p`(that is)? where ${TITLE} (sits|is|goes|stands|starts|begins)`,
    ([title]) => (title === undefined ? undefined : newDart(title, true)),
    -0.2,
  ),
  on(
    p`and that is where ${TITLE} (sits|is|goes|stands|starts|begins)`,
    ([title]) => (title === undefined ? undefined : newDart(title, true)),
    -0.2,
  ),
  on(p`${TITLE} : ${AMOUNT} (*|x|by) ${AMOUNT}`, ([title = "dart", wide, long]) => (wide && long ? sized(title, wide, long) : undefined)),
  on(p`(a|an)? ${TITLE} (of)? ${AMOUNT} (*|x|by) ${AMOUNT} at ${SPOT}`, ([title = "dart", wide, long, spot]) =>
    wide && long ? sized(title, wide, long, spot) : undefined,
  ),
);
function sized(title: string, wide: Amount, long: Amount, spot?: Spot): Act {
  return act(`dart ${title} sized`, (bag, sheet) => {
    if (!bag.holds({ act: 1, at: 1 })) throw NOT_SO;
    const where = spot ?? bag.first("at")?.spot;
    if (!where) throw ask("Where does the dart stand?");
    const [at, middle] = sheet.spot(where);
    if (!onLowerEdge(middle, where, at)) throw ask("Which way does the dart point?");
    const made = at.place(`up ${laidOff(long, at).formula} from ${middle}`, at.boardOf(middle));
    return made.draw(
      "dart",
      keyOf(title),
      ` "${asTitle(title)}": at ${middle}, intake ${laidOff(wide, made).formula} to ${made.it ?? ""}`,
      at.boardOf(middle),
    );
  });
}

/** The two legs of a dart, drawn as lines to its point. */
const DRAWN_LEGS = saying<Act>("dart legs").said(
  on(
    p`(draw|rule|join|connect|mark)? (in)? (dart)? legs (of dart)? (of ${DART})? (from)? ${PLACED} and ${PLACED} (to|up to|down to|with|into) ${PLACED}`,
    ([, a, b, tip]) =>
      a !== undefined && b !== undefined && tip !== undefined
        ? act("draw legs", (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            const board = sheet.boardOf(pointText(a));
            return [a, b].reduce((made, leg) => made.draw("line", "dart_leg", `: ${pointText(leg)} > ${pointText(tip)}`, board), sheet);
          })
        : undefined,
    -0.5,
  ),
);

/** The legs of a dart to either side of a place, and its point, all three by name. */
const LEGS = saying<Act>("legs of a dart").said(
  on(
    p`legs of ${TITLE} (are)? (at)? ${NAME} and ${NAME} ,? ${AMOUNT} (to|on)? (each|either) side of ${SPOT} (;|,|.|and)? (its|dart)? (point|tip) ,? ${NAME} (,)? (is)? ${AMOUNT} (straight)? ${oneOf<Direction>("way", { up: "up", down: "down", above: "up", below: "down" })} (from)? (middle|it|there|centre)`,
    ([title = "dart", a, b, by, spot, tip, long, way]) =>
      a !== undefined && b !== undefined && tip !== undefined && by && spot && long && way
        ? act(`legs ${title}`, (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            const [at, middle] = sheet.spot(spot);
            const board = at.boardOf(middle);
            const each = laidOff(by, at).formula;
            const one = at.place(`in ${each} from ${middle}`, board, a);
            const two = one.place(`out ${each} from ${middle}`, board, b);
            const three = two.place(`${way} ${laidOff(long, two).formula} from ${middle}`, board, tip);
            return three.draw(
              "dart",
              keyOf(title),
              ` "${asTitle(title)}": legs ${one.it ?? ""}, ${two.it ?? ""} to ${three.it ?? ""}`,
              board,
            );
          })
        : undefined,
  ),
  on(
    p`${TITLE} ,? (with|:)? legs (at)? ${PLACED} and ${PLACED} ,? (and)? (point|to|pointing to|its point|point at) (is|at|to)? ${PLACED}`,
    ([title = "dart", a, b, tip]) =>
      a !== undefined && b !== undefined && tip !== undefined
        ? act(`legs ${title}`, (bag, sheet) => {
            if (!bag.holds({ act: 1, pressed: 1 })) throw NOT_SO;
            const pressed = bag.first("pressed")?.way;
            const board = sheet.boardOf(pointText(a));
            return sheet.draw(
              "dart",
              keyOf(title),
              ` "${asTitle(title)}": legs ${pointText(a)}, ${pointText(b)} to ${pointText(tip)}${pressed === undefined ? "" : `, pressed ${pressed}`}`,
              board,
            );
          })
        : undefined,
  ),
  on(p`${DART} (is)? (to be)? pointed at both ends (:|,|;)? (lower|second|other) point (is)? ${SPOT}`, ([dart, spot]) => {
    if (!dart || !spot || "unknown" in dart) return undefined;
    return act(`both ends ${dart.key}`, (bag, sheet) => {
      if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
      const [legA, legB] = dart.legs;
      if (legA === undefined || legB === undefined) throw ask("Which points are its legs?");
      const [at, tip] = sheet.spot(spot);
      return at.draw(
        "dart",
        `${dart.key}_both`,
        ` "${dart.words.replace(/^./, (c) => c.toUpperCase())}, pointed both ways": legs ${pointText(legA)}, ${pointText(legB)} to ${pointText(dart.point)} and ${tip}`,
        dart.board,
      );
    });
  }),
);

const SHUT = saying<true>("close").said(on(p`(close|shut|close up|close out|fold out|pin out|fold up|pin|pin up)`, () => true));
const OPENING = saying<Spot | Line>("where it opens").said(
  on(p`(at|from|in|to|into|on) ${SPOT}`, ([spot]) => spot),
  on(p`(at|in|to|into|on) ${LINE} , (at)? ${SPOT}`, ([, spot]) => spot),
  on(p`${LINE} at ${SPOT}`, ([, spot]) => spot, -0.1),
  on(p`(at|in|into|from)? ${LINE}`, ([line]) => line, 0.5),
  on(p`(at|in|into|from)? ${LINE} (at|in) (its)? (middle|centre)`, ([line], g) => middleOfLine(line, g)),
  on(p`(at|in|into|from)? ${LINE} ,? ${SPOT_BELOW}`, ([, spot]) => spot),
);
const OPENS = saying<Spot | Line>("opened elsewhere").said(
  on(
    p`(,|and|;|, and)? (let it open|open it|opening it|it opens|open|open a dart|open a new dart|open a dart instead|let it spring open|opening goes|opening|opening comes|opening is|it is opened|move it|transfer it|swing it|the opening goes|moving it|let fullness go|let the fullness go|let it go|put fullness|throw it|let width go) ${OPENING}`,
    ([spot]) => spot,
  ),
  on(p`(and|,)? (move|transfer|shift) (it|fullness|fulness|intake) ${OPENING}`, ([spot]) => spot),
);

const MOVE = saying<true>("move a dart").said(
  on(p`(move|transfer|swing|shift|pivot|rotate|turn|take|bring|manipulate|throw) (over)? (fullness of|intake of|width of)?`, () => true),
);
/** Where a dart is moved to. */
const WHERE = saying<Spot | Line>("where a dart is moved").said(
  on(p`(over)? (to|into|onto|in) ${LINE} (at|through|near) ${SPOT}`, ([, spot]) => spot),
  on(p`(over)? (to|into|onto|in) ${LINE}`, ([line]) => line, 0.4),
  on(p`(over|round)? (to|into|onto|in) ${LINE} (at|in) (its)? (middle|centre)`, ([line], g) => middleOfLine(line, g)),
  on(p`(over|round)? (to|into|onto|in) ${LINE} ,? (at)? ${SPOT_BELOW}`, ([, spot]) => spot),
  on(p`(over)? (to|into|onto) ${SPOT} (on|in|of) ${LINE}`, ([spot]) => spot),
  on(p`(over)? (to|into|onto) ${SPOT}`, ([spot]) => spot),
);

/** A dart closed, and opened elsewhere. */
function close(
  dart: KnownDart | { readonly unknown: string } | undefined,
  opens: Spot | Line | undefined,
  share?: string,
  about?: Spot,
): Act | undefined {
  if (!dart) return undefined;
  return act(`close ${"key" in dart ? dart.key : dart.unknown} ${share ?? ""}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    if ("unknown" in dart) throw refuse(`There is no ${dart.unknown} here.`);
    if (dart.piece === undefined)
      throw refuse(`The ${dart.words} is in no edge of a piece: name it in an edge first, then it can be closed.`);
    const [at, centre] = about ? sheet.spot(about) : sheet.spot({ id: dart.point });
    const start = `shape close ${share === undefined ? "" : `${share} of `}${dart.key} in ${dart.piece} about ${centre}`;
    if (!opens) throw ask("Where does it open?");
    if ("text" in opens) throw ask(`At which place of the ${opens.role ?? opens.text} does it open?`);
    const [then, from] = at.spot(opens);
    return then.put("end", `${start}, open from ${from}`);
  });
}
const CLOSING = saying<Act>("close a dart").said(
  on(p`${SHUT} ${DART} ${OPENS}`, ([, dart, opens]) => close(dart, opens)),
  on(p`${MOVE} (whole|all of|all|complete|entire|full)? ${DART} ${WHERE}`, ([, dart, opens]) => close(dart, opens)),
  on(p`(take|grab|pick up) ${DART} (and|,) ${MOVE} (it)? ${WHERE}`, ([dart, , opens]) => close(dart, opens), -0.3),
  on(p`${MOVE} ${SHARE} (of)? ${DART} ${WHERE}`, ([, share, dart, opens]) => share && close(dart, opens, `${share.top}/${share.under}`)),
  on(
    p`${SHUT} (whole|all of|all|entire|full)? ${DART} (on paper)? (and|,|, and)? (transfer|move|swing|shift|rotate) (it|fullness|intake|dart)? ${WHERE}`,
    ([, dart, opens]) => close(dart, opens),
  ),
  on(p`${SHUT} ${DART}`, ([, dart]) => close(dart, undefined), 0.2),
  on(
    p`(fold|pin|tape|swing) ${DART} (closed|shut) ,? (and)? (cut|slash|open|open it) (up|down|in)? (from|at) ${SPOT} (to ${SPOT})?`,
    ([dart, opens]) => close(dart, opens),
  ),
  on(p`(cut|slash|slit) (up|down|in)? (from)? ${SPOT} to ${SPOT} (and|,) ${SHUT} ${DART}`, ([opens, , , dart]) => close(dart, opens), 0.2),
  on(p`(pivot|turn|turning|pivoting) (on|about|round|around) ${SPOT} (:|,|and|;)? ${SHUT} ${DART} ${OPENS}`, ([about, , dart, opens]) =>
    close(dart, opens, undefined, about),
  ),
  on(
    p`(only)? (close)? ${SHARE} (of)? ${DART} (is closed|only|is shut|is folded out)? ${OPENS}`,
    ([share, dart, opens]) => share && close(dart, opens, `${share.top}/${share.under}`),
  ),
  on(
    p`${SHUT} (only)? ${SHARE} (of)? ${DART} ${OPENS}`,
    ([, share, dart, opens]) => share && close(dart, opens, `${share.top}/${share.under}`),
  ),
  on(p`(make|let) ${DART} (be)? (minus|less than nothing) ${AMOUNT} wide`, () =>
    act("minus", () => {
      throw refuse("A dart has a width above nothing.");
    }),
  ),
);

export const PRESSING = PRESS;
export const DARTS = [A_DART, DRAWN_LEGS, LEGS, CLOSING];
