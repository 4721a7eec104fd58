import { runChecks } from "../check/run.js";
import type { CheckResult } from "../check/result.js";
import type { Frame } from "../formula/scope.js";
import type { Plan } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import { construct, drawSteps, type Made } from "./construct.js";
import { copyOf, emptyFrame, fillSlots } from "./frame.js";
import { type Given, type Inputs, readInputs } from "./inputs.js";
import type { StepOutcome } from "./outcome.js";
import { type Warning, warningsOf } from "./warnings.js";

/**
 * One body drafted by one system. Each part is worked out when it is first asked for, and then kept: a board asks for its steps
 * only, and checks cost nothing until somebody looks at them. Frames hold values, points and paths by the indices of the plan.
 */
export interface Run extends Made {
  readonly title: string;
  readonly unit: HomeUnit;
  readonly inputs: Inputs;
  readonly missing: readonly string[];
  /** What the steps drew, before anything is done to the pieces. */
  readonly board: Frame;
  /** The same with the edges of the pieces as they are cut: what checks measure. */
  readonly frame: Frame;
  readonly checks: readonly CheckResult[];
  readonly warnings: readonly Warning[];
}

/**
 * Drafts one body. Pure: the same plan and answers give the same run. A step that cannot be drawn is reported and what does not
 * depend on it is drawn all the same. `writtenIn` is the unit of measurements written without one. Never throws for what a person typed.
 *
 * @example run(plan, { chest: "104 cm" }).board.points
 */
export const run = (plan: Plan, measurements: Given, settings: Given = {}, writtenIn: HomeUnit = plan.system.unit): Run =>
  new Drafted(plan, readInputs(plan, measurements, settings, writtenIn));

class Drafted implements Run {
  readonly title: string;
  readonly unit: HomeUnit;
  readonly missing: readonly string[];
  /** Measurements, settings and choices, and nothing drawn. */
  private readonly blank: Frame;
  private steps: { readonly frame: Frame; readonly outcomes: readonly StepOutcome[] } | undefined;
  private whole: { readonly frame: Frame; readonly made: Made } | undefined;
  private checked: readonly CheckResult[] | undefined;
  private warned: readonly Warning[] | undefined;

  constructor(
    private readonly plan: Plan,
    readonly inputs: Inputs,
  ) {
    this.title = plan.system.title;
    this.unit = plan.system.unit;
    this.blank = emptyFrame(plan);
    this.missing = fillSlots(plan, inputs, this.blank);
  }

  get board(): Frame {
    return this.drawn().frame;
  }

  get outcomes(): readonly StepOutcome[] {
    return this.drawn().outcomes;
  }

  get frame(): Frame {
    return this.constructed().frame;
  }

  get drafted(): Made["drafted"] {
    return this.constructed().made.drafted;
  }

  get shapings(): Made["shapings"] {
    return this.constructed().made.shapings;
  }

  get pieces(): Made["pieces"] {
    return this.constructed().made.pieces;
  }

  get checks(): readonly CheckResult[] {
    return (this.checked ??= runChecks(this.plan, this.frame, this.pieces));
  }

  get warnings(): readonly Warning[] {
    return (this.warned ??= warningsOf(this.plan, this.frame, this.inputs, this));
  }

  private drawn(): { readonly frame: Frame; readonly outcomes: readonly StepOutcome[] } {
    if (this.steps) return this.steps;
    // Steps that are drawn from the edges of pieces need those pieces, shaped as far as they are by then.
    if (this.plan.readsEdges) {
      const { frame, made } = this.constructed();
      return (this.steps = { frame, outcomes: made.outcomes });
    }
    const frame = copyOf(this.blank);
    return (this.steps = { frame, outcomes: drawSteps(this.plan, frame) });
  }

  private constructed(): { readonly frame: Frame; readonly made: Made } {
    if (this.whole) return this.whole;
    const frame = copyOf(this.blank);
    return (this.whole = { frame, made: construct(this.plan, frame) });
  }
}

/** A run whose steps are drawn otherwise, as a hand may draw them; its pieces and checks stay those of the run. */
export const redrawn = (of: Run, board: Frame): Run =>
  Object.create(of, { board: { value: board, enumerable: true }, frame: { value: board, enumerable: true } }) as Run;
