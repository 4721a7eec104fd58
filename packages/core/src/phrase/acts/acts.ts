import { CHECKING } from "./checking.js";
import { DARTS } from "./darts.js";
import { DRAWING } from "./drawing.js";
import { FINDING } from "./finding.js";
import { PIECES } from "./pieces.js";
import { SHAPINGS_SAID } from "./shaping.js";
import { STARTING } from "./starting.js";

/** All that a sentence may ask for in words of its own. */
export const ACTS = [...STARTING, ...FINDING, ...DRAWING, ...DARTS, ...SHAPINGS_SAID, ...PIECES, ...CHECKING];
