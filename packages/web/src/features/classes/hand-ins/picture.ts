import { type Drawing, type Layer, strokeData } from "@lodrin/formats";

/** A small drawing: what it spans, and its strokes as SVG data by layer. */
export interface Picture {
  readonly box: string;
  readonly strokes: readonly { readonly d: string; readonly layer: string }[];
}

/** A drawing as a small picture, without some of its layers. */
export function pictureOf({ bounds, marks }: Drawing, without: readonly Layer[] = []): Picture {
  const { minX, minY, maxX, maxY } = bounds;
  const strokes = marks.flatMap((m) => (m.kind === "stroke" && !without.includes(m.layer) ? [{ d: strokeData(m), layer: m.layer }] : []));
  return { box: `${minX} ${minY} ${maxX - minX} ${maxY - minY}`, strokes };
}
