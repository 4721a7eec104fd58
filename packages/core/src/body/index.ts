export type { MeasurementDefinition, TapeRun } from "./measurement.js";
export { MEASUREMENTS, measurementByKey, measurementName } from "./measurements.js";
export { type Doubt, doubtsOf, type MeasurementsMm } from "./plausibility.js";
