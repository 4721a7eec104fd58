export * from "./body/index.js";
export { type EdgeState, edgeStates } from "./check/edge-states.js";
export type { CheckResult, CheckStatus as CheckStatus } from "./check/result.js";
export { newProblems } from "./edit/consequences.js";
export { type Heading, replaceHeading } from "./edit/heading.js";
export { applyEdits, type LineEdit } from "./edit/line-edit.js";
export { pulled, pulledAlong } from "./edit/pull.js";
export { pulledCurve } from "./edit/pull-curve.js";
export { type AlongItem, alongText, type PieceEdge as EdgeText, type Pressed, withPicked } from "./edit/edge-along.js";
export { outlineEdges } from "./edit/outline.js";
export { rename } from "./edit/rename.js";
export { nextPoint, renumber } from "./edit/renumber.js";
export { withDependents, movedWith, dependentsOf, dependenciesOf } from "./edit/dependents.js";
export { insertLines, moveStatements, removeStatements, replaceStatement } from "./edit/statement.js";
export { measureLine } from "./phrase/measure-line.js";
export { type Leftover, type Place, type Reading, readSentence, type SentenceReading } from "./phrase/read-sentence.js";
export type { Taken } from "./phrase/taken-for.js";
export { readText, type TextReading } from "./phrase/read-text.js";
export { type LineToMend, linesToMend, readLines, takeMends } from "./phrase/mends.js";
export { sentenceFindings } from "./phrase/sentence-findings.js";
export { keepSaid } from "./phrase/say/keep-said.js";
export { sentenceFor } from "./phrase/say/sentence-for.js";
export { kindOfMeaning, placeOfLine, quickReading, type QuickReading } from "./phrase/quick.js";
export { definitionsOf, type NameKind, referencesOf } from "./system/references.js";
export {
  type Camera,
  type Homography,
  homographyOf,
  inverseOf,
  type PointPair,
  throughHomography,
  toPaper,
} from "./geometry/homography.js";
export * from "./review/index.js";
export { wordsIn } from "./glossary/words-in.js";
export { TRADE_WORDS, type TradeWord } from "./glossary/words.js";
export { easeOf } from "./plan/ease-of.js";
export { type Failure, failuresOf } from "./report/failures.js";
export { type Difference, differencesOf } from "./report/versions/differences.js";
export {
  bodiesBetween,
  breaksAt,
  figuresBetween,
  type RangeBody,
  type RangeRow,
  rangeRow,
  rowFaults,
  rowLooks,
  rowOf,
} from "./report/over-sizes/range.js";
export { undrawableIn } from "./report/undrawable.js";
export { doesNotHold, type Finding, diagnosticsOf, isPressing, ownIndex } from "./report/diagnostics/diagnostics.js";
export { checkWord } from "./report/check-word.js";
export { type DrawnStep, drawnSteps, measured, onlyGuides, pointOnBoard } from "./report/drawn-steps.js";
export { type LaidBoard, layBoards } from "./report/boards.js";
export { type SheetNeeded, sheetsFor, toolsFor } from "./report/materials/ready.js";
export { compileSystem } from "./plan/compile/compile.js";
export { type Given, type InputProblem } from "./run/inputs.js";
export type { Plan, PlannedShaping, PlannedStep, PlanProblem } from "./plan/plan.js";
export type { StepOutcome } from "./run/outcome.js";
export { run, type Run } from "./run/run.js";
export type { Warning } from "./run/warnings.js";
export { stepDimension, type StepDimension } from "./report/dimension.js";
export { loadSystem, type LoadedSystem } from "./plan/load.js";
export { basesOf, type Library, usedIn } from "./plan/uses.js";
export { type RunJson, runToJson } from "./report/json.js";
export { sampleBody } from "./run/sample.js";
export { stepName } from "./plan/step-name.js";
export { shapingSentence } from "./report/shaping-sentence.js";
export { keyOf } from "./formula/key-of.js";
export { inWords } from "./formula/in-words.js";
export { wordComesTo } from "./report/word-comes-to.js";
export { explainStep, type TraceEntry, traceOf } from "./report/trace.js";
export { FormulaError } from "./formula/error.js";
export { type Explained, workedLines } from "./formula/explain.js";
export { markFor } from "./report/mark-for.js";
export { FUNCTIONS } from "./formula/functions.js";
export { type Box, crossesBox, overlap } from "./geometry/box.js";
export { type Bounds, boundsOf, growBounds } from "./geometry/bounds.js";
export { flatten } from "./geometry/path/flatten.js";
export { hobby, type Knot } from "./geometry/curve/hobby.js";
export { endOf, type Path, pathLength, pointAtLength, polyline, shiftPath, startOf } from "./geometry/path/path.js";
export { nearestOnPath } from "./geometry/path/nearest-on-path.js";
export { distance, type Point } from "./geometry/point.js";
export { mmText, svgData, svgLine, svgRing } from "./geometry/path/svg-data.js";
export { type DartResult, pressArrow } from "./piece/dart-result.js";
export { cutText, type Notch, type PieceEdge, type PieceMark, type PieceResult, roleText } from "./piece/piece.js";
export {
  segmentAt as partAt,
  type SeamWalk,
  type SewnEdges,
  walkedAlong,
  walkedTo,
  walkSeam,
  type WalkMark,
  type WalkSegment as WalkPart,
} from "./piece/walk.js";
export { grainArrow, middleOf, type Segment, titleRoom } from "./piece/room.js";
export { mixedText, nearestMixed } from "./quantity/fraction.js";
export type { Kind } from "./quantity/kind.js";
export { parseTape, type TapeParse } from "./quantity/parse-tape.js";
export { defaultMark, exactFigure, markStep, plainFigure, readTape, type TapeMark, type TapeReading, tapeText } from "./quantity/tape.js";
export { fromMm, type HomeUnit, type LengthUnit, MM_PER, otherUnit, toMm } from "./quantity/units.js";
export { isGradual, shapePartly, type ShapingResult } from "./run/shapings.js";
export { SHAPINGS } from "./shaping/index.js";
export type * from "./system/model.js";
export * from "./system/statements.js";
export { doingText, printNotation, printStatement } from "./system/notation/print.js";
export { tidyLine } from "./system/notation/tidy-line.js";
export { tidyNotation } from "./system/notation/tidy.js";
export { type NotationProblem, problemSaid, problemText } from "./system/notation/problem.js";
export { blockHolding, placeOf, readNotation, type ReadSystem, statementAt } from "./system/notation/read.js";
export { isPointText, POINT_ID, pointOnPaper } from "./formula/point-id.js";
export { pointText } from "./verb/form.js";
export { VERBS } from "./verb/index.js";
export * from "./template/index.js";
