import { closedEdge, closingAngle, type Dart, dartMouth, dartOf, dartPath, foldOf, intakeOf } from "../geometry/dart.js";
import { endOf, type Path, placeAlong, pathLength, startOf } from "../geometry/path.js";
import { distance, type Point, turn } from "../geometry/point.js";
import { type DartResult, pressedWay } from "../piece/dart-result.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { form, pointText } from "../verb/form.js";
import { exchange, pieceOf, pointOf } from "./find.js";
import { movePart, type Sides, sidesOf } from "./move-part.js";
import { type Bridge, onOutline } from "./ring.js";
import type { Shaping } from "./shaping.js";

/** Close a dart, all of it or a share, and open it elsewhere: the paper between turns about the point both share. */
export const close: Shaping = {
  word: "close",
  forms: [
    form("{share:number} of {dart:path} in {piece:piece} about {about:point}, open from {from:point}"),
    form("{dart:path} in {piece:piece} about {about:point}, open from {from:point}"),
    form("{dart:path} in {piece:piece} about {about:point}"),
  ],
  says: "A dart closed, the paper beside it turned about a point; it opens again from another place of the outline, or not at all when the point lies on the outline.",
  prepare(which, filled) {
    const [key, pieceKey, about] = [filled.name("dart"), filled.name("piece"), filled.name("about")];
    const from = which === 2 ? undefined : filled.name("from");
    const part = which === 0 ? filled.number("share") : () => 1;
    return (pieces, f, share) => {
      const piece = pieceOf(pieces, pieceKey);
      const old = piece.darts.find((d) => d.key === key);
      const dart = old && dartOf(old.legs);
      if (!old || !dart || !old.mouth) throw noMouth(piece, key);
      const hinge = pointOf(piece, about);
      const opened = onOutline(piece, from === undefined ? hinge : pointOf(piece, from), pointText(from ?? about));
      const mouth = asOutlined(piece, old.mouth);
      const sides = sidesOf(piece, { mouth, to: opened, over: [hinge] });
      return exchange(pieces, piece, [turned(piece, old, inOrder(dart, old.mouth, piece), sides, hinge, part(f) * share)]);
    };
  },
};

function noMouth(piece: PieceResult, key: string): DraftError {
  const known = piece.darts.filter((d) => d.mouth).map((d) => d.key);
  return new DraftError(
    `${piece.title} has no dart ${key} in one of its edges.`,
    known.length > 0 ? `It has: ${known.join(", ")}.` : "Name the dart in an edge of the piece: edge side: F19 > side_dart > F24.",
  );
}

/** The ends of the mouth in the order the outline meets them. */
function asOutlined(piece: PieceResult, mouth: Path): [ReturnType<typeof onOutline>, ReturnType<typeof onOutline>] {
  const [p, q] = [onOutline(piece, startOf(mouth), "The dart"), onOutline(piece, endOf(mouth), "The dart")];
  return p.edge === q.edge && p.along > q.along ? [q, p] : [p, q];
}

/** The dart with the leg first that the outline meets first. */
function inOrder(dart: Dart, mouth: Path, piece: PieceResult): Dart {
  const [p, q] = [onOutline(piece, startOf(mouth), "The dart"), onOutline(piece, endOf(mouth), "The dart")];
  const [first] = p.edge === q.edge && p.along > q.along ? [endOf(mouth)] : [startOf(mouth)];
  return distance(first, dart.a) <= distance(first, dart.b) ? dart : { ...dart, a: dart.b, b: dart.a };
}

function turned(piece: PieceResult, old: DartResult, dart: Dart, sides: Sides, hinge: Point, share: number): PieceResult {
  const whole = closingAngle(dart, hinge);
  const by = (sides.side === "after" ? whole : -whole) * share;
  const map = (p: Point): Point => turn(p, hinge, by);
  const left: Dart | undefined =
    share >= 1 - 1e-9 ? undefined : sides.side === "after" ? { ...dart, b: map(dart.b) } : { ...dart, a: map(dart.a) };
  const opening = openingOf(sides, map, hinge);
  const stillOpen = left && bridgeOf(left, old.pressed, lastOf(sides, "mouth", map), firstOf(sides, "mouth", map));
  const opens = opening && bridgeOf(opening, pressedWay(opening, undefined), lastOf(sides, "to", map), firstOf(sides, "to", map));
  return movePart(piece, sides, map, {
    atMouth: stillOpen?.bridge,
    atTo: opens?.bridge,
    darts: (darts) => [
      ...darts.filter((d) => d.key !== old.key),
      ...(left && stillOpen ? [result(old.key, old.label, left, old.pressed, stillOpen.bridge.path)] : []),
      ...(opening && opens
        ? [result(left ? `${old.key}_moved` : old.key, old.label, opening, pressedWay(opening, undefined), opens.bridge.path)]
        : []),
    ],
  });
}

/** The new dart, from where the outline was cut to the point it was turned about; undefined when it was turned about that very place. */
function openingOf({ side, moved, still }: Sides, map: (p: Point) => Point, hinge: Point): Dart | undefined {
  const cut = side === "after" ? endOf((moved[moved.length - 1] as { path: Path }).path) : startOf((moved[0] as { path: Path }).path);
  if (distance(cut, hinge) < 0.01 || still.length === 0) return undefined;
  const gone = map(cut);
  if (distance(cut, gone) < 1e-6) return undefined;
  return side === "after" ? { a: gone, b: cut, tips: [hinge] } : { a: cut, b: gone, tips: [hinge] };
}

/** The edge that ends at the mouth, or at the other opening, after the turn; and the one that begins there. */
function lastOf({ side, moved, still }: Sides, where: "mouth" | "to", map: (p: Point) => Point): Path | undefined {
  const movedEnds = (side === "after") === (where === "to");
  const edge = movedEnds ? moved[moved.length - 1] : still[still.length - 1];
  return (
    edge && {
      parts: movedEnds
        ? edge.path.parts.map((c) => ({ ...c, p0: map(c.p0), p1: map(c.p1), p2: map(c.p2), p3: map(c.p3) }))
        : edge.path.parts,
    }
  );
}
function firstOf({ side, moved, still }: Sides, where: "mouth" | "to", map: (p: Point) => Point): Path | undefined {
  const movedBegins = (side === "after") === (where === "mouth");
  const edge = movedBegins ? moved[0] : still[0];
  return (
    edge && {
      parts: movedBegins
        ? edge.path.parts.map((c) => ({ ...c, p0: map(c.p0), p1: map(c.p1), p2: map(c.p2), p3: map(c.p3) }))
        : edge.path.parts,
    }
  );
}

const LOOK_MM = 5;

function bridgeOf(dart: Dart, pressed: Point, before: Path | undefined, after: Path | undefined): { bridge: Bridge } {
  const behind = before
    ? placeAlong(before, Math.max(0, pathLength(before) - LOOK_MM)).at
    : { x: 2 * dart.a.x - dart.b.x, y: 2 * dart.a.y - dart.b.y };
  const ahead = after
    ? placeAlong(after, Math.min(LOOK_MM, pathLength(after))).at
    : { x: 2 * dart.b.x - dart.a.x, y: 2 * dart.b.y - dart.a.y };
  const path = dartMouth(dart, behind, ahead, pressed);
  return { bridge: { path, sewn: (a, b) => closedEdge(a, dart, b) } };
}

function result(key: string, label: string, dart: Dart, pressed: Point, mouth: Path): DartResult {
  return { key, label, legs: dartPath(dart), fold: foldOf(dart), pressed, intake: intakeOf(dart), mouth };
}
