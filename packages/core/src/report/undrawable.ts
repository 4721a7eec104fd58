import type { LoadedSystem } from "../plan/load.js";
import type { StepOutcome } from "../run/outcome.js";
import { draftsOf } from "../run/sample-drafts.js";
import type { ShapingResult } from "../run/shapings.js";
import type { Statement } from "../system/model.js";
import type { NotationProblem } from "../system/notation/problem.js";
import { placeOf } from "../system/notation/read.js";

/**
 * What can be read but not drawn on any body: lines that never cross, a swing that does not reach, a facing wider than its edge bends.
 * Each at its place in the text. What fails on some bodies only is a matter of the range.
 */
export function undrawableIn({ plan, read }: LoadedSystem): NotationProblem[] {
  const drafts = draftsOf(plan);
  const own = new Map<Statement, number>(read.system.statements.map((statement, index) => [statement, index]));
  const done: [Statement, Outcome[]][] = [
    ...plan.steps.map(({ source }, i): [Statement, Outcome[]] => [source, drafts.map(({ outcomes }) => outcomes[i])]),
    ...plan.shapings.map(({ source }, i): [Statement, Outcome[]] => [
      source,
      drafts.map(({ shapings }) => shapings.find(({ index }) => index === i)?.outcome),
    ]),
  ];
  const problems = done.flatMap(([source, outcomes]): NotationProblem[] => {
    const [first] = outcomes;
    const index = own.get(source);
    if (index === undefined || first?.status !== "failed" || !outcomes.every((o) => o?.status === "failed")) return [];
    const { line, column, length } = placeOf(read, index);
    return [{ line, column, length, why: `${first.why} That is so on every body.`, fix: first.fix }];
  });
  return problems.sort((a, b) => a.line - b.line);
}

type Outcome = StepOutcome | ShapingResult["outcome"] | undefined;
