export { type BookletOptions, writeBookletPdf } from "./booklet.js";
export { type HandoutOptions, writeHandoutPdf } from "./handout.js";
export type { PrintFacts } from "./facts.js";
export { FORMATS } from "./registry.js";
export { writeTiledPdf } from "./tiles.js";
