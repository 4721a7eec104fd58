import { pointText } from "../../verb/form.js";
import type { Got } from "../chart/chart.js";
import type { Token } from "../words/tokens.js";
import { type Ground, lettersOf } from "../ground/ground.js";
import { isLetter, pointByLetter } from "./point-name.js";
import { type Line, sharedEnd, type Spot } from "../meaning.js";
import { COUNT_WORDS, SHARE } from "./figures.js";
import { AMOUNT, LINE, PLACED, SPOT, SPOT_BELOW } from "./main-rules.js";
import { CLOSE, on, oneOf, OPEN, p, saying, wordsRow } from "./rules.js";
import { wordOf } from "../words/word-of.js";

/** A point by the number or letter it has: a bare number takes the letters of the board where it is drawn. */
const NUMBERED = saying<string>("point by number").said({
  starts: ({ tokens, ground }, at) => {
    const token = tokens[at];
    if (!token || token.kind === "mark") return [];
    const id = pointCalled(token, ground);
    return id === undefined ? [] : [{ value: id, to: at + 1, cost: 0 }];
  },
});

function pointCalled({ value: said, kind }: Token, ground: Ground): string | undefined {
  if (isLetter(said)) return pointByLetter(said, ground);
  if (!/^[A-Za-z]{0,2}\d+[a-z]?$/.test(said))
    return ground.points.has(said.toUpperCase()) && said.length > 1 ? said.toUpperCase() : undefined;
  const own = /^\d/.test(said) ? `${ground.board}${said}` : said;
  if (ground.points.get(own)?.board === ground.board) return own;
  // On a board whose points have letters a bare number is one of them, and never a point of another board.
  if (kind === "number" && lettersOf(ground, ground.board) !== "") return onBoard(said, ground);
  if (ground.points.has(said)) return said;
  if (ground.points.has(said.toUpperCase())) return said.toUpperCase();
  if (!/^\d/.test(said)) return undefined;
  return onBoard(said, ground);
}

/** A number with the letters that the points of the board have. */
function onBoard(number: string, ground: Ground): string | undefined {
  const id = `${lettersOf(ground, ground.board)}${number}`;
  return ground.points.has(id) ? id : undefined;
}

/** Which two edges of a piece meet at a place that has a name of its own (common practice, no source). */
const MEETINGS: Readonly<Record<string, readonly [string, string]>> = {
  underarm: ["armhole", "side"],
  "underarm point": ["armhole", "side"],
  "shoulder tip": ["shoulder", "armhole"],
  "shoulder point": ["shoulder", "armhole"],
  "shoulder end": ["shoulder", "armhole"],
  "neck point": ["neck", "shoulder"],
  "shoulder neck point": ["neck", "shoulder"],
  "side neck": ["neck", "shoulder"],
  "side neck point": ["neck", "shoulder"],
  "side waist": ["side", "waist"],
  "waist at side": ["side", "waist"],
};

const called = new WeakMap<Ground, ReadonlyMap<string, readonly string[]>>();

/** Points by what they are called, worked out once for a ground: those of the board that is drawn come first. */
function calledPoints(ground: Ground): ReadonlyMap<string, readonly string[]> {
  const before = called.get(ground);
  if (before) return before;
  const names = new Map<string, string[]>();
  for (const { words, id } of ground.points.values()) names.set(words, [...(names.get(words) ?? []), id]);
  for (const words of Object.keys(MEETINGS)) names.set(words, [...new Set([...(names.get(words) ?? []), ...meeting(words, ground)])]);
  for (const [words, ids] of [...names]) {
    const last = /^.* (tip|apex)$/.exec(words)?.[1];
    if (last !== undefined) names.set(last, [...new Set([...(names.get(last) ?? []), ...ids])]);
  }
  for (const ids of names.values()) ids.sort((a, b) => elsewhere(a, ground) - elsewhere(b, ground));
  called.set(ground, names);
  return names;
}

const elsewhere = (id: string, { points, board }: Ground): number => (points.get(id)?.board === board ? 0 : 1);

/** Points that are called so. */
const CALLED = saying<string>("point by name").said({
  starts: ({ tokens, ground }, at) => {
    const found: Got<string>[] = [];
    let words = "";
    for (let to = at; to < tokens.length && to - at < 4 && tokens[to]?.kind === "word"; to++) {
      words = `${words} ${tokens[to]?.text ?? ""}`.trim();
      (calledPoints(ground).get(words) ?? []).forEach((id, i) =>
        found.push({ value: id, to: to + 1, cost: 0.3 + i * 0.3 + elsewhere(id, ground) }),
      );
    }
    return found;
  },
});

function meeting(words: string, { pieces, lines }: Ground): string[] {
  const roles = wordOf(MEETINGS, words);
  if (!roles) return [];
  return pieces.flatMap((piece) => {
    const [a, b] = roles.map((role) => lines.find((line) => line.path === `${piece.key}.${role}`)?.ends ?? []);
    const shared = a?.filter((id) => b?.includes(id as never));
    return shared ?? [];
  });
}

export const DESCRIBES = new Set(
  "neck shoulder tip point side of waist nape underarm dart hem centre front back corner bust hip end top bottom mark new armhole neckline first last level height".split(
    " ",
  ),
);
/** Words that stand before a number and say again what it is: `the neck point 5`. */
export const DESCRIPTION = wordsRow<true>(
  "description",
  4,
  // The level of a point is not the point.
  (words) => (words.split(" ").every((word) => DESCRIBES.has(word)) && !/^(?:level|height) of\b/.test(words) ? true : undefined),
  0.1,
);

const DART_POINT = wordsRow<string>("dart", 3, (words, ground) => {
  const called = ground.darts.filter((dart) => dart.words === words || (words === "dart" && dart.board === ground.board));
  return called.length === 1 ? called[0]?.point : undefined;
});

/** Words behind which a number word is a point rather than a figure. */
const POINT_BEHIND = new Set("from of between at through about point number join off past beyond below under over".split(" "));
/** A point by its number in words, as it is spoken: `from twelve`. */
const IN_WORDS = saying<string>("point by number word").said({
  firsts: () => COUNT_WORDS.firsts(),
  starts: (chart, at) =>
    (POINT_BEHIND.has(chart.tokens[at - 1]?.text ?? "") ? chart.parse(COUNT_WORDS, at) : []).flatMap(({ value, to, cost }) => {
      const token = chart.tokens[at];
      const id = token && pointCalled({ ...token, value: String(value), kind: "number" }, chart.ground);
      return id === undefined ? [] : [{ value: id, to, cost: cost + 0.8 }];
    }),
});

PLACED.said(
  on(p`(point|number)? ${IN_WORDS}`, ([id]) => id),
  on(p`${NUMBERED}`, ([id]) => id),
  on(p`(this|that)? (point|pt|pt .|number|no .|position) ${NUMBERED}`, ([id]) => id, -0.1),
  on(p`${DESCRIPTION} ,? ${NUMBERED}`, ([, id]) => id),
  on(p`${NUMBERED} ${OPEN} ${DESCRIPTION} ${CLOSE}`, ([id]) => id),
  on(p`${CALLED}`, ([id]) => id),
  on(p`(top|tip|point|apex) of ${DART_POINT}`, ([id]) => id),
  on(p`${DART_POINT} (point|tip|apex)`, ([id]) => id, 0.2),
);

const UNPLACED = saying<string>("point that is not there").said({
  starts: ({ tokens, ground }, at) => {
    const token = tokens[at];
    if (!token || token.kind === "mark" || !(/^[A-Za-z]{0,2}\d+[a-z]?$/.test(token.value) || isLetter(token.text))) return [];
    return pointCalled(token, ground) === undefined ? [{ value: token.value, to: at + 1, cost: 1.2 }] : [];
  },
});

const UPRIGHT = oneOf<"up" | "down">("above or below", { above: "up", over: "up", below: "down", under: "down", beneath: "down" });

SPOT_BELOW.said(
  on(p`${AMOUNT} ${UPRIGHT} ${PLACED}`, ([amount, way, id], g) =>
    amount && way && id && !amount.same && amount.unknown === undefined && !amount.doubt
      ? ruled(`${way} ${amount.formula} from ${pointText(id)}`, [id], g)
      : undefined,
  ),
);

const ruled = (rule: string, mentions: readonly string[], ground: Ground): Spot => ({
  rule,
  board: ground.points.get(mentions[0] ?? "")?.board ?? ground.board,
  mentions,
});

export const midway = (a: string | undefined, b: string | undefined, ground: Ground): Spot | undefined =>
  a === undefined || b === undefined || a === b ? undefined : ruled(`midway ${pointText(a)} to ${pointText(b)}`, [a, b], ground);

/** The middle of a line: straight between its ends, or along it when it bends. */
export function middleOfLine(line: Line | undefined, ground: Ground): Spot | undefined {
  if (!line || line.unknown !== undefined) return undefined;
  if (line.ends && line.straight) return midway(line.ends[0], line.ends[1], ground);
  const drawn = line.text.startsWith("line ") ? undefined : /^[a-z]/.test(line.text) ? line.text : line.path;
  if (drawn === undefined) return undefined;
  if (line.ends && line.path?.includes(".") && /^[A-Z]/.test(drawn)) return midway(line.ends[0], line.ends[1], ground);
  return { rule: `along ${drawn}, 1/2 of the way`, board: line.board, mentions: line.ends ?? [] };
}

const HALF = p`(midway|half way|halfway|halfway point|half way point|(a)? middle|(a)? centre|(a)? mid point|(a)? midway point|(a)? point midway|(a)? point halfway)`;
const MIDDLE = saying<true>("the middle").said(on(HALF, () => true));

/** A place between others. */
const BETWEEN = saying<Spot>("place between").said(
  on(p`${MIDDLE} (between|of|from|along)? (line)? ${PLACED} (and|to|-) ${PLACED}`, ([, a, b], g) => midway(a, b, g)),
  on(p`${MIDDLE} (of|on|along|in|round|around|down|up) ${LINE}`, ([, line], g) => middleOfLine(line, g)),
  on(
    p`(i|we|you)? fold (tape|tape measure|it) (in two|in half|double) between ${PLACED} and ${PLACED} (and there is middle)?`,
    ([a, b], g) => midway(a, b, g),
  ),
  on(p`${MIDDLE} ${LINE}`, ([, line], g) => middleOfLine(line, g), 0.4),
  on(p`${LINE} (middle|centre|mid point)`, ([line], g) => middleOfLine(line, g), 0.3),
  on(
    p`(a)? ${SHARE} (of)? (way|line)? (of)? (along|down|up|across|in|out)? (from|between|of)? ${PLACED} (to|and|-|towards|toward) ${PLACED}`,
    ([share, a, b], g) =>
      share && a && b && a !== b ? ruled(`part ${share.top}/${share.under} from ${pointText(a)} to ${pointText(b)}`, [a, b], g) : undefined,
  ),
  // "Half the distance from 1 to 5" is rather a length than a place.
  on(
    p`(a)? ${SHARE} (of)? (distance|length) (along|down|up|across|in|out)? (from|between|of)? ${PLACED} (to|and|-|towards|toward) ${PLACED}`,
    ([share, a, b], g) =>
      share && a && b && a !== b ? ruled(`part ${share.top}/${share.under} from ${pointText(a)} to ${pointText(b)}`, [a, b], g) : undefined,
    1,
  ),
);

/** The end that two lines have in common. */
function endShared(of: Line | undefined, at: Line | undefined): Spot | undefined {
  const id = sharedEnd(of, at);
  return id === undefined ? undefined : { id };
}

export const SPOTS = SPOT.said(
  on(p`${PLACED}`, ([id]) => (id === undefined ? undefined : { id })),
  on(p`${BETWEEN}`, ([spot]) => spot),
  on(p`${SPOT_BELOW}`, ([spot]) => spot, 0.4),
  on(p`(other|outer|far|right)? end of ${LINE} (at|,)? ${PLACED}`, ([line, id]) =>
    id !== undefined && line?.ends?.includes(id) ? { id } : undefined,
  ),
  on(p`${LINE} end (of|on) ${LINE}`, ([at, of]) => endShared(of, at), 0.2),
  on(p`(point|place)? where ${LINE} (and|meets|joins|touches) ${LINE} (meet|join)?`, ([at, of]) => endShared(of, at), 0.2),
  on(
    p`(it|there|here|this|that|this point|that point|this place|that place|same point|same place|last point|point just (made|found|marked|placed)|this mark|that mark|new point)`,
    () => ({ before: "it" }),
    0.2,
  ),
  on(p`(point|pt)? ${UNPLACED}`, ([unknown = ""]) => ({ unknown })),
);
