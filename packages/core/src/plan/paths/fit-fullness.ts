import type { Path } from "../../geometry/path/path.js";
import { DraftError } from "../../verb/draft-error.js";

/** The flattest and the fullest a curve may be. */
export const LEAST_FULL = 0.1;
export const MOST_FULL = 4 / 3;

const NEAR_MM = 1e-4;
const MOST_ROUNDS = 80;

/**
 * The curve of a family that is so long (mm): fuller is longer, so the fullness is found by halving. Throws DraftError with
 * the lengths that can be had when none is.
 */
export function fitFullness(draw: (fullness: number) => Path, lengthOf: (path: Path) => number, mm: number): Path {
  if (!Number.isFinite(mm)) return draw(1);
  let [low, high] = [LEAST_FULL, MOST_FULL];
  const [shortest, longest] = [lengthOf(draw(low)), lengthOf(draw(high))];
  if (mm < shortest - NEAR_MM || mm > longest + NEAR_MM)
    throw new DraftError(
      `Through these points a curve can be ${shown(shortest)} to ${shown(longest)} cm long, not ${shown(mm)} cm.`,
      "Move one of its points, or let it be another length.",
    );
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const middle = (low + high) / 2;
    const length = lengthOf(draw(middle));
    if (Math.abs(length - mm) <= NEAR_MM) return draw(middle);
    if (length < mm) low = middle;
    else high = middle;
  }
  return draw((low + high) / 2);
}

const shown = (mm: number): string => (mm / 10).toFixed(1);
