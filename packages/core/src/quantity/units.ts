/** Millimetres in one of each unit of length. Exact by definition (international inch, 1959). */
export const MM_PER = { mm: 1, cm: 10, in: 25.4 } as const;

/** A unit that may be written behind a number. */
export type LengthUnit = keyof typeof MM_PER;

/** The unit a system is written in, and the unit a screen shows. */
export type HomeUnit = "in" | "cm";

/** @param value in `unit` @returns millimetres */
export function toMm(value: number, unit: LengthUnit): number {
  return value * MM_PER[unit];
}

/** @param mm millimetres @returns the same length in `unit` */
export function fromMm(mm: number, unit: LengthUnit): number {
  return mm / MM_PER[unit];
}

/** The other of the two home units. */
export function otherUnit(unit: HomeUnit): HomeUnit {
  return unit === "in" ? "cm" : "in";
}
