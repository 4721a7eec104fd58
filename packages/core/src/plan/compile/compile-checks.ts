import { coerce, compile, compileAs } from "../../formula/compile.js";
import { pathIndex, pointIndex } from "../../formula/look-up.js";
import { FormulaError, inField } from "../../formula/error.js";
import type { Typed } from "../../formula/scope.js";
import type { Tree } from "../../formula/tree.js";
import type { Kind } from "../../quantity/kind.js";
import type { Check, Control, Passes, Sew, System } from "../../system/model.js";
import type { NodeKind } from "../graph.js";
import type { FormulaReader } from "./formula-reader.js";
import type { Plan, PlannedCheck, PlannedControl, PlannedPass, PlannedPlace, PlannedSew } from "../plan.js";
import { collectReferences, noReferences } from "../../formula/references.js";
import { WHOLE } from "./step-reader.js";

/** Compiles the checks and the pairs of edges that are sewn together. `boards` tells where each point was drafted; `add` puts each into the graph. */
export function compileChecks(
  system: System,
  read: FormulaReader,
  boards: ReadonlyMap<string, string>,
  add: (kind: NodeKind, index: number, statement: number) => void,
): Pick<Plan, "controls" | "checks" | "sews" | "passes" | "closures" | "stretch" | "edgesNamed"> {
  const compiler = new CheckCompiler(read, boards, pairedPieces(system));
  const checks: PlannedCheck[] = [];
  const sews: PlannedSew[] = [];
  const passes: PlannedPass[] = [];
  const closures: (Typed | undefined)[] = [];
  const controls: PlannedControl[] = [];
  let stretch: Typed | undefined;
  system.statements.forEach((statement, i) => {
    try {
      read.scope.reading = noReferences();
      if (statement.is === "check") add("check", checks.push(compiler.check(statement, i)) - 1, i);
      else if (statement.is === "sew") add("sew", sews.push(compiler.sew(statement, i)) - 1, i);
      else if (statement.is === "passes") add("passes", passes.push(compiler.pass(statement, i)) - 1, i);
      else if (statement.is === "control") add("control", controls.push(compiler.control(statement, i)) - 1, i);
      else if (statement.is === "closes") closures.push(compiler.when(statement.when));
      else if (statement.is === "cloth")
        stretch = inField("stretches", () => compileAs(read.parse(statement.stretches), read.scope, "number"));
    } catch (error) {
      read.note(error, i);
    }
  });
  const names = new Set([...sews.flatMap((s) => [...s.first, ...s.second]), ...[...checks, ...passes].flatMap((c) => c.edges)]);
  const all = [...names].map((name) => ({ name, piece: name.slice(0, name.indexOf(".")) }));
  return { controls, checks, sews, passes, closures, stretch, edgesNamed: all };
}

/** What a check compares, and how. */
type Judged = Pick<PlannedCheck, "kind" | "holds" | "relation" | "orEqual" | "got" | "expected" | "upper" | "within">;

/** A figure of a check, and the field of the statement it stands in. */
interface Side {
  readonly field: string;
  readonly tree: Tree;
}

class CheckCompiler {
  constructor(
    private readonly read: FormulaReader,
    private readonly boards: ReadonlyMap<string, string>,
    /** The pieces that have a mirror image: cut as a pair, or on the fold. */
    private readonly paired: ReadonlySet<string>,
  ) {}

  when(text: string | undefined): Typed | undefined {
    return text === undefined ? undefined : this.figure(text, "boolean", "when");
  }

  private figure(text: string, kind: Kind, field: string): Typed {
    return inField(field, () => compileAs(this.read.parse(text), this.read.scope, kind));
  }

  private place(id: string | undefined): PlannedPlace | undefined {
    if (id === undefined) return undefined;
    return { point: inField("at", () => pointIndex(id, this.read.scope, WHOLE)), board: this.boards.get(id) };
  }

  control(source: Control, statement: number): PlannedControl {
    return { statement, source, reads: this.figure(source.reads, "length", "reads") };
  }

  pass(source: Passes, statement: number): PlannedPass {
    return {
      statement,
      source,
      when: this.when(source.when),
      garment: this.figure(source.garment, "length", "garment"),
      body: this.figure(source.body, "length", "body"),
      over: collectReferences(this.read.parse(source.body), noReferences()).names,
      edges: edgesIn(source.garment),
      at: this.place(source.at),
    };
  }

  check(source: Check, statement: number): PlannedCheck {
    const edges = edgesNamed(source);
    const when = this.when(source.when);
    const at = this.place(source.at);
    // Written out: this is done for every check at every keystroke, and copying what is left of an object is slow.
    const { kind, holds, relation, orEqual, got, expected, upper, within } =
      source.test === "holds" ? this.condition(source.got) : this.comparison(source);
    return { statement, source, edges, when, at, kind, holds, relation, orEqual, got, expected, upper, within };
  }

  /** Two or three figures set against each other. */
  private comparison({ got, expected, upper, within, test }: Check): Judged {
    const sides = [this.side(got, "got"), this.side(expected, "expected"), this.side(upper, "upper")];
    const kind = this.sharedKind(sides);
    const [a, b, c] = sides.map((side) => side && this.inKind(side, kind)) as [Typed, Typed | undefined, Typed | undefined];
    return {
      kind,
      holds: undefined,
      relation: test === "between" ? "between" : "equal",
      orEqual: true,
      got: a,
      expected: b,
      upper: c,
      within: within === undefined ? undefined : this.figure(within, kind, "within"),
    };
  }

  private side(text: string | undefined, field: string): Side | undefined {
    return text === undefined ? undefined : { field, tree: inField(field, () => this.read.parse(text)) };
  }

  private inKind({ field, tree }: Side, kind: Kind): Typed {
    return inField(field, () => coerce(compile(tree, this.read.scope), kind, tree, this.read.scope));
  }

  /** A condition, with its two or three figures where it compares figures by less and more. */
  private condition(text: string): Judged {
    const { scope } = this.read;
    const holds = this.figure(text, "boolean", "got");
    const bare = {
      kind: "boolean",
      holds,
      relation: "holds",
      orEqual: false,
      got: holds,
      expected: undefined,
      upper: undefined,
      within: undefined,
    } as const;
    const tree = this.read.parse(text);
    if (tree.type !== "compare" || tree.ops.some((op) => op === "=" || op === "!=")) return bare;
    const kind = this.sharedKind(tree.items.map((item) => ({ field: "got", tree: item })));
    const [a, b, c] = tree.items.map((item) => coerce(compile(item, scope), kind, item, scope)) as [Typed, Typed, Typed | undefined];
    const orEqual = tree.ops.every((op) => op.endsWith("="));
    const [first, second] = tree.ops.map((op) => (op.startsWith("<") ? 1 : -1));
    if (tree.items.length === 2) return { ...bare, kind, relation: first === 1 ? "at most" : "at least", orEqual, got: a, expected: b };
    if (tree.items.length > 3 || first !== second) return bare;
    return { ...bare, kind, relation: "between", orEqual, got: b, expected: first === 1 ? a : c, upper: first === 1 ? c : a };
  }

  /** The kind of the sides that is not bare: lengths are compared with lengths. */
  private sharedKind(sides: readonly (Side | undefined)[]): Kind {
    for (const side of sides) {
      const kind = side && inField(side.field, () => compile(side.tree, this.read.scope).kind);
      if (kind && kind !== "bare") return kind;
    }
    return "number";
  }

  sew(source: Sew, statement: number): PlannedSew {
    const side = (names: readonly string[], field: string): readonly string[] => {
      names.forEach((name, i) => inField(`${field}.${i}`, () => pathIndex(name, this.read.scope, [0, name.length])));
      return names;
    };
    const [first, second] = [side(source.first, "first"), side(source.second, "second")];
    const twice = first.find((name) => second.includes(name));
    // A piece that is cut as a pair, or on the fold, is sewn to its own mirror image, as at a centre back or an underarm.
    if (twice !== undefined && !(first.length === 1 && second.length === 1 && this.paired.has(twice.slice(0, twice.indexOf("."))))) {
      const error = new FormulaError(`${twice} would be sewn to itself.`, "Name another edge.", WHOLE);
      error.field = "second.0";
      throw error;
    }
    return {
      statement,
      first,
      second,
      eased: source.eased === undefined ? undefined : this.figure(source.eased, "length", "eased"),
      within: source.within === undefined ? undefined : this.figure(source.within, "length", "within"),
      notches: (source.notches ?? []).map(({ after, ticks }, i) => ({ after: this.figure(after, "length", `notches.${i}.after`), ticks })),
    };
  }
}

const pairedPieces = (system: System): ReadonlySet<string> =>
  new Set(system.statements.flatMap((s) => ((s.is === "piece" || s.is === "pieceFrom") && (s.mirrored || s.onFold) ? [s.key] : [])));

const edgesNamed = (check: Check): string[] => [check.got, check.expected].flatMap((text) => edgesIn(text ?? ""));
const edgesIn = (text: string): string[] => text.match(/[A-Z]\w*\.[a-z_]\w*/g) ?? [];
