import { evaluated } from "../formula/evaluated.js";
import type { Environment } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import { withSeamNotches } from "../piece/seam-notches.js";
import { walkSeam } from "../piece/walk.js";
import { easeOf } from "../plan/ease-of.js";
import type { Plan, PlannedShaping } from "../plan/plan.js";
import type { Evaluation } from "./evaluation.js";
import type { Shaped, ShapingResult } from "./shapings.js";

/** All pieces of a draft, taken off the board and shaped. */
export interface Made {
  /** The pieces as they come off the board. */
  readonly drafted: readonly PieceResult[];
  /** What is then done to them, in order. */
  readonly shapings: readonly ShapingResult[];
  /** The pieces to be cut. */
  readonly pieces: readonly PieceResult[];
}

const OF_PIECES = new Set(["piece", "shaping", "sew"] as const);

/** Has every piece taken and shaped, and puts them in the order of the text. */
export function allPieces(plan: Plan, evaluation: Evaluation): Made {
  evaluation.needAll(OF_PIECES);
  const drafted: PieceResult[] = [];
  const shapings: ShapingResult[] = [];
  let now: readonly PieceResult[] = [];
  for (const { kind, index } of plan.graph.nodes) {
    const taken = kind === "piece" ? evaluation.takenAt(index) : undefined;
    const shaped = kind === "shaping" ? evaluation.shapedAt(index) : undefined;
    if (taken) {
      drafted.push(taken);
      now = [...now, taken];
    }
    if (shaped) {
      const before = now.map((p) => shaped.before.find(({ key }) => key === p.key) ?? p);
      now = shaped.outcome.status === "done" ? exchanged(before, shaped, plan.shapings[index] as PlannedShaping) : before;
      shapings.push({ index, before, after: now, outcome: shaped.outcome });
    }
  }
  return { drafted, shapings, pieces: notched(plan, evaluation.environment, now) };
}

/** The pieces after a shaping: what it made stands where the first piece stood that it changed, or behind all when it changed none. */
function exchanged(all: readonly PieceResult[], { before, after }: Shaped, { needs }: PlannedShaping): PieceResult[] {
  const given = new Set(before.map((p) => p.key));
  const made = after.filter((p) => !given.has(p.key));
  const place = needs.find((key) => given.has(key) && !after.some((p) => p.key === key && before.includes(p)));
  if (place === undefined) return [...all, ...made];
  return all.flatMap((p) => {
    if (p.key === place) return after.filter((a) => a.key === place || !given.has(a.key));
    return given.has(p.key) ? after.filter((a) => a.key === p.key) : [p];
  });
}

/** The pieces as they are cut, with the balance notches their seams ask for. */
function notched({ sews }: Plan, environment: Environment, pieces: readonly PieceResult[]): readonly PieceResult[] {
  return sews.reduce((now, sew) => {
    if (sew.notches.length === 0) return now;
    const walk = walkSeam(now, sew, sews, easeOf(sew, environment));
    if (!walk) return now;
    const name = sew.first.join("+");
    return withSeamNotches(
      now,
      walk,
      sew.notches.map(({ after, ticks }, i) => ({ id: `${name} ${i + 1}`, mm: evaluated(after, environment), ticks })),
    );
  }, pieces);
}
