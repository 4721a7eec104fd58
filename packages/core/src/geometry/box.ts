import type { Point } from "./point.js";

/** An upright box: its upper left corner, width and height, in mm or screen pixels. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** True when a stretch runs through a box. */
export const crossesBox = (a: Point, b: Point, box: Box): boolean => withinBox(a, b, box) !== undefined;

/** The part of a stretch that lies in a box (slab test); undefined when none of it does. */
export function withinBox(a: Point, b: Point, box: Box): readonly [Point, Point] | undefined {
  let enter = 0;
  let leave = 1;
  for (const [from, to, low, high] of [
    [a.x, b.x, box.x, box.x + box.w],
    [a.y, b.y, box.y, box.y + box.h],
  ] as const) {
    const d = to - from;
    if (Math.abs(d) < 1e-9) {
      if (from < low || from > high) return undefined;
      continue;
    }
    const t1 = (low - from) / d;
    const t2 = (high - from) / d;
    enter = Math.max(enter, Math.min(t1, t2));
    leave = Math.min(leave, Math.max(t1, t2));
    if (enter > leave) return undefined;
  }
  const at = (t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
  return [at(enter), at(leave)];
}

/** True when two boxes share any region. */
export const overlap = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
