import { DraftProblem } from "../formula/error.js";
import type { Frame } from "../formula/scope.js";
import { pathLength } from "../geometry/path.js";
import { distance } from "../geometry/point.js";
import type { Plan, PlannedStep } from "../plan/plan.js";
import { gather, noReferences } from "../plan/references.js";
import { copyOf } from "../run/frame.js";
import type { Run } from "../run/run.js";

/** A draft that can be drawn again from a step on, only what hangs on that step. */
export interface Redrawing {
  readonly plan: Plan;
  readonly run: Run;
  /** The draft as its steps are drawn, before anything is done to the pieces. */
  readonly frame: Frame;
  /** Of each step, the later ones that hang on it, in order. */
  readonly hangs: readonly (readonly number[])[];
  /** Of each step, those it hangs on, and itself. */
  readonly above: readonly ReadonlySet<number>[];
}

/** Makes a run ready to be drawn again with slips in it. */
export function redrawing(compiled: Plan, run: Run): Redrawing {
  // Rules with slips in them are let go with the review.
  const plan = { ...compiled, scope: compiled.scope.apart() };
  const makers = makersOf(plan, run);
  const above: Set<number>[] = [];
  const hangs: number[][] = plan.steps.map(() => []);
  plan.steps.forEach((step, i) => {
    const on = new Set([i]);
    if (run.outcomes[i]?.status === "drawn")
      for (const name of readBy(step, plan)) {
        const maker = makers.get(name);
        if (maker !== undefined && maker < i) for (const other of above[maker] ?? []) on.add(other);
      }
    above.push(on);
    for (const other of on) if (other !== i) hangs[other]?.push(i);
  });
  const frame = copyOf(run.board);
  // What is drawn from edges that were shaped since does not come out the same twice: it stays as it was drawn.
  const steady = plan.steps.map((step) => !plan.readsEdges || comesOutAgain(step, frame));
  return { plan, run, frame, hangs: hangs.map((later) => later.filter((i) => steady[i])), above };
}

/** How far a step drawn twice may come to lie apart and still be the same (mm). */
const AGAIN_MM = 0.01;

function comesOutAgain(step: PlannedStep, before: Frame): boolean {
  if (!step.draw) return false;
  const frame = copyOf(before);
  attempt(step, step.draw, frame);
  const { makes, target } = step;
  if (makes === "value") return Math.abs((frame.slots[target] as number) - (before.slots[target] as number)) <= AGAIN_MM;
  if (makes === "path") {
    const [was, is] = [before.paths[target], frame.paths[target]];
    return was !== undefined && is !== undefined && Math.abs(pathLength(was) - pathLength(is)) <= AGAIN_MM;
  }
  const [was, is] = [before.points[target], frame.points[target]];
  return was !== undefined && is !== undefined && distance(was, is) <= AGAIN_MM;
}

/** What a step reads: points as `#id`, and names, with those that the options of its choices name. */
function readBy({ dependsOn }: PlannedStep, { scope }: Plan): ReadonlySet<string> {
  const found = new Set([...dependsOn.points.map((id) => `#${id}`), ...dependsOn.names]);
  for (const name of found)
    for (const option of scope.names.get(name)?.options ?? [])
      if (option) {
        const { points, names } = gather(option.tree, noReferences());
        for (const id of points) found.add(`#${id}`);
        for (const other of names) found.add(other);
      }
  return found;
}

/** The step that made each point (`#id`), path and value of this draft. */
function makersOf({ steps }: Plan, { outcomes }: Run): ReadonlyMap<string, number> {
  const makers = new Map<string, number>();
  steps.forEach(({ source }, i) => {
    if (outcomes[i]?.status === "drawn") makers.set(source.is === "point" ? `#${source.id}` : source.key, i);
  });
  return makers;
}

/** The draft with one step drawn otherwise, and what of `wanted` hangs on it drawn again. What cannot be drawn so stays undefined. */
export function redraw(
  { plan, run, frame, hangs }: Redrawing,
  step: number,
  draw: (f: Frame) => void,
  wanted?: ReadonlySet<number>,
): Frame {
  const wrong = copyOf(frame);
  const first = plan.steps[step] as PlannedStep;
  attempt(first, draw, wrong);
  for (const index of hangs[step] ?? []) {
    const next = plan.steps[index] as PlannedStep;
    if ((!wanted || wanted.has(index)) && next.draw && run.outcomes[index]?.status === "drawn") attempt(next, next.draw, wrong);
  }
  return wrong;
}

function attempt({ makes, target }: PlannedStep, draw: (f: Frame) => void, frame: Frame): void {
  try {
    draw(frame);
  } catch (error) {
    // What cannot be drawn with a slip is not there; any other error is ours.
    if (!(error instanceof DraftProblem)) throw error;
    if (makes === "point") frame.points[target] = undefined;
    else if (makes === "path") frame.paths[target] = undefined;
    else frame.slots[target] = Number.NaN;
  }
}
