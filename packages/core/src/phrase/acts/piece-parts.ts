import { listOf } from "../chart/pattern.js";
import { act, type Act } from "../clause.js";
import { LINE } from "../grammar/main-rules.js";
import { on, p, saying } from "../grammar/rules.js";
import type { Ground, KnownPiece } from "../ground/ground.js";
import type { Line } from "../meaning.js";
import type { Sheet } from "../sheet/sheet.js";
import { NOT_SO, refuse } from "../sheet/unclear.js";
import { EDGE } from "./shaping.js";

export const EDGES = listOf("edges", EDGE, saying<true>("and").said(on(p`(,|and|, and|&)`, () => true)));
export const LINES = listOf("lines", LINE, saying<true>("and").said(on(p`(,|and|, and|&)`, () => true)));

/** More said of a piece that is there. */
export const also = (of: string, piece: string, lines: (sheet: Sheet) => readonly string[]): Act =>
  act(of, (bag, sheet) => {
    if (!bag.holds({ act: 1 })) throw NOT_SO;
    const details = lines(sheet);
    return details.length === 1
      ? sheet.put("end", `piece ${piece} also: ${details[0]?.trim() ?? ""}`)
      : sheet.put("end", `piece ${piece} also`, ...details);
  });

export const pieceOn = (board: string, ground: Ground): KnownPiece | undefined => {
  const found = ground.pieces.filter((piece) => piece.board === board);
  return found.length === 1 ? found[0] : undefined;
};
/** Edges of one piece by lines that are named alone. */
export function rolesOn(piece: KnownPiece, lines: readonly Line[], ground: Ground): string[] {
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
