import type { Plan } from "@lodrin/core";
import type { Answers } from "@lodrin/formats";

/** Of answers from a file, those this system asks for; `unknown` names the others. */
export function fitAnswers(
  plan: Plan,
  answers: Omit<Answers, "unit">,
): { measurements: Record<string, string>; settings: Record<string, string>; unknown: string[] } {
  const asked = new Set(plan.measures.map((m) => m.source.key));
  const set = new Set([...plan.settings, ...plan.choices].map((s) => s.source.key));
  const pick = (from: Readonly<Record<string, string>>, known: ReadonlySet<string>): Record<string, string> =>
    Object.fromEntries(Object.entries(from).filter(([key]) => known.has(key)));
  const unknown = [
    ...Object.keys(answers.measurements).filter((key) => !asked.has(key)),
    ...Object.keys(answers.settings).filter((key) => !set.has(key)),
  ];
  return { measurements: pick(answers.measurements, asked), settings: pick(answers.settings, set), unknown };
}
