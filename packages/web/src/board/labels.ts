import { type Box, crossesBox, overlap, type Point } from "@lodrin/core";

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

/** The box round a line, to pass over the many lines that are nowhere near. */
interface Segment {
  readonly a: Point;
  readonly b: Point;
  readonly box: Box;
}

const stretch = ([a, b]: readonly [Point, Point]): Segment => ({
  a,
  b,
  box: { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), w: Math.abs(a.x - b.x) + 1, h: Math.abs(a.y - b.y) + 1 },
});

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
  const full: Box[] = [...taken, ...wishes.map((w): Box => ({ x: w.at.x - 3, y: w.at.y - 3, w: 6, h: 6 }))];
  const stretches = lines.map(stretch);
  for (const wish of wishes) {
    let best: Box | undefined;
    for (const box of places(wish)) {
      if (full.some((other) => overlap(box, other))) continue;
      best ??= box;
      if (stretches.some((s) => overlap(box, s.box) && crossesBox(s.a, s.b, box))) continue;
      best = box;
      break;
    }
    if (!best) continue;
    full.push(best);
    set.push({ ...best, id: wish.id });
  }
  return set;
}
