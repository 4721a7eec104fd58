import type { Draft, DraftCard } from "@lodrin/contract";

/** The step a draft stands at, from 1. */
export const standsAt = ({ step }: Pick<Draft, "step">, { steps }: DraftCard): number => Math.min(step + 1, steps);

/** How far a draft is and what its checks say, in a sentence. */
export function factsText(draft: Pick<Draft, "step">, card: DraftCard): string {
  const { steps, checks, misses, missing } = card;
  if (missing > 0) return `${missing} ${missing === 1 ? "measurement is" : "measurements are"} missing`;
  const step = standsAt(draft, card);
  const stands = step >= steps ? `all ${steps} steps` : `step ${step} of ${steps}`;
  return `${stands} · ${misses === 0 ? `all ${checks} checks hold` : `${misses} ${misses === 1 ? "check wants a look" : "checks want a look"}`}`;
}
