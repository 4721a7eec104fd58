export type { Cause } from "./causes.js";
export { type SlipCode, SLIPS } from "./codes.js";
export { type Control, suggestControls } from "./controls.js";
export { handTolerance, review, type Review, type ReviewedReading, type ReviewOptions } from "./review.js";
