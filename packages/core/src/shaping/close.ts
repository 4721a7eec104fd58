import { closedEdge, closingAngle, type Dart, dartOf, dartPath, foldOf, intakeOf, mouthBetween, otherWay } from "../geometry/dart.js";
import { endOf, mapPath, type Path, startOf } from "../geometry/path/path.js";
import { distance, type Point, turn } from "../geometry/point.js";
import { type DartResult, pressedWay } from "../piece/dart-result.js";
import type { PieceResult } from "../piece/piece.js";
import { DraftError } from "../verb/draft-error.js";
import { closeForms } from "../system/shaping-forms.js";
import { pointText } from "../verb/form.js";
import { exchange, pieceOf, pointOf } from "./outline/find.js";
import { movePart, type Sides, sidesOf } from "./outline/move-part.js";
import { type Bridge, onOutline, type RingPlace } from "./outline/ring.js";
import type { Shaping } from "./shaping.js";

/** Close a dart, all of it or a share, and open it elsewhere: the paper between turns about the point both share. */
export const close: Shaping = {
  ...closeForms,
  gradual: true,
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
      const met = metInOrder(piece, dart, old.mouth);
      const sides = sidesOf(piece, { mouth: met.mouth, to: opened, over: [hinge] });
      return exchange(pieces, piece, [turned(piece, old, met.dart, sides, hinge, part(f) * share)]);
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

/** The ends of the mouth on the outline, in its order, and the dart with the leg first that the outline meets first. */
function metInOrder(piece: PieceResult, dart: Dart, mouth: Path): { mouth: readonly [RingPlace, RingPlace]; dart: Dart } {
  const ends = [startOf(mouth), endOf(mouth)] as const;
  const [p, q] = [onOutline(piece, ends[0], "The dart"), onOutline(piece, ends[1], "The dart")];
  const turned = p.edge === q.edge && p.along > q.along;
  const first = ends[turned ? 1 : 0];
  return { mouth: turned ? [q, p] : [p, q], dart: distance(first, dart.a) <= distance(first, dart.b) ? dart : otherWay(dart) };
}

function turned(piece: PieceResult, old: DartResult, dart: Dart, sides: Sides, hinge: Point, share: number): PieceResult {
  const whole = closingAngle(dart, hinge);
  const by = (sides.side === "after" ? whole : -whole) * share;
  const map = (p: Point): Point => turn(p, hinge, by);
  const left: Dart | undefined =
    share >= 1 - 1e-9 ? undefined : sides.side === "after" ? { ...dart, b: map(dart.b) } : { ...dart, a: map(dart.a) };
  const opening = openingOf(sides, map, hinge);
  const edges = { moved: sides.moved.map((edge) => mapPath(edge.path, map)), still: sides.still.map((edge) => edge.path) };
  const [ends, begins] = sides.side === "after" ? [edges.still, edges.moved] : [edges.moved, edges.still];
  const stillOpen = left && bridgeOf(left, old.pressed, ends[ends.length - 1], begins[0]);
  const pressed = opening && pressedWay(opening, undefined);
  const opens = opening && pressed && bridgeOf(opening, pressed, begins[begins.length - 1], ends[0]);
  return movePart(piece, sides, map, {
    atMouth: stillOpen,
    atTo: opens,
    darts: (darts) => [
      ...darts.filter((d) => d.key !== old.key),
      ...(left && stillOpen ? [result(old.key, old.label, left, old.pressed, stillOpen.path)] : []),
      ...(opening && pressed && opens ? [result(left ? `${old.key}_moved` : old.key, old.label, opening, pressed, opens.path)] : []),
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

function bridgeOf(dart: Dart, pressed: Point, before: Path | undefined, after: Path | undefined): Bridge {
  return { path: mouthBetween(dart, before, after, pressed), sewn: (a, b) => closedEdge(a, dart, b) };
}

function result(key: string, label: string, dart: Dart, pressed: Point, mouth: Path): DartResult {
  return { key, label, legs: dartPath(dart), fold: foldOf(dart), pressed, intake: intakeOf(dart), mouth };
}
