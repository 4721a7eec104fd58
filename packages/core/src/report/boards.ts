import { type Bounds, boundsOf } from "../geometry/bounds.js";
import { flatten } from "../geometry/path/flatten.js";
import type { Point } from "../geometry/point.js";
import { boardsOf } from "../system/statements.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";

/** A board laid on the paper: how far its own zero is moved to the right, and the room it takes there (mm). */
export interface LaidBoard {
  readonly key: string;
  readonly title: string;
  readonly dx: number;
  readonly bounds: Bounds;
}

const GAP_MM = 70;

/** The boards of a run side by side, their zero levels in line, in the order they are drafted. Boards with nothing on them are left out. */
export function layBoards(plan: Plan, run: Run): ReadonlyMap<string, LaidBoard> {
  const titles = new Map(boardsOf(plan.system).map((b) => [b.key, b.title]));
  const places = new Map<string, Point[]>();
  plan.steps.forEach((step, i) => {
    if (run.outcomes[i]?.status !== "drawn" || step.source.is === "value") return;
    // A guideline has no ends: it takes the room that the others have.
    if (step.source.is === "path" && step.source.open !== undefined) return;
    const list = places.get(step.board) ?? [];
    if (step.source.is === "point") list.push(run.board.points[step.target] as Point);
    else list.push(...flatten(run.board.paths[step.target] as NonNullable<Run["board"]["paths"][number]>, 1));
    places.set(step.board, list);
  });
  const laid = new Map<string, LaidBoard>();
  let x = 0;
  for (const [key, list] of places) {
    const own = boundsOf(list);
    if (!own) continue;
    const dx = laid.size === 0 ? 0 : x - own.minX;
    laid.set(key, {
      key,
      title: titles.get(key) ?? key,
      dx,
      bounds: { minX: own.minX + dx, minY: own.minY, maxX: own.maxX + dx, maxY: own.maxY },
    });
    x = own.maxX + dx + GAP_MM;
  }
  return laid;
}
