import { type SentencePart, partsOf } from "./gaps.js";

/** What a template makes, as it is looked for: the button it stands under. */
export type TemplateGroup = "given" | "point" | "line" | "dart" | "piece" | "shape" | "sew" | "check";

/**
 * A statement with gaps, so that it can be made by hand: its sentence as it is shown, and the lines of the notation it becomes. In
 * those `{gap}` stands for what fills it, `[…]` for what is left out with its gap, and `{edge.piece}` and `{edge.role}` for the two
 * halves of an edge that was pressed.
 */
export interface Template {
  readonly key: string;
  readonly group: TemplateGroup;
  /** On its button. */
  readonly label: string;
  readonly parts: readonly SentencePart[];
  readonly writes: readonly string[];
  /** Makes a point, which takes the next number of its board. */
  readonly numbered: boolean;
  /** Drawn on the board that is open, wherever what it names lies. */
  readonly here: boolean;
  /** A piece whose edges come of the way round that was walked in its gap `round`. */
  readonly outline: boolean;
}

/** Stands in a line for the numbers of points that are made together, until it is known on which board. */
export const RUN = "⟨run⟩";

interface More {
  readonly here?: boolean;
  readonly outline?: boolean;
}

/** A template of a group; its lines after its sentence. */
export const templateIn =
  (group: TemplateGroup, numbered = false) =>
  (key: string, label: string, says: string, writes: string | readonly string[], more: More = {}): Template => ({
    key,
    group,
    label,
    parts: partsOf(says),
    writes: typeof writes === "string" ? [writes] : writes,
    numbered,
    here: more.here ?? false,
    outline: more.outline ?? false,
  });
