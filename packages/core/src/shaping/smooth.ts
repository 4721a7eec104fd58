import { endOf, pathLength, splitPath, startOf } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";
import type { EdgeParts } from "../piece/assemble.js";
import { type PieceResult, roleText } from "../piece/piece.js";
import { smoothForms } from "../system/shaping-forms.js";
import { DraftError } from "../verb/draft-error.js";
import { curveBetween } from "./outline/curve-between.js";
import { exchange, pieceOf } from "./outline/find.js";
import { lengthsAround, type Replacement, replaceStretches } from "./outline/replace-stretches.js";
import { onOutline, placeAt, type RingPlace } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Round corners of the outline, as a curve ruler does after pieces were joined. */
export const smooth: Shaping = {
  ...smoothForms,
  gradual: true,
  prepare(_, filled) {
    const [key, names] = [filled.name("piece"), filled.names("places")];
    const around = lengthsAround(filled, "A corner is rounded over lengths above nothing.", "Give how much before it and how much after.");
    return (pieces, f, share) => {
      const piece = pieceOf(pieces, key);
      const mm = around(f, share);
      if (!mm) return [...pieces];
      // A corner keeps its place while another is rounded: each is found on the piece as it was named.
      const corners = names.flatMap((name) => cornersOf(piece, name));
      return exchange(pieces, piece, [
        replaceStretches(
          piece,
          corners.flatMap((corner) => rounded(piece, corner, mm.before, mm.after)),
        ),
      ]);
    };
  },
};

/** A point by its name, or both places where a seam that was joined meets the outline, by the name the seam had. */
function cornersOf(piece: PieceResult, name: string): Point[] {
  const point = piece.carried.points.get(name);
  if (point) return [point];
  const seam = piece.inside.find((line) => line.label.replace(/ /g, "_") === name)?.path ?? piece.edges.find((e) => e.role === name)?.path;
  if (!seam)
    throw new DraftError(
      `${piece.title} has no point and no seam called ${name}.`,
      "Name a point of its outline, or a seam at which pieces were joined.",
    );
  const ends = [startOf(seam), endOf(seam)].filter((p) => placeAt(piece, p));
  if (ends.length === 0)
    throw new DraftError(`${name} meets the outline of ${piece.title} nowhere.`, "Name a point of the outline instead.");
  return ends;
}

function rounded(piece: PieceResult, corner: Point, before: number, after: number): Replacement[] {
  const place = onOutline(piece, corner, "The corner");
  const n = piece.edges.length;
  const edge = piece.edges[place.edge] as EdgeParts;
  const length = pathLength(edge.path);
  if (place.along > NEAR_MM && place.along < length - NEAR_MM) return within(piece, place, before, after);
  const second = place.along <= NEAR_MM ? place.edge : (place.edge + 1) % n;
  const first = (second + n - 1) % n;
  return between(piece, first, second, before, after);
}

/** How near (mm) to the end of an edge a corner is that end. */
const NEAR_MM = 0.05;

/** A corner inside one edge. */
function within(piece: PieceResult, { edge: index, along }: RingPlace, before: number, after: number): Replacement[] {
  const edge = piece.edges[index] as EdgeParts;
  const [from, to] = [along - before, along + after];
  if (from < 0 || to > pathLength(edge.path)) throw tooLong(edge.role);
  return [{ edge: index, from, to, by: curveBetween(splitPath(edge.path, from)[0], splitPath(edge.path, to)[1]) }];
}

/** A corner where one edge goes over into the next: each ends in the middle of the curve. */
function between(piece: PieceResult, first: number, second: number, before: number, after: number): Replacement[] {
  const [a, b] = [piece.edges[first] as EdgeParts, piece.edges[second] as EdgeParts];
  const whole = pathLength(a.path);
  if (before > whole) throw tooLong(a.role);
  if (after > pathLength(b.path)) throw tooLong(b.role);
  if (a.finish === "fold" || b.finish === "fold")
    throw new DraftError("A corner at the fold is not rounded: the fold stays straight.", "Let the edge run square into the fold instead.");
  const curve = curveBetween(splitPath(a.path, whole - before)[0], splitPath(b.path, after)[1]);
  const [toMiddle, fromMiddle] = splitPath(curve, pathLength(curve) / 2);
  return [
    { edge: first, from: whole - before, to: whole, by: toMiddle },
    { edge: second, from: 0, to: after, by: fromMiddle },
  ];
}

const tooLong = (role: string): DraftError =>
  new DraftError(`${roleText({ role })} is shorter than what is to be rounded off it.`, "Round less.");
