import { strokeData } from "../drawing/stroke-data.js";
import type { Drawing, Layer } from "../drawing/mark.js";

/** Ink and width (px, whatever the size) of a small picture's layers, on paper that is light by day and night. */
const INK: Partial<Record<Layer, string>> = { levels: 'stroke="#a9a596" stroke-width="1"', fold: 'stroke-dasharray="7 3 2 3"' };

/** A drawing as a small SVG picture, without its words and some of its layers. To the millimetre: it is looked at, not measured. */
export function thumbnail({ bounds, marks }: Drawing, without: readonly Layer[] = []): string {
  const whole = (text: string): string => text.replace(/-?\d+\.\d+/g, (figure) => String(Math.round(Number(figure))));
  const strokes = new Map<Layer, string>();
  for (const mark of marks)
    if (mark.kind === "stroke" && !without.includes(mark.layer))
      strokes.set(mark.layer, (strokes.get(mark.layer) ?? "") + whole(strokeData(mark)));
  const box = [bounds.minX, bounds.minY, bounds.maxX - bounds.minX, bounds.maxY - bounds.minY].map(Math.round).join(" ");
  const paths = [...strokes].map(([layer, d]) => `<path vector-effect="non-scaling-stroke" ${INK[layer] ?? ""} d="${d}"/>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}" fill="none" stroke="#22262a" stroke-width="1.6">${paths.join("")}</svg>`;
}
