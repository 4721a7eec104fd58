import type { Picture } from "../shelf/picture.js";

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

/** How far a draft is and what its checks say, in a sentence. */
export function factsText({ step, steps, checks, misses, missing }: DraftFacts): string {
  if (missing > 0) return `${missing} ${missing === 1 ? "measurement is" : "measurements are"} missing`;
  const stands = step >= steps ? `all ${steps} steps` : `step ${step} of ${steps}`;
  return `${stands} · ${misses === 0 ? `all ${checks} checks hold` : `${misses} ${misses === 1 ? "check wants" : "checks want"} a look`}`;
}
