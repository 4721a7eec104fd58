import { pathLength, startOf, endOf, type Path } from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import { pointText } from "../../verb/form.js";
import { listOf } from "../chart/pattern.js";
import { act, type Act } from "../clause.js";
import { COUNT } from "../grammar/figures.js";
import { LINE, SPOT } from "../grammar/main-rules.js";
import { NO_NAME, on, p, saying, wordsRow } from "../grammar/rules.js";
import type { KnownLine } from "../ground/ground.js";
import type { Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { isFold, pieceKey } from "./shaping.js";

/** How often a piece is cut, and how it lies. */
export const CUT = saying<string>("how it is cut").said(
  on(p`(cut|cut it|cut out|to be cut) (a)? (pair|pair mirrored)`, () => "cut 2 mirrored"),
  on(p`(cut|cut it|cut out|to be cut) ${COUNT} (times)? on (a)? fold`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
  on(p`(cut|cut it|cut out|to be cut) on (a)? fold`, () => "cut 1 on fold"),
  on(p`(cut|cut it|cut out|to be cut) ${COUNT} (times)? ,? (mirrored|a pair|as a pair)`, ([n]) =>
    n === undefined ? undefined : `cut ${n} mirrored`,
  ),
  on(p`(cut|cut it|cut out|to be cut) ${COUNT} (times|once)?`, ([n]) => (n === undefined ? undefined : `cut ${n}`), 0.1),
  on(p`(cut|cut it|cut out|to be cut) (once)`, () => "cut 1"),
  on(p`(cut|cut it|cut out|to be cut) once ,? on (a)? fold`, () => "cut 1 on fold"),
  on(p`(cut|cut it|cut out|to be cut) (twice|two) (mirrored|as a pair|a pair)?`, () => "cut 2 mirrored", 0.1),
  on(p`on (a)? fold (;|,|.)? (cut|cut it|cut out) ${COUNT}`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
  on(p`(cut|cut it|cut out|to be cut) ${COUNT} ,? on (a)? fold`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
);

export const TIMES = saying<string>("how often").said(
  on(p`(once|one|1) on (a)? fold`, () => "cut 1 on fold"),
  on(p`on (a)? fold`, () => "cut 1 on fold"),
  on(p`once`, () => "cut 1"),
  on(p`(twice|two|2|a pair|pair|as a pair)`, () => "cut 2 mirrored", 0.1),
  on(p`${COUNT} (times)?`, ([n]) => (n === undefined ? undefined : `cut ${n}`), 0.2),
  on(p`${COUNT} (times)? ,? on (a)? fold`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
);
export const MIRRORED = saying<string>("mirrored").said(
  on(p`(mirrored|a pair|as a pair|in pairs|one mirrored|left and right)`, () => "cut 2 mirrored"),
);

/** The way round an outline from one place to the next. */
interface Leg {
  readonly to: Spot | Line;
  readonly along?: Line;
}
const LEG = saying<Leg>("next place of an outline").said(
  on(
    p`(,|and|, and|then|, then|-|->)? (straight|back|on|round|down|up|across|over|out|in|then|through)? (to)? ${SPOT}`,
    ([to]) => to && { to },
  ),
  on(p`(,|and|, and|then|, then)? ${LINE} (back|on|down|up|round)? (to|,) ${SPOT}`, ([along, to]) => along && to && { along, to }, 0.3),
  on(
    p`(,|and|, and|then|, then)? (go|on)? (along|down|up|round|around|over|by|follow) ${LINE} (back|on|down|up|round)? to ${SPOT}`,
    ([along, to]) => along && to && { along, to },
  ),
  on(p`(,|and|, and|then|, then)? (straight|squarely|square|level)? (in|out|across|over) to ${LINE}`, ([to]) => to && { to }, 0.1),
);
const NOTHING = saying<true>("nothing between");
NOTHING.said({ starts: (_, at) => [{ value: true, to: at, cost: 0 }] });
const OUTLINE = listOf("outline", LEG, NOTHING, 3);
const PIECE_TITLE = wordsRow<string>(
  "title of a piece",
  3,
  (words) =>
    /^[a-z]+(?: [a-z]+){0,2}$/.test(words) &&
    !NO_NAME.test(words) &&
    !/\b(?:off|trace|line|from|to|a|cut|check|side|armhole|curve)\b/.test(words)
      ? words
      : undefined,
  0.2,
);

const TRACE_OFF = saying<true>("trace off").said(
  on(p`(trace|copy|take|cut) (off|out) (a|an|new)?`, () => true),
  on(p`(trace|copy|draw round|make) (a|an|new)?`, () => true, 0.4),
);
export const TRACED = saying<Act>("trace off a piece").said(
  on(
    p`${TRACE_OFF} ${PIECE_TITLE} (piece|pattern)? (:|,|from|as|along|through) ${OUTLINE} (;|,|.|and)? ${CUT}?`,
    ([, title = "", outline = [], cut]) => traced(title, outline, cut),
  ),
  on(p`(trace|copy|take) (off|out) ${PIECE_TITLE} (piece)? (:|,|from)? ${OUTLINE} (;|,|.|and)? ${CUT}`, ([title = "", outline = [], cut]) =>
    traced(title, outline, cut),
  ),
  on(
    p`(trace|copy|take) (off|out) ${PIECE_TITLE} (piece)? (:|,|from)? ${OUTLINE}`,
    ([title = "", outline = []]) => traced(title, outline, undefined),
    0.2,
  ),
  on(
    p`(trace|draw|go|cut|copy) (round|around|along|off)? ${OUTLINE} ,? (for|as|to make|to get|to give) ${PIECE_TITLE} (piece)? (;|,|.|and)? ${CUT}?`,
    ([outline = [], title = "", cut]) => traced(title, outline, cut),
    0.2,
  ),
  on(p`${PIECE_TITLE} (piece)? : ${OUTLINE} (;|,|.|and)? ${CUT}`, ([title = "", outline = [], cut]) => traced(title, outline, cut)),
);

function traced(title: string, outline: readonly Leg[], cut: string | undefined): Act {
  return act(`piece ${title} ${cut ?? ""}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    if (cut === undefined) throw ask("How often is it cut, and is it on the fold?");
    const [at, ids] = placesOf(outline, sheet);
    const board = at.boardOf(ids[0] ?? "");
    const lines = edgesOf(ids, outline, at, cut.includes("fold"));
    const key = pieceKey(title);
    if (at.ground.pieces.some((piece) => piece.key === key)) throw ask(`There is a piece ${key} already. What is this one called?`);
    return at.on(board).put("end", `piece ${key} "${title.replace(/^./, (c) => c.toUpperCase())}" on ${board} · ${cut}`, ...lines);
  });
}

/** The places of an outline in order, each once. */
function placesOf(outline: readonly Leg[], sheet: Sheet): readonly [Sheet, readonly string[]] {
  let at = sheet;
  const ids: string[] = [];
  for (const { to } of outline) {
    if ("straight" in to) {
      const from = ids.at(-1);
      if (from === undefined) throw NOT_SO;
      const [on, text] = at.line(to);
      at = on.place(`across from ${from} to ${text}`, at.boardOf(from), undefined, true);
      ids.push(at.it ?? "");
    } else {
      const [then, id] = at.spot(to);
      at = then;
      ids.push(id);
    }
  }
  if (ids.length > 3 && ids[0] === ids.at(-1)) ids.pop();
  return [at, ids];
}

/** The edges of an outline as the notation writes them: along the lines that are said or drawn through its places, else straight. */
function edgesOf(ids: readonly string[], outline: readonly Leg[], at: Sheet, onFold: boolean): string[] {
  const roles = new Set<string>();
  const edge = (role: string, text: string, fold: boolean): string => {
    let own = role;
    for (let n = 2; roles.has(own); n++) own = `${role}_${n}`;
    roles.add(own);
    return `  edge ${own}: ${text}${fold ? " · fold" : ""}`;
  };
  const round = [...ids, ids[0] ?? ""];
  const lines: string[] = [];
  for (let i = 0; i < ids.length; i++) {
    const along = outline[(i + 1) % outline.length]?.along;
    const drawn = along ? undefined : drawnAlong(round.slice(i), at);
    if (drawn) {
      lines.push(edge(drawn.line.words.replace(/ /g, "_").replace(/_line$/, ""), drawn.text, false));
      i += drawn.points - 2;
      continue;
    }
    const { role, text, fold } = edgeBetween(round[i] ?? "", round[i + 1] ?? "", along, at, onFold);
    lines.push(edge(role, text, fold));
  }
  return lines;
}

/** One edge of an outline: along the line that is named, or along one that joins the two places, else straight. */
function edgeBetween(
  from: string,
  to: string,
  along: Line | undefined,
  sheet: Sheet,
  onFold: boolean,
): { role: string; text: string; fold: boolean } {
  const { ground } = sheet;
  if (along) {
    if (along.unknown !== undefined) throw refuse(`There is no ${along.unknown} here.`);
    const drawn = /^[a-z_]\w*$/.test(along.text) ? along.text : undefined;
    const role = (along.role ?? along.text).replace(/\W+/g, "_");
    if (drawn === undefined) return { role, text: `${from} > ${to}`, fold: false };
    const path = ground.pathOf(drawn);
    return { role, text: partOf(drawn, path, from, to, sheet), fold: false };
  }
  const bare = (id: string): string => id.replace("#", "");
  const known = ground.lines.find((line) => line.ends && line.straight && [bare(from), bare(to)].every((id) => line.ends?.includes(id)));
  const centre = ground.lines.find(
    (line) => line.piece !== undefined && isFold(line, ground) && [from, to].every((id) => onLine(id, line, sheet)),
  );
  const onCentre = centre !== undefined || [from, to].every((id) => isInnermost(id, sheet));
  const role = onCentre
    ? "centre"
    : known
      ? known.words.replace(/ /g, "_").replace(/_line$/, "")
      : [from, to].every((id) => isLowest(id, sheet))
        ? "hem"
        : `edge_${bare(from)}_${bare(to)}`.toLowerCase().replace(/[⟨⟩]/g, "n");
  return { role, text: `${from} > ${to}`, fold: onFold && onCentre };
}
/** The curve that is drawn through the next places of an outline, all of its points in a row, forward or back; with how many they are. */
function drawnAlong(
  ids: readonly string[],
  { ground }: Sheet,
): { readonly line: KnownLine; readonly text: string; readonly points: number } | undefined {
  for (const line of ground.lines) {
    const points = line.through?.map(pointText) ?? [];
    if (line.straight || points.length < 2) continue;
    const runs = (order: readonly string[]): boolean => order.every((id, i) => ids[i] === id);
    if (runs(points)) return { line, text: line.text, points: points.length };
    if (runs([...points].reverse())) return { line, text: `${line.text} reversed`, points: points.length };
  }
  return undefined;
}

/** On the centre of a board that is folded there. */
function isInnermost(id: string, sheet: Sheet): boolean {
  const [here, board] = [sheet.at(id), sheet.boardOf(id)];
  const { points, folded } = sheet.ground;
  return here !== undefined && folded.has(board) && [...points.values()].every((p) => p.board !== board || !p.at || p.at.x > here.x - 1);
}

/** On the lowest level of its board: an edge between two such points is the hem. */
function isLowest(id: string, sheet: Sheet): boolean {
  const [here, board] = [sheet.at(id), sheet.boardOf(id)];
  return here !== undefined && [...sheet.ground.points.values()].every((p) => p.board !== board || !p.at || p.at.y < here.y + 1);
}

/** New places across to the centre lie on it. */
function onLine(id: string, line: KnownLine, sheet: Sheet): boolean {
  const [a] = line.ends?.map((end) => sheet.at(pointText(end))) ?? [];
  const here = sheet.at(id);
  if (!here) return sheet.ruleOf(id)?.includes(line.text) ?? false;
  return a !== undefined && Math.abs(here.x - a.x) < 0.1;
}
function partOf(key: string, path: Path | undefined, from: string, to: string, sheet: Sheet): string {
  const [a, b] = [sheet.at(from), sheet.at(to)];
  if (path && a && b && pathLength(path) > 0) {
    if (distance(a, startOf(path)) < 0.1 && distance(b, endOf(path)) < 0.1) return key;
    if (distance(b, startOf(path)) < 0.1 && distance(a, endOf(path)) < 0.1) return `${key} reversed`;
  }
  return `${key} from ${from} to ${to}`;
}
