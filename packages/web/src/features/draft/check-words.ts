import { type CheckResult, type HomeUnit, plainFigure, tapeText } from "@lodrin/core";

const ORDER = { fail: 0, warn: 1, pass: 2 } as const;

/** Misses first, then things to look at, then what holds. */
export const byWeight = (a: CheckResult, b: CheckResult): number => ORDER[a.status] - ORDER[b.status];

function figure(value: number, check: CheckResult, unit: HomeUnit): string {
  if (check.kind === "length") return Math.abs(value) < 0.05 ? `0\u00a0${unit}` : tapeText(value, unit);
  if (check.kind === "angle") return `${plainFigure(Math.round((value * 1800) / Math.PI) / 10)}°`;
  return plainFigure(value);
}

/** Less than this lies between the marks of a tape (mm): it is told in millimetres. */
const BETWEEN_MARKS_MM = 2;
const smallFigure = (mm: number, unit: HomeUnit): string =>
  mm < BETWEEN_MARKS_MM ? `${plainFigure(Math.round(mm * 10) / 10)}\u00a0mm` : tapeText(mm, unit);

/** The two figures of a check and the difference, in words; undefined for a condition that has no figures. */
export function figuresOf(
  check: CheckResult,
  unit: HomeUnit,
): { got: string; expected: string; difference: string | undefined } | undefined {
  if (check.relation === "holds" || check.kind === "boolean") return undefined;
  const { expected } = check;
  if (typeof expected !== "number")
    return {
      got: figure(check.got, check, unit),
      expected: `${figure(expected[0], check, unit)} to ${figure(expected[1], check, unit)}`,
      difference: undefined,
    };
  const bound = check.relation === "at least" || check.relation === "at most" ? `${check.relation} ` : "";
  const off = check.got - expected;
  const difference =
    check.kind === "length" && Math.abs(off) > 0.05 ? `${off > 0 ? "+" : "−"}\u00a0${smallFigure(Math.abs(off), unit)}` : undefined;
  return { got: figure(check.got, check, unit), expected: `${bound}${figure(expected, check, unit)}`, difference };
}
