import { type Dart, dartOf, foldOf, intakeOf } from "../geometry/dart.js";
import { mapPath, type Path } from "../geometry/path/path.js";
import type { Point } from "../geometry/point.js";

/** A dart on a piece. Lengths in mm. */
export interface DartResult {
  readonly key: string;
  readonly label: string;
  /** Leg, point, leg; and back by the other point when it has two. */
  readonly legs: Path;
  readonly fold: readonly [Point, Point];
  /** The way the fold is pressed, a unit direction on the paper. */
  readonly pressed: Point;
  readonly intake: number;
  /** The shaped mouth, for a dart in an edge. */
  readonly mouth: Path | undefined;
}

/** A dart as its author named it. */
export interface NamedDart {
  readonly key: string;
  readonly label: string;
  readonly pressed: "in" | "out" | "up" | "down" | undefined;
  /** The board it is drawn on. */
  readonly board: string;
}

const WAYS = { in: { x: -1, y: 0 }, out: { x: 1, y: 0 }, up: { x: 0, y: -1 }, down: { x: 0, y: 1 } } as const;

/** The way a dart is pressed: as its author says, else upright darts toward the centre and level ones downward (common practice, no source). */
export function pressedWay(dart: Dart, pressed: NamedDart["pressed"]): Point {
  if (pressed !== undefined) return WAYS[pressed];
  const [p, q] = foldOf(dart);
  return Math.abs(q.y - p.y) >= Math.abs(q.x - p.x) ? WAYS.in : WAYS.down;
}

/** The dart as it lies once its piece is off the board. */
export function dartResult(planned: NamedDart, path: Path, mouth: Path | undefined, toPaper: (p: Point) => Point): DartResult | undefined {
  const dart = dartOf(path);
  if (!dart) return undefined;
  const [p, q] = foldOf(dart);
  const way = pressedWay(dart, planned.pressed);
  const [from, to] = [toPaper({ x: 0, y: 0 }), toPaper(way)];
  return {
    key: planned.key,
    label: planned.label,
    legs: mapPath(path, toPaper),
    fold: [toPaper(p), toPaper(q)],
    pressed: { x: to.x - from.x, y: to.y - from.y },
    intake: intakeOf(dart),
    mouth: mouth && mapPath(mouth, toPaper),
  };
}

/** Half the length of the arrow that tells how a dart is pressed, and the size of its head, mm. */
const ARROW_MM = 9;
const HEAD_MM = 3;

/** The arrow across the fold of a dart, the way it is pressed: its shaft and its head, as corner points in mm. */
export function pressArrow({ fold: [from, to], pressed }: DartResult): readonly (readonly Point[])[] {
  const mid = { x: from.x + (to.x - from.x) * 0.42, y: from.y + (to.y - from.y) * 0.42 };
  const at = (along: number, aside: number): Point => ({
    x: mid.x + pressed.x * along - pressed.y * aside,
    y: mid.y + pressed.y * along + pressed.x * aside,
  });
  return [
    [at(-ARROW_MM, 0), at(ARROW_MM, 0)],
    [at(ARROW_MM - HEAD_MM, HEAD_MM * 0.7), at(ARROW_MM, 0), at(ARROW_MM - HEAD_MM, -HEAD_MM * 0.7)],
  ];
}
