import { amended } from "../piece/assemble.js";
import { dartResult, type NamedDart } from "../piece/dart-result.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { drawForms } from "../system/shaping-forms.js";
import { exchange, laidLineOf, pieceOf } from "./outline/find.js";
import type { Shaping } from "./shaping.js";

/** Draw a dart or a line of the board on a piece that has been shaped. */
export const draw: Shaping = {
  ...drawForms,
  gradual: false,
  prepare(_, filled) {
    const [key, line] = [filled.name("piece"), filled.name("line")];
    const dart = filled.dart("line");
    return (pieces) => {
      const piece = pieceOf(pieces, key);
      return exchange(pieces, piece, [drawn(piece, line, dart)]);
    };
  },
};

function drawn(piece: PieceResult, line: string, dart: NamedDart | undefined): PieceResult {
  const path = laidLineOf(piece, line);
  if (!dart) return amended(piece, { inside: [...piece.inside, { label: line.replace(/_/g, " "), path }] });
  if (dart.board !== piece.board)
    throw new DraftError(
      `${dart.label} is drawn on board ${dart.board}, and ${piece.title} is a piece of board ${piece.board}.`,
      "Draw a dart of its own board on a piece.",
    );
  const made = dartResult(dart, path, undefined, (p) => p);
  if (!made) throw new DraftError(`${dart.label} is no dart yet.`, "Its legs and its point must be on the draft.");
  return amended(piece, { darts: [...piece.darts.filter((d) => d.key !== dart.key), made] });
}
