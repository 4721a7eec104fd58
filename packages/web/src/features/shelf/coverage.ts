import type { MeasurementSet } from "@lodrin/contract";
import { parseTape } from "@lodrin/core";

/** How far a set fills what a system needs. */
export interface Coverage {
  readonly needed: number;
  readonly there: number;
  readonly missing: readonly string[];
}

/** The measurements a system needs, of which a set has some that can be read and lacks the others. */
export function coverage(needs: readonly string[], { written, unit }: Pick<MeasurementSet, "written" | "unit">): Coverage {
  const missing = needs.filter((key) => !parseTape(written[key] ?? "", unit).ok);
  return { needed: needs.length, there: needs.length - missing.length, missing };
}
