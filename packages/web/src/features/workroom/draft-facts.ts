import type { Draft, SystemSheet } from "@lodrin/contract";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import { drawBoard, type Drawing, strokeData } from "@lodrin/formats";
import type { Picture } from "../shelf/card-facts.js";

/** What a draft's card says of it. Plain data, so that it can be worked out beside the page. */
export interface DraftFacts {
  readonly picture: Picture;
  readonly step: number;
  readonly steps: number;
  readonly checks: number;
  /** Checks that want a look. */
  readonly misses: number;
  readonly missing: number;
}

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

function pictureOf({ bounds, marks }: Drawing): Picture {
  const { minX, minY, maxX, maxY } = bounds;
  const strokes = marks.flatMap((m) => (m.kind === "stroke" ? [{ d: strokeData(m), layer: m.layer }] : []));
  return { box: `${minX} ${minY} ${maxX - minX} ${maxY - minY}`, strokes };
}

/** How far a draft is and what its checks say, in a sentence. */
export function factsText({ step, steps, checks, misses, missing }: DraftFacts): string {
  if (missing > 0) return `${missing} ${missing === 1 ? "measurement is" : "measurements are"} missing`;
  const stands = step >= steps ? `all ${steps} steps` : `step ${step} of ${steps}`;
  return `${stands} · ${misses === 0 ? `all ${checks} checks hold` : `${misses} ${misses === 1 ? "check wants" : "checks want"} a look`}`;
}
