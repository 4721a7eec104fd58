import { intersectLines, type Line, mirror } from "./line.js";
import { endOf, mapPath, type Path, pathLength, pointAtLength, polyline, startOf } from "./path/path.js";
import { bearing, lerp, distance, type Point, turn, turnBetween } from "./point.js";

/** A dart on the board: the ends of its two legs at the mouth, and one point, or two when it runs out both ways. */
export interface Dart {
  readonly a: Point;
  readonly b: Point;
  readonly tips: readonly [Point] | readonly [Point, Point];
}

/** The dart as a path: leg, point, leg; and back by the other point when it has two. */
export const dartPath = ({ a, b, tips }: Dart): Path => polyline(tips[1] ? [a, tips[0], b, tips[1], a] : [a, tips[0], b]);

/** The dart a path was drawn from; undefined for a path that is none. */
export function dartOf(path: Path): Dart | undefined {
  const corners = [startOf(path), ...path.segments.map((c) => c.p3)];
  const [a, first, b, second] = corners as [Point, Point, Point, Point];
  if (corners.length === 3) return { a, b, tips: [first] };
  return corners.length === 5 ? { a, b, tips: [first, second] } : undefined;
}

/** What the dart takes in at its mouth, mm. */
export const intakeOf = (dart: Dart): number => distance(dart.a, dart.b);

/** The angle that closes the dart about its first point: `b` turned by it falls on the leg of `a`. Radians, clockwise. */
export function closingAngle({ a, b, tips }: Dart, about: Point = tips[0]): number {
  return turnBetween(bearing(about, b), bearing(about, a));
}

/**
 * The shaped mouth: from `a` over the fold to `b`, so that the edge runs straight on over the pressed dart. `before` and
 * `after` are places of the edge on either side of the mouth; `pressed` is the way the fold is pressed. When the edge and
 * the fold do not meet near the mouth, the mouth is straight.
 */
export function dartMouth(dart: Dart, before: Point, after: Point, pressed: Point): Path {
  const { a, b } = dart;
  const [tip] = dart.tips;
  const axis: Line = { a: tip, b: foldFoot(dart) };
  const toB = (b.x - a.x) * pressed.x + (b.y - a.y) * pressed.y >= 0;
  const [leg, edge] = toB ? [b, after] : [a, before];
  // The pressed fold lies on the edge beside the leg: trimmed there and opened, it is that edge mirrored in the leg.
  const over = mirror(edge, { a: tip, b: leg });
  const peak = over && distance(over, leg) > 1e-6 ? intersectLines({ a: leg, b: over }, axis) : undefined;
  const reach = intakeOf(dart) * 1.5;
  return peak && distance(peak, leg) <= reach && onward(leg, over as Point, peak) ? polyline([a, peak, b]) : polyline([a, b]);
}

/** How far (mm) from a mouth the way of the edge is looked at. */
const LOOK_MM = 5;

/** The shaped mouth between the stretches of edge before and after it; where there is none, the edge is taken to run on straight. */
export function mouthBetween(dart: Dart, before: Path | undefined, after: Path | undefined, pressed: Point): Path {
  const { a, b } = dart;
  const behind = before ? pointAtLength(before, Math.max(0, pathLength(before) - LOOK_MM)).at : lerp(b, a, 2);
  const ahead = after ? pointAtLength(after, Math.min(LOOK_MM, pathLength(after))).at : lerp(a, b, 2);
  return dartMouth(dart, behind, ahead, pressed);
}

/** The dart with its legs named the other way round. */
export const otherWay = (dart: Dart): Dart => ({ ...dart, a: dart.b, b: dart.a });

/** Where the fold of the dart leaves the piece: the middle of the mouth, on the bisector of the legs. */
function foldFoot({ a, b, tips: [tip] }: Dart): Point {
  const [la, lb] = [distance(tip, a), distance(tip, b)];
  return la + lb > 0 ? lerp(a, b, la / (la + lb)) : lerp(a, b, 0.5);
}

const onward = (from: Point, to: Point, p: Point): boolean => (to.x - from.x) * (p.x - from.x) + (to.y - from.y) * (p.y - from.y) > 0;

/** The fold: from the mouth to the point, or from point to point. */
export const foldOf = (dart: Dart): readonly [Point, Point] => [dart.tips[1] ?? foldFoot(dart), dart.tips[0]];

/** The edge with its dart closed: what stands before the mouth, then what stands behind it turned about the dart's point. */
export function closedEdge(before: Path | undefined, dart: Dart, after: Path | undefined): Path {
  const by = closingAngle(dart);
  const turned = after && mapPath(after, (p) => turn(p, dart.tips[0], by));
  // Legs that are not quite equal leave a step, which is trued: it is no length of the seam.
  const meets = turned && before ? mapPath(turned, shiftTo(startOf(turned), endOf(before))) : turned;
  return { segments: [...(before?.segments ?? []), ...(meets?.segments ?? [])] };
}

const shiftTo =
  (from: Point, to: Point) =>
  (p: Point): Point => ({ x: p.x + to.x - from.x, y: p.y + to.y - from.y });

/** How much of a straight line lies inside the dart, mm: what the dart takes in at that level. */
export function widthAt(dart: Dart, line: Line): number {
  const length = distance(line.a, line.b);
  if (length === 0) return 0;
  const u = { x: (line.b.x - line.a.x) / length, y: (line.b.y - line.a.y) / length };
  const along = (p: Point): number => (p.x - line.a.x) * u.x + (p.y - line.a.y) * u.y;
  const off = (p: Point): number => (p.y - line.a.y) * u.x - (p.x - line.a.x) * u.y;
  const ring = [dart.a, dart.tips[0], dart.b, ...(dart.tips[1] ? [dart.tips[1]] : [])];
  const hits: number[] = [];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length] as Point;
    const [hp, hq] = [off(p), off(q)];
    if (Math.abs(hp) < 1e-6) hits.push(along(p));
    else if (hp * hq < 0 && Math.abs(hq) >= 1e-6) hits.push(along(lerp(p, q, hp / (hp - hq))));
  });
  return hits.length < 2 ? 0 : Math.max(...hits) - Math.min(...hits);
}
