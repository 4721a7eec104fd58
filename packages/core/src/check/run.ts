import type { Plan, PlannedCheck } from "../plan/plan.js";
import { FormulaError } from "../formula/error.js";
import type { Environment } from "../formula/scope.js";
import type { PieceResult } from "../piece/piece.js";
import { BUILTIN_CHECKS } from "./builtin/index.js";
import { type CheckResult, type CheckStatus, makeCheck } from "./result.js";

/** "Exact" means to a hundredth of a millimetre: what the arithmetic of a draft leaves. */
const EXACT_MM = 0.01;
const EXACT_PLAIN = 1e-6;

/** Makes the author's checks, then the built-in ones. A check whose parts are not on the draft is left out. */
export function runChecks(plan: Plan, environment: Environment, pieces: readonly PieceResult[]): CheckResult[] {
  const results: CheckResult[] = [];
  for (const check of plan.checks) {
    const result = runCheck(check, environment);
    if (result) results.push(result);
  }
  for (const builtin of BUILTIN_CHECKS) results.push(...builtin({ plan, environment, pieces }));
  return results;
}

function runCheck(check: PlannedCheck, environment: Environment): CheckResult | undefined {
  try {
    return check.when && !check.when.run(environment) ? undefined : judge(check, environment);
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}

/** Compares the figures; undefined when one of them is not there. */
function judge(check: PlannedCheck, environment: Environment): CheckResult | undefined {
  const { source, kind, relation, statement } = check;
  const got = check.got.run(environment);
  const expected = check.expected?.run(environment) ?? 1;
  const upper = check.upper?.run(environment);
  const exact = kind === "length" ? EXACT_MM : EXACT_PLAIN;
  const tolerance = source.test === "equals" ? (check.within?.run(environment) ?? exact) : 0;
  if (!Number.isFinite(got + expected + tolerance + (upper ?? 0))) return undefined;
  return makeCheck({
    id: `asked ${statement}`,
    statement,
    name: source.title,
    status: statusOf(holds(check, environment, { got, expected, upper, tolerance, exact }), source.warnOnly ?? false),
    kind,
    relation,
    got,
    expected: upper === undefined ? expected : [expected, upper],
    tolerance,
    at: check.at && environment.points[check.at.point],
    board: check.at?.board,
    edges: check.edges,
    cause: source.cause,
  });
}

interface Figures {
  readonly got: number;
  readonly expected: number;
  readonly upper: number | undefined;
  readonly tolerance: number;
  readonly exact: number;
}

function holds(check: PlannedCheck, environment: Environment, { got, expected, upper, tolerance, exact }: Figures): boolean {
  if (check.holds) return check.holds.run(environment) !== 0 || (check.orEqual && within(check.relation, got, expected, upper, exact));
  return upper === undefined ? Math.abs(got - expected) <= tolerance + exact : within("between", got, expected, upper, exact);
}

/** What the arithmetic of a draft leaves does not make a figure miss a bound it lies on. */
function within(relation: PlannedCheck["relation"], got: number, expected: number, upper: number | undefined, exact: number): boolean {
  if (relation === "at least") return got >= expected - exact;
  if (relation === "at most") return got <= expected + exact;
  return relation === "between" && upper !== undefined && got >= expected - exact && got <= upper + exact;
}

const statusOf = (holds: boolean, warnOnly: boolean): CheckStatus => (holds ? "pass" : warnOnly ? "warn" : "fail");
