import { pointText } from "../../verb/form.js";
import { pathLength, startOf, endOf, type Path } from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import { listOf } from "../chart/pattern.js";
import { COUNT, DEGREES } from "../grammar/figures.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, oneOf, p, saying, wordsRow } from "../grammar/rules.js";
import { type Ground, type KnownLine, type KnownPiece } from "../ground/ground.js";
import type { Amount, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { laidOff } from "./laid-off.js";
import { EDGE, isFold, PIECE, pieceKey, pieceOf, roleOf } from "./shaping.js";

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
  on(p`(cut|cut it|cut out|to be cut) (twice|two) (mirrored|as a pair|a pair)?`, () => "cut 2 mirrored", 0.1),
  on(p`(cut|cut it|cut out|to be cut) ${COUNT} ,? on (a)? fold`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
);

const TIMES = saying<string>("how often").said(
  on(p`(once|one|1) on (a)? fold`, () => "cut 1 on fold"),
  on(p`on (a)? fold`, () => "cut 1 on fold"),
  on(p`once`, () => "cut 1"),
  on(p`(twice|two|2|a pair|pair|as a pair)`, () => "cut 2 mirrored", 0.1),
  on(p`${COUNT} (times)?`, ([n]) => (n === undefined ? undefined : `cut ${n}`), 0.2),
  on(p`${COUNT} (times)? ,? on (a)? fold`, ([n]) => (n === undefined ? undefined : `cut ${n} on fold`)),
);
const MIRRORED = saying<string>("mirrored").said(
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
    /^[a-z]+(?: [a-z]+){0,2}$/.test(words) && !/\b(?:off|trace|line|from|to|a|cut|check|side|armhole|curve)\b/.test(words)
      ? words
      : undefined,
  0.2,
);

const TRACE_OFF = saying<true>("trace off").said(
  on(p`(trace|copy|take|cut) (off|out) (a|an|new)?`, () => true),
  on(p`(trace|copy|draw round|make) (a|an|new)?`, () => true, 0.4),
);
const TRACED = saying<Act>("trace off a piece").said(
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

/** How often a piece that is there is cut. */
const CUTTING = saying<Act>("cut number").said(
  on(p`cut ${PIECE} (piece)? ${TIMES}`, ([piece, times]) => cutAs(piece, times)),
  on(p`(cut|you need|make) ${TIMES} (of)? ${PIECE} ,? ${MIRRORED}?`, ([times, piece, mirrored]) => cutAs(piece, mirrored ?? times)),
  on(p`${PIECE} (:|,|is|are)? (to be)? cut (out)? ,? ${TIMES} ,? ${MIRRORED}?`, ([piece, times, mirrored]) =>
    cutAs(piece, mirrored ?? times),
  ),
  on(p`cut ${TIMES} of (those|these|that|this|it|them)`, () =>
    act("cut which?", () => {
      throw ask("Which piece?");
    }),
  ),
  on(p`${PIECE} (:|,)? ${CUT}`, ([piece, cut]) => cutAs(piece, cut)),
  on(p`${CUT}`, ([cut], g) => cutAs(pieceOn(g.board, g), cut), 0.5),
  on(p`(place|lay|cut|put) ${PIECE} on (a)? fold (of cloth|of fabric|of material)?`, ([piece]) => cutAs(piece, "cut 1 on fold")),
);
function cutAs(piece: KnownPiece | undefined, cut: string | undefined): Act | undefined {
  if (!piece || cut === undefined) return undefined;
  return also(`cut ${piece.key} ${cut}`, piece.key, () => {
    const fold = piece.edges.find((e) => e.fold);
    if (fold && !cut.includes("fold")) throw ask(`Its ${fold.role} is on the fold. With a seam there instead, how much allowance has it?`);
    if (!fold && cut.includes("fold")) throw ask("Which edge is on the fold?");
    return [`  ${cut}`];
  });
}

const EDGES = listOf("edges", EDGE, saying<true>("and").said(on(p`(,|and|, and|&)`, () => true)));
const LINES = listOf("lines", LINE, saying<true>("and").said(on(p`(,|and|, and|&)`, () => true)));

/** More said of a piece that is there. */
const also = (of: string, piece: string, lines: (sheet: Sheet) => readonly string[]): Act =>
  act(of, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const details = lines(sheet);
    return details.length === 1
      ? sheet.put("end", `piece ${piece} also: ${details[0]?.trim() ?? ""}`)
      : sheet.put("end", `piece ${piece} also`, ...details);
  });

const pieceOn = (board: string, ground: Ground): KnownPiece | undefined => {
  const found = ground.pieces.filter((piece) => piece.board === board);
  return found.length === 1 ? found[0] : undefined;
};
/** Edges of one piece by lines that are named alone. */
function rolesOn(piece: KnownPiece, lines: readonly Line[], ground: Ground): string[] {
  return lines.map((line) => {
    const role = line.role ?? line.text;
    const named =
      piece.edges.find((e) => e.role === role) ??
      piece.edges.find((e) => ground.lines.some((l) => l.path === `${piece.key}.${e.role}` && l.text === line.text)) ??
      piece.edges.find((e) => e.role === role.replace(/_line$/, ""));
    const front = piece.edges.find((e) => role.endsWith(e.role));
    if (!named && !front) throw refuse(`${piece.words} has no edge ${role.replace(/_/g, " ")}.`);
    return (named ?? front)?.role ?? role;
  });
}

const ALLOWANCE = saying<true>("seam allowance").said(
  on(p`(of)? (seam)? (allowance|turnings|turning|allowances|s . a .|seam)`, () => true),
);
/** So much on some edges; the word for the allowance may be left out where edges of a piece are named. */
const SHARE_OF_EDGES = saying<readonly [Amount, readonly Line[]]>("allowance of edges").said(
  on(p`${AMOUNT} ${ALLOWANCE}? (on|at|along|to|for|round) ${LINES}`, ([by, , lines]) => by && lines && [by, lines]),
  on(p`${LINES} (:|=)? ${AMOUNT}`, ([lines, by]) => by && lines && [by, lines], 0.2),
);
const SHARES_OF_EDGES = listOf("allowances", SHARE_OF_EDGES, saying<true>("and").said(on(p`(,|and|, and|;)`, () => true)), 2);
const EACH_EDGE = saying<Act>("allowances of several edges").said(
  on(p`(add|allow|leave|give|put)? ${SHARES_OF_EDGES}`, ([shares = []], g) => allowEach(shares, undefined, g)),
  on(p`(on|for)? ${PIECE} (:|,) (add|allow|leave|give)? ${SHARES_OF_EDGES}`, ([piece, shares = []], g) => allowEach(shares, piece, g)),
  on(
    p`(add|allow|leave|give) ${AMOUNT} (on|at|along|to|for|round) ${LINES} of ${PIECE}`,
    ([by, lines, piece]) => allow(by, piece, lines ?? []),
    0.3,
  ),
);
function allowEach(
  shares: readonly (readonly [Amount, readonly Line[]])[],
  piece: KnownPiece | undefined,
  ground: Ground,
): Act | undefined {
  const pieces = new Set(shares.flatMap(([, lines]) => lines.flatMap((l) => l.piece ?? [])));
  const one = piece ?? (pieces.size === 1 ? ground.pieces.find((q) => pieces.has(q.key)) : undefined);
  if (!one || shares.some(([by]) => by.plain === true && Number(by.formula) > 4)) return undefined;
  return also(`allow each ${one.key}`, one.key, (sheet) =>
    shares.map(([by, lines]) => `  allow ${laidOff(by, sheet).formula} on ${rolesOn(one, lines, sheet.ground).join(", ")}`),
  );
}
const SEAMS = saying<true>("seams").said(
  on(p`(seams|turnings)`, () => true),
  on(p`${ALLOWANCE}`, () => true),
);
const ROUND_BUT = saying<Act>("allowance all round").said(
  on(p`(add|allow|leave|give|put)? ${AMOUNT} ${SEAMS} (to|on|for|round|around) ${PIECE}`, ([by, , piece]) => allRound(by, piece), 0.1),
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|all round|all around|on all edges|on every edge|round) (of|on|to)? ${PIECE} (except|but|but not) (on|at|along)? ${LINES}`,
    ([by, , piece, lines = []]) => allRound(by, piece, lines),
  ),
  on(p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|on all edges|on every edge) (of|on|to)? ${PIECE}`, ([by, , piece]) =>
    allRound(by, piece),
  ),
);
const ROUND_WITHOUT_WORD = saying<Act>("so much all round").said(
  on(p`(add|allow|leave|give|put) ${AMOUNT} all (round|around) (of|on|to)? ${PIECE}`, ([by, piece]) => allRound(by, piece)),
  on(p`${ALLOWANCE} (of|on|for)? ${PIECE} (:|,) ${SHARES_OF_EDGES}`, ([, piece, shares = []], g) => allowEach(shares, piece, g)),
);
const NOT_EVERYWHERE = saying<Act>("allowance but for some edges").said(
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|all round|all around|on all edges|on every edge) (except|but|but not) (on|at|along)? ${LINES}`,
    ([by, , lines = []], g) => allRound(by, pieceOn(g.board, g), lines),
  ),
);
const NO_ALLOWANCE = saying<Act>("no allowance").said(
  on(p`(no|leave no|add no|without|net) ${ALLOWANCE} (on|at|along|to|for) ${EDGES}`, ([, edges = []]) => noAllowance(edges)),
  on(p`leave ${EDGES} (without|net of) ${ALLOWANCE}`, ([edges = []]) => noAllowance(edges)),
  on(p`${EDGES} (has|have|is|are|:) (no|without|net) ${ALLOWANCE}?`, ([edges = []]) => noAllowance(edges)),
);
function noAllowance(edges: readonly string[]): Act | undefined {
  const [piece] = edges.map(pieceOf);
  if (piece === undefined || edges.some((edge) => pieceOf(edge) !== piece)) return undefined;
  return also(`no allowance ${edges.join()}`, piece, () => [`  allow 0 on ${edges.map(roleOf).join(", ")}`]);
}

const ALLOW = saying<Act>("seam allowance").said(
  on(
    p`(allow|add|leave|with|have|give)? ${AMOUNT} ${ALLOWANCE} (on|at|along|to|for|round) ${LINES} of ${PIECE}`,
    ([by, , lines = [], piece]) => allow(by, piece, lines),
  ),
  on(
    p`(allow|add|leave|with|have|give)? ${AMOUNT} ${ALLOWANCE}? (on|at|along|to|for|round) ${EDGES}`,
    ([by, said, edges = []]) => (said === true ? allowOn(by, edges) : undefined),
    0.2,
  ),
  on(p`allow ${AMOUNT} (on|at|along|for) ${EDGES}`, ([by, edges = []]) => allowOn(by, edges), 0.2),
  on(p`${PIECE} (:|,) (allow)? ${AMOUNT} ${ALLOWANCE} (on|at|along|for) ${LINES}`, ([piece, by, , lines = []]) => allow(by, piece, lines)),
  on(p`(allow|add|leave)? ${AMOUNT} ${ALLOWANCE} all (round|around) (of|on|to)? ${PIECE}`, ([by, , piece]) => allRound(by, piece)),
  on(p`(add|give|allow|leave) ${PIECE} ${AMOUNT} ${ALLOWANCE} all (round|around)`, ([piece, by]) => allRound(by, piece)),
  on(
    p`(add|cut out|cut|draw|put|leave|allow)? (pattern|pieces|it|all pieces|all|everything)? (with)? (on)? (a)? ${ALLOWANCE} (on|all round|everywhere|round)?`,
    () =>
      act("allow?", () => {
        throw ask("How much seam allowance, and on which edges?");
      }),
    0.5,
  ),
);
function allow(by: Amount | undefined, piece: KnownPiece | undefined, lines: readonly Line[]): Act | undefined {
  if (!by || !piece) return undefined;
  return also(`allow ${piece.key} ${lines.map((l) => l.text).join()}`, piece.key, (sheet) => [
    `  allow ${laidOff(by, sheet).formula} on ${rolesOn(piece, lines, sheet.ground).join(", ")}`,
  ]);
}
function allowOn(by: Amount | undefined, edges: readonly string[]): Act | undefined {
  const pieces = new Set(edges.map(pieceOf));
  const [piece] = pieces;
  if (!by || piece === undefined || pieces.size !== 1) return undefined;
  return also(`allow ${edges.join()}`, piece, (sheet) => [`  allow ${laidOff(by, sheet).formula} on ${edges.map(roleOf).join(", ")}`]);
}
function allRound(by: Amount | undefined, piece: KnownPiece | undefined, but: readonly Line[] = []): Act | undefined {
  if (!by || !piece) return undefined;
  const all = piece.edges.filter((e) => !e.fold).map((e) => e.role);
  return also(`allow round ${piece.key}`, piece.key, (sheet) => {
    if (but.length === 0) return [`  allow ${laidOff(by, sheet).formula} on all`];
    const without = rolesOn(piece, but, sheet.ground);
    return [`  allow ${laidOff(by, sheet).formula} on ${all.filter((role) => !without.includes(role)).join(", ")}`];
  });
}

const HEM = saying<Act>("hem").said(
  on(p`(a)? hem (allowance)? of ${AMOUNT} (deep)? (on|at|along|to|for) ${LINE} (of ${PIECE})?`, ([by, line, piece], g) =>
    hem(piece ?? (line ? (g.pieces.find((q) => q.key === line.piece) ?? pieceOn(line.board, g)) : undefined), by, line),
  ),
  on(p`${PIECE} (:|,) (a)? ${AMOUNT} hem (at|on|along) ${LINE} ,? (turned up|to turn up)?`, ([piece, by, line]) => hem(piece, by, line)),
  on(
    p`(allow|add|leave|turn up)? (a)? ${AMOUNT} hem (at|on|along|to) ${LINE} (of ${PIECE})?`,
    ([by, line, piece], g) => hem(piece ?? (line ? pieceOn(line.board, g) : undefined), by, line),
    0.1,
  ),
);
function hem(piece: KnownPiece | undefined, by: Amount | undefined, line: Line | undefined): Act | undefined {
  if (!piece || !by || !line) return undefined;
  return also(`hem ${piece.key}`, piece.key, (sheet) => {
    const [role = ""] = rolesOn(piece, [line], sheet.ground);
    const edge = piece.edges.find((e) => e.role === role);
    return [`  edge ${role}: ${edge?.along ?? ""} · allow ${laidOff(by, sheet).formula} · hemmed`];
  });
}

const GRAIN = saying<Act>("grain").said(
  on(p`(straight)? grain (of ${PIECE})? (is|runs|lies)? on (a)? (bias|true bias|cross)`, ([piece], g) =>
    onBias(piece ?? pieceOn(g.board, g), g),
  ),
  on(p`(cut|lay|place|put) ${PIECE} on (a)? (bias|true bias|cross)`, ([piece], g) => onBias(piece, g)),
  on(p`grain (line)? of ${PIECE} (runs|is|lies) (at)? ${DEGREES} (to|from|off) ${LINE}`, ([piece, by, line]) => grain(piece, line, by)),
  on(p`grain (line)? of ${PIECE} (runs|is|lies) (parallel to|along|with|parallel with) ${LINE}`, ([piece, line]) => grain(piece, line)),
  on(
    p`(place|draw|mark|put|run|rule)? (straight)? grain (line)? (of ${PIECE})? (is|runs)? (parallel to|along|with|parallel with|on) ${LINE}`,
    ([piece, line], g) => grain(piece ?? (line && pieceOn(line.board, g)), line),
    0.1,
  ),
  on(
    p`(place|draw|mark|put|run|rule)? (straight)? grain (line)? (at)? ${DEGREES} (to|from|off) ${LINE}`,
    ([by, line], g) => grain(line && pieceOn(line.board, g), line, by),
    0.1,
  ),
  on(p`${PIECE} (:|,)? (straight)? grain (runs|line|lies)? (parallel to|along|parallel with) ${LINE}`, ([piece, line]) =>
    grain(piece, line),
  ),
);
/** On the bias: at 45 degrees to the centre of the piece. */
function onBias(piece: KnownPiece | undefined, ground: Ground): Act | undefined {
  const centre = ground.lines.find((l) => l.piece === piece?.key && isFold(l, ground) && l.ends);
  if (!piece || !centre?.ends) return undefined;
  return grain(
    piece,
    { text: `${pointText(centre.ends[0])}-${pointText(centre.ends[1])}`, board: centre.board, straight: true, ends: centre.ends },
    45,
  );
}
function grain(piece: KnownPiece | undefined, line: Line | undefined, turned?: number): Act | undefined {
  if (!piece || !line) return undefined;
  return also(`grain ${piece.key}`, piece.key, (sheet) => [
    `  grain along ${sheet.line(line)[1]}${turned === undefined ? "" : ` at ${turned}°`}`,
  ]);
}

interface NotchAt {
  readonly by?: Amount;
  readonly from?: Spot;
  readonly fromLine?: Line;
  readonly double?: boolean;
}
const NOTCH_WORD = saying<string>("notch").said(
  on(p`(put|place|cut|make|add|mark|pop)? (a)? (notch|single notch|notches)`, () => "notch"),
  on(p`(put|place|cut|make|add|mark)? (a)? double -? (notch|notches)`, () => "double notch"),
  on(p`(put|place|cut|make|add|mark)? (a)? (triple|treble) -? notch`, () => "triple notch"),
);
const NOTCHED = saying<NotchAt>("place of a notch").said(
  on(p`${AMOUNT} (down|up|in|out|along|away|back)? from ${SPOT}`, ([by, from]) => by && from && { by, from }),
  on(p`${AMOUNT} (above|below|inside) ${SPOT}`, ([by, from]) => by && from && { by, from }),
  on(
    p`${AMOUNT} (down|up|in|out|along|away|back)? (from|above|below) ${LINE}`,
    ([by, fromLine]) => by && fromLine && { by, fromLine },
    0.2,
  ),
);
const NOTCH = saying<Act>("notch").said(
  on(p`${NOTCH_WORD} (on|in|to)? ${EDGE} ,? (at)? ${NOTCHED}`, ([word = "", edge, at]) => notch(edge, [[word, at]])),
  on(
    p`${NOTCH_WORD} (on|in|to)? ${EDGE} ,? (at)? ${NOTCHED} ,? and ${NOTCH_WORD} (it|again)? (at)? ${NOTCHED}`,
    ([word = "", edge, at, more = "", then]) =>
      notch(edge, [
        [word, at],
        [more, then],
      ]),
  ),
  on(
    p`${NOTCH_WORD} (:|on|in)? ${EDGE} ,? (at)? ${NOTCHED} (,|;|and|, and) ${EDGE} ,? (at)? ${NOTCHED}`,
    ([word = "", edge, at, other, then]) =>
      edge !== undefined && other !== undefined && pieceOf(edge) === pieceOf(other)
        ? notches(word, [
            [edge, at],
            [other, then],
          ])
        : undefined,
  ),
  on(p`${NOTCHED} (on|in|along) ${EDGE} ${NOTCH_WORD}`, ([at, edge, word = ""]) => notch(edge, [[word, at]]), 0.1),
  on(p`${NOTCH_WORD} ${NOTCHED} (on|in|along|of) ${EDGE}`, ([word = "", at, edge]) => notch(edge, [[word, at]]), 0.1),
  on(p`${NOTCH_WORD} (on|in|to)? ${EDGE} (at|in) (its)? (middle|centre|halfway)`, ([word = "", edge]) => notchMiddle(word, edge)),
  on(p`${NOTCH_WORD} (at|in) (middle|centre) of ${EDGE}`, ([word = "", edge]) => notchMiddle(word, edge)),
  on(p`${NOTCH_WORD} : ${EDGE} at ${SPOT}`, ([word = "", edge, spot], g) =>
    notchAt(
      word,
      spot,
      g.pieces.find((q) => edge !== undefined && q.key === pieceOf(edge)),
    ),
  ),
  on(p`${NOTCH_WORD} (on|in|to)? ${EDGE} at ${SPOT}`, ([word = "", edge, spot], g) =>
    notchAt(
      word,
      spot,
      g.pieces.find((q) => edge !== undefined && q.key === pieceOf(edge)),
    ),
  ),
  on(p`${NOTCH_WORD} at ${SPOT} (on|in|of)? ${PIECE}`, ([word = "", spot, piece]) => notchAt(word, spot, piece)),
  on(p`${NOTCH_WORD} ${PIECE} at ${SPOT}`, ([word = "", piece, spot]) => notchAt(word, spot, piece)),
  on(
    p`${NOTCH_WORD} at ${SPOT}`,
    ([word = "", spot], g) => notchAt(word, spot, spot && "id" in spot ? pieceOn(g.points.get(spot.id)?.board ?? "", g) : undefined),
    0.2,
  ),
  on(
    p`${NOTCH_WORD} (on|in|to)? ${LINE}`,
    () =>
      act("notch?", () => {
        throw ask("Where on it, and on which piece?");
      }),
    0.5,
  ),
);
function notchMiddle(word: string, edge: string | undefined): Act | undefined {
  if (edge === undefined) return undefined;
  return also(`notch middle ${edge}`, pieceOf(edge), () => [`  ${word} on ${roleOf(edge)} at len(${edge})/2`]);
}
function notchAt(word: string, spot: Spot | undefined, piece: KnownPiece | undefined): Act | undefined {
  if (!spot || !piece) return undefined;
  return act(`notch at ${piece.key}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(spot);
    return at.put("end", `piece ${piece.key} also: ${word} at ${id}`);
  });
}
function notch(edge: string | undefined, places: readonly (readonly [string, NotchAt | undefined])[]): Act | undefined {
  if (edge === undefined || places.some(([, at]) => !at)) return undefined;
  return also(`notch ${edge} ${places.length}`, pieceOf(edge), (sheet) =>
    places.map(([word, at]) => {
      const end = fromEnd(edge, at?.from ?? endOn(edge, at?.fromLine, sheet), sheet);
      return `  ${word} on ${roleOf(edge)} at ${at?.by ? laidOff(at.by, sheet).formula : ""}${end ? " from its end" : ""}`;
    }),
  );
}
/** Notches on several edges of a piece. */
function notches(word: string, places: readonly (readonly [string, NotchAt | undefined])[]): Act {
  return also(`notches ${places.length}`, pieceOf(places[0]?.[0] ?? ""), (sheet) =>
    places.map(([edge, at]) => {
      const end = fromEnd(edge, at?.from ?? endOn(edge, at?.fromLine, sheet), sheet);
      return `  ${word} on ${roleOf(edge)} at ${at?.by ? laidOff(at.by, sheet).formula : ""}${end ? " from its end" : ""}`;
    }),
  );
}

/** The end of an edge that is on another line. */
function endOn(edge: string, line: Line | undefined, { ground }: Sheet): Spot | undefined {
  const ends = ground.lines.find((l) => l.path === edge)?.ends;
  const id = ends?.find((end) => line?.ends?.includes(end));
  return id === undefined ? undefined : { id };
}
function fromEnd(edge: string, from: Spot | undefined, sheet: Sheet): boolean {
  const path = sheet.ground.pathOf(edge);
  const here = from && "id" in from ? sheet.at(pointText(from.id)) : undefined;
  if (!path || !here) throw ask("From which end of the edge?");
  if (distance(here, startOf(path)) < 1) return false;
  if (distance(here, endOf(path)) < 1) return true;
  throw NOT_SO;
}

const DRILL = saying<Act>("drill hole").said(
  on(
    p`(mark|put|make|drill|punch)? (a)? (drill hole|hole|awl hole|drill|punch hole) ,? ${AMOUNT} (below|under|beneath) ${SPOT}`,
    ([by, spot]) => drill(spot, by),
  ),
  on(
    p`(see)? ${SPOT} ,? ${AMOUNT} (below|under|beneath) (it|that|there) (goes|is|comes|put) (a)? (drill hole|hole|awl hole)`,
    ([spot, by]) => drill(spot, by),
  ),
  on(p`(mark|put|make|drill|punch)? (a)? (drill hole|awl hole|drill|punch hole) at ${SPOT}`, ([spot]) => drill(spot, undefined)),
);
function drill(spot: Spot | undefined, by: Amount | undefined): Act | undefined {
  if (!spot) return undefined;
  return act("drill", (bag, sheet) => {
    if (!bag.holds({ act: 1, name: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(spot);
    const board = at.boardOf(id);
    const piece = pieceOn(board, at.ground);
    if (!piece) throw ask("On which piece?");
    if (!by) return at.put("end", `piece ${piece.key} also: drill at ${id}`);
    const placed = at.place(`down ${laidOff(by, at).formula} from ${id}`, board, bag.first("name")?.names[0]);
    return placed.put("end", `piece ${piece.key} also: drill at ${placed.it ?? ""}`);
  });
}

const BUTTONS = saying<Act>("buttons").said(
  on(
    p`(buttons|button) (:)? ${COUNT} ,? (evenly|equally spaced|spaced evenly|evenly spaced|even)? ,? (from|between)? ${SPOT} (to|-|and) ${SPOT}`,
    ([n, a, b]) => buttons(n, a, b),
  ),
  on(
    p`(mark|place|put|space|sew)? ${COUNT} (evenly|equally)? (spaced)? buttons ,? (are)? (placed|spaced)? (evenly|equally)? (spaced)? ,? (from|between)? ${SPOT} (to|-|and) ${SPOT} ,? (evenly|equally|evenly spaced|equally spaced|spaced evenly|spaced equally|with even spaces)?`,
    ([n, a, b]) => buttons(n, a, b),
  ),
);
function buttons(n: number | undefined, a: Spot | undefined, b: Spot | undefined): Act | undefined {
  if (n === undefined || !a || !b) return undefined;
  return act(`buttons ${n}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, [from = "", to = ""]] = sheet.spots([a, b]);
    const piece = pieceOn(at.boardOf(from), at.ground);
    if (!piece) throw ask("On which piece?");
    const taken = [...at.ground.points.keys()];
    const letter = [..."PBKLMNQRSTUVWXYZ"].find((l) => !taken.some((id) => id.startsWith(l))) ?? "P";
    return at
      .put("step", `${letter}1..${letter}${n} evenly from ${from} to ${to}`)
      .put("end", `piece ${piece.key} also: button at ${letter}1..${letter}${n}`);
  });
}

const AT = saying<Spot>("at a place").said(on(p`(at|on)? ${SPOT}`, ([spot]) => spot));
const PLACES = listOf("places", AT, saying<true>("and").said(on(p`(,|and|, and)`, () => true)));
const BUTTONS_AT = saying<Act>("buttons at places").said(
  on(p`(mark|put|sew|place)? (a)? (button|buttons) (at|on) ${PLACES}`, ([spots = []]) =>
    act("buttons at", (bag, sheet) => {
      if (!bag.holds({ act: 1 })) throw NOT_SO;
      const [at, ids] = sheet.spots(spots);
      const piece = pieceOn(at.boardOf(ids[0] ?? ""), at.ground);
      if (!piece) throw ask("On which piece?");
      return at.put("end", `piece ${piece.key} also: button at ${ids.join(", ")}`);
    }),
  ),
);
const HOLE_WAY = oneOf<string>("way of a buttonhole", {
  horizontal: "across",
  level: "across",
  across: "across",
  horizontally: "across",
  vertical: "down",
  upright: "down",
  vertically: "down",
  down: "down",
});
const HOLES = saying<Act>("buttonholes").said(
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${HOLE_WAY}? (buttonholes|buttonhole) (of)? ${AMOUNT} (long|wide)? ,? ${HOLE_WAY}? ,? ${PLACES} ,? ${HOLE_WAY}?`,
    ([before, by, between, spots = [], after]) => holesOr(by, spots, before ?? between ?? after),
    0.1,
  ),
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${AMOUNT} (long)? ${HOLE_WAY}? (buttonholes|buttonhole) ,? ${PLACES} ,? ${HOLE_WAY}?`,
    ([by, before, spots = [], after]) => holesOr(by, spots, before ?? after),
    0.1,
  ),
  on(
    p`(make|mark|put|cut|work|place)? (a)? ${HOLE_WAY}? (buttonholes|buttonhole) ,? ${PLACES} ,? ${AMOUNT} (long|wide) ,? ${HOLE_WAY}?`,
    ([before, spots = [], by, after]) => holesOr(by, spots, before ?? after),
    0.1,
  ),
  on(p`(horizontal|level) (buttonholes|buttonhole) ,? ${AMOUNT} (long|wide) ,? ${PLACES}`, ([by, spots = []]) =>
    holes(by, spots, "across"),
  ),
  on(p`(vertical|upright) (buttonholes|buttonhole) ,? ${AMOUNT} (long|wide) ,? ${PLACES}`, ([by, spots = []]) => holes(by, spots, "down")),
);
function holesOr(by: Amount | undefined, spots: readonly Spot[], way: string | undefined): Act | undefined {
  if (way !== undefined) return holes(by, spots, way);
  return act("holes?", () => {
    throw ask("Is the buttonhole level or upright?");
  });
}
function holes(by: Amount | undefined, spots: readonly Spot[], way: string): Act | undefined {
  if (!by) return undefined;
  return act("holes", (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, ids] = sheet.spots(spots);
    const piece = pieceOn(at.boardOf(ids[0] ?? ""), at.ground);
    if (!piece) throw ask("On which piece?");
    return at.put("end", `piece ${piece.key} also: buttonhole at ${ids.join(", ")}, length ${laidOff(by, at).formula} ${way}`);
  });
}

const PLEAT_WORD = saying<string>("pleat").said(
  on(p`(pleat|knife pleat)`, () => ""),
  on(p`(box|inverted) pleat`, () => ""),
);
const PLEAT = saying<Act>("pleat").said(
  on(
    p`(let in|add|put in|lay|put|insert|let|allow|make|take)? (a)? ${AMOUNT} (deep|wide)? ${PLEAT_WORD} (at|on|in|along) ${EDGE}`,
    ([by, , edge]) =>
      by && edge !== undefined
        ? also(`pleat ${edge}`, pieceOf(edge), (sheet) => [`  pleat ${laidOff(by, sheet).formula} at ${roleOf(edge)}`])
        : undefined,
  ),
  on(p`(let in|add|put in|lay|put|insert|let|allow)? (a)? ${AMOUNT} (deep|wide)? pleat (at|on|in|along) ${EDGE}`, ([by, edge]) =>
    by && edge !== undefined
      ? also(`pleat ${edge}`, pieceOf(edge), (sheet) => [`  pleat ${laidOff(by, sheet).formula} at ${roleOf(edge)}`])
      : undefined,
  ),
  on(p`(let in|add|put in|lay) (a)? pleat (of)? ${AMOUNT} (at|on|in|along) ${EDGE}`, ([by, edge]) =>
    by && edge !== undefined
      ? also(`pleat ${edge}`, pieceOf(edge), (sheet) => [`  pleat ${laidOff(by, sheet).formula} at ${roleOf(edge)}`])
      : undefined,
  ),
);

const FACING = saying<Act>("facing").said(
  on(p`${PIECE} (:|,) (cut|draw)? (a)? facing (of)? ${AMOUNT} (wide|in width|deep)? (along|at|from) ${LINE}`, ([piece, by, line], g) =>
    facing(by, piece && line && g.lines.find((l) => l.piece === piece.key && (l.words === wordsOf(line) || l.text === line.text))?.path),
  ),
  on(
    p`(a|cut a|draw a|trace a)? facing (of)? ${AMOUNT} (wide|in width|deep)? (is)? (cut|drawn|traced|taken)? (along|from|off|at) ${EDGE}`,
    ([by, edge]) => facing(by, edge),
  ),
  on(p`(cut|draw|make|trace) (a)? ${AMOUNT} (wide)? facing (along|for|from|of|at) ${EDGE}`, ([by, edge]) => facing(by, edge)),
  on(p`(cut|draw|make|trace)? (a)? facing (along|for|of|at) ${EDGE} ,? ${AMOUNT} (wide|in width|deep)`, ([edge, by]) => facing(by, edge)),
);
const wordsOf = (line: Line): string => (line.role ?? line.text).replace(/_line$/, "").replace(/_/g, " ");
function facing(by: Amount | undefined, edge: string | undefined): Act | undefined {
  if (!by || edge === undefined) return undefined;
  return act(`facing ${edge}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const words = `${roleOf(edge).replace(/_/g, " ")} facing`;
    const title = words.replace(/^./, (c) => c.toUpperCase());
    const own = sheet.ground.pieces.some((piece) => piece.key === pieceKey(words)) ? `${pieceOf(edge)} ${words}` : title;
    return sheet.put(
      "end",
      `piece ${pieceKey(own)} "${own}" from ${pieceOf(edge)}, strip ${laidOff(by, sheet).formula} along ${roleOf(edge)}`,
    );
  });
}

export const PIECES = [
  TRACED,
  CUTTING,
  ALLOW,
  EACH_EDGE,
  ROUND_BUT,
  NOT_EVERYWHERE,
  ROUND_WITHOUT_WORD,
  NO_ALLOWANCE,
  HEM,
  GRAIN,
  NOTCH,
  DRILL,
  BUTTONS,
  BUTTONS_AT,
  HOLES,
  PLEAT,
  FACING,
];
