import type { BuiltinCheck } from "./builtin.js";
import { darts } from "./darts.js";
import { flows } from "./flows.js";
import { humanRange } from "./human-range.js";
import { notchesMeet } from "./notches-meet.js";
import { marksOnPiece } from "./marks-on-piece.js";
import { onTheLine } from "./on-the-line.js";
import { outline } from "./outline.js";
import { passes } from "./passes.js";
import { settled } from "./settled.js";
import { runsOn } from "./runs-on.js";
import { sewnPairs } from "./sewn-pairs.js";
import { squareAtFold } from "./square-at-fold.js";
import { waistOnPaper } from "./waist-on-paper.js";

/** Every check made on every draft, in the order they are listed. */
export const BUILTIN_CHECKS: readonly BuiltinCheck[] = [
  sewnPairs,
  notchesMeet,
  settled,
  outline,
  squareAtFold,
  runsOn,
  flows,
  darts,
  waistOnPaper,
  humanRange,
  passes,
  onTheLine,
  marksOnPiece,
];
