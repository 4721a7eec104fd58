import { type CheckResult, exactFigure, type HomeUnit, plainFigure, tapeText } from "@lodrin/core";

const ORDER = { fail: 0, warn: 1, pass: 2 } as const;

/** Misses first, then things to look at, then what holds. */
export const byWeight = (a: CheckResult, b: CheckResult): number => ORDER[a.status] - ORDER[b.status];

function figure(value: number, check: CheckResult, unit: HomeUnit): string {
  if (check.kind === "length") return Math.abs(value) < 0.05 ? `0\u00a0${unit}` : tapeText(value, unit);
  if (check.kind === "angle") return `${plainFigure(Math.round((value * 1800) / Math.PI) / 10)}°`;
  return plainFigure(value);
}

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
    check.kind === "length" && Math.abs(off) > 0.05
      ? `${off > 0 ? "+" : "−"}\u00a0${exactFigure(Math.abs(off), unit)}\u00a0${unit}`
      : undefined;
  return { got: figure(check.got, check, unit), expected: `${bound}${figure(expected, check, unit)}`, difference };
}
