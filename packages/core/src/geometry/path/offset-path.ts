import { type Cubic, cubicAt, cubicHeading, cubicSlope, splitCubic, straightCubic } from "../curve/cubic.js";
import { intersectLines } from "../line.js";
import { intersectPaths } from "./intersect-paths.js";
import { endOf, headingAtEnd, headingAtStart, joinPaths, type Path, pathLength, splitPath, startOf } from "./path.js";
import { nearestOnPath } from "./nearest-on-path.js";
import { distance, type Point } from "../point.js";

/** How far (mm) the line beside a curve may stray from where it should lie. */
const STRAYS_MM = 0.01;
const DEEPEST = 8;
/** Directions that differ by less (as a sine) run on smoothly. */
const SMOOTH = 1e-3;

/**
 * The path `mm` to the left of someone walking along it (less than nothing: to the right). A curve strays at most a
 * hundredth of a millimetre; outer corners are mitred, inner ones cut where the two sides cross. Undefined where
 * the path bends more tightly than that.
 */
export function offsetPath(path: Path, mm: number): Path | undefined {
  if (mm === 0) return path;
  const runs: Path[] = [];
  for (const segment of path.segments) {
    const parts = offsetCubic(segment, mm, DEEPEST);
    if (!parts) return undefined;
    runs.push({ segments: parts });
  }
  return runs.slice(1).reduce((done, next) => meet(done, next), runs[0] as Path);
}

function offsetCubic(c: Cubic, mm: number, deepest: number): Cubic[] | undefined {
  const [n0, n1] = [leftOf(cubicHeading(c, 0)), leftOf(cubicHeading(c, 1))];
  const [a, b] = [along(c.p0, n0, mm), along(c.p3, n1, mm)];
  if (c.straight) return [straightCubic(a, b)];
  const [s0, s1] = [stretchAt(c, 0, mm), stretchAt(c, 1, mm)];
  if (s0 <= 0 || s1 <= 0 || stretchAt(c, 0.5, mm) <= 0) return undefined;
  const [d0, d1] = [cubicSlope(c, 0), cubicSlope(c, 1)];
  const made: Cubic = {
    p0: a,
    p1: { x: a.x + (d0.x * s0) / 3, y: a.y + (d0.y * s0) / 3 },
    p2: { x: b.x - (d1.x * s1) / 3, y: b.y - (d1.y * s1) / 3 },
    p3: b,
    straight: false,
  };
  const wanted = along(cubicAt(c, 0.5), leftOf(cubicHeading(c, 0.5)), mm);
  if (deepest === 0 || distance(cubicAt(made, 0.5), wanted) <= STRAYS_MM) return [made];
  const halves = splitCubic(c, 0.5).map((half) => offsetCubic(half, mm, deepest - 1));
  return halves[0] && halves[1] && [...halves[0], ...halves[1]];
}

/** Square off a direction, to the left hand on a paper whose y runs down. */
const leftOf = (heading: Point): Point => ({ x: heading.y, y: -heading.x });
const along = (p: Point, n: Point, mm: number): Point => ({ x: p.x + n.x * mm, y: p.y + n.y * mm });

/** How much longer than the curve the line beside it runs at t: 1 plus the distance times the curvature there. */
function stretchAt(c: Cubic, t: number, mm: number): number {
  const { x, y } = cubicSlope(c, t);
  const s = 1 - t;
  const ax = 6 * (s * (c.p2.x - 2 * c.p1.x + c.p0.x) + t * (c.p3.x - 2 * c.p2.x + c.p1.x));
  const ay = 6 * (s * (c.p2.y - 2 * c.p1.y + c.p0.y) + t * (c.p3.y - 2 * c.p2.y + c.p1.y));
  const speed = Math.hypot(x, y);
  return speed < 1e-9 ? 1 : 1 + (mm * (x * ay - y * ax)) / speed ** 3;
}

/** Two lines beside neighbouring parts of a path as one: smooth, mitred over an outer corner, cut back at an inner one. */
function meet(before: Path, after: Path): Path {
  const [p, q] = [endOf(before), startOf(after)];
  const [u, v] = [headingAtEnd(before), headingAtStart(after)];
  if (distance(p, q) < 1e-6 || Math.abs(u.x * v.y - u.y * v.x) < SMOOTH) return joinPaths([before, after]);
  const [at] = intersectPaths(before, after);
  if (at)
    return joinPaths(
      [splitPath(before, nearestOnPath(before, at).along)[0], splitPath(after, nearestOnPath(after, at).along)[1]].filter(
        (part) => pathLength(part) > 1e-9,
      ),
    );
  const corner = intersectLines({ a: p, b: along(p, u, 1) }, { a: q, b: along(q, v, 1) });
  if (!corner) return joinPaths([before, { segments: [straightCubic(p, q)] }, after]);
  return joinPaths([before, { segments: [straightCubic(p, corner), straightCubic(corner, q)] }, after]);
}
