import { plainFigure, readTape, type TapeMark } from "../quantity/tape.js";
import { parseTape } from "../quantity/parse-tape.js";
import { fromMm, type HomeUnit } from "../quantity/units.js";
import { mixedText, nearestMixed } from "../quantity/fraction.js";
import type { PointStep } from "../system/model.js";

/** Which way a rule lays its length off; only along that can its point be pulled. */
const WAYS: Readonly<Record<string, readonly [number, number]>> = { out: [1, 0], in: [-1, 0], down: [0, 1], up: [0, -1] };

/** How far (mm) along its rule a point was pulled, by the hand's own shift; undefined for a rule with no number to change. */
export function pulledAlong(step: PointStep, dx: number, dy: number): number | undefined {
  const way = step.args["distance"] === undefined ? undefined : WAYS[step.verb];
  return way && dx * way[0] + dy * way[1];
}

/**
 * The rule with its number changed by so many millimetres, to the tape's mark: the figure it ends with, or else one put behind
 * it. Never a coordinate. The same step where the tape could not show the change.
 */
export function pulled(step: PointStep, mm: number, unit: HomeUnit, mark: TapeMark): PointStep {
  const by = readTape(mm, mark).mm;
  const rule = (step.args["distance"] ?? "").trim();
  if (by === 0 || rule === "") return step;
  return { ...step, args: { ...step.args, distance: withFigure(rule, by, unit) } };
}

const FIGURE = "\\d+(?:[.,]\\d+|\\s+\\d+/\\d+|/\\d+)?\\s*(?:in|cm|mm)?";
const WHOLE = new RegExp(`^(-?)\\s*(${FIGURE})$`);
/** A figure a rule ends with, behind something it is added to or taken from. */
const LAST = new RegExp(`^(.*[\\w)])\\s*([+-])\\s*(${FIGURE})$`);

function withFigure(rule: string, by: number, unit: HomeUnit): string {
  const [, minus, whole] = WHOLE.exec(rule) ?? [];
  if (whole !== undefined) return figure(signed(minus, whole, unit) + by, unit);
  const [, added, sign, last] = LAST.exec(rule) ?? [];
  const [head, before] = added === undefined ? [bracketed(rule), 0] : [added, signed(sign, last ?? "", unit)];
  const now = before + by;
  if (Math.abs(now) < 1e-6) return head;
  return `${head} ${now < 0 ? "-" : "+"} ${figure(Math.abs(now), unit)}`;
}

/** A figure with its sign, in mm. */
function signed(sign: string | undefined, text: string, unit: HomeUnit): number {
  const read = parseTape(text, unit);
  return (sign === "-" ? -1 : 1) * (read.ok ? read.mm : 0);
}

/** A comparison would swallow what is put behind it. */
const bracketed = (rule: string): string => (/[<>=]|\b(?:and|or|not)\b/.test(rule) ? `(${rule})` : rule);

/** A length as a rule writes it: inches in sixteenths, centimetres with a decimal. */
function figure(mm: number, unit: HomeUnit): string {
  if (unit === "cm") return plainFigure(Math.round(fromMm(mm, "cm") * 100) / 100);
  return mixedText(nearestMixed(fromMm(mm, "in"), 16));
}
