import { CHECKING } from "./checking.js";
import { DARTS } from "./darts.js";
import { DRAWING } from "./drawing.js";
import { COPIES } from "./copying.js";
import { CROSSINGS } from "./crossing.js";
import { GUIDES } from "./guiding.js";
import { PARTS } from "./parting.js";
import { PIECES } from "./pieces.js";
import { SHAPINGS_SAID } from "./shaping.js";
import { STARTING } from "./starting.js";
import { SWINGS } from "./swinging.js";

/** All that a sentence may ask for in words of its own. */
export const ACTS = [
  ...STARTING,
  ...CROSSINGS,
  ...COPIES,
  ...SWINGS,
  ...GUIDES,
  ...PARTS,
  ...DRAWING,
  ...DARTS,
  ...SHAPINGS_SAID,
  ...PIECES,
  ...CHECKING,
];
