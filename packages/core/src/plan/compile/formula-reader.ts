import { compileAs } from "../../formula/compile.js";
import { FormulaError } from "../../formula/error.js";
import { parseFormula } from "../../formula/parse.js";
import type { Scope } from "../../formula/scope.js";
import type { Tree } from "../../formula/tree.js";
import type { Kind } from "../../quantity/kind.js";
import type { PlannedFormula, PlanProblem } from "../plan.js";

/** Points, lines, pieces, tables and figures have names of their own. */
export type NameSpace = "name" | "point" | "path" | "piece" | "table";

/** What may mean something else further below: `Front.side`, `closed_width(…)`. */
const OF_ITS_PLACE = /\b[A-Z]\w*\.[a-z_]|closed_width/;

/** Compiles the formulas of statements in one scope, and keeps what is wrong with them. */
export class FormulaReader {
  readonly problems: PlanProblem[] = [];
  /** The statement each name was first made known by, for each sort of name. */
  private readonly firsts = { name: new Map<string, number>(), point: new Map(), path: new Map(), piece: new Map(), table: new Map() };

  constructor(
    readonly scope: Scope,
    private readonly trees: ReadonlyMap<string, Tree>,
  ) {}

  /**
   * The tree of a formula, parsed unless it came along with the text. Edges of pieces and the darts drawn so far are others further
   * below: a formula that names them is its own each time.
   */
  readonly parse = (text: string): Tree => {
    const known = this.trees.get(text);
    return known === undefined || OF_ITS_PLACE.test(text) ? parseFormula(text) : known;
  };

  /** Compiles a formula of a statement; a problem is noted with its field and gives undefined. */
  formula(text: string, kind: Kind, statement: number, field: string): PlannedFormula | undefined {
    try {
      const tree = this.parse(text);
      return { name: field, text, tree, kind, typed: compileAs(tree, this.scope, kind) };
    } catch (error) {
      this.note(error, statement, field);
      return undefined;
    }
  }

  note(error: unknown, statement: number, field?: string): void {
    if (!(error instanceof FormulaError)) throw error;
    this.problems.push({ statement, field: error.field ?? field, at: error.at, why: error.why, fix: error.fix, put: error.put });
  }

  report(problem: PlanProblem): void {
    this.problems.push(problem);
  }

  /** Makes a name known as this statement's; false, with a problem, when another has it already. */
  claim(name: string, statement: number, field = "key", space: NameSpace = "name"): boolean {
    const firsts: Map<string, number> = this.firsts[space];
    const first = firsts.get(name);
    if (first === undefined) {
      firsts.set(name, statement);
      return true;
    }
    if (first !== statement)
      this.problems.push({ statement, field, first, why: `${name} is already there.`, fix: "Give each its own name." });
    return false;
  }
}
