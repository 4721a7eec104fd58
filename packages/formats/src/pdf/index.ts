export { type HandoutOptions, writeHandoutPdf } from "./handout.js";
export type { PrintFacts } from "./facts.js";
export { writeTiledPdf } from "./tiles.js";
