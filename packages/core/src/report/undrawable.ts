import type { LoadedSystem } from "../plan/load.js";
import { run } from "../run/run.js";
import { sampleBody } from "../run/sample.js";
import type { Statement } from "../system/model.js";
import type { NotationProblem } from "../system/notation/problem.js";
import { placeOf } from "../system/notation/read.js";

/** A small, a middle and a large body of the ranges a system expects. */
const BODIES = [0.25, 0.5, 0.75];

/**
 * What can be read but not drawn on any body: lines that never cross, a swing that does not reach, a facing wider than its edge bends.
 * Each at its place in the text. What fails on some bodies only is a matter of the range.
 */
export function undrawableIn({ plan, read }: LoadedSystem): NotationProblem[] {
  const runs = BODIES.map((share) => run(plan, sampleBody(plan, share)));
  const own = new Map(read.system.statements.map((statement, index) => [statement, index]));
  const problems: NotationProblem[] = [];
  const add = (source: Statement, why: string, fix: string): void => {
    const index = own.get(source);
    if (index === undefined) return;
    const { line, column, length } = placeOf(read, index);
    problems.push({ line, column, length, why: `${why} That is so on every body.`, fix });
  };
  plan.steps.forEach(({ source }, i) => {
    const outcomes = runs.map(({ outcomes: all }) => all[i]);
    const [first] = outcomes;
    if (first?.status === "failed" && outcomes.every((o) => o?.status === "failed")) add(source, first.why, first.fix);
  });
  plan.shapings.forEach(({ source }, i) => {
    const outcomes = runs.map(({ shapings }) => shapings.find(({ index }) => index === i)?.outcome);
    const [first] = outcomes;
    if (first?.status === "failed" && outcomes.every((o) => o?.status === "failed")) add(source, first.why, first.fix);
  });
  return problems.sort((a, b) => a.line - b.line);
}
