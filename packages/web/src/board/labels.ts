import { type Box, crossesBox, type Point } from "@lodrin/core";

/** A number to be set beside its point, in screen pixels. */
export interface LabelWish {
  readonly id: string;
  readonly at: Point;
  readonly width: number;
}

/** Where a number was set: its box, whose lower left corner is where text begins. */
export interface PlacedLabel extends Box {
  readonly id: string;
}

const HEIGHT = 16;
const NEAR = 5;
const FAR = 16;

/** Eight places round a point, near ones first, then the same further out. */
function places(wish: LabelWish): Box[] {
  const out: Box[] = [];
  for (const gap of [NEAR, FAR]) {
    const right = wish.at.x + gap;
    const left = wish.at.x - gap - wish.width;
    const over = wish.at.y - gap - HEIGHT;
    const under = wish.at.y + gap;
    const mid = wish.at.y - HEIGHT / 2;
    const centre = wish.at.x - wish.width / 2;
    for (const [x, y] of [
      [right, over],
      [left, over],
      [right, under],
      [left, under],
      [right, mid],
      [left, mid],
      [centre, over],
      [centre, under],
    ] as const)
      out.push({ x, y, w: wish.width, h: HEIGHT });
  }
  return out;
}

const overlap = (a: Box, b: Box): boolean => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/**
 * Sets numbers beside their points so that they lie on no other number, no point and, where there is room, no line.
 * The first wish has the first choice. A number with no free place is left out rather than set on another.
 */
export function placeLabels(
  wishes: readonly LabelWish[],
  lines: readonly (readonly [Point, Point])[],
  taken: readonly Box[] = [],
): PlacedLabel[] {
  const set: PlacedLabel[] = [];
  const points = wishes.map((w): Box => ({ x: w.at.x - 3, y: w.at.y - 3, w: 6, h: 6 }));
  for (const wish of wishes) {
    const free = places(wish).filter((box) => ![...set, ...taken, ...points].some((other) => overlap(box, other)));
    const best = free.find((box) => !lines.some(([a, b]) => crossesBox(a, b, box))) ?? free[0];
    if (best) set.push({ ...best, id: wish.id });
  }
  return set;
}
