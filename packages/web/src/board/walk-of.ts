import { easeOf, type Plan, type Run, type SeamWalk, type SewnEdges, walkSeam } from "@lodrin/core";

/** A seam of a draft ready to be walked, with the ease its author gives it; undefined when an edge of it is not on the draft. */
export function walkOf(plan: Plan, run: Run, seam: SewnEdges): SeamWalk | undefined {
  const same = (a: readonly string[], b: readonly string[]): boolean => a.join() === b.join();
  const sew = plan.sews.find((s) => same(s.first, seam.first) && same(s.second, seam.second));
  const eased = sew ? easeOf(sew, run.environment) : 0;
  return walkSeam(run.pieces, seam, plan.sews, Number.isFinite(eased) ? eased : 0);
}
