import { keyAsName, measurementByKey, measurementName } from "./measurements.js";

/** A measurement as a system asks for it: its key, its kind, and the range it is expected in (mm). */
export interface Asked {
  readonly key: string;
  readonly source: { readonly kind: string };
  readonly from: number;
  readonly to: number;
}

/** So little of the shorter range may lie in the other: then the two are not the same measurement. */
const LEAST_SHARED = 0.5;

/** Round the body, straight along or across it, or counted: a width may as well be called a length. */
const sortOf = (kind: string): string => (kind === "girth" || kind === "number" ? kind : "straight");

/**
 * Whether a system means by a key what the known list means by it: the same sort, and the ranges hold the same figures. A back width
 * from arm to arm is not the list's half back of that key.
 */
export function meansTheKnown({ key, source: { kind }, from, to }: Asked): boolean {
  const known = measurementByKey(key);
  if (!known || sortOf(known.run) !== sortOf(kind)) return false;
  const shared = Math.min(to, known.to) - Math.max(from, known.from);
  return shared >= LEAST_SHARED * Math.min(to - from, known.to - known.from);
}

/** What people are shown for a measurement that a system asks for: the known name where that is meant, else the system's own. */
export const askedName = (asked: Asked): string => (meansTheKnown(asked) ? measurementName(asked.key) : keyAsName(asked.key));

/**
 * The figures that a body's kept measurements may fill: those that a system means as the known list does, and those under keys of its
 * own. Any other is asked for.
 */
export const filledFrom = <T>(written: Readonly<Record<string, T>>, measures: readonly Asked[]): Record<string, T> => {
  const fills = new Set(measures.filter((m) => measurementByKey(m.key) === undefined || meansTheKnown(m)).map(({ key }) => key));
  return Object.fromEntries(Object.entries(written).filter(([key]) => fills.has(key)));
};
