import { cubicAt } from "./cubic.js";
import { cubicLength } from "./cubic-length.js";
import { splitCubic } from "./cubic.js";
import type { Path } from "./path.js";
import { distance, type Point } from "./point.js";

const SAMPLES = 24;

/** Length in mm from a path's start to the place on it nearest to `p`, and how far off the path `p` lies. */
export function locate(path: Path, p: Point): { along: number; off: number } {
  let best = { along: 0, off: Infinity };
  let before = 0;
  for (const segment of path.segments) {
    const t = nearestParameter((u) => distance(cubicAt(segment, u), p));
    const off = distance(cubicAt(segment, t), p);
    if (off < best.off - 1e-9) best = { along: before + cubicLength(splitCubic(segment, t)[0]), off };
    before += cubicLength(segment);
  }
  return best;
}

/** The parameter in 0..1 at which `far` is least: the best of evenly spaced samples, then golden-section steps round it. */
function nearestParameter(far: (t: number) => number): number {
  let index = 0;
  for (let i = 1; i <= SAMPLES; i++) if (far(i / SAMPLES) < far(index / SAMPLES)) index = i;
  let low = Math.max(0, (index - 1) / SAMPLES);
  let high = Math.min(1, (index + 1) / SAMPLES);
  const share = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 60; i++) {
    const a = high - share * (high - low);
    const b = low + share * (high - low);
    if (far(a) < far(b)) high = b;
    else low = a;
  }
  const middle = (low + high) / 2;
  // The ends are meant exactly when a curve begins or ends at the place.
  return [0, 1].find((end) => far(end) <= far(middle)) ?? middle;
}
