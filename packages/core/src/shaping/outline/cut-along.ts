import { dartOf } from "../../geometry/dart.js";
import { nearestOnPath } from "../../geometry/path/nearest-on-path.js";
import { endOf, joinPaths, type Path, pathLength, polyline, reversePath, splitPath, startOf } from "../../geometry/path/path.js";
import { distance, type Point } from "../../geometry/point.js";
import type { DartResult } from "../../piece/dart-result.js";
import type { PieceResult } from "../../piece/piece.js";
import { DraftError } from "../../verb/draft-error.js";
import { lineOf } from "./find.js";
import { onOutline, type RingPlace } from "./ring.js";

/**
 * A cut across a piece, from one place of the outline to another. Someone walking along it has the one part on the left,
 * cut by `left`, and the other on the right: where the cut runs along a dart each part takes its own leg.
 */
export interface Cut {
  readonly left: Path;
  readonly right: Path;
  /** Where the outline is opened: the end of the part on the right, the start of the one on the left; at the other end the other way round. */
  readonly from: readonly [RingPlace, RingPlace];
  readonly to: readonly [RingPlace, RingPlace];
  /** The darts it takes up. */
  readonly darts: readonly string[];
}

/** One stretch of the way: its two sides, which begin and end in the same places but at the mouth of a dart. */
interface Stage {
  readonly left: Path;
  readonly right: Path;
}

/** The cut along darts and lines named one after the other, straight from one to the next. Throws DraftError where it cannot run so. */
export function cutAlong(piece: PieceResult, names: readonly string[], what: string): Cut {
  const parts = names.map((name) => piece.darts.find((d) => d.key === name) ?? lineOf(piece, name));
  const stages: Stage[] = [];
  parts.forEach((part, i) => {
    const here = stages[stages.length - 1];
    const next = parts[i + 1];
    const at = here && endOf(here.left);
    const stage = "legs" in part ? dartStage(part, at, i === parts.length - 1) : lineStage(part, at, next);
    if (at && distance(at, startOf(stage.left)) > 1e-6) {
      const straight = polyline([at, startOf(stage.left)]);
      stages.push({ left: straight, right: straight });
    }
    stages.push(stage);
  });
  const [left, right] = [joinPaths(stages.map((s) => s.left)), joinPaths(stages.map((s) => s.right))];
  const place = (p: Point): RingPlace => onOutline(piece, p, `The cut along ${what}`);
  return {
    left,
    right,
    from: [place(startOf(right)), place(startOf(left))],
    to: [place(endOf(left)), place(endOf(right))],
    darts: parts.flatMap((part) => ("legs" in part ? [part.key] : [])),
  };
}

/** Along a dart: from its mouth to its point, from its point to its mouth when it is the last, or right through a dart with two points. */
function dartStage(result: DartResult, at: Point | undefined, last: boolean): Stage {
  const dart = dartOf(result.legs);
  if (!dart) throw new DraftError(`${result.label} is no dart yet.`, "Its legs and its point must be on the draft.");
  const [tip, second] = dart.tips;
  if (second) {
    const [from, to] = at && distance(at, second) < distance(at, tip) ? [second, tip] : [tip, second];
    return sided(polyline([from, dart.a, to]), polyline([from, dart.b, to]), from, to, dart.a);
  }
  if (!result.mouth)
    throw new DraftError(
      `${result.label} has its mouth in no edge of the piece, so nothing can be cut along it.`,
      "Name it in an edge: edge side: F19 > side_dart > F24.",
    );
  const [a, b] = [polyline([dart.a, tip]), polyline([dart.b, tip])];
  const middle = { x: (dart.a.x + dart.b.x) / 2, y: (dart.a.y + dart.b.y) / 2 };
  if (at === undefined) return sided(a, b, middle, tip, dart.a);
  if (!last) throw new DraftError(`The cut would leave the piece at ${result.label} and run on.`, "Name that dart last.");
  return sided(reversePath(a), reversePath(b), tip, middle, dart.a);
}

/** Which of two ways lies to the left of someone going from one place to another: `p` is a place of the first. */
function sided(one: Path, other: Path, from: Point, to: Point, p: Point): Stage {
  const left = (to.x - from.x) * (p.y - from.y) - (to.y - from.y) * (p.x - from.x) < 0;
  return left ? { left: one, right: other } : { left: other, right: one };
}

/** Along a line: from where the way has come to, to the end that is farther; at the outset toward what comes next. */
function lineStage(path: Path, at: Point | undefined, next: DartResult | Path | undefined): Stage {
  if (at === undefined) {
    const goal = next && ("legs" in next ? endOf(splitPath(next.legs, pathLength(next.legs) / 2)[0]) : startOf(next));
    const turned = goal !== undefined && distance(startOf(path), goal) < distance(endOf(path), goal);
    const way = turned ? reversePath(path) : path;
    return { left: way, right: way };
  }
  const { along, off } = nearestOnPath(path, at);
  const rest = off < 1 ? splitPath(path, along) : undefined;
  const onward = !rest ? path : pathLength(rest[1]) >= pathLength(rest[0]) ? rest[1] : reversePath(rest[0]);
  const way = !rest && distance(at, endOf(path)) < distance(at, startOf(path)) ? reversePath(path) : onward;
  return { left: way, right: way };
}
