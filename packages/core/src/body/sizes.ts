import { tapeText } from "../quantity/tape.js";
import type { HomeUnit } from "../quantity/units.js";
import { measurementByKey, measurementName } from "./measurements.js";
import type { MeasurementsMm } from "./plausibility.js";

/** A size of a chart, its lengths in mm. */
export interface SizeMm {
  readonly name: string;
  readonly mm: MeasurementsMm;
}

/** The size nearest to a person, and where the person differs from it, most first. `by` is in mm, more than nothing where the person is larger. */
export interface NearestSize {
  readonly name: string;
  readonly compared: number;
  readonly differs: readonly { readonly key: string; readonly by: number }[];
}

/** Neck, shoulders and armhole hang on the bust or chest, and are hard to mend; a waist is let out in a seam. Common practice, no source. */
const WEIGHTS: Readonly<Record<string, number>> = { bust: 9, chest: 9, across_shoulder: 4, hip: 2, waist: 1, back_waist: 1.5, neck: 1.5 };
/** Differences a tape makes between two measurings. */
const PLAY_MM = 6;

/**
 * The size of a chart that fits a person best: the least weighted difference over what both have, in shares of the size's own
 * figures. Of two that fit alike the larger is meant: cloth can be taken in. Undefined where nothing can be compared.
 */
export function nearestSize(person: MeasurementsMm, sizes: readonly SizeMm[]): NearestSize | undefined {
  let best: { size: SizeMm; off: number; keys: readonly string[] } | undefined;
  for (const size of sizes) {
    const keys = Object.keys(size.mm).filter((key) => key in person && measurementByKey(key)?.run !== "number");
    if (keys.length === 0) continue;
    const weights = keys.map((key) => WEIGHTS[key] ?? 0.5);
    const offs = keys.map(
      (key, i) => (((person[key] as number) - (size.mm[key] as number)) / (size.mm[key] as number)) ** 2 * (weights[i] as number),
    );
    const off = offs.reduce((a, b) => a + b, 0) / weights.reduce((a, b) => a + b, 0);
    if (!best || off <= best.off + 1e-12) best = { size, off, keys };
  }
  if (!best) return undefined;
  const { size, keys } = best;
  const differs = keys
    .map((key) => ({ key, by: (person[key] as number) - (size.mm[key] as number) }))
    .filter(({ by }) => Math.abs(by) > PLAY_MM)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by));
  return { name: size.name, compared: keys.length, differs };
}

const TOLD = 4;

/** The nearest size in words: which, and where the person differs from it. */
export function nearestInWords(nearest: NearestSize, unit: HomeUnit): string {
  const { name, differs, compared } = nearest;
  if (differs.length === 0) return `Size ${name}: all ${compared} figures are alike.`;
  const told = differs
    .slice(0, TOLD)
    .map(({ key, by }) => `${measurementName(key).toLowerCase()} ${tapeText(Math.abs(by), unit)} ${by > 0 ? "more" : "less"}`)
    .join(", ");
  const more = differs.length > TOLD ? `, and ${differs.length - TOLD} more` : "";
  return `Size ${name}, but ${told}${more}.`;
}

/** A step of a column that does not go like the others: the row it leads to, counted from 0, and a question about it. */
export interface StepDoubt {
  readonly row: number;
  readonly text: string;
}

/** How many times its column's usual step one may be before it is asked about. */
const JUMP = 2.6;

/** Steps along a column that jump, stand still or turn back, in a chart whose sizes grow. Figures in mm; a gap is passed over. */
export function stepDoubts(column: readonly (number | undefined)[], unit: HomeUnit): StepDoubt[] {
  const there = column.flatMap((mm, row) => (mm === undefined ? [] : [{ mm, row }]));
  const steps = there
    .slice(1)
    .map(({ mm, row }, i) => ({ row, by: (mm - (there[i]?.mm ?? mm)) / Math.max(1, row - (there[i]?.row ?? row)) }));
  const sizes = steps.map(({ by }) => Math.abs(by)).sort((a, b) => a - b);
  const usual = sizes[Math.floor((sizes.length - 1) / 2)] ?? 0;
  if (steps.length < 2 || usual === 0) return [];
  const grows = steps.filter(({ by }) => by > 0).length * 2 >= steps.length;
  return steps.flatMap(({ row, by }): StepDoubt[] => {
    if (by !== 0 && by > 0 !== grows)
      return [{ row, text: `This goes back by ${tapeText(Math.abs(by), unit)} where the others go on. Is it so?` }];
    if (Math.abs(by) > JUMP * usual)
      return [
        {
          row,
          text: `This is ${tapeText(Math.abs(by), unit)} on from the size before; the others step ${tapeText(usual, unit)}. Is it so?`,
        },
      ];
    return [];
  });
}
