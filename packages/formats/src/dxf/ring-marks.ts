import type { Point } from "@lodrin/core";

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
