export { drawBoard } from "./drawing/board.js";
export { drawPiece } from "./drawing/draw-piece.js";
export {
  collector,
  type Drawing,
  type Layer,
  LAYER_STYLE,
  type Mark,
  type Sink,
  type Stroke,
  strokePlaces,
  type Words,
  strokeLength,
} from "./drawing/mark.js";
export { strokeData } from "./drawing/stroke-data.js";
export { type DraftToWrite, type FileFormat, TEXT_FORMATS, type Wanted } from "./registry.js";
export { drawPieces, type LaidPiece, layPieces } from "./drawing/pieces.js";
export { layInRows } from "./drawing/rows.js";
export { type DraftAnswers, draftCard, type DraftFacts, systemCard, type SystemFacts } from "./card/cards.js";
export { thumbnail } from "./card/thumbnail.js";
export { writeSvg } from "./svg/write.js";
export { PAPER_KEYS, type Paper, type PaperKey, PAPERS } from "./tile/paper.js";
export { DrawingTooLarge, MARGIN_MM, OVERLAP_MM, planTiles, type Tile, type TilePlan } from "./tile/plan.js";
export { csvText } from "./csv/csv-text.js";
export { type ChartSize, type ChartToWrite, readChart, writeChart } from "./csv/chart.js";
export { type AnswerProblem, type Answers, readAnswers, writeAnswers } from "./csv/answers.js";
export { type ResultRow, writeResults } from "./csv/results.js";
export { pointsCsv, seamsCsv } from "./csv/run-tables.js";
export { writeDxf } from "./dxf/write.js";
