import { evaluated } from "../../formula/evaluated.js";
import type { Plan, PlannedPass } from "../../plan/plan.js";
import { FormulaError } from "../../formula/error.js";
import type { Environment } from "../../formula/scope.js";
import { type CheckResult, makeCheck } from "../result.js";
import type { BuiltinCheck } from "./builtin.js";
import { type NeckEdge, neckLength, necksOf, neckText } from "./neck.js";

// Common practice, no source: round the head of an adult and of a child of school age, mm.
const HEAD_MM = { adult: 570, child: 520 };
const EXACT_MM = 0.01;
/** The measurement round the head, by its name among the measurements of the body. */
const HEAD = "head";

/** Openings pass over what must go through them, stretched as far as the cloth gives; a neck without an opening passes over the head. */
export const passes: BuiltinCheck = ({ plan, environment, pieces }) => {
  const stretch = evaluated(plan.stretch, environment);
  const gives = 1 + (stretch > 0 ? stretch : 0);
  const said = plan.passes.flatMap((pass) => saidSo(pass, environment, gives) ?? []);
  const told = plan.passes.some(({ over }) => over.has(HEAD)) || plan.closures.some((when) => !when || evaluated(when, environment) > 0);
  return told ? said : [...said, ...necksOf(pieces, plan.sews).flatMap((necks) => neckOverHead(plan, environment, necks, gives))];
};

/** A pass that its author asks for; undefined when a part of it is not on the draft. */
function saidSo(
  { statement, source, when, garment, body, edges, at }: PlannedPass,
  environment: Environment,
  gives: number,
): CheckResult | undefined {
  try {
    if (when && !when.run(environment)) return undefined;
    const got = garment.run(environment) * gives;
    const expected = body.run(environment);
    if (!Number.isFinite(got + expected)) return undefined;
    return makeCheck({
      ...figures(got, expected, source.warnOnly ? "warn" : "fail"),
      id: `asked ${statement}`,
      name: source.title,
      statement,
      at: at && environment.points[at.point],
      board: at?.board,
      edges,
      cause:
        source.cause ??
        "Stretched as far as the cloth gives it is still smaller than what must go through it: widen it, or give it an opening.",
    });
  } catch (error) {
    if (error instanceof FormulaError) return undefined;
    throw error;
  }
}

/** A neck whose pieces all lie on the fold has no opening, as long as its author tells of none. */
function neckOverHead(plan: Plan, environment: Environment, necks: readonly NeckEdge[], gives: number): CheckResult[] {
  if (necks.length < 2 || necks.some(({ piece }) => !piece.onFold)) return [];
  const slot = plan.scope.names.get(HEAD)?.slot;
  const measured = slot === undefined ? Number.NaN : (environment.slots[slot] as number);
  const head = Number.isFinite(measured) ? measured : plan.system.garment === "child" ? HEAD_MM.child : HEAD_MM.adult;
  const got = neckLength(necks) * gives;
  return [
    makeCheck({
      ...figures(got, head, "warn"),
      id: `over-the-head ${necks[0]?.edge.name ?? ""}`,
      name: `Neck of ${neckText(necks)} passes over the head`,
      board: necks[0]?.piece.board,
      edges: necks.map(({ edge }) => edge.name),
      cause: "Both centres lie on the fold, so nothing opens: widen or deepen the neck, or give it a slit, a stand or a zip.",
    }),
  ];
}

type Figures = Pick<CheckResult, "relation" | "status" | "kind" | "got" | "expected">;

/** The figures of a passing: at least as much as must go through. */
const figures = (got: number, expected: number, miss: "warn" | "fail"): Figures => ({
  relation: "at least",
  status: got >= expected - EXACT_MM ? "pass" : miss,
  kind: "length",
  got,
  expected,
});
