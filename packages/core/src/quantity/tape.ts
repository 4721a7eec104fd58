import { mixedText, nearestMixed } from "./fraction.js";
import { fromMm, type HomeUnit, toMm } from "./units.js";

/** The smallest mark a tape is read to. */
export type TapeMark = "1/8in" | "1/16in" | "1mm";

/** A length as a tape shows it. */
export interface TapeReading {
  /** The length at the mark, in millimetres. */
  mm: number;
  /** Figure without its unit, e.g. `7 3/8` or `18.7`. */
  figure: string;
  unit: HomeUnit;
  /** Exact length minus the mark, in millimetres: what rounding to the mark leaves over. */
  left: number;
}

const MARK_MM: Record<TapeMark, number> = { "1/8in": 25.4 / 8, "1/16in": 25.4 / 16, "1mm": 1 };
const DENOMINATOR: Record<TapeMark, number> = { "1/8in": 8, "1/16in": 16, "1mm": 10 };

/** The mark a tape is read to by default in each unit. */
export function defaultMark(unit: HomeUnit): TapeMark {
  return unit === "in" ? "1/8in" : "1mm";
}

/** The nearest mark on the tape to a length in millimetres, halves away from zero. */
export function readTape(mm: number, mark: TapeMark): TapeReading {
  const step = MARK_MM[mark];
  const marks = Math.sign(mm) * Math.round(Math.abs(mm) / step);
  const atMark = marks * step;
  const unit: HomeUnit = mark === "1mm" ? "cm" : "in";
  const figure =
    unit === "in"
      ? mixedText(nearestMixed(marks / DENOMINATOR[mark], DENOMINATOR[mark]), true)
      : fromMm(atMark, "cm").toFixed(1).replace("-0.0", "0.0");
  return { mm: atMark, figure, unit, left: mm - atMark };
}

/** A tape reading with its unit, e.g. `7 3/8 in`. */
export function tapeText(mm: number, unit: HomeUnit, mark: TapeMark = defaultMark(unit)): string {
  const reading = readTape(mm, mark);
  return `${reading.figure}\u00a0${reading.unit}`;
}

/**
 * A length in figures as exact as a worked sum needs: a true fraction when it falls on a sixteenth of an inch,
 * otherwise at most three decimals. No unit.
 */
export function exactFigure(mm: number, unit: HomeUnit): string {
  const value = fromMm(mm, unit);
  if (unit === "in") {
    const mixed = nearestMixed(value, 16);
    const back = (mixed.negative ? -1 : 1) * (mixed.whole + mixed.numerator / mixed.denominator);
    if (Math.abs(back - value) < 5e-7) return mixedText(mixed, true);
  }
  return plainFigure(value);
}

/** A plain number with at most three decimals and no trailing zeros; never an exponent. */
export function plainFigure(value: number): string {
  const text = value.toFixed(3).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}

/** Distance to the nearest mark above or below, for steps of a tape field. */
export function markStep(unit: HomeUnit): number {
  return unit === "in" ? toMm(1 / 8, "in") : 1;
}
