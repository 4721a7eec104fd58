import { MM_PER, type HomeUnit } from "@lodrin/core";
import type { View } from "./view.js";

/** Lines of the grid and figures of the rules, in screen pixels. */
export interface Ruling {
  readonly fine: readonly number[];
  readonly strong: readonly number[];
  readonly figures: readonly { readonly at: number; readonly text: string }[];
}

/** Spacings from coarse to fine in the unit, and the least pixels between lines of each. */
const SPACINGS: Record<HomeUnit, readonly { strong: number; fine: number }[]> = {
  in: [
    { strong: 12, fine: 6 },
    { strong: 6, fine: 1 },
    { strong: 1, fine: 1 / 2 },
    { strong: 1, fine: 1 / 8 },
  ],
  cm: [
    { strong: 50, fine: 10 },
    { strong: 10, fine: 5 },
    { strong: 5, fine: 1 },
    { strong: 1, fine: 0.5 },
    { strong: 1, fine: 0.1 },
  ],
};

const LEAST_FINE_PX = 7;
/** Figures of a rule nearer than this would run into each other. */
const LEAST_FIGURE_PX = 20;

/** The ruling along one axis: `from`..`to` pixels, the view's scale and shift along that axis. */
export function ruling(view: { k: number; shift: number }, from: number, to: number, unit: HomeUnit): Ruling {
  const px = view.k * MM_PER[unit];
  const fitting = SPACINGS[unit].filter((s) => s.fine * px >= LEAST_FINE_PX);
  const spacing = fitting[fitting.length - 1] ?? { strong: 100, fine: 100 };
  const lines = (step: number): number[] => {
    const out: number[] = [];
    const first = Math.ceil((from - view.shift) / (step * px));
    for (let i = first; i * step * px + view.shift <= to; i++) out.push(i);
    return out;
  };
  const at = (i: number, step: number): number => i * step * px + view.shift;
  const strong = lines(spacing.strong);
  const every = [1, 2, 5].find((n) => n * spacing.strong * px >= LEAST_FIGURE_PX) ?? 10;
  return {
    fine: lines(spacing.fine).map((i) => at(i, spacing.fine)),
    strong: strong.map((i) => at(i, spacing.strong)),
    figures: strong.filter((i) => i % every === 0).map((i) => ({ at: at(i, spacing.strong), text: String(i * spacing.strong) })),
  };
}

/** The grid as two path texts, and the figures for both rules. */
export function gridOf(
  view: View,
  width: number,
  height: number,
  unit: HomeUnit,
): { fine: string; strong: string; top: Ruling["figures"]; left: Ruling["figures"]; topTicks: string; leftTicks: string } {
  const x = ruling({ k: view.k, shift: view.x }, 0, width, unit);
  const y = ruling({ k: view.k, shift: view.y }, 0, height, unit);
  const cross = (xs: readonly number[], ys: readonly number[]): string =>
    xs.map((v) => `M${v.toFixed(1)} 0V${height}`).join("") + ys.map((v) => `M0 ${v.toFixed(1)}H${width}`).join("");
  return {
    fine: cross(x.fine, y.fine),
    strong: cross(x.strong, y.strong),
    top: x.figures,
    left: y.figures,
    topTicks: x.fine.map((v) => `M${v.toFixed(1)} 18V24`).join("") + x.strong.map((v) => `M${v.toFixed(1)} 12V24`).join(""),
    leftTicks: y.fine.map((v) => `M18 ${v.toFixed(1)}H24`).join("") + y.strong.map((v) => `M12 ${v.toFixed(1)}H24`).join(""),
  };
}
