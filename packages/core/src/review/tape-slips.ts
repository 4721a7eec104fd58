import { fromMm, type HomeUnit, toMm } from "../quantity/units.js";
import type { SlipCode } from "./codes.js";

/** A figure as a hand may have taken it from the tape wrongly. Lengths in mm. */
export interface TapeSlip {
  readonly code: SlipCode;
  readonly mm: number;
  readonly says: string;
}

/** Every way a figure may be laid off, or read, wrongly on a tape of this unit: `mm` is the right figure. */
export function tapeSlips(mm: number, unit: HomeUnit): TapeSlip[] {
  const value = fromMm(mm, unit);
  if (!(value > 0)) return [];
  const found: TapeSlip[] = [];
  const add = (code: SlipCode, wrong: number, says: string): void => {
    if (wrong > 0 && Math.abs(wrong - value) > 1e-9) found.push({ code, mm: toMm(wrong, unit), says });
  };
  const swapped = swappedDigits(Math.floor(value));
  if (swapped !== undefined) add("digits-swapped", swapped + value - Math.floor(value), "two digits of the figure were swapped");
  if (unit === "in") {
    const eighths = Math.round(value * 8);
    const odd = eighths % 8;
    if (odd > 0) add("eighths-as-tenths", Math.floor(eighths / 8) + odd / 10, "the eighths were laid off as tenths");
    for (const by of [1, -1]) add("whole-unit-off", value + by, `a whole inch too ${by > 0 ? "much" : "little"}`);
    add("tape-other-side", value / 2.54, "the figure was laid off on the centimetre side of the tape");
  } else {
    for (const by of [10, -10]) add("whole-unit-off", value + by, `ten centimetres too ${by > 0 ? "much" : "little"}`);
    for (const by of [1, -1]) add("whole-unit-off", value + by, `a whole centimetre too ${by > 0 ? "much" : "little"}`);
    add("tape-other-side", value * 2.54, "the figure was laid off on the inch side of the tape");
  }
  const whole = Math.floor(value);
  if (whole > 0) {
    add("rounded", whole, "what is over the whole figure was dropped");
    if (value - whole >= 0.5) add("rounded", whole + 1, "it was rounded up to the next whole figure");
  }
  return found;
}

/** A figure of two digits with them the other way round; none where nothing would change. */
function swappedDigits(whole: number): number | undefined {
  if (whole < 12 || whole > 99) return undefined;
  const swapped = (whole % 10) * 10 + Math.floor(whole / 10);
  return swapped === whole || swapped < 10 ? undefined : swapped;
}
