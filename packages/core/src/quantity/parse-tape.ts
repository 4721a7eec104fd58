import { VULGAR } from "./fraction.js";
import { MM_PER, type HomeUnit, type LengthUnit } from "./units.js";

/** A tape string understood, or the reason in words why it was not. */
export type TapeParse = { ok: true; mm: number; unit: LengthUnit } | { ok: false; why: string };

const UNIT_WORDS: Readonly<Record<string, LengthUnit>> = {
  "": "mm",
  in: "in",
  inch: "in",
  inches: "in",
  '"': "in",
  "″": "in",
  "”": "in",
  "''": "in",
  cm: "cm",
  mm: "mm",
};

const LONGEST_MM = 10_000;

/**
 * Reads what a person writes for a length: `38 1/2`, `38½`, `38 4/8"`, `97.8 cm`, `978mm`, `38,5`.
 * A figure without a unit is taken in `home`. Lengths are from 0 to 10 m. Never throws.
 */
export function parseTape(typed: string, home: HomeUnit): TapeParse {
  const text = typed
    .trim()
    .replace(/\u00a0/g, " ")
    .replace(/[⁄∕]/g, "/");
  if (text === "") return no("Nothing is written here yet.");
  const match = /^([-−]?)\s*([\d.,/\s½¼¾⅓⅔⅛⅜⅝⅞-]*?)\s*([a-z"″”']*)\.?$/i.exec(text);
  if (!match) return no(`“${typed.trim()}” is not a length. Write it like 38 1/2, 38½, 97.8 cm or 978 mm.`);
  const [, minus, figures, unitWord] = match as unknown as [string, string, string, string];
  if (minus) return no("A tape has no lengths below zero.");
  const unit = unitWord === "" ? home : UNIT_WORDS[unitWord.toLowerCase()];
  if (!unit && figures === "") return no(`“${typed.trim()}” is not a length. Write it like 38 1/2, 38½, 97.8 cm or 978 mm.`);
  if (!unit) return no(`“${unitWord}” is not a unit Lodrin knows. Use in, cm or mm.`);
  const value = readFigures(figures.trim());
  if (typeof value === "string") return no(value);
  const mm = value * MM_PER[unit];
  if (mm > LONGEST_MM) return no("That is longer than ten metres. Check the figure and its unit.");
  return { ok: true, mm, unit };
}

function readFigures(figures: string): number | string {
  const whole = /^\d+$/.exec(figures);
  if (whole) return Number(figures);
  if (/^\d*[.,]\d+$/.test(figures) || /^\d+[.,]$/.test(figures)) return Number(figures.replace(",", "."));
  if (/[.,].*[.,]/.test(figures)) return `“${figures}” has more than one decimal mark. Write it like 38.5 or 38,5.`;
  const mixed = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)$/.exec(figures);
  if (mixed) return addFraction(Number(mixed[1] ?? 0), Number(mixed[2]), Number(mixed[3]));
  const vulgar = /^(\d*)\s*([½¼¾⅓⅔⅛⅜⅝⅞])$/.exec(figures);
  if (vulgar) return Number(vulgar[1] || 0) + (VULGAR[vulgar[2] as string] as number);
  if (figures === "") return "There is a unit but no figure. Write it like 38 1/2 in.";
  return `“${figures}” is not a figure on a tape. Write it like 38 1/2, 38½ or 38.5.`;
}

function addFraction(whole: number, numerator: number, denominator: number): number | string {
  if (denominator === 0) return "A fraction cannot have 0 below the line.";
  if (whole > 0 && numerator >= denominator) {
    return `${numerator}/${denominator} is a whole or more. Write the whole inches first, then the fraction left over.`;
  }
  return whole + numerator / denominator;
}

function no(why: string): TapeParse {
  return { ok: false, why };
}
