import type { Plan, Run } from "@lodrin/core";

/** A system on one body in a sentence: its steps, its pieces, and whether its checks hold. */
export function draftWords(plan: Plan, { checks, pieces }: Run): string {
  const misses = checks.filter((c) => c.status !== "pass").length;
  const held =
    checks.length === 0
      ? "no checks yet"
      : misses === 0
        ? checks.length === 1
          ? "its check holds"
          : `all ${checks.length} checks hold`
        : `${misses} of ${checks.length} checks want a look`;
  return `${plan.steps.length} steps, ${pieces.length} ${pieces.length === 1 ? "piece" : "pieces"}, ${held} on this body.`;
}
