import { measurementByKey } from "../body/index.js";
import { fromMm, type HomeUnit } from "../quantity/units.js";

/** A measurement of the known list as a system asks for it. Its range is the list's own, on the tape. */
export function measureLine(key: string, unit: HomeUnit): string {
  const measure = measurementByKey(key);
  if (!measure) return "";
  const figure = (mm: number): number => Math.round(fromMm(mm, unit));
  const how = `${measure.how.charAt(0).toUpperCase()}${measure.how.slice(1)}`;
  return `measure ${key} ${measure.run} ${figure(measure.from)}..${figure(measure.to)}  "${how}"`;
}
