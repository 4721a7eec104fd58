import { runChecks } from "../check/run.js";
import type { CheckResult } from "../check/result.js";
import type { Environment } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import type { Plan } from "../plan/plan.js";
import type { HomeUnit } from "../quantity/units.js";
import { allPieces, type Made } from "./all-pieces.js";
import { Evaluation } from "./evaluation.js";
import { emptyEnvironment, fillSlots } from "./environment.js";
import { type Given, type Inputs, readInputs } from "./inputs.js";
import type { StepOutcome } from "./outcome.js";
import { type Warning, warningsOf } from "./warnings.js";

/**
 * One body drafted by one system. Each part is worked out when it is first needed, and then kept: a board asks for its steps
 * only, and checks cost nothing until somebody looks at them. Frames hold values, points and paths by the indices of the plan.
 */
export interface Run extends Made {
  readonly title: string;
  readonly unit: HomeUnit;
  readonly inputs: Inputs;
  readonly missing: readonly string[];
  /** How each step came out. */
  readonly outcomes: readonly StepOutcome[];
  /** What the steps drew. */
  readonly board: Environment;
  /** The same with the edges of all pieces: what checks measure. */
  readonly environment: Environment;
  readonly checks: readonly CheckResult[];
  readonly warnings: readonly Warning[];
  /** A piece as it is shaped in the end, without the notches its seams ask for; only what it is made from is worked out. */
  readonly piece: (key: string) => PieceResult | undefined;
  /** What is worked out on this body. */
  readonly evaluation: Evaluation;
}

/**
 * Drafts one body. Pure: the same plan and answers give the same run. A step that cannot be drawn is reported and what does not
 * depend on it is drawn all the same. `writtenIn` is the unit of measurements written without one. With a run of the same plan, only
 * what depends on other answers is worked out again. Never throws for what a person typed.
 *
 * @example run(plan, { chest: "104 cm" }).board.points
 */
export function run(plan: Plan, measurements: Given, settings: Given = {}, writtenIn: HomeUnit = plan.system.unit, before?: Run): Run {
  const inputs = readInputs(plan, measurements, settings, writtenIn);
  const blank = emptyEnvironment(plan);
  const missing = fillSlots(plan, inputs, blank);
  const known = before?.evaluation;
  return new Drafted(plan, inputs, missing, known?.plan === plan ? known.again(blank) : new Evaluation(plan, blank));
}

const STEPS = new Set(["setting", "step"] as const);

class Drafted implements Run {
  readonly title: string;
  readonly unit: HomeUnit;
  private drawn = false;
  private made: Made | undefined;
  private checked: readonly CheckResult[] | undefined;
  private warned: readonly Warning[] | undefined;

  constructor(
    private readonly plan: Plan,
    readonly inputs: Inputs,
    readonly missing: readonly string[],
    readonly evaluation: Evaluation,
  ) {
    this.title = plan.system.title;
    this.unit = plan.system.unit;
  }

  get board(): Environment {
    if (!this.drawn) this.evaluation.needAll(STEPS);
    this.drawn = true;
    return this.evaluation.environment;
  }

  get outcomes(): readonly StepOutcome[] {
    return this.board && this.evaluation.outcomes;
  }

  get environment(): Environment {
    return this.whole && this.board;
  }

  get drafted(): Made["drafted"] {
    return this.whole.drafted;
  }

  get shapings(): Made["shapings"] {
    return this.whole.shapings;
  }

  get pieces(): Made["pieces"] {
    return this.whole.pieces;
  }

  get checks(): readonly CheckResult[] {
    return (this.checked ??= runChecks(this.plan, this.environment, this.pieces));
  }

  get warnings(): readonly Warning[] {
    return (this.warned ??= warningsOf(this.plan, this.environment, this.inputs, this));
  }

  readonly piece = (key: string): PieceResult | undefined => {
    const last = this.plan.pieceNodes.get(key)?.at(-1);
    return last === undefined ? undefined : this.evaluation.pieceAfter(last, key);
  };

  private get whole(): Made {
    return (this.made ??= allPieces(this.plan, this.evaluation));
  }
}

/** A run whose steps are drawn otherwise, as a hand may draw them; its pieces and checks stay those of the run. */
export const redrawn = (of: Run, { environment }: Evaluation): Run =>
  Object.create(of, { board: { value: environment, enumerable: true }, environment: { value: environment, enumerable: true } }) as Run;
