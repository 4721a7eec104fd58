import { evaluated } from "../formula/evaluated.js";
import type { Environment } from "../formula/scope.js";
import type { PlannedPiece } from "../piece/blueprint.js";
import type { PieceResult } from "../piece/piece.js";
import { takePiece, withLateNames } from "../piece/take.js";
import type { GraphNode, Through } from "../plan/graph.js";
import type { Plan, PlannedSetting, PlannedShaping, PlannedStep } from "../plan/plan.js";
import { drawStep } from "./draw-step.js";
import { copyOf } from "./environment.js";
import type { StepOutcome } from "./outcome.js";
import { type Shaped, shapeOnce } from "./shapings.js";

/** Draws a step otherwise than its rule does. */
export type Draw = (environment: Environment) => void;

/**
 * The graph of a plan worked out on one body, each node when it or something that reads it is first asked for, and then kept. Nothing
 * is ever written over: a node reads what the nodes above it made, in whatever order it is needed.
 */
export class Evaluation {
  /** What was worked out, by the places of the plan. Read it only after `need`. */
  readonly environment: Environment;
  readonly outcomes: StepOutcome[];
  private readonly taken: (PieceResult | undefined)[];
  private readonly shaped: (Shaped | undefined)[];
  private readonly done: Uint8Array;

  /** `blank` holds measurements, settings and choices; `from` is another whose results are taken over. */
  constructor(
    readonly plan: Plan,
    readonly blank: Environment,
    from?: Evaluation,
  ) {
    this.done = from?.done.slice() ?? new Uint8Array(plan.graph.nodes.length);
    this.outcomes = from?.outcomes.slice() ?? [];
    this.taken = from?.taken.slice() ?? [];
    this.shaped = from?.shaped.slice() ?? [];
    this.environment = copyOf(from?.environment ?? blank);
  }

  /** The same on another body or with other settings: what does not depend on what is changed is taken over as it is. */
  again(blank: Environment): Evaluation {
    const { plan } = this;
    const made = new Evaluation(plan, blank, this);
    const { slots } = this.blank;
    plan.graph.nodes.forEach(({ kind, index }, node) => {
      const given = inputSlots(plan, kind, index);
      if (given.every((slot) => Object.is(slots[slot], blank.slots[slot]))) return;
      for (const dependent of plan.graph.dependents(node)) made.forget(dependent);
    });
    return made;
  }

  /**
   * The same with one step drawn otherwise. What depends on it is worked out again when it is needed, `through` steps only where the
   * pieces are to stay as they are; where it cannot be drawn so, it is not there.
   */
  withOverride(step: PlannedStep, draw: Draw, through: Through = "all"): Evaluation {
    const made = new Evaluation(this.plan, this.blank, this);
    for (const dependent of this.plan.graph.dependents(step.node, through)) made.forget(dependent);
    for (const input of this.plan.graph.nodes[step.node]?.inputs ?? []) made.need(input);
    made.outcomes[(this.plan.graph.nodes[step.node] as GraphNode).index] = drawStep(
      { ...step, draw, lays: [], when: undefined },
      this.plan,
      made.environment,
      made.outcomes,
    );
    made.done[step.node] = 1;
    return made;
  }

  need(node: number): void {
    if (this.done[node] === 1) return;
    this.done[node] = 1;
    const it = this.plan.graph.nodes[node] as GraphNode;
    // A measurement that is missing was worked out from what it falls back on with the others.
    if (it.kind === "measure") return;
    for (const input of it.inputs) this.need(input);
    this.perform(it, node);
  }

  needAll(kinds: ReadonlySet<GraphNode["kind"]>): void {
    this.plan.graph.nodes.forEach(({ kind }, node) => kinds.has(kind) && this.need(node));
  }

  /** A piece as one node left it: taken, made or shaped; undefined when it is not on this draft. */
  pieceAfter(node: number, key: string): PieceResult | undefined {
    this.need(node);
    const { kind, index } = this.plan.graph.nodes[node] as GraphNode;
    return kind === "piece" ? this.taken[index] : this.shaped[index]?.after.find((p) => p.key === key);
  }

  takenAt(index: number): PieceResult | undefined {
    return this.taken[index];
  }

  shapedAt(index: number): Shaped | undefined {
    return this.shaped[index];
  }

  private perform({ kind, index }: GraphNode, node: number): void {
    const { plan, environment } = this;
    if (kind === "setting") workOut(plan.settings[index] as PlannedSetting, environment);
    else if (kind === "step") this.outcomes[index] = drawStep(plan.steps[index] as PlannedStep, plan, environment, this.outcomes);
    else if (kind === "piece") this.take(plan.pieces[index] as PlannedPiece, index, node);
    else if (kind === "shaping") this.shape(plan.shapings[index] as PlannedShaping, index, node);
  }

  private take(planned: PlannedPiece, index: number, node: number): void {
    if (planned.when && evaluated(planned.when, this.environment) === 0) return;
    const piece = takePiece(planned, this.environment);
    if (!piece) return;
    this.taken[index] = piece;
    for (const { name, as, path } of this.plan.edgesRead.get(node) ?? [])
      if (as === "cut") this.environment.paths[path] = piece.edges.find((e) => e.name === name)?.path;
  }

  private shape(planned: PlannedShaping, index: number, node: number): void {
    const { plan, environment } = this;
    const before = planned.needs.flatMap((key) => {
      const last = plan.pieceNodes.get(key)?.findLast((n) => n < node);
      const piece = last === undefined ? undefined : this.pieceAfter(last, key);
      return piece ? [withLateNames(piece, planned.carries, environment)] : [];
    });
    const shaped = shapeOnce(planned, environment, before, (key) => this.absent(key, node));
    this.shaped[index] = shaped;
    for (const { piece: key, name, as, path } of plan.edgesRead.get(node) ?? []) {
      const edge = shaped.after.find((p) => p.key === key)?.edges.find((e) => e.name === name);
      environment.paths[path] = as === "cut" ? edge?.path : edge?.sewn;
    }
  }

  /** Why a piece is not there. */
  private absent(key: string, node: number): { why: string; failed: boolean } {
    const [first] = this.plan.pieceNodes.get(key) ?? [];
    const maker = first === undefined || first >= node ? undefined : this.plan.graph.nodes[first];
    if (maker?.kind === "piece") {
      const { when } = this.plan.pieces[maker.index] as PlannedPiece;
      if (!this.taken[maker.index] && !(when && evaluated(when, this.environment) === 0))
        return { why: "whose outline could not be drawn", failed: true };
    } else if (maker && this.shaped[maker.index]?.outcome.status === "failed") return { why: "which could not be made", failed: true };
    return { why: "which is left out", failed: false };
  }

  /** Has a node worked out again when it is next needed. */
  private forget(node: number): void {
    const { plan, environment, blank } = this;
    const { kind, index } = plan.graph.nodes[node] as GraphNode;
    this.done[node] = 0;
    for (const slot of inputSlots(plan, kind, index)) environment.slots[slot] = blank.slots[slot] as number;
    if (kind === "step") clear(plan.steps[index] as PlannedStep, environment);
    else if (kind === "piece") {
      this.taken[index] = undefined;
      for (const { pathIndex } of (plan.pieces[index] as PlannedPiece).edges) environment.paths[pathIndex] = undefined;
    }
    for (const { path } of plan.edgesRead.get(node) ?? []) environment.paths[path] = undefined;
  }
}

const NO_SLOTS: readonly number[] = [];

/** Where an answer of the person stands in the environment. */
function inputSlots(plan: Plan, kind: GraphNode["kind"], index: number): readonly number[] {
  if (kind === "measure") return [plan.measures[index]?.slot ?? 0];
  if (kind === "choice") return [plan.choices[index]?.wordSlot ?? 0];
  if (kind !== "setting") return NO_SLOTS;
  const { slot, wordSlot } = plan.settings[index] as PlannedSetting;
  return [slot, wordSlot];
}

function clear({ makes, target }: PlannedStep, environment: Environment): void {
  if (makes === "point") environment.points[target] = undefined;
  else if (makes === "path") environment.paths[target] = undefined;
  else environment.slots[target] = Number.NaN;
}

/** Works out the default of a setting that depends on what is above it, unless it was set. */
function workOut({ slot, wordSlot, defaultRule }: PlannedSetting, environment: Environment): void {
  if (defaultRule && Number.isNaN(environment.slots[slot] as number) && environment.slots[wordSlot] === 0)
    environment.slots[slot] = evaluated(defaultRule, environment);
}
