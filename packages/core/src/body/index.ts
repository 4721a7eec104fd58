export { askedName, filledFrom, meansTheKnown } from "./asked-name.js";
export { type Course, courseOnFigure, LANDMARKS, refuseCourse } from "./course.js";
export { FIGURE, FIGURE_LINES, GIRTH_LEVELS } from "./figure.js";
export type { MeasurementDefinition, TapeRun } from "./measurement.js";
export { MEASUREMENTS, measurementByKey, measurementCalled, measurementName } from "./measurements.js";
export { type NearestSize, nearestInWords, nearestSize, type SizeMm, type StepDoubt, stepDoubts } from "./sizes.js";
export { type Doubt, doubtsOf, type MeasurementsMm } from "./plausibility.js";
