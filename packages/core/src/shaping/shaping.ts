import type { Evaluate, Environment } from "../formula/scope.js";
import type { NamedDart } from "../piece/dart-result.js";
import type { PieceResult } from "../piece/piece.js";
import type { ShapingForms } from "../system/shaping-forms.js";

/** A shaping's gaps filled and compiled. Each accessor is called once, when the system is compiled. */
export interface ShapingFilled {
  readonly length: (name: string) => Evaluate;
  readonly number: (name: string) => Evaluate;
  /** The name of a point, a line, a piece or an edge, as it was written. */
  readonly name: (name: string) => string;
  /** Names joined by commas or `and`, points without their `#`. */
  readonly names: (name: string) => readonly string[];
  /** The dart of that name; undefined for a line that is none. */
  readonly dart: (name: string) => NamedDart | undefined;
}

/** The pieces after a shaping, done to `share` of the whole (0 to 1), so that it can be watched. May throw DraftError. */
export type Shape = (pieces: readonly PieceResult[], environment: Environment, share: number) => PieceResult[];

/** A way of shaping pieces. Adding one is its forms in `system/shaping-forms.ts`, a file here and a line in `index.ts`. */
export interface Shaping extends ShapingForms {
  /** True when it can be watched half done; the others go in one stroke and are only asked for whole. */
  readonly gradual: boolean;
  readonly prepare: (form: number, filled: ShapingFilled) => Shape;
}
