import { fromMm, type HomeUnit, keyOf, MEASUREMENTS, parseTape, type Statement, type TapeRun } from "@lodrin/core";

/** Figures written of somebody, by the names of their measurements. */
export interface Written {
  readonly unit: HomeUnit;
  readonly figures: Readonly<Record<string, string>>;
}

/** A measurement of an author's own, as she writes it. */
export interface OwnMeasure {
  readonly name: string;
  readonly kind: TapeRun;
  readonly how: string;
  readonly from: string;
  readonly to: string;
}

type Measure = Extract<Statement, { is: "measure" }>;

/** The name of a measurement as the notation has it: "Nape to waist" is nape_to_waist. Undefined for words that make none. */
export function measureKey(name: string, taken: ReadonlySet<string>): string | undefined {
  const key = keyOf(name);
  return key === "" || taken.has(key) ? undefined : key;
}

/** So much (a share) less than the smallest body at hand, and more than the largest, is still a body. */
const BEYOND = 0.15;

/**
 * A range to begin with: what the bodies at hand have of that measurement and a little beyond; where none has it, what the known
 * measurements that run that way span. Whole figures of the unit, and a number is from none to ten.
 */
export function proposedRange(key: string, kind: TapeRun, unit: HomeUnit, bodies: readonly Written[]): readonly [string, string] {
  if (kind === "number") return ["0", "10"];
  const found = bodies.flatMap(({ figures, unit: written }) => {
    const text = figures[key];
    const parsed = text === undefined ? undefined : parseTape(text, written);
    return parsed?.ok ? [parsed.mm] : [];
  });
  const like = MEASUREMENTS.filter(({ run }) => run === kind);
  const [low, high] =
    found.length > 0
      ? [Math.min(...found) * (1 - BEYOND), Math.max(...found) * (1 + BEYOND)]
      : [Math.min(...like.map((m) => m.from)), Math.max(...like.map((m) => m.to))];
  return [Math.floor(fromMm(low, unit)), Math.ceil(fromMm(high, unit))].map((n) => String(Math.max(n, 0))) as [string, string];
}

/** The measurement as a statement of the system. */
export const ownStatement = (key: string, { kind, how, from, to }: OwnMeasure): Measure => ({
  is: "measure",
  key,
  kind,
  from: from.trim(),
  to: to.trim(),
  how: how.replace(/["“”]/g, "’").replace(/\n/g, " ").trim(),
});
