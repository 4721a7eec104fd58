import type { Bounds, Point } from "@lodrin/core";

/** What a mark is part of; each becomes a named layer of a file. */
export type Layer = "construction" | "levels" | "net" | "allowance" | "inside" | "fold" | "grain" | "notches" | "labels";

/** A stroke through corner points (mm). Curves arrive already as corner points within 0.05 mm, or as SVG data beside them. */
export interface Stroke {
  readonly kind: "stroke";
  readonly layer: Layer;
  readonly places: readonly Point[];
  readonly closed: boolean;
  /** Exact path data in mm, when the stroke is a curve. */
  readonly data?: string | undefined;
  readonly dashed?: boolean | undefined;
}

/** Words on the paper. `size` is the letter height in mm; `turn` in radians, clockwise. */
export interface Words {
  readonly kind: "words";
  readonly layer: Layer;
  readonly at: Point;
  readonly text: string;
  readonly size: number;
  readonly anchor: "start" | "middle" | "end";
  readonly turn: number;
}

export type Mark = Stroke | Words;

/** A sheet of marks in mm, x right, y down. */
export interface Drawing {
  readonly title: string;
  readonly bounds: Bounds;
  readonly marks: readonly Mark[];
}

/** Line width (mm) and dash pattern (mm) of each layer: thin construction, firm net line, lighter allowance. */
export const LAYER_STYLE: Readonly<Record<Layer, { width: number; grey: number; dash: readonly number[] }>> = {
  construction: { width: 0.15, grey: 0.62, dash: [] },
  levels: { width: 0.2, grey: 0.5, dash: [] },
  net: { width: 0.5, grey: 0.1, dash: [] },
  allowance: { width: 0.25, grey: 0.35, dash: [] },
  inside: { width: 0.3, grey: 0.2, dash: [] },
  fold: { width: 0.35, grey: 0.1, dash: [8, 2, 1.5, 2] },
  grain: { width: 0.3, grey: 0.25, dash: [] },
  notches: { width: 0.4, grey: 0.1, dash: [] },
  labels: { width: 0.2, grey: 0.15, dash: [] },
};
