import type { Evaluate } from "../formula/scope.js";
import { straightCubic } from "../geometry/curve/cubic.js";
import { flatten } from "../geometry/path/flatten.js";
import { nearestOnPath, placeOnPath } from "../geometry/path/nearest-on-path.js";
import { intersectPaths } from "../geometry/path/intersect-paths.js";
import { offsetPath } from "../geometry/path/offset-path.js";
import {
  endOf,
  headingAtEnd,
  headingAtStart,
  joinPaths,
  type Path,
  pathLength,
  reversePath,
  splitPath,
  startOf,
} from "../geometry/path/path.js";
import { distance, type Point } from "../geometry/point.js";
import { amended, assemble, type EdgeParts } from "../piece/assemble.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { changed, type PieceChanges } from "./amend.js";
import { lies } from "./outline/contents.js";
import { indexOf, pieceOf } from "./outline/find.js";
import { extractPart } from "./outline/extract-part.js";
import type { Shape } from "./shaping.js";

/** A piece to be made from another. */
interface NewPiece extends PieceChanges {
  readonly key: string;
  readonly title: string;
  readonly of: string;
  readonly strip: { readonly width: Evaluate; readonly along: readonly string[]; readonly less: boolean } | undefined;
  readonly cut: number | undefined;
  readonly onFold: boolean | undefined;
  readonly mirrored: boolean | undefined;
}

/** A piece made from another as it lies by then: of the same shape, a strip of it along some of its edges, or what such a strip leaves of it. */
export const pieceFrom =
  (made: NewPiece): Shape =>
  (pieces, environment) => {
    const source = pieceOf(pieces, made.of);
    const shape = made.strip
      ? extractPart(source, stripped(source, made.strip.along, made.strip.width(environment))[made.strip.less ? "rest" : "strip"], made.key)
      : assemble({ ...source, key: made.key });
    const cut = made.cut === undefined ? {} : { cut: made.cut, onFold: made.onFold ?? false, mirrored: made.mirrored ?? false };
    const named = amended(shape, { ...cut, title: made.title });
    return [...pieces, changed(named, made, environment)];
  };

/** An inner edge shorter than this (mm) is none: the strip takes all of the piece. */
const LEAST_MM = 1;

/** The edges of a strip and of what it leaves, parted by the inner edge. */
interface Stripped {
  readonly strip: EdgeParts[];
  readonly rest: EdgeParts[];
}

/** A strip so wide (mm) along neighbouring edges: its inner edge lies beside them, its ends are what the neighbours have of it. */
function stripped(piece: PieceResult, roles: readonly string[], mm: number): Stripped {
  if (!(mm > 0)) throw new DraftError("A strip has a width above nothing.", "Check what its width is worked out from.");
  const n = piece.edges.length;
  const chosen = new Set(roles.map((role) => indexOf(piece, role)));
  if (chosen.size === n) throw new DraftError("A strip cannot run all the way round.", "Leave out the edge where it is to end.");
  const first = [...chosen].find((i) => !chosen.has((i + n - 1) % n)) ?? 0;
  const run = Array.from({ length: chosen.size }, (_, k) => (first + k) % n);
  if (run.some((i) => !chosen.has(i)))
    throw new DraftError(
      `${roles.join(" and ")} do not lie beside each other on ${piece.title}.`,
      "A strip runs along neighbouring edges: make two of it.",
    );
  const along = run.map((i) => piece.edges[i] as EdgeParts);
  const beside = offsetPath(joinPaths(along.map((e) => e.path)), -mm);
  if (!beside) throw new DraftError("The edge bends more tightly than the strip is wide.", "Make the strip narrower.");
  const others = Array.from({ length: n - run.length }, (_, k) => piece.edges[(first + run.length + k) % n] as EdgeParts);
  const end = endAt(beside, others, true);
  const start = endAt(beside, [...others].reverse(), false);
  if (!end || !start || end.passed + start.passed >= others.length)
    throw new DraftError("The strip is wider than the piece has room for.", "Make it narrower, or let it run along more edges.");
  const line = cutBetween(beside, start, end);
  if (pathLength(line) < LEAST_MM || !flatten(line).every((p) => lies(p, piece.net)))
    throw new DraftError("The strip is wider than the piece has room for.", "Make it narrower, or let it run along more edges.");
  const [last, before] = [others[end.passed] as EdgeParts, others[others.length - 1 - start.passed] as EdgeParts];
  const [lastOfStrip, lastOfRest] = splitPath(last.path, end.along);
  const [beforeOfRest, beforeOfStrip] = splitPath(before.path, start.along);
  const inner = (path: Path, parts: Partial<EdgeParts>): EdgeParts => ({ ...FREE_EDGE, ...parts, path, sewn: path });
  const strip = [
    ...along,
    ...others.slice(0, end.passed),
    plain(last, endingAt(lastOfStrip, end.at)),
    inner(reversePath(line), {}),
    plain(before, beginningAt(beforeOfStrip, start.at)),
    ...others.slice(others.length - start.passed),
  ];
  // Strip and rest are sewn to each other on the inner edge: the rest has the allowance there that the edge of the piece had.
  const joined = { allowance: along[0]?.allowance ?? 0, finish: "seam", treatment: "open" } as const;
  if (last === before) {
    const between = splitPath(lastOfRest, start.along - end.along)[0];
    return { strip, rest: [inner(line, joined), plain(last, beginningAt(endingAt(between, start.at), end.at))] };
  }
  const rest = [
    inner(line, joined),
    plain(last, beginningAt(lastOfRest, end.at)),
    ...others.slice(end.passed + 1, others.length - 1 - start.passed),
    plain(before, endingAt(beforeOfRest, start.at)),
  ];
  return { strip, rest };
}

/** The inner edge of a strip. It is free: it meets the fold and its like over a seam as the strip leaves it. */
const FREE_EDGE = { role: "inner", allowance: 0, finish: "finished", pointed: true, treatment: undefined, corner: "mitre" } as const;

/** A path whose end is brought to the very place where it is met: a hair beside it, outlines would cross there. */
const endingAt = (path: Path, at: Point): Path => ({
  segments: path.segments.map((c, i) =>
    i < path.segments.length - 1 ? c : c.straight ? straightCubic(c.p0, at) : { p0: c.p0, p1: c.p1, p2: c.p2, p3: at, straight: false },
  ),
});

const beginningAt = (path: Path, at: Point): Path => reversePath(endingAt(reversePath(path), at));

const plain = (edge: EdgeParts, path: Path): EdgeParts => ({ ...edge, path, sewn: path });

interface Meeting {
  readonly at: Point;
  /** How many neighbours the strip takes whole before the one it ends on, and how far along that one, mm. */
  readonly passed: number;
  readonly along: number;
}

/** Where the inner edge of a strip, carried on straight when it stops short, meets the outline: on the first neighbour it reaches. */
function endAt(inner: Path, neighbours: readonly EdgeParts[], atEnd: boolean): Meeting | undefined {
  const tip = atEnd ? endOf(inner) : startOf(inner);
  const u = atEnd ? headingAtEnd(inner) : headingAtStart(inner);
  for (const [passed, { path }] of neighbours.entries()) {
    const reach = pathLength(path) * (atEnd ? 1 : -1);
    const on: Path = { segments: [straightCubic(tip, { x: tip.x + u.x * reach, y: tip.y + u.y * reach })] };
    const corner = atEnd ? startOf(path) : endOf(path);
    const met = [...intersectPaths(inner, path), ...(placeOnPath(path, tip, 1e-6) ? [tip] : []), ...intersectPaths(on, path)];
    const [at] = met.sort((p, q) => distance(p, corner) - distance(q, corner));
    if (at) return { at, passed, along: nearestOnPath(path, at).along };
  }
  return undefined;
}

/** The inner edge from one meeting to the other, carried on straight where it stops short. */
function cutBetween(inner: Path, start: Meeting, end: Meeting): Path {
  const [a, b] = [nearestOnPath(inner, start.at), nearestOnPath(inner, end.at)];
  const kept = splitPath(splitPath(inner, b.along)[0], a.along)[1];
  const begun = reversePath(reaching(reversePath(kept), start.at));
  return reaching(begun, end.at);
}

/** How near (mm) to a meeting a path ends that was cut there. */
const CUT_THERE_MM = 0.05;

/** A path brought to a place: its end set there when it was cut there, else carried on straight. */
const reaching = (path: Path, at: Point): Path =>
  distance(endOf(path), at) <= CUT_THERE_MM ? endingAt(path, at) : joinPaths([path, { segments: [straightCubic(endOf(path), at)] }]);
