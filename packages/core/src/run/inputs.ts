import { inWords } from "../formula/in-words.js";
import { measurementByKey } from "../body/measurements.js";
import { suggest } from "../formula/suggest.js";
import { parseTape } from "../quantity/parse-tape.js";
import { type HomeUnit, MM_PER } from "../quantity/units.js";
import { tapeText } from "../quantity/tape.js";
import type { Plan, PlannedChoice, PlannedMeasure, PlannedSetting } from "../plan/plan.js";

/** What a body and a set of settings give: a tape string, or a number in the system's home unit. */
export type Given = Readonly<Record<string, string | number>>;

/** An answer that could not be used: which key, and why. */
export interface InputProblem {
  readonly key: string;
  readonly why: string;
}

/** Answers read: values by key (mm, radians, plain; NaN where a word stands), words of settings and choices by index. */
export interface Inputs {
  readonly values: ReadonlyMap<string, number>;
  readonly words: ReadonlyMap<string, number>;
  readonly problems: readonly InputProblem[];
  /** Measurements that neither this system nor any body has. */
  readonly unknown: readonly InputProblem[];
}

/**
 * Reads measurements and settings for a plan. Unreadable answers are problems; nothing is guessed. `writtenIn` is the
 * unit of measurements written without one; settings without a unit are in the system's own.
 */
export function readInputs(plan: Plan, measurements: Given, settings: Given, writtenIn: HomeUnit = plan.system.unit): Inputs {
  const values = new Map<string, number>();
  const words = new Map<string, number>();
  const problems: InputProblem[] = [];
  const unknown: InputProblem[] = [];
  for (const key of Object.keys(measurements)) {
    const given = measurements[key] as string | number;
    const measure = plan.measures.find((m) => m.key === key);
    if (!measure) {
      if (!measurementByKey(key)) unknown.push({ key, why: unknownText(key, plan) });
      continue;
    }
    take(readMeasure(measure, given, writtenIn), (value) => values.set(key, value), key, problems);
  }
  for (const key of Object.keys(settings)) {
    const given = settings[key] as string | number;
    const setting = plan.settings.find((s) => s.key === key);
    const choice = plan.choices.find((c) => c.key === key);
    if (setting) {
      const word = setting.words.indexOf(String(given));
      if (word > 0) words.set(key, word);
      else take(withinReason(setting, readSetting(setting, given, plan), given), (value) => values.set(key, value), key, problems);
    } else if (choice) take(readChoice(choice, given), (value) => words.set(key, value), key, problems);
    else problems.push({ key, why: `This system has no setting or choice called ${key}.` });
  }
  return { values, words, problems, unknown };
}

/** A body is given with all that was measured on it; a key that is none of a body's measurements is a slip of the pen. */
function unknownText(key: string, { measures }: Plan): string {
  const near = suggest(
    key,
    measures.map((m) => m.key),
  );
  return `This system asks for no “${key}”.${near ? ` Did you mean ${near}?` : ""}`;
}

function take(read: number | string, keep: (value: number) => void, key: string, problems: InputProblem[]): void {
  if (typeof read === "string") problems.push({ key, why: read });
  else keep(read);
}

function readMeasure(measure: PlannedMeasure, given: string | number, unit: HomeUnit): number | string {
  const value = measure.source.kind === "number" ? readNumber(given) : readLength(given, unit);
  return typeof value === "number" && value <= 0 ? `“${given}” is no measurement: a body measures more than nothing.` : value;
}

/** Longer than anything a garment is cut from (mm): beyond it no figure of a draft means anything. */
const LONGEST_MM = 100_000;

function readLength(given: string | number, unit: HomeUnit): number | string {
  const mm = lengthOf(given, unit);
  return typeof mm === "number" && Math.abs(mm) > LONGEST_MM ? `“${given}” is more than a hundred metres: no body is so large.` : mm;
}

function lengthOf(given: string | number, unit: HomeUnit): number | string {
  if (typeof given === "number") return Number.isFinite(given) ? given * MM_PER[unit] : `${given} is not a length.`;
  const read = parseTape(given.replace(/^\s*[-−]/, ""), unit);
  if (!read.ok) return read.why;
  return /^\s*[-−]/.test(given) ? -read.mm : read.mm;
}

function readNumber(given: string | number): number | string {
  const text = typeof given === "number" ? given : given.trim().replace(",", ".");
  const fraction = /^(-?\d+)\s*\/\s*(\d+)$/.exec(String(text));
  const value = fraction ? Number(fraction[1]) / Number(fraction[2]) : Number(text);
  return text !== "" && Number.isFinite(value) ? value : `“${given}” is not a number.`;
}

function readSetting(setting: PlannedSetting, given: string | number, plan: Plan): number | string {
  const { kind, key } = setting.source;
  if (kind === "boolean") return given === "yes" || given === 1 ? 1 : given === "no" || given === 0 ? 0 : `${inWords(key)} is yes or no.`;
  if (kind === "length") return readLength(given, plan.system.unit);
  const value = readNumber(typeof given === "string" ? given.replace(/°\s*$/, "") : given);
  return kind === "angle" && typeof value === "number" ? (value * Math.PI) / 180 : value;
}

/** How far beyond its author's range a setting is still taken: what a hand would try, not what a slip or malice writes. */
const BEYOND = 4;

/** A setting's figure, unless it lies far outside the range its author gave; within, or somewhat beyond, it is taken, and warned of elsewhere. */
function withinReason({ from, to, key }: PlannedSetting, read: number | string, given: string | number): number | string {
  if (typeof read === "string") return read;
  const span = Math.max(to - from, Math.abs(from), Math.abs(to));
  if (!Number.isFinite(span)) return read;
  const least = from > 0 ? from / BEYOND : from - BEYOND * span;
  const most = to < 0 ? to / BEYOND : to + BEYOND * span;
  if (read >= least && read <= most) return read;
  return `“${given}” is far ${read < least ? "below" : "above"} what ${inWords(key)} can be; its author gave a range.`;
}

function readChoice(choice: PlannedChoice, given: string | number): number | string {
  const names = choice.source.options.map((o) => o.name);
  const index = names.indexOf(String(given));
  return index >= 0 ? index : `${inWords(choice.source.key)} has no option “${given}”. It has: ${inWords(names.join(", "))}.`;
}

/** A plausible range as text, for messages. */
export const rangeText = (from: number, to: number, unit: "in" | "cm"): string => `${tapeText(from, unit)} to ${tapeText(to, unit)}`;
