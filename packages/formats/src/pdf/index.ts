export { type HandoutOptions, writeHandoutPdf } from "./handout.js";
export { type PrintFacts, writeTiledPdf } from "./tiles.js";
