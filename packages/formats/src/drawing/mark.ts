import { type Bounds, flatten, type Path, pathLength, type Point } from "@lodrin/core";

/** What a mark is part of; each becomes a named layer of a file. */
export type Layer = "construction" | "levels" | "net" | "allowance" | "inside" | "fold" | "grain" | "notches" | "marks" | "labels";

/** A stroke along a path, in mm. */
export interface Stroke {
  readonly kind: "stroke";
  readonly layer: Layer;
  readonly path: Path;
  readonly closed: boolean;
  readonly dashed?: boolean | undefined;
  /** A sign for people, like the head of an arrow: a machine draws nothing for it. */
  readonly sign?: boolean | undefined;
  /** The edge of a piece it is, as Piece.role. */
  readonly edge?: string | undefined;
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

/** What a drawing is drawn into: every file format and the screen take the same strokes and words. */
export interface Sink {
  readonly stroke: (stroke: Omit<Stroke, "kind">) => void;
  readonly words: (words: Omit<Words, "kind" | "layer">) => void;
}

/** A sink that keeps what is drawn, in order. */
export function collector(): Sink & { readonly marks: Mark[] } {
  const marks: Mark[] = [];
  return {
    marks,
    stroke: (stroke) => void marks.push({ kind: "stroke", ...stroke }),
    words: (words) => void marks.push({ kind: "words", layer: "labels", ...words }),
  };
}

const flattened = new WeakMap<Path, Point[]>();

/** A stroke as corner points that stray at most 0.05 mm from it. */
export function strokePlaces({ path }: Stroke): readonly Point[] {
  const known = flattened.get(path);
  if (known) return known;
  const places = flatten(path);
  flattened.set(path, places);
  return places;
}

/** All strokes of a drawing together, in mm: what a pen would draw. */
export const strokeLength = ({ marks }: Drawing): number =>
  marks.reduce((sum, mark) => (mark.kind === "stroke" ? sum + pathLength(mark.path) : sum), 0);

/** Every place of a drawing that counts for how large it is. */
export const markPlaces = (marks: readonly Mark[]): Point[] => marks.flatMap((m) => (m.kind === "stroke" ? strokePlaces(m) : [m.at]));

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
  marks: { width: 0.3, grey: 0.1, dash: [] },
  labels: { width: 0.2, grey: 0.15, dash: [] },
};
