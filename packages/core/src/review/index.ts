export type { Cause } from "./causes.js";
export { cameraOver, type CameraStand, seenLine } from "./camera.js";
export { type SlipCode, SLIPS } from "./codes.js";
export { type ControlReading, controlsOf, suggestControls } from "./controls.js";
export { type ChosenSlip, drawnWithSlips, slipsAt } from "./with-slips.js";
export { asDrawn, handTolerance, review, type Review, type ReviewedReading, type ReviewOptions } from "./review.js";
