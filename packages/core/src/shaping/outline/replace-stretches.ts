import type { Environment } from "../../formula/scope.js";
import { nearestOnPath, placeOnPath } from "../../geometry/path/nearest-on-path.js";
import { joinPaths, mapPath, type Path, pathLength, pointAtLength, splitPath } from "../../geometry/path/path.js";
import { type Point, turn } from "../../geometry/point.js";
import { assemble, type EdgeParts } from "../../piece/assemble.js";
import { mouthsOn, ON_THE_EDGE_MM } from "../../piece/mouths.js";
import { type PieceResult, roleText } from "../../piece/piece.js";
import { DraftError } from "../../verb/draft-error.js";
import type { ShapingFilled } from "../shaping.js";

/** A stretch of an edge drawn again: from how far along its cut path to how far (mm), and by what. */
export interface Replacement {
  readonly edge: number;
  readonly from: number;
  readonly to: number;
  readonly by: Path;
}

const NOTHING_MM = 1e-9;

/** The piece with stretches of its edges drawn again, none of them over the mouth of a dart; its notches stay on the line. Throws DraftError. */
export function replaceStretches(piece: PieceResult, stretches: readonly Replacement[]): PieceResult {
  const edges = piece.edges.map((e, i): EdgeParts => {
    // From the end back: what stands before a stretch keeps its place.
    const mine = stretches.filter((s) => s.edge === i).sort((a, b) => b.from - a.from);
    if (mine.some((s, k) => k > 0 && s.to > (mine[k - 1] as Replacement).from + NOTHING_MM))
      throw new DraftError(`Two stretches of ${roleText(e)} that are to be drawn again run into each other.`, "Round or true less of it.");
    return mine.reduce((edge, stretch) => drawnAnew(piece, edge, stretch), e as EdgeParts);
  });
  const changed = [...new Set(stretches.map((s) => s.edge))];
  const notches = piece.notches.map((notch) => {
    const on = changed.find((i) => placeOnPath((piece.edges[i] as EdgeParts).path, notch.at, ON_THE_EDGE_MM) !== undefined);
    if (on === undefined) return notch;
    const { path } = edges[on] as EdgeParts;
    const now = nearestOnPath(path, notch.at);
    return now.off < NOTHING_MM ? notch : { ...notch, at: pointAtLength(path, now.along).at };
  });
  return assemble({ ...piece, edges, notches });
}

function drawnAnew(piece: PieceResult, edge: EdgeParts, { from, to, by }: Replacement): EdgeParts {
  const put = (path: Path, a: number, b: number, middle: Path): Path =>
    joinPaths([splitPath(path, a)[0], middle, splitPath(path, b)[1]].filter((p) => pathLength(p) > NOTHING_MM));
  const path = put(edge.path, from, to, by);
  if (edge.sewn === edge.path) return { ...edge, path, sewn: path };
  const mouths = mouthsOn(piece, edge.path);
  if (mouths.some((m) => m.from < to - ON_THE_EDGE_MM && m.from + m.length > from + ON_THE_EDGE_MM))
    throw new DraftError(`A dart opens in ${roleText(edge)} where it is to be drawn again.`, "Round or true less of it.");
  const taken = mouths.reduce((sum, m) => sum + (m.from + m.length <= from + ON_THE_EDGE_MM ? m.length : 0), 0);
  const anchor = from > NOTHING_MM ? from : to;
  const rigid = fromTo(pointAtLength(edge.path, anchor), pointAtLength(edge.sewn, anchor - taken));
  return { ...edge, path, sewn: put(edge.sewn, from - taken, to - taken, mapPath(by, rigid)) };
}

/**
 * How much before a place and how much after it is drawn again, mm, done to `share` of the whole. Undefined when it is nothing
 * at all; throws DraftError, in these words, when either is less.
 */
export function lengthsAround(filled: ShapingFilled, why: string, fix: string) {
  const [before, after] = [filled.length("before"), filled.length("after")];
  return (f: Environment, share: number): { readonly before: number; readonly after: number } | undefined => {
    const [b, a] = [before(f) * share, after(f) * share];
    if (!(b >= 0 && a >= 0)) throw new DraftError(why, fix);
    return b + a === 0 ? undefined : { before: b, after: a };
  };
}

interface Placed {
  readonly at: Point;
  readonly heading: Point;
}

/** The rigid move that lays one place with its direction on another. */
export function fromTo(a: Placed, b: Placed): (p: Point) => Point {
  const by = Math.atan2(b.heading.y, b.heading.x) - Math.atan2(a.heading.y, a.heading.x);
  return (p) => turn({ x: p.x + b.at.x - a.at.x, y: p.y + b.at.y - a.at.y }, b.at, by);
}
