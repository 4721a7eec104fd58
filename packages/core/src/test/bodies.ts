import { MM_PER } from "../quantity/units.js";
import type { Plan } from "../plan/plan.js";

export type Body = Record<string, number>;

/** The same bodies every time: numbers from 0 to 1 (Numerical Recipes' quick generator; its constants are from memory). */
export function numbers(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/**
 * Bodies round the worked one, from slight to stout and from short to tall, each measure wandering two per cent on
 * its own and read to an eighth of a unit. Widths across the body grow as the root of its girths (common practice, no
 * source); no figure leaves the range the system expects.
 */
export function bodiesFor(plan: Plan, worked: Body, howMany: number): Body[] {
  const next = numbers(7);
  return Array.from({ length: howMany }, (_, i) => {
    const girth = 0.84 + (0.5 * i) / (howMany - 1);
    const length = 0.92 + (0.16 * ((i * 7) % howMany)) / (howMany - 1);
    const body: Body = {};
    for (const { source, from, to } of plan.measures) {
      const base = worked[source.key];
      if (base === undefined) continue;
      if (source.kind === "number") {
        body[source.key] = Math.round(from + ((to - from) * i) / (howMany - 1));
        continue;
      }
      const grown = source.kind === "girth" ? girth : source.kind === "width" ? Math.sqrt(girth) : length;
      const by = MM_PER[plan.system.unit];
      const wanted = base * grown * (1 + (next() - 0.5) * 0.04);
      body[source.key] = Math.min(to / by, Math.max(from / by, Math.round(wanted * 8) / 8));
    }
    return body;
  });
}
