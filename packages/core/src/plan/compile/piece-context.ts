import type { Scope } from "../../formula/scope.js";
import type { FormulaReader } from "./formula-reader.js";
import type { PlannedDart } from "../../piece/blueprint.js";

/** What pieces and their shaping are compiled in: the names above them and the darts drawn. */
export interface PieceContext {
  readonly read: FormulaReader;
  readonly scope: Scope;
  readonly darts: readonly PlannedDart[];
  readonly boards: ReadonlySet<string>;
  /** The node of the graph that is being compiled. */
  readonly node: number;
}
