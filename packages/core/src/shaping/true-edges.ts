import { straightCubic } from "../geometry/curve/cubic.js";
import { endOf, headingAtEnd, headingAtStart, joinPaths, type Path, pathLength, startOf } from "../geometry/path/path.js";
import { cubicLength } from "../geometry/curve/cubic-length.js";
import type { Point } from "../geometry/point.js";
import { assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { trueForms } from "../system/shaping-forms.js";
import { edgeOf, exchange } from "./outline/find.js";
import type { Shaping } from "./shaping.js";

/** True one edge to another: what it lacks in length is added at its end, and the next edge is drawn to the new corner. */
export const trueEdges: Shaping = {
  ...trueForms,
  gradual: true,
  prepare(which, filled) {
    const [name, other] = [filled.name("edge"), filled.name("other")];
    return (pieces, _f, share) => {
      const { piece, edge, index } = edgeOf(pieces, name);
      const lacks = (edgeOf(pieces, other).edge.length - edge.length) * share;
      return lacks <= NOTHING_MM ? [...pieces] : exchange(pieces, piece, [lengthened(piece, index, lacks, which === 0)]);
    };
  },
};

/** Less (mm) is what the arithmetic leaves: a stretch so short would have no direction. */
const NOTHING_MM = 1e-3;

function lengthened(piece: PieceResult, index: number, mm: number, atStart: boolean): PieceResult {
  const n = piece.edges.length;
  const edge = piece.edges[index] as EdgeParts;
  const corner = atStart ? startOf(edge.path) : endOf(edge.path);
  const way = atStart ? headingAtStart(edge.path) : headingAtEnd(edge.path);
  const sign = atStart ? -1 : 1;
  const to = { x: corner.x + way.x * mm * sign, y: corner.y + way.y * mm * sign };
  const more: Path = { segments: [atStart ? straightCubic(to, corner) : straightCubic(corner, to)] };
  const neighbour = (index + (atStart ? n - 1 : 1)) % n;
  const beside = piece.edges[neighbour] as EdgeParts;
  if (beside.finish === "fold")
    throw new DraftError(
      `Beside ${edge.role} lies the fold, which stays where it is.`,
      atStart ? "True it at its end." : "True it at its start: add “at its start”.",
    );
  const edges = piece.edges.map((e, i): EdgeParts => {
    if (i === index) {
      const add = (path: Path): Path => joinPaths(atStart ? [more, path] : [path, more]);
      return { ...e, path: add(e.path), sewn: add(e.sewn) };
    }
    if (i !== neighbour) return e;
    const path = drawnTo(e.path, { x: to.x - corner.x, y: to.y - corner.y }, !atStart);
    return { ...e, path, sewn: path };
  });
  return assemble({ ...piece, edges });
}

/** A path with one end moved and the other held; what lies between follows by its share of the way. */
function drawnTo(path: Path, by: Point, moveStart: boolean): Path {
  const whole = pathLength(path) || 1;
  let gone = 0;
  return {
    segments: path.segments.map((c) => {
      const share = (t: number): number => {
        const along = (gone + cubicLength(c) * t) / whole;
        return moveStart ? 1 - along : along;
      };
      const at = (p: Point, t: number): Point => ({ x: p.x + by.x * share(t), y: p.y + by.y * share(t) });
      const moved = { p0: at(c.p0, 0), p1: at(c.p1, 1 / 3), p2: at(c.p2, 2 / 3), p3: at(c.p3, 1), straight: c.straight };
      gone += cubicLength(c);
      return moved;
    }),
  };
}
