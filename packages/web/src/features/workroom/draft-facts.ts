import type { Draft, SystemSheet } from "@lodrin/contract";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import { drawBoard } from "@lodrin/formats";
import { pictureOf } from "../shelf/picture.js";
import type { DraftFacts } from "./facts-text.js";

/** The facts of a draft's card, from the draft and the version it was made with. */
export function draftFacts(
  draft: Pick<Draft, "measurements" | "settings" | "unit" | "step">,
  sheet: Pick<SystemSheet, "notation" | "bases">,
): DraftFacts {
  const { plan } = loadSystem(sheet.notation, sheet.bases);
  const drafted = run(plan, draft.measurements, draft.settings, draft.unit);
  // While figures are missing it is drawn as it will be: on a body in the middle of its ranges.
  const shown = drafted.missing.length > 0 ? run(plan, sampleBody(plan), draft.settings) : drafted;
  return {
    picture: pictureOf(drawBoard(plan, shown)),
    step: Math.min(draft.step + 1, plan.steps.length),
    steps: plan.steps.length,
    checks: drafted.checks.length,
    misses: drafted.checks.filter((c) => c.status !== "pass").length,
    missing: drafted.missing.length,
  };
}
