import { listOf } from "../chart/pattern.js";
import { act, type Act } from "../clause.js";
import { AMOUNT, LINE } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Ground, KnownPiece } from "../ground/ground.js";
import type { Amount, Line } from "../meaning.js";
import { ask } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { EDGES, LINES, also, pieceOn, rolesOn } from "./piece-parts.js";
import { EDGE, PIECE, pieceOf, roleOf } from "./shaping.js";

const ALLOWANCE = saying<true>("seam allowance").said(
  on(p`(of)? (seam)? (allowance|turnings|turning|allowances|s . a .|seam)`, () => true),
);
/** So much on some edges; the word for the allowance may be left out where edges of a piece are named. */
const SHARE_OF_EDGES = saying<readonly [Amount, readonly Line[]]>("allowance of edges").said(
  on(p`${AMOUNT} ${ALLOWANCE}? (on|at|along|to|for|round) ${LINES}`, ([by, , lines]) => by && lines && [by, lines]),
  on(p`${LINES} (:|=)? ${AMOUNT}`, ([lines, by]) => by && lines && [by, lines], 0.2),
);
const SHARES_OF_EDGES = listOf("allowances", SHARE_OF_EDGES, saying<true>("and").said(on(p`(,|and|, and|;)`, () => true)), 2);
export const EACH_EDGE = saying<Act>("allowances of several edges").said(
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
const NONE_ON_FOLD = saying<true>("none on the fold").said(
  on(
    p`,? (and|but|with)? (none|nothing|no allowance|no seam allowance|no seam) (on|at|along) (fold|centre|centre fold|fold line)`,
    () => true,
  ),
);
export const ROUND_BUT = saying<Act>("allowance all round").said(
  on(
    p`${ALLOWANCE} : ${AMOUNT} (everywhere|all round|all around|on all edges|on every edge|round) (of|on|to)? ${PIECE} ${NONE_ON_FOLD}?`,
    ([, by, piece]) => allRound(by, piece),
  ),
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|all round|all around|on all edges|on every edge|round) (of|on|to)? ${PIECE} ${NONE_ON_FOLD}`,
    ([by, , piece]) => allRound(by, piece),
  ),
  on(p`(add|allow|leave|give|put)? ${AMOUNT} ${SEAMS} (to|on|for|round|around) ${PIECE}`, ([by, , piece]) => allRound(by, piece), 0.1),
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|all round|all around|on all edges|on every edge|round) (of|on|to)? ${PIECE} (except|but|but not) (on|at|along)? ${LINES}`,
    ([by, , piece, lines = []]) => allRound(by, piece, lines),
  ),
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|(on|to|along|round|for) (all|every|each) (its)? (edge|edges|side|sides|seam|seams)) (of|on|to)? ${PIECE}`,
    ([by, , piece]) => allRound(by, piece),
  ),
);
export const ROUND_WITHOUT_WORD = saying<Act>("so much all round").said(
  on(p`(add|allow|leave|give|put) ${AMOUNT} all (round|around) (of|on|to)? ${PIECE}`, ([by, piece]) => allRound(by, piece)),
  on(p`${ALLOWANCE} (of|on|for)? ${PIECE} (:|,) ${SHARES_OF_EDGES}`, ([, piece, shares = []], g) => allowEach(shares, piece, g)),
);
export const NOT_EVERYWHERE = saying<Act>("allowance but for some edges").said(
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE} (everywhere|all round|all around|on all edges|on every edge) (except|but|but not) (on|at|along)? ${LINES}`,
    ([by, , lines = []], g) => allRound(by, pieceOn(g.board, g), lines),
  ),
);
export const ROUND_WITH_OTHER = saying<Act>("allowance all round, another on some edges").said(
  on(
    p`(add|allow|leave|give|put)? ${AMOUNT} ${ALLOWANCE}? (everywhere|all round|all around|on all edges|on every edge) (of|on|to)? ${PIECE}? ,? (except|but|and|with) (for)? ${AMOUNT} (on|at|along) ${LINES} ((of|on) ${PIECE})?`,
    ([by, , one, other, lines = [], two], g) => roundWithOther(by, one ?? two ?? pieceOn(g.board, g), other, lines),
    0.2,
  ),
);
function roundWithOther(
  by: Amount | undefined,
  piece: KnownPiece | undefined,
  other: Amount | undefined,
  lines: readonly Line[],
): Act | undefined {
  if (!by || !piece || !other) return undefined;
  return also(`allow round ${piece.key} but`, piece.key, (sheet) => {
    const some = rolesOn(piece, lines, sheet.ground);
    return [
      `  allow ${laidOff(by, sheet).formula} on ${cutEdges(piece, some).join(", ")}`,
      `  allow ${laidOff(other, sheet).formula} on ${some.join(", ")}`,
    ];
  });
}

export const NO_ALLOWANCE = saying<Act>("no allowance").said(
  on(p`(no|leave no|add no|without|net) ${ALLOWANCE} (on|at|along|to|for) ${EDGES}`, ([, edges = []]) => noAllowance(edges)),
  on(p`leave ${EDGES} (without|net of) ${ALLOWANCE}`, ([edges = []]) => noAllowance(edges)),
  on(p`${EDGES} (has|have|is|are|:) (no|without|net) ${ALLOWANCE}?`, ([edges = []]) => noAllowance(edges)),
);
function noAllowance(edges: readonly string[]): Act | undefined {
  const [piece] = edges.map(pieceOf);
  if (piece === undefined || edges.some((edge) => pieceOf(edge) !== piece)) return undefined;
  return also(`no allowance ${edges.join()}`, piece, () => [`  allow 0 on ${edges.map(roleOf).join(", ")}`]);
}

export const ALLOW = saying<Act>("seam allowance").said(
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
/** The edges of a piece that are cut, but for some. */
const cutEdges = ({ edges }: KnownPiece, but: readonly string[]): readonly string[] =>
  edges.filter((e) => !e.fold && !but.includes(e.role)).map((e) => e.role);
function allRound(by: Amount | undefined, piece: KnownPiece | undefined, but: readonly Line[] = []): Act | undefined {
  if (!by || !piece) return undefined;
  return also(`allow round ${piece.key}`, piece.key, (sheet) => {
    if (but.length === 0) return [`  allow ${laidOff(by, sheet).formula} on all`];
    const without = rolesOn(piece, but, sheet.ground);
    return [`  allow ${laidOff(by, sheet).formula} on ${cutEdges(piece, without).join(", ")}`];
  });
}

export const GIVEN = saying<Act>("allowance given to an edge").said(
  on(p`(give|allow) ${EDGE} ${AMOUNT} ${ALLOWANCE}?`, ([edge, by]) => (edge === undefined ? undefined : allowOn(by, [edge])), 0.2),
);

export const HEM = saying<Act>("hem").said(
  on(p`(a)? (turn up|turn - up|turning up|turnup) of ${AMOUNT} (on|at|along|to|for) ${LINE} (of ${PIECE})?`, ([by, line, piece], g) =>
    hem(piece ?? pieceWith(line, g), by, line),
  ),
  on(
    p`(allow|add|leave|give|keep) ${AMOUNT} (for|as) (a)? (hem|turn up|turning up) (on|at|along|to|of) ${LINE} (of ${PIECE})?`,
    ([by, line, piece], g) => hem(piece ?? pieceWith(line, g), by, line),
    -0.2,
  ),
  on(p`(a)? hem (allowance)? of ${AMOUNT} (deep)? (on|at|along|to|for) ${LINE} (of ${PIECE})?`, ([by, line, piece], g) =>
    hem(piece ?? pieceWith(line, g), by, line),
  ),
  on(p`${PIECE} (:|,) (a)? ${AMOUNT} hem (at|on|along) ${LINE} ,? (turned up|to turn up)?`, ([piece, by, line]) => hem(piece, by, line)),
  on(
    p`(allow|add|leave|turn up)? (a)? ${AMOUNT} hem (at|on|along|to) ${LINE} (of ${PIECE})?`,
    ([by, line, piece], g) => hem(piece ?? (line ? pieceOn(line.board, g) : undefined), by, line),
    0.1,
  ),
);
/** The piece whose edge a line is, else the one on its board. */
const pieceWith = (line: Line | undefined, ground: Ground): KnownPiece | undefined =>
  line && (ground.pieces.find((q) => q.key === line.piece) ?? pieceOn(line.board, ground));
function hem(piece: KnownPiece | undefined, by: Amount | undefined, line: Line | undefined): Act | undefined {
  if (!piece || !by || !line) return undefined;
  return also(`hem ${piece.key}`, piece.key, (sheet) => {
    const [role = ""] = rolesOn(piece, [line], sheet.ground);
    const edge = piece.edges.find((e) => e.role === role);
    return [`  edge ${role}: ${edge?.along ?? ""} · allow ${laidOff(by, sheet).formula} · hemmed`];
  });
}
