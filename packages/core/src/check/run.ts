import type { Plan, PlannedCheck } from "../draft/plan.js";
import { FormulaError } from "../formula/error.js";
import type { Frame } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import { BUILTIN_CHECKS } from "./builtin/index.js";
import type { CheckResult, CheckStatus } from "./result.js";

/** "Exact" means to a hundredth of a millimetre: what the arithmetic of a draft leaves. */
const EXACT_MM = 0.01;
const EXACT_PLAIN = 1e-6;

/** Makes the author's checks, then the built-in ones. A check whose parts are not on the draft is left out. */
export function runChecks(plan: Plan, frame: Frame, pieces: readonly PieceResult[]): CheckResult[] {
  const authored = plan.checks.flatMap((check) => {
    const result = runCheck(plan, check, frame);
    return result ? [result] : [];
  });
  return [...authored, ...BUILTIN_CHECKS.flatMap((check) => check({ plan, frame, pieces }))];
}

function runCheck(plan: Plan, check: PlannedCheck, frame: Frame): CheckResult | undefined {
  try {
    if (check.when && !check.when.run(frame)) return undefined;
    const figures = figuresOf(check, frame);
    return figures && { ...resultOf(plan, check, frame), ...figures };
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}

/** The figures of a check and whether it holds; undefined when one of them is not there. */
function figuresOf(check: PlannedCheck, frame: Frame): Pick<CheckResult, "got" | "expected" | "tolerance" | "status"> | undefined {
  const got = check.got.run(frame);
  const expected = check.expected ? check.expected.run(frame) : 1;
  const upper = check.upper?.run(frame);
  const exact = check.kind === "length" ? EXACT_MM : EXACT_PLAIN;
  const tolerance = check.source.test === "equals" ? (check.within?.run(frame) ?? exact) : 0;
  if (![got, expected, tolerance, upper ?? 0].every(Number.isFinite)) return undefined;
  const holds = upper === undefined ? Math.abs(got - expected) <= tolerance + exact : got >= expected - exact && got <= upper + exact;
  return {
    got,
    expected: upper === undefined ? expected : [expected, upper],
    tolerance,
    status: statusOf(holds, check.source.lookOnly ?? false),
  };
}

function resultOf(
  plan: Plan,
  { source, kind }: PlannedCheck,
  frame: Frame,
): Omit<CheckResult, "got" | "expected" | "tolerance" | "status"> {
  return {
    name: source.title,
    kind,
    at: source.at === undefined ? undefined : frame.points[plan.scope.points.get(source.at) ?? -1],
    board: undefined,
    edges: edgesNamed(source.got, source.expected),
    cause: source.cause,
  };
}

const statusOf = (holds: boolean, lookOnly: boolean): CheckStatus => (holds ? "pass" : lookOnly ? "look" : "fail");

const edgesNamed = (...formulas: (string | undefined)[]): string[] => formulas.flatMap((text) => text?.match(/[A-Z]\w*\.[a-z_]\w*/g) ?? []);
