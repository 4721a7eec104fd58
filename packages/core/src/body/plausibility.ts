import { tapeText } from "../quantity/tape.js";
import type { HomeUnit } from "../quantity/units.js";
import { measurementByKey, measurementName } from "./measurements.js";

/** A doubt about a set of measurements, to be shown beside its fields. The figures stay as they are. */
export interface Doubt {
  /** The field the words stand beside. */
  readonly key: string;
  /** The other field it concerns, if any. */
  readonly with?: string;
  readonly text: string;
}

/** Lengths in mm by key. */
export type MeasurementsMm = Readonly<Record<string, number>>;

const INCHES = 25.4;

/** Running lengths from the shoulder: each is longer than the one before. */
const DOWN_THE_FRONT = ["shoulder_to_bust", "shoulder_to_underbust", "shoulder_to_waist", "shoulder_to_hip", "knee_length"];
const DOWN_THE_BACK = ["scye_depth", "back_waist"];

interface PairRule {
  readonly less: string;
  readonly more: string;
  /** `less` may reach this share of `more`. */
  readonly share: number;
  readonly text: string;
}

/** Girths and widths that contradict each other. Common practice, no source. */
const PAIRS: readonly PairRule[] = [
  {
    less: "underbust",
    more: "bust",
    share: 1,
    text: "The under bust is larger than the bust. One of the two was read wrongly, or they were written in each other's place.",
  },
  { less: "neck", more: "chest", share: 0.55, text: "The neck is more than half of the chest. Measure both again." },
  { less: "neck", more: "bust", share: 0.55, text: "The neck is more than half of the bust. Measure both again." },
  { less: "wrist", more: "bicep", share: 1, text: "The wrist is larger than the upper arm." },
  {
    less: "bust_span",
    more: "bust",
    share: 0.32,
    text: "The bust span is nearly a third of the bust: it is measured point to point, not round the body.",
  },
  { less: "half_back", more: "chest", share: 0.27, text: "This is nearly the whole back. Half back runs from the spine to one arm only." },
  { less: "back_width", more: "bust", share: 0.27, text: "This is nearly the whole back. It runs from the spine to one arm only." },
  {
    less: "across_shoulder",
    more: "chest",
    share: 0.65,
    text: "The shoulder is very wide for this chest. It runs straight across the back, not over the arms.",
  },
  {
    less: "across_shoulder",
    more: "bust",
    share: 0.65,
    text: "The shoulder is very wide for this bust. It runs straight across the back, not over the arms.",
  },
  {
    less: "shoulder_length",
    more: "across_shoulder",
    share: 0.5,
    text: "One shoulder is longer than half of both. It runs from the side of the neck to the tip.",
  },
  { less: "shoulder_to_back_waist", more: "shoulder_to_hip", share: 0.95, text: "The back waist lies as low as the hip." },
];

/** Every doubt about a set, in the order of its fields. `unit` is the unit the person works in. */
export function doubtsOf(set: MeasurementsMm, unit: HomeUnit): Doubt[] {
  const doubts = Object.keys(set).flatMap((key) => aboutOne(key, set[key] as number, unit));
  const flagged = new Set(doubts.map((d) => d.key));
  return [
    ...doubts,
    ...inOrder(set, DOWN_THE_FRONT),
    ...inOrder(set, DOWN_THE_BACK),
    ...PAIRS.flatMap((rule) => aboutPair(rule, set)),
  ].filter((d) => d.with === undefined || !(flagged.has(d.key) || flagged.has(d.with)));
}

function aboutOne(key: string, value: number, unit: HomeUnit): Doubt[] {
  const known = measurementByKey(key);
  if (!known || known.run === "number") return [];
  const fits = (mm: number): boolean => mm >= known.from && mm <= known.to;
  if (fits(value)) return [];
  if (value <= 0) return [{ key, text: `${known.name} cannot be nothing. Measure again.` }];
  if (fits((value / INCHES) * 10))
    return [{ key, text: `${known.name} looks like centimetres written as inches. With “cm” behind the figure it would fit a body.` }];
  if (fits((value * INCHES) / 10))
    return [{ key, text: `${known.name} looks like inches written as centimetres. With “in” behind the figure it would fit a body.` }];
  if (fits(value / 10)) return [{ key, text: `${known.name} looks ten times too large: millimetres written as centimetres?` }];
  const range = `${tapeText(known.from, unit)} to ${tapeText(known.to, unit)}`;
  return [{ key, text: `${known.name} is outside what human bodies measure (${range}). Measure again.` }];
}

function inOrder(set: MeasurementsMm, keys: readonly string[]): Doubt[] {
  const there = keys.filter((key) => set[key] !== undefined);
  return there.slice(1).flatMap((key, i): Doubt[] => {
    const above = there[i] as string;
    if ((set[key] as number) > (set[above] as number)) return [];
    return [
      {
        key,
        with: above,
        text: `${measurementName(key)} runs further down than ${measurementName(above).toLowerCase()}, so it should be longer.`,
      },
    ];
  });
}

function aboutPair(rule: PairRule, set: MeasurementsMm): Doubt[] {
  const less = set[rule.less];
  const more = set[rule.more];
  if (less === undefined || more === undefined || less <= more * rule.share) return [];
  return [{ key: rule.less, with: rule.more, text: rule.text }];
}
