import type { Notch, Point } from "@lodrin/core";

/** Where an outline turns by more than this it has a corner; less is a curve drawn in short stretches. */
const CORNER_RAD = (12 * Math.PI) / 180;

/** For each place of a ring, whether the outline turns a corner there. */
export function turnsAt(ring: readonly Point[]): boolean[] {
  return ring.map((p, i) => {
    const before = ring[(i + ring.length - 1) % ring.length] as Point;
    const after = ring[(i + 1) % ring.length] as Point;
    const into = Math.atan2(p.y - before.y, p.x - before.x);
    const outOf = Math.atan2(after.y - p.y, after.x - p.x);
    const turned = Math.abs(outOf - into) % (2 * Math.PI);
    return Math.min(turned, 2 * Math.PI - turned) > CORNER_RAD;
  });
}

/** A notch carried straight out from the sewing line to the cutting line, where it is snipped. */
export function onCuttingLine(notch: Notch, cutting: readonly Point[]): Point {
  const { at, outward } = notch;
  let best = Infinity;
  cutting.forEach((a, i) => {
    const b = cutting[(i + 1) % cutting.length] as Point;
    const ex = b.x - a.x;
    const ey = b.y - a.y;
    const det = ex * outward.y - ey * outward.x;
    if (Math.abs(det) < 1e-12) return;
    const wx = a.x - at.x;
    const wy = a.y - at.y;
    const out = (ex * wy - ey * wx) / det;
    const along = (outward.x * wy - outward.y * wx) / det;
    if (out > -1e-6 && out < best && along >= -1e-9 && along <= 1 + 1e-9) best = out;
  });
  return best === Infinity ? at : { x: at.x + outward.x * best, y: at.y + outward.y * best };
}
