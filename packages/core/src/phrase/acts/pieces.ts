import { ALLOW, EACH_EDGE, HEM, NOT_EVERYWHERE, NO_ALLOWANCE, GIVEN, ROUND_WITH_OTHER, ROUND_BUT, ROUND_WITHOUT_WORD } from "./allowing.js";
import { CUTTING } from "./cutting.js";
import { FACING, PLEAT } from "./facing.js";
import { GRAIN } from "./grain.js";
import { BUTTONS, BUTTONS_AT, DRILL, HOLES } from "./marking.js";
import { NOTCH } from "./notching.js";
import { TRACED } from "./tracing.js";

export const PIECES = [
  TRACED,
  CUTTING,
  ALLOW,
  EACH_EDGE,
  ROUND_BUT,
  NOT_EVERYWHERE,
  ROUND_WITHOUT_WORD,
  NO_ALLOWANCE,
  GIVEN,
  ROUND_WITH_OTHER,
  HEM,
  GRAIN,
  NOTCH,
  DRILL,
  BUTTONS,
  BUTTONS_AT,
  HOLES,
  PLEAT,
  FACING,
];
