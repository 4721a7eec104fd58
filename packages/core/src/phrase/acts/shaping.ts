import { pointText } from "../../verb/form.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying, wordsRow, type Saying } from "../grammar/rules.js";
import type { Ground, KnownLine, KnownPiece } from "../ground/ground.js";
import type { Amount, Line, Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { listOf } from "../chart/pattern.js";
import { ask, NOT_SO, refuse } from "../sheet/unclear.js";
import { act, type Act } from "../clause.js";
import { laidOff } from "./laid-off.js";

/** A piece by its name. */
export const PIECE: Saying<KnownPiece> = wordsRow<KnownPiece>("piece", 4, (words, { pieces }) => {
  const bare = words.replace(/ (?:piece|pattern|part)$/, "");
  return pieces.find((piece) => piece.words === bare || piece.key.toLowerCase().replace(/_/g, " ") === bare);
});
/** An edge of a piece: `Front.side`. */
export const EDGE: Saying<string> = saying<string>("edge").said(
  on(p`${LINE}`, ([line]) => (line?.unknown === undefined && line?.piece !== undefined ? line.path : undefined)),
  on(p`${LINE}`, ([line], { lines }) => {
    if (!line || line.unknown !== undefined || line.piece !== undefined) return undefined;
    return lines.find((l) => l.piece !== undefined && l.text === line.text)?.path;
  }),
  on(
    p`${LINE} of ${PIECE}`,
    ([line, piece], { lines }) =>
      line &&
      piece &&
      lines.find((l) => l.piece === piece.key && (l.text === line.text || l.path?.endsWith(`.${line.role ?? line.text}`)))?.path,
  ),
);
export const roleOf = (edge: string): string => edge.replace(/^.*\./, "");
export const pieceOf = (edge: string): string => edge.replace(/\..*$/, "");

/** The piece in whose outline a place lies, by the lines it is on. */
function pieceAt(spots: readonly Spot[], { ground }: Sheet): string | undefined {
  const boards = new Set(spots.flatMap((s) => ("id" in s ? [ground.points.get(s.id)?.board] : "rule" in s ? [s.board] : [])));
  const found = ground.pieces.filter((piece) => boards.has(piece.board));
  return found.length === 1 ? found[0]?.key : undefined;
}

/** A piece spread or folded away from one place of its outline to another, by so much at the first. */
const wedge =
  (verb: "spread" | "fold", question: string) =>
  (from: Spot | undefined, to: Spot | undefined, by: Amount | undefined): Act | undefined =>
    from && to
      ? act(verb, (bag, sheet) => {
          if (!bag.holds({ act: 1 })) throw NOT_SO;
          const [at, [a = "", b = ""]] = sheet.spots([from, to]);
          const piece = pieceAt([from, to], sheet);
          if (piece === undefined) throw NOT_SO;
          if (!by) throw ask(question);
          return at.put("end", `shape ${verb} ${piece} from ${a} to ${b} by ${laidOff(by, at).formula}`);
        })
      : undefined;
const spread = wedge("spread", "Spread by how much?");
const fold = wedge("fold", "How much is folded away?");

const SPREAD = saying<Act>("slash and spread").said(
  on(
    p`(slash|cut|slit) (up|down|in|open)? (it|piece)? from ${SPOT} (up|down|across|in)? to ${SPOT} (and|,|, and) (spread|open|spread it|open it|swing it open|open it out) (it)? (out|by)? (by)? ${AMOUNT} (at|on|along) (bottom|hem|waist|first point|lower edge|it)`,
    ([a, b, by]) => spread(a, b, by),
  ),
  on(
    p`(slash|cut|slit) (up|down|in|open)? (it|piece)? from ${SPOT} (up|down|across|in)? to ${SPOT} (and|,|, and) (spread|open|spread it|open it|swing it open|open it out) (it)? (out|by)? (by)? ${AMOUNT}`,
    ([a, b, by]) => spread(a, b, by),
  ),
  on(
    p`(slash|cut|slit) (up|down|in|open)? (it|piece)? from ${SPOT} (up|down|across|in)? to ${SPOT} (and|,|, and) (spread|open|spread it|open it)`,
    ([a, b]) => spread(a, b, undefined),
    0.3,
  ),
  on(
    p`(slash|cut|slit) ${PIECE}? (up|down)? from ${SPOT} (through ${SPOT})? (up|down|across|in)? to ${SPOT} (,|and|, and) (spread|open|open out|swing open) (it|them)? (out|by)? (by)? ${AMOUNT}`,
    ([, a, , b, by]) => spread(a, b, by),
    0.1,
  ),
  on(
    p`(slash|cut|split|slit) ${PIECE}? (up|down|open)? (along|on) ${LINE} (and|,|, and) (spread|open|spread it|open it) (it|them)? (out|by)? (by)? ${AMOUNT}`,
    ([, line, by]) => (line?.ends ? spread({ id: line.ends[0] }, { id: line.ends[1] }, by) : undefined),
  ),
  on(
    p`(spread|open) (out)? ${AMOUNT} at ${SPOT} ,? (and)? (with)? (a)? (hinge|hinged|hinging|pivot|pivoting|hold|holding|to nothing) (at|on|about) ${SPOT}`,
    ([by, a, b]) => spread(a, b, by),
  ),
  on(p`spread (piece)? from ${SPOT} to ${SPOT} by ${AMOUNT}`, ([a, b, by]) => spread(a, b, by)),
  on(
    p`(slash|cut) (it|this|piece|front|back)? (and|,) (spread|open) (it)? (so it flares|so that it flares|for flare|for fullness|for more width|out)?`,
    () =>
      act("slash", () => {
        throw ask("Slashed from where to where, and spread by how much?");
      }),
  ),
);

const CUT_OPEN = saying<Act>("cut and open").said(
  on(
    p`(slash|cut|slit) (along|through|up|down)? (line)? (from)? ${SPOT} (to|-) ${SPOT} (,|and|, and|;|.)? (then)? (spread|open|swing open|open out) (it|them|pattern|piece|parts|pieces)? (out|by)? (by)? ${AMOUNT} (apart)? ((at|on|along) (bottom|hem|waist|first point|lower edge|top|it|${SPOT}))?`,
    ([a, b, by, at]) => (at ? spread(at, sameSpot(at, a) ? b : a, by) : spread(a, b, by)),
    0.1,
  ),
  on(
    p`(slash|cut|slit) ${PIECE} (up|down|open)? from ${SPOT} (up|down|across)? to ${SPOT} (,|and|, and|;) (spread|open|swing open|open out) (it|them)? (out|by)? (by)? ${AMOUNT} (apart|at bottom|at hem|at waist)?`,
    ([, a, b, by]) => spread(a, b, by),
  ),
  on(p`(add fullness|for fullness|fullness) (:|,)? (slash|cut) (from)? ${SPOT} (to|-) ${SPOT}`, ([a, b]) => spread(a, b, undefined)),
  on(p`(spread|open) ${PIECE} (along|from|at|through) ${SPOT} (to|-) ${SPOT} (by)? ${AMOUNT}`, ([, a, b, by]) => spread(a, b, by)),
);
const sameSpot = (a: Spot | undefined, b: Spot | undefined): boolean => JSON.stringify(a) === JSON.stringify(b);

const AWAY = saying<true>("fold away").said(
  on(p`(fold|pin|take|fold out|pinch|remove|lift|take out) (away|out|up)? (a)? (wedge|fold|tuck|dart)? (of)?`, () => true),
);
const TO_NOTHING = saying<true>("to nothing").said(
  on(
    p`(running|tapering|goes|goes out|run it out|run out|taper it|taper|tapered|vanishing|fading|going|reducing)? (out|away|off)? to (nothing|zero|nil) (at|on|in)`,
    () => true,
  ),
);
/** A wedge that runs out at a line, on the level where it begins. */
function foldToLine(from: Spot, line: Line, by: Amount): Act {
  return act(`fold to ${line.text}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, id] = sheet.spot(from);
    const [on, text] = at.line(line);
    const piece = pieceAt([from], sheet);
    if (piece === undefined) throw NOT_SO;
    const placed = on.place(`across from ${id} to ${text}`, at.boardOf(id), undefined, true);
    return placed.put("end", `shape fold ${piece} from ${id} to ${placed.it ?? ""} by ${laidOff(by, placed).formula}`);
  });
}
const FOLD = saying<Act>("fold away").said(
  on(
    p`(take|fold|pinch|pin|lay) (a|an)? ${AMOUNT} (tuck|wedge|fold|dart|pleat) (out|away|up)? (of|from|in|on)? ${LINE}? (at|from) ${SPOT} ,? (and)? ${TO_NOTHING} ${SPOT}`,
    ([by, , from, , to]) => fold(from, to, by),
  ),
  on(
    p`${AWAY} ${AMOUNT} (at|from) ${SPOT}`,
    () =>
      act("fold?", () => {
        throw ask("And where does it run out to nothing?");
      }),
    0.8,
  ),
  on(
    p`${AWAY} ${AMOUNT} (of|from|on)? ${LINE} at (its|their)? (middle|centre) ,? (running|tapering)? to nothing at ${SPOT}`,
    ([, by, line, to]) => (line?.ends ? fold(middle(line), to, by) : undefined),
  ),
  on(
    p`${AWAY} ${AMOUNT} (of|from|on)? ${LINE} at ${SPOT} ,? (running|tapering|and run it out)? to nothing at ${SPOT}`,
    ([, by, , from, to]) => fold(from, to, by),
  ),
  on(p`${AWAY} ${AMOUNT} (wide)? (at|from) ${SPOT} ,? (and)? ${TO_NOTHING} ${SPOT}`, ([, by, from, , to]) => fold(from, to, by)),
  on(
    p`${AWAY} ${AMOUNT} (wide)? (at|from) ${SPOT} ,? (and)? ${TO_NOTHING} ${LINE}`,
    ([, by, from, , line]) => from && line && by && foldToLine(from, line, by),
  ),
);
function middle(line: Line): Spot {
  const [a, b] = line.ends as readonly [string, string];
  return { rule: `midway ${pointText(a)} to ${pointText(b)}`, board: line.board, mentions: [a, b] };
}

const each = (before: Amount | undefined, after: Amount | undefined, sheet: Sheet): string => {
  if (!before) throw ask("How much on each side?");
  return `${laidOff(before, sheet).formula} before, ${laidOff(after ?? before, sheet).formula} after`;
};
const RUN = saying<Act>("true across a seam").said(
  on(
    p`(true|blend|smooth|true up|check and true) ${EDGE} (edges|edge|lines|line|curves)? (where|at) ${EDGE} (seams|seam|edges)? (join|meet|joins|meets|are joined|are sewn)? ,? (say)? (by|over|for)? (${AMOUNT} (on each side|each side|each way|on both sides|on either side|either side))?`,
    ([edge, seam, by]) => acrossSeam(seam, edge, by),
    0.2,
  ),
  on(
    p`(lay|put|place) ${EDGE} (seams|edges|lines)? together (and|,) (true|blend|smooth|true up|run) ${EDGE} (across|over) (it|seam|join) ,? (say)? (by|over|for)? ${AMOUNT} (on each side|each side|each way|on both sides|on either side|either side|both sides)`,
    ([seam, edge, by], _) => acrossSeam(seam, edge, by),
  ),
  on(
    p`(true|blend|smooth|true up) ${EDGE} (across|over) ${EDGE} (seam)? ,? (say)? (by|over)? ${AMOUNT} (on each side|each side|each way|on both sides|on either side|either side|both sides)`,
    ([edge, seam, by]) => acrossSeam(seam, edge, by),
  ),
);
const EACH_SIDE = saying<readonly [Amount, Amount]>("so much on each side").said(
  on(
    p`,? (by|over|for)? ${AMOUNT} (on each side|each side|each way|on both sides|on either side|either side|both sides)`,
    ([by]) => by && [by, by],
  ),
  on(p`,? ${AMOUNT} before (it)? (and|,) ${AMOUNT} (after|behind) (it)?`, ([before, after]) =>
    before && after ? [before, after] : undefined,
  ),
);
/** One edge run on into another, over the two edges that are sewn. */
const RUN_INTO = saying<Act>("run an edge into another").said(
  on(
    p`(run|carry|blend) ${EDGE} (on)? (into|to) ${EDGE} (over|across) ${EDGE} and ${EDGE} ${EACH_SIDE}`,
    ([edge, other, seam, otherSeam, by]) =>
      edge === undefined || other === undefined || seam === undefined || otherSeam === undefined
        ? undefined
        : act(`run ${edge} ${other} ${seam} ${otherSeam}`, (bag, sheet) => {
            if (!bag.holds({ act: 1 })) throw NOT_SO;
            return sheet.put("end", `shape run ${edge} into ${other} over ${seam} and ${otherSeam}, ${each(by?.[0], by?.[1], sheet)}`);
          }),
  ),
);
function acrossSeam(seam: string | undefined, edge: string | undefined, by: Amount | undefined): Act | undefined {
  if (seam === undefined || edge === undefined) return undefined;
  return act(`run ${edge} ${seam}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const both = (role: string): string[] =>
      sheet.ground.pieces.filter((q) => q.edges.some((e) => e.role === role)).map((q) => `${q.key}.${role}`);
    const [seams, edges] = [both(roleOf(seam)), both(roleOf(edge))];
    if (seams.length !== 2 || edges.length !== 2) throw ask("Which two pieces?");
    const [one, other] = [...seams].reverse() as [string, string];
    return sheet.put(
      "end",
      `shape run ${pieceOf(one)}.${roleOf(edge)} into ${pieceOf(other)}.${roleOf(edge)} over ${one} and ${other}, ${each(by, undefined, sheet)}`,
    );
  });
}

const TRUE = saying<Act>("true an edge").said(
  on(
    p`true (up)? ${LINE} (seams|edges|lines)? (to each other|together|up)?`,
    () =>
      act("true?", () => {
        throw ask("Which edge is made to match which?");
      }),
    0.6,
  ),
  on(p`(true|make|trim|adjust|correct|true up) ${EDGE} (to|as long as|same length as|equal to|to match) (length of)? ${EDGE}`, ([a, b]) =>
    a !== undefined && b !== undefined
      ? act(`true ${a} ${b}`, (bag, sheet) => {
          if (!bag.holds({ act: 1 })) throw NOT_SO;
          return sheet.put("end", `shape true ${a} to ${b}`);
        })
      : undefined,
  ),
);

const LENGTHEN = saying<Act>("lengthen").said(
  on(p`(lengthen|extend|drop|let down) ${PIECE} (by)? ${AMOUNT} (at|along|on) ${LINE}`, ([piece, by, line]) => lengthened(piece, by, line)),
  on(p`(lengthen|extend) ${PIECE} (by)? ${AMOUNT} (below|above|beyond|past) ${LINE}`, ([piece, by, line]) => lengthened(piece, by, line)),
  on(p`(lengthen|extend) ${PIECE} (at|along|on) ${LINE} (by)? ${AMOUNT}`, ([piece, line, by]) => lengthened(piece, by, line)),
  on(
    p`(lengthen|extend|carry out) ${EDGE} (edge)? (of ${PIECE})? by ${AMOUNT}`,
    ([edge, , by]) => {
      if (edge === undefined || !by) return undefined;
      return act(`extend ${edge}`, (bag, sheet) => {
        if (!bag.holds({ act: 1 })) throw NOT_SO;
        return sheet.put("end", `shape extend ${edge} by ${laidOff(by, sheet).formula}`);
      });
    },
    0.3,
  ),
);
function lengthened(piece: KnownPiece | undefined, by: Amount | undefined, line: Line | undefined): Act | undefined {
  if (!piece || !by || !line) return undefined;
  return act(`extend ${piece.key}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const role = line.role ?? line.text;
    const edge = sheet.ground.lines.find(
      (l) =>
        l.piece === piece.key &&
        (l.text === line.text ||
          l.path === `${piece.key}.${role}` ||
          (line.role !== undefined && l.path === `${piece.key}.${line.role}`) ||
          l.words === wordsOf(line)),
    );
    if (!edge) throw refuse(`${piece.words} has no such edge.`);
    return sheet.put("end", `shape extend ${edge.path ?? ""} by ${laidOff(by, sheet).formula}`);
  });
}
const wordsOf = (line: Line): string => (line.role ?? line.text).replace(/_/g, " ");

const NEW_PIECE = wordsRow<string>("name of a new piece", 3, (words) =>
  /^[a-z]+(?: [a-z]+){0,2}$/.test(words) && !/\b(?:above|below|upper|and|on|at|from|to|a|of)\b/.test(words) ? words : undefined,
);
export const pieceKey = (words: string): string => words.replace(/^./, (c) => c.toUpperCase()).replace(/ /g, "_");
const CUT_ALLOWED = saying<Amount>("allowance of a cut").said(
  on(p`,? (with)? ${AMOUNT} (seam)? allowance (on|at|along) (it|cut|both|cut edges|new seam)`, ([by]) => by),
);
const SPLIT = saying<Act>("cut in two").said(
  on(
    p`(cut|split|divide) ${PIECE} (apart|in two|across)? (straight|level)? (across)? (at|from|through) ${SPOT} (:|,|into|, into|to make) (a)? ${NEW_PIECE} (,|and|, and) (a)? ${NEW_PIECE}`,
    ([piece, from, one, two]) => split(piece, from, one, two, undefined),
    0.1,
  ),
  on(
    p`(cut|split|divide) ${PIECE} (straight|square)? across from ${SPOT} ,? (square to (centre|fold|centre back|centre front|centre line))? (:|,|into|, into) ${NEW_PIECE} (above|on top)? (,|and|, and) ${NEW_PIECE} (below|beneath|under it)? ,? (with)? ${AMOUNT} (seam)? allowance (on|at|along) (it|cut|both|cut edges|new seam)`,
    ([piece, from, one, two, by]) => split(piece, from, one, two, by),
  ),
  on(
    p`(cut|split|divide) ${PIECE} (straight|square)? across from ${SPOT} ,? (square to (centre|fold|centre back|centre front|centre line))? (:|,|into|, into) ${NEW_PIECE} (above|on top)? (,|and|, and) ${NEW_PIECE} (below|beneath|under it)?`,
    ([piece, from, one, two]) => split(piece, from, one, two, undefined),
    0.2,
  ),
);
function split(
  piece: KnownPiece | undefined,
  from: Spot | undefined,
  one: string | undefined,
  two: string | undefined,
  by: Amount | undefined,
): Act | undefined {
  if (!piece || !from || one === undefined || two === undefined) return undefined;
  return act(`split ${piece.key} ${one} ${two}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const centre = sheet.ground.lines.find((line) => line.piece === piece.key && isFold(line, sheet.ground));
    if (!centre) throw ask("Across to which edge?");
    const [at, id] = sheet.spot(from);
    const placed = at.place(`across from ${id} to ${centre.text}`, piece.board);
    const allow = by ? `, allow ${laidOff(by, placed).formula}` : "";
    return placed.put(
      "end",
      `shape split ${piece.key} from ${placed.it ?? ""} to ${id} into ${pieceKey(one)} and ${pieceKey(two)}${allow}`,
    );
  });
}

/** Whether a line is the edge at which a piece lies on the fold. */
export const isFold = (line: KnownLine, { pieces }: Ground): boolean =>
  pieces.some((piece) => piece.edges.some((e) => e.fold && line.path === `${piece.key}.${e.role}`));

/** Cut along a line, or from one place to another, into two pieces with names. */
const CUT_ALONG = saying<Act>("cut along a line").said(
  on(
    p`(cut|split|divide) ${PIECE} (apart|in two)? along ${LINE} (:|,|into|, into) ${NEW_PIECE} (,|and|, and) ${NEW_PIECE} ${CUT_ALLOWED}?`,
    ([piece, line, one, two, by]) => (line?.path === undefined ? undefined : cutInto(piece, [], `along ${line.path}`, one, two, by)),
  ),
  on(
    p`(cut|split|divide) ${PIECE} (apart|in two)? from ${SPOT} to ${SPOT} (:|,|into|, into) ${NEW_PIECE} (,|and|, and) ${NEW_PIECE} ${CUT_ALLOWED}?`,
    ([piece, a, b, one, two, by]) => (a && b ? cutInto(piece, [a, b], "from ⟨a⟩ to ⟨b⟩", one, two, by) : undefined),
  ),
);
function cutInto(
  piece: KnownPiece | undefined,
  spots: readonly Spot[],
  where: string,
  one: string | undefined,
  two: string | undefined,
  by: Amount | undefined,
): Act | undefined {
  if (!piece || one === undefined || two === undefined) return undefined;
  return act(`cut ${piece.key} ${where} ${one} ${two}`, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const [at, [a = "", b = ""]] = sheet.spots(spots);
    const allow = by ? `, allow ${laidOff(by, at).formula}` : "";
    const cut = where.replace("⟨a⟩", a).replace("⟨b⟩", b);
    return at.put("end", `shape split ${piece.key} ${cut} into ${pieceKey(one)} and ${pieceKey(two)}${allow}`);
  });
}

const CORNERS = listOf("corners", SPOT, saying<true>("and").said(on(p`(,|and|, and)`, () => true)));
/** Corners of an outline rounded. */
const SMOOTH = saying<Act>("smooth corners").said(
  on(
    p`(smooth|round|round off|soften) ${PIECE} (at|round) ${CORNERS} ${EACH_SIDE}`,
    ([piece, spots = [], by]) =>
      piece &&
      act(`smooth ${piece.key}`, (bag, sheet) => {
        if (!bag.holds({ act: 1 })) throw NOT_SO;
        const [at, ids] = sheet.spots(spots);
        return at.put("end", `shape smooth ${piece.key} at ${ids.join(" and ")}, ${each(by?.[0], by?.[1], at)}`);
      }),
  ),
);

const UNFOLD = saying<Act>("unfold").said(
  on(p`(unfold|open out|open) ${PIECE} (on|along)? (fold|centre)?`, ([piece]) =>
    piece
      ? act(`unfold ${piece.key}`, (bag, sheet) => {
          if (!bag.holds({ act: 1 })) throw NOT_SO;
          return sheet.put("end", `shape unfold ${piece.key}`);
        })
      : undefined,
  ),
);

export const SHAPINGS_SAID = [SPREAD, CUT_OPEN, FOLD, RUN, RUN_INTO, TRUE, LENGTHEN, SPLIT, CUT_ALONG, SMOOTH, UNFOLD];
