import type { Scope } from "../formula/scope.js";
import type { FormulaReader } from "./formula-reader.js";
import type { PlannedDart } from "../piece/blueprint.js";

/** What pieces and their shaping are compiled in: the names above them, the darts drawn, and the names of the drawing they use. */
export interface PieceContext {
  readonly read: FormulaReader;
  readonly scope: Scope;
  readonly darts: readonly PlannedDart[];
  /** Points and lines that shapings name, by their index: the pieces carry them. */
  readonly names: { readonly points: Map<string, number>; readonly paths: Map<string, number> };
  readonly boards: ReadonlySet<string>;
}
