import { pieceOf } from "./outline/find.js";
import type { Shape } from "./shaping.js";

/** A piece that is not cut. */
export const leaveOut =
  (key: string): Shape =>
  (pieces) => {
    const piece = pieceOf(pieces, key);
    return pieces.filter((p) => p !== piece);
  };
