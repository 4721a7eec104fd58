import { startOf, endOf } from "../../geometry/path/path.js";
import { distance } from "../../geometry/point.js";
import { pointText } from "../../verb/form.js";
import { act, type Act } from "../clause.js";
import { AMOUNT, LINE, SPOT } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { KnownPiece } from "../ground/ground.js";
import { type Amount, type Line, sharedEnd, type Spot } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { ask, NOT_SO } from "../sheet/unclear.js";
import { laidOff } from "./laid-off.js";
import { also, pieceOn } from "./piece-parts.js";
import { EDGE, PIECE, pieceOf, roleOf } from "./shaping.js";

interface NotchAt {
  readonly by?: Amount;
  readonly from?: Spot;
  readonly fromLine?: Line;
  readonly double?: boolean;
}
const NOTCH_WORD = saying<string>("notch").said(
  on(
    p`(put|place|cut|make|add|mark|pop)? (a)? (notch|single notch|notches|match point|balance mark|balance notch|balance point|matching notch|matching point|pitch mark)`,
    () => "notch",
  ),
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
export const NOTCH = saying<Act>("notch").said(
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
        ? notches([
            [word, edge, at],
            [word, other, then],
          ])
        : undefined,
  ),
  on(p`${NOTCHED} (on|in|along) ${EDGE} ${NOTCH_WORD}`, ([at, edge, word = ""]) => notch(edge, [[word, at]]), 0.1),
  on(p`${NOTCH_WORD} (:|,)? ${AMOUNT} (down|up|along|in|out|round) ${EDGE} from ${SPOT}`, ([word = "", by, edge, from]) =>
    by && from ? notch(edge, [[word, { by, from }]]) : undefined,
  ),
  on(p`${NOTCH_WORD} ${NOTCHED} (on|in|along|of) ${EDGE}`, ([word = "", at, edge]) => notch(edge, [[word, at]]), 0.1),
  on(p`${NOTCH_WORD} (on|in|to)? ${EDGE} (at|in) (its)? (middle|centre|halfway)`, ([word = "", edge]) => notchMiddle(word, edge)),
  on(p`${NOTCH_WORD} (on|in|to)? ${EDGE} (halfway|half way|midway|in half) (along|down|up|round)? (it)?`, ([word = "", edge]) =>
    notchMiddle(word, edge),
  ),
  on(p`${NOTCH_WORD} (halfway|half way|midway) (along|down|up|round) ${EDGE}`, ([word = "", edge]) => notchMiddle(word, edge)),
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
  return notches(places.map(([word, at]) => [word, edge, at]));
}

/** Notches on edges of one piece, each by its word, its edge and its place. */
function notches(places: readonly (readonly [word: string, edge: string, at: NotchAt | undefined])[]): Act {
  return also(`notches ${places.map(([, edge]) => edge).join()}`, pieceOf(places[0]?.[1] ?? ""), (sheet) =>
    places.map(([word, edge, at]) => {
      const end = fromEnd(edge, at?.from ?? endOn(edge, at?.fromLine, sheet), sheet);
      return `  ${word} on ${roleOf(edge)} at ${at?.by ? laidOff(at.by, sheet).formula : ""}${end ? " from its end" : ""}`;
    }),
  );
}

/** The end of an edge that is on another line. */
function endOn(edge: string, line: Line | undefined, { ground }: Sheet): Spot | undefined {
  const id = sharedEnd(
    ground.lines.find((l) => l.path === edge),
    line,
  );
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
