import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { endOf, type Path, pathLength, pointAtLength, reversePath, startOf } from "../geometry/path/path.js";
import { distance } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { redrawForms } from "../system/shaping-forms.js";
import { edgeOf, exchange, laidLineOf } from "./outline/find.js";
import type { Shaping } from "./shaping.js";

/** Draw an edge again along a line of the board. */
export const redraw: Shaping = {
  ...redrawForms,
  gradual: false,
  prepare(_, filled) {
    const [name, line] = [filled.name("edge"), filled.name("line")];
    return (pieces) => {
      const { piece, index } = edgeOf(pieces, name);
      return exchange(pieces, piece, [along(piece, index, laidLineOf(piece, line), line)]);
    };
  },
};

/** How far (mm) a neighbour may end from the new line: it is drawn again itself, or the check of the outline tells the gap. */
const REACH_MM = 60;

function along(piece: PieceResult, index: number, drawn: Path, what: string): PieceResult {
  const n = piece.edges.length;
  const old = piece.edges[index] as EdgeParts;
  const straightOn = distance(startOf(drawn), startOf(old.path)) <= distance(endOf(drawn), startOf(old.path));
  const path = straightOn ? drawn : reversePath(drawn);
  const before = (index + n - 1) % n;
  const after = (index + 1) % n;
  const ends = [
    distance(endOf((piece.edges[before] as EdgeParts).path), startOf(path)),
    distance(startOf((piece.edges[after] as EdgeParts).path), endOf(path)),
  ];
  if (ends.some((mm) => mm > REACH_MM))
    throw new DraftError(
      `${what} does not run between the neighbours of ${old.role}.`,
      "Draw the line from the end of one to the start of the other.",
    );
  const edges = piece.edges.map((e, i): EdgeParts => (i === index ? { ...e, path, sewn: path } : e));
  const share = pathLength(path) / (pathLength(old.path) || 1);
  return assemble({
    ...piece,
    edges,
    notches: piece.notches.map((notch) => {
      const { along: mm, off } = nearestOnPath(old.path, notch.at);
      return off > 1 ? notch : { ...notch, at: pointAtLength(path, mm * share).at };
    }),
  });
}
