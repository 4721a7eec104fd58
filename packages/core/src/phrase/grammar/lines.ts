import { pointText } from "../../verb/form.js";
import type { Got } from "../chart/chart.js";
import { figureCalled, type Ground, type KnownLine } from "../ground/ground.js";
import type { Line } from "../meaning.js";
import { on, p, saying, wordsRow } from "./rules.js";
import { LINE, PLACED, SPOT_BELOW } from "./main-rules.js";
import { isLetter, pointByLetter } from "./point-name.js";

const straight = (a: string, b: string, ground: Ground): Line => ({
  text: `${pointText(a)}-${pointText(b)}`,
  board: ground.points.get(a)?.board ?? ground.board,
  ends: [a, b],
  straight: true,
});

const known = (line: KnownLine): Line => ({
  text: line.text,
  board: line.board,
  straight: line.straight,
  ...(line.path === undefined ? {} : { path: line.path }),
  ...(line.piece === undefined ? {} : { piece: line.piece, role: line.path?.split(".")[1] ?? "" }),
  ...(line.ends ? { ends: line.ends } : {}),
});

const TAILS = / (?:line|seam|curve|edge|fold|side)$/;

interface Named {
  readonly line: KnownLine;
  /** Those of the board that is drawn come first. */
  readonly rank: number;
}

const named = new WeakMap<Ground, ReadonlyMap<string, readonly Named[]>>();

/** Lines by all the names they can have, worked out once for a ground. */
function namedLines(ground: Ground): ReadonlyMap<string, readonly Named[]> {
  const before = named.get(ground);
  if (before) return before;
  const rank = (line: KnownLine): number => (line.board === ground.board ? 0 : 2) + (line.piece === undefined ? 0 : 1);
  const names = new Map<string, Named[]>();
  ground.lines.forEach((line, i) => {
    for (const name of namesOf(line, ground))
      names.set(name, [...(names.get(name) ?? []), { line, rank: rank(line) * ground.lines.length + i }]);
  });
  named.set(ground, names);
  return names;
}

/** What a line is called: by itself, and with the board or the piece it is on. */
function namesOf({ words, board, piece }: KnownLine, ground: Ground): ReadonlySet<string> {
  const owners = [ground.boards.find(({ key }) => key === board)?.words, ground.pieces.find(({ key }) => key === piece)?.words];
  const centre = words.startsWith("centre");
  return new Set([
    words,
    ...owners.flatMap((owner) =>
      owner === undefined ? [] : [`${owner} ${words}`, `${words} of ${owner}`, ...(centre ? [`${owner} centre`] : [])],
    ),
  ]);
}

/** Lines that are called so: on the board that is drawn, in the piece that is named, and elsewhere last. */
function linesCalled(said: string, ground: Ground): readonly KnownLine[] {
  const words = said.replace(/\b(?:existing|old|drawn)\b ?/g, "");
  const names = new Set([
    words,
    words.replace(TAILS, ""),
    words.replace(/s$/, ""),
    `${words} line`,
    words.replace(/^(?:centre|center) line$/, "centre"),
  ]);
  if (words === "fold" || words === "fold line") names.add("centre");
  const known = namedLines(ground);
  const found = [...names].flatMap((name) => known.get(name) ?? []).sort((a, b) => a.rank - b.rank);
  return found.map(({ line }) => line).filter((line, i, all) => all.findIndex((other) => other.text === line.text) === i);
}

/** A line by its name: the meanings of the same words stand side by side, those of the board that is drawn first. */
const NAMED = saying<Line>("named line").said({
  starts: ({ tokens, ground }, at) => {
    const found: Got<Line>[] = [];
    let words = "";
    for (let to = at; to < tokens.length && to - at < 5 && tokens[to]?.kind === "word"; to++) {
      words = `${words} ${(tokens[to]?.text ?? "").replace(/_/g, " ")}`.trim();
      const lines = linesCalled(words, ground);
      // The waist is a measurement first, and the line of that name after it.
      const figure = lines.length > 0 && figureCalled(ground, words) ? 0.7 : 0;
      lines.forEach((line, i) => found.push({ value: known(line), to: to + 1, cost: i + figure }));
    }
    return found;
  },
});

const NOT_THERE = wordsRow<Line>(
  "line that is not there",
  4,
  (words, ground) => {
    const bare = words.replace(/^(?:existing|old) /, "");
    if (
      !/^(?!to\b|of\b|on\b|at\b|a\b|by\b|line\b|and\b|straight\b|level\b|plumb\b|new\b|draw\b|join\b)[a-z]+(?: [a-z]+)? (?:line|seam)$/.test(
        bare,
      )
    )
      return undefined;
    return linesCalled(bare, ground).length > 0 ? undefined : { text: "", board: ground.board, straight: true, unknown: bare };
  },
  4,
);

const UNKNOWN_ENDS = saying<Line>("line through points that are not there").said({
  starts: ({ tokens, ground }, at) => {
    const [a, dash, b] = [tokens[at], tokens[at + 1], tokens[at + 2]];
    const id = (t: typeof a): string | undefined => (t && t.kind !== "mark" && /^[A-Z]{0,2}\d+[a-z]?$/.test(t.value) ? t.value : undefined);
    if (id(a) === undefined || id(b) === undefined || dash?.text !== "-") return [];
    const missing = [a, b].map((t) => t?.value ?? "").filter((v) => !ground.points.has(v));
    if (missing.length === 0) return [];
    return [
      { value: { text: "", board: ground.board, straight: true, unknown: `#${missing.join(" and no point #")}` }, to: at + 3, cost: 4 },
    ];
  },
});

/** What a line between two points is called, whether or not it has that name here. */
const CALLED = wordsRow<true>("what a line is called", 4, (words) =>
  /^(?:[a-z]+ ){0,3}(?:line|seam|edge|depth|slant|side|leg|curve|top|hem)$/.test(words) &&
  !/\b(?:draw|rule|join|from|to|at|on|of|in|by|and|is|a|an|half|inch|inches|cm|along|down|up|out|across)\b/.test(words)
    ? true
    : undefined,
);

/** A line by the letters of its two points, written as one word: `CD`. */
const BY_LETTERS = saying<Line>("line by its letters").said({
  starts: ({ tokens, ground }, at) => {
    const [a, b, more] = tokens[at]?.value ?? "";
    if (a === undefined || b === undefined || more !== undefined || !isLetter(a) || !isLetter(b)) return [];
    const [from, to] = [a, b].map((letter) => pointByLetter(letter, ground));
    return from === undefined || to === undefined || from === to ? [] : [{ value: straight(from, to, ground), to: at + 1, cost: 0 }];
  },
});

/** A line on which something lies or ends. */
export const LINES = LINE.said(
  on(p`(straight)? (line)? ${BY_LETTERS}`, ([line]) => line),
  on(p`${PLACED} (-|to) ${PLACED}`, ([a, b], g) => (a && b && a !== b ? straight(a, b, g) : undefined), 0.1),
  on(p`(straight)? (line|guideline) (from|between)? ${PLACED} (-|to|and) ${PLACED}`, ([a, b], g) =>
    a && b && a !== b ? straight(a, b, g) : undefined,
  ),
  on(p`(straight)? (line|seam) ${PLACED} - ${PLACED}`, ([a, b], g) => (a && b && a !== b ? straight(a, b, g) : undefined)),
  on(p`(straight)? line (from|between)? ${PLACED} (to|and|through) ${PLACED}`, ([a, b], g) =>
    a && b && a !== b ? straight(a, b, g) : undefined,
  ),
  on(p`(level with|level of|height of|same level as) ${PLACED}`, ([a], g) => (a ? ray("across", a, g) : undefined), 0.4),
  on(p`${PLACED} level`, ([a], g) => (a ? ray("across", a, g) : undefined), 0.5),
  on(p`(straight)? line through ${PLACED} and ${PLACED}`, ([a, b], g) => (a && b && a !== b ? straight(a, b, g) : undefined)),
  on(
    p`(a)? (line across|level line|level|horizontal line|horizontal|line level|line squared across|cross line|line square across) (drawn)? (from|through|of|at)? ${PLACED}`,
    ([a], g) => (a ? ray("across", a, g) : undefined),
    0.1,
  ),
  on(
    p`(a)? (line down|line up|plumb line|plumb|vertical line|vertical|upright|line squared down|line straight down|line plumb) (drawn)? (from|through|of|at)? ${PLACED}`,
    ([a], g) => (a ? ray("down", a, g) : undefined),
    0.1,
  ),
  on(p`(a)? line (drawn|squared)? from ${PLACED} (straight|plumb)? (down|up)`, ([a], g) => (a ? ray("down", a, g) : undefined), 0.1),
  on(p`(a)? line (drawn|squared)? from ${PLACED} (straight|level)? across`, ([a], g) => (a ? ray("across", a, g) : undefined), 0.1),
  on(
    p`(a)? level line (drawn)? ${SPOT_BELOW}`,
    ([spot], g) => spot && { text: "line across from ⟨0⟩", board: g.board, straight: true, spot },
  ),
  on(p`${NAMED}`, ([line]) => line),
  on(p`${NAMED} ,? ${PLACED} - ${PLACED}`, ([, a, b], g) => (a && b && a !== b ? straight(a, b, g) : undefined), -0.2),
  on(p`${CALLED} ,? ${PLACED} - ${PLACED}`, ([, a, b], g) => (a && b && a !== b ? straight(a, b, g) : undefined), 0.3),
  on(p`${NOT_THERE}`, ([line]) => line),
  on(p`(line)? ${UNKNOWN_ENDS}`, ([line]) => line),
);

const ray = (way: "across" | "down", from: string, ground: Ground): Line => ({
  text: `line ${way} from ${pointText(from)}`,
  board: ground.points.get(from)?.board ?? ground.board,
  straight: true,
});
