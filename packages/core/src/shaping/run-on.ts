import { intersectPathLine } from "../geometry/intersect.js";
import { nearestOnPath } from "../geometry/path/nearest-on-path.js";
import { straightCubic } from "../geometry/curve/cubic.js";
import { endOf, headingAtStart, mapPath, type Path, pathLength, reversePath, splitPath, startOf } from "../geometry/path/path.js";
import { distance, type Point, shift } from "../geometry/point.js";
import type { PieceResult } from "../piece/piece.js";
import { runForms } from "../system/shaping-forms.js";
import { DraftError } from "../verb/draft-error.js";
import { curveBetween } from "./outline/curve-between.js";
import { edgeOf, exchange, indexOf } from "./outline/find.js";
import { fromTo, lengthsAround, type Replacement, replaceStretches } from "./outline/replace-stretches.js";
import type { Shaping } from "./shaping.js";

/** Run an edge on over a seam: the pieces laid seam on seam, the edge drawn through as one line, the seam cut or carried on to meet it. */
export const runOn: Shaping = {
  ...runForms,
  gradual: true,
  prepare(_, filled) {
    const [edge, other] = [filled.name("edge"), filled.name("other")];
    const [seam, otherSeam] = [filled.name("seam"), filled.name("otherSeam")];
    const around = lengthsAround(
      filled,
      "An edge is trued over lengths above nothing.",
      "Give how much before the seam and how much after it.",
    );
    return (pieces, f, share) => {
      const mm = around(f, share);
      if (!mm) return [...pieces];
      const first = cornerOf(pieces, edge, seam);
      const second = cornerOf(pieces, other, otherSeam);
      const { mine, theirs } = drawnThrough(first, second, mm.before, mm.after);
      // Folded on itself, a piece meets its own mirror image: one half is drawn, the other is the same.
      if (edge === other && seam === otherSeam) return exchange(pieces, first.piece, [replaceStretches(first.piece, mine)]);
      if (first.piece === second.piece) return exchange(pieces, first.piece, [replaceStretches(first.piece, [...mine, ...theirs])]);
      return exchange(exchange(pieces, first.piece, [replaceStretches(first.piece, mine)]), second.piece, [
        replaceStretches(second.piece, theirs),
      ]);
    };
  },
};

/** Where an edge meets a seam: both as they lead away from the corner. */
interface Corner {
  readonly piece: PieceResult;
  readonly edge: number;
  readonly seam: number;
  /** The edge runs into the corner, and the seam out of it; or the other way round. */
  readonly edgeFirst: boolean;
  readonly edgeAway: Path;
  readonly seamAway: Path;
}

function cornerOf(pieces: readonly PieceResult[], edgeName: string, seamName: string): Corner {
  const { piece, index: edge } = edgeOf(pieces, edgeName);
  const [key = "", role = ""] = seamName.split(".");
  if (key !== piece.key) throw new DraftError(`${seamName} is not on the piece of ${edgeName}.`, "Name the seam at which the edge ends.");
  const seam = indexOf(piece, role);
  const n = piece.edges.length;
  const edgeFirst = (edge + 1) % n === seam;
  if (!edgeFirst && (seam + 1) % n !== edge)
    throw new DraftError(`${edgeName} does not end at ${seamName}.`, "Name the seam beside it on the outline.");
  const [e, s] = [piece.edges[edge]?.path, piece.edges[seam]?.path] as [Path, Path];
  return { piece, edge, seam, edgeFirst, edgeAway: edgeFirst ? reversePath(e) : e, seamAway: edgeFirst ? s : reversePath(s) };
}

/** What is drawn again on either piece, so that the edge runs through over the seam in one line. */
function drawnThrough(first: Corner, second: Corner, before: number, after: number): { mine: Replacement[]; theirs: Replacement[] } {
  for (const [corner, mm] of [
    [first, before],
    [second, after],
  ] as const)
    if (mm > pathLength(corner.edgeAway))
      throw new DraftError(
        `${corner.piece.edges[corner.edge]?.name ?? ""} is shorter than what of it is to be drawn again.`,
        "True less of it.",
      );
  const laid = layOn(first, second);
  const lead = reversePath(splitPath(first.edgeAway, before)[1]);
  const tail = mapPath(splitPath(second.edgeAway, after)[1], laid.there);
  const curve = curveBetween(lead, tail);
  const corner = startOf(first.seamAway);
  const u = headingAtStart(first.seamAway);
  const places = intersectPathLine(curve, { a: corner, b: shift(corner, u.x, u.y) });
  const met = places.sort((p, q) => distance(p, corner) - distance(q, corner))[0];
  if (!met) throw new DraftError("The edge drawn through does not cross the seam.", "True more of it to both sides.");
  const [toSeam, fromSeam] = splitPath(curve, nearestOnPath(curve, met).along);
  const in_ = (met.x - corner.x) * u.x + (met.y - corner.y) * u.y;
  return {
    mine: [edgeTo(first, before, reversePath(toSeam)), seamTo(first, in_, met)],
    theirs: [edgeTo(second, after, mapPath(fromSeam, laid.back)), seamTo(second, in_, laid.back(met))],
  };
}

/** The second piece laid seam on seam against the first, and back again. Outlines run clockwise: corners of one sense meet with one piece turned over. */
function layOn(first: Corner, second: Corner): { there: (p: Point) => Point; back: (p: Point) => Point } {
  const turnedOver = first.edgeFirst === second.edgeFirst;
  const over = (p: Point): Point => (turnedOver ? { x: -p.x, y: p.y } : p);
  const mine = { at: startOf(first.seamAway), heading: headingAtStart(first.seamAway) };
  const theirs = { at: over(startOf(second.seamAway)), heading: over(headingAtStart(second.seamAway)) };
  const [to, from] = [fromTo(theirs, mine), fromTo(mine, theirs)];
  return { there: (p) => to(over(p)), back: (p) => over(from(p)) };
}

/** The end of the edge at the corner drawn again: `away` leads from the seam to where the edge goes on as it was. */
function edgeTo({ edge, edgeFirst, edgeAway }: Corner, mm: number, away: Path): Replacement {
  const whole = pathLength(edgeAway);
  return edgeFirst ? { edge, from: whole - mm, to: whole, by: reversePath(away) } : { edge, from: 0, to: mm, by: away };
}

/** The seam cut off, or carried straight on, to the place where the edge crosses it. */
function seamTo({ seam, edgeFirst, seamAway }: Corner, in_: number, met: Point): Replacement {
  const cut = Math.max(0, in_) + KEPT_MM;
  const kept = splitPath(seamAway, cut)[0];
  const whole = pathLength(seamAway);
  const away: Path = { segments: [straightCubic(met, endOf(kept))] };
  return edgeFirst ? { edge: seam, from: 0, to: cut, by: away } : { edge: seam, from: whole - cut, to: whole, by: reversePath(away) };
}

/** So much (mm) of a seam beyond the crossing is drawn straight to it. */
const KEPT_MM = 5;
