import { compileAs } from "../../formula/compile.js";
import { inField } from "../../formula/error.js";
import { parseLineRef } from "../../formula/parse.js";
import type { Evaluate, Environment, Scope } from "../../formula/scope.js";
import type { LineTree, Tree } from "../../formula/tree.js";
import type { Path } from "../../geometry/path/path.js";
import type { Point } from "../../geometry/point.js";
import type { Kind } from "../../quantity/kind.js";
import type { LineOrPath } from "../../verb/verb.js";
import { type Heading, headingOf } from "./direction.js";
import { lineReader, pathReader, pointReader } from "./lines.js";

/**
 * Compiles the parts of one step. Each is known by its name in the statement, so that what is wrong in it is told at its
 * place. All throw FormulaError.
 */
export class StepReader {
  constructor(
    readonly scope: Scope,
    private readonly parse: (text: string) => Tree,
  ) {}

  point(id: string, field: string): (f: Environment) => Point {
    return inField(field, () => pointReader(id, this.scope, WHOLE));
  }

  path(name: string, field: string): (f: Environment) => Path {
    return inField(field, () => pathReader(name, this.scope, WHOLE));
  }

  lineTree(text: string, field: string): LineTree {
    return inField(field, () => parseLineRef(text));
  }

  line(text: string, field: string): (f: Environment) => LineOrPath {
    const tree = this.lineTree(text, field);
    return inField(field, () => lineReader(tree, this.scope));
  }

  figure(text: string, kind: Kind, field: string): Evaluate {
    return inField(field, () => compileAs(this.parse(text), this.scope, kind).run);
  }

  heading(text: string, field: string): Heading {
    return inField(field, () => headingOf(text, this));
  }
}

/** An empty place in a field: all of it is meant. */
export const WHOLE: readonly [number, number] = [0, 0];
