export { drawBoard } from "./drawing/board.js";
export { type Drawing, type Layer, LAYER_STYLE, type Mark, type Stroke, type Words } from "./drawing/mark.js";
export { drawPieces, type LaidPiece, layPieces } from "./drawing/pieces.js";
export { writeSvg } from "./svg/write.js";
export { PAPER_KEYS, type Paper, type PaperKey, PAPERS } from "./tile/paper.js";
export { MARGIN_MM, OVERLAP_MM, planTiles, type Tile, type TilePlan } from "./tile/plan.js";
export { type AnswerProblem, type Answers, readAnswers, writeAnswers } from "./csv/answers.js";
export { pointsCsv, seamsCsv } from "./csv/run-tables.js";
export { writeDxf } from "./dxf/write.js";
