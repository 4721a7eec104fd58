import type { References } from "../formula/references.js";

/** What a node of the graph works out: its place in the plan's list of that kind. */
export type NodeKind = "measure" | "setting" | "choice" | "step" | "piece" | "shaping" | "sew" | "check" | "passes" | "control";

/** One thing a draft works out, and what it is worked out from. */
export interface GraphNode {
  readonly kind: NodeKind;
  readonly index: number;
  /** The statement it comes from. */
  readonly statement: number;
  /** The nodes it reads, by place in the graph: those above it, but for a measurement, which may fall back on what stands below. */
  readonly inputs: readonly number[];
}

/** Everything, or only what is drawn on the board without its pieces. */
export type Through = "all" | "steps";

/** What a system works out, in the order of its text: the one record of what depends on what. */
export class Graph {
  private readonly known = { all: new Map<number, readonly number[]>(), steps: new Map<number, readonly number[]>() };
  private reversed: readonly (readonly number[])[] | undefined;

  constructor(
    readonly nodes: readonly GraphNode[],
    /** Nodes that may draw the same point or line, where there are several: each under its own conditions. */
    private readonly rivals: ReadonlyMap<number, readonly number[]>,
  ) {}

  /** A node and all it is worked out from, in order; `through` steps: without the pieces it is drawn from. */
  dependencies(node: number, through: Through = "all"): readonly number[] {
    return closure([node], (n) => (this.nodes[n]?.inputs ?? []).filter((input) => this.goesOn(input, through)));
  }

  /**
   * A node and all that is worked out from it, in order; what else may draw the same point is worked out again with it. `through` steps:
   * without the pieces and what is drawn from their edges.
   */
  dependents(node: number, through: Through = "all"): readonly number[] {
    const known = this.known[through].get(node);
    if (known) return known;
    const readers = (this.reversed ??= this.turnedRound());
    const next = (n: number): number[] => [...(readers[n] ?? []), ...(this.rivals.get(n) ?? [])];
    const found = closure([node], (n) => next(n).filter((reader) => this.goesOn(reader, through)));
    this.known[through].set(node, found);
    return found;
  }

  private goesOn(node: number, through: Through): boolean {
    return through === "all" || ON_THE_BOARD.has((this.nodes[node] as GraphNode).kind);
  }

  private turnedRound(): number[][] {
    const readers: number[][] = this.nodes.map(() => []);
    this.nodes.forEach(({ inputs }, n) => inputs.forEach((input) => readers[input]?.push(n)));
    return readers;
  }
}

const ON_THE_BOARD: ReadonlySet<NodeKind> = new Set(["setting", "step"]);

function closure(from: readonly number[], next: (node: number) => readonly number[]): number[] {
  const found = new Set(from);
  for (const node of found) for (const other of next(node)) found.add(other);
  return [...found].sort((a, b) => a - b);
}

/** Puts the graph together while a system is compiled, a node a statement or step. */
export class GraphBuilder {
  private readonly nodes: { kind: NodeKind; index: number; statement: number; inputs: number[] }[] = [];
  /** The nodes that make each name, points as `#id`, and those that read it. */
  private readonly makers = new Map<string, number[]>();
  private readonly readers = new Map<string, number[]>();
  private readonly rivals = new Map<number, readonly number[]>();

  /** The place the next node will have. */
  get next(): number {
    return this.nodes.length;
  }

  /** Adds a node that reads what was named, and other nodes besides; `makes` is what others know it by. */
  add(kind: NodeKind, index: number, statement: number, reads: References, makes?: string, besides: readonly number[] = []): number {
    const node = this.nodes.length;
    const inputs = new Set(besides);
    for (const name of namesOf(reads)) {
      for (const maker of this.makers.get(name) ?? []) inputs.add(maker);
      list(this.readers, name).push(node);
    }
    this.nodes.push({ kind, index, statement, inputs: [...inputs] });
    if (makes !== undefined) this.make(makes, node);
    return node;
  }

  /** Adds what is known of a node only when the whole text was read. */
  addInputs(node: number, reads: References): void {
    for (const name of namesOf(reads)) this.link(node, this.makers.get(name) ?? []);
  }

  /** Has a node read a name as it stands above it; false when nothing above makes it. What makes it below comes after the node. */
  reads(node: number, name: string): boolean {
    const all = this.makers.get(name) ?? [];
    const above = all.filter((n) => n < node);
    if (above.length === 0) return false;
    this.link(node, above);
    for (const below of all) if (below > node) this.link(below, [node]);
    return true;
  }

  graph(): Graph {
    return new Graph(this.nodes, this.rivals);
  }

  private link(node: number, inputs: readonly number[]): void {
    const known = this.nodes[node];
    for (const input of inputs) if (known && input !== node && !known.inputs.includes(input)) known.inputs.push(input);
  }

  /** A second rule for a point comes after whatever has read the first: it must not be read in its place. */
  private make(name: string, node: number): void {
    const all = list(this.makers, name);
    if (all.length > 0) {
      this.link(node, [...all, ...(this.readers.get(name) ?? [])]);
      all.push(node);
      for (const one of all) this.rivals.set(one, all);
    } else all.push(node);
  }
}

const namesOf = ({ points, names }: References): string[] => [...[...points].map((id) => `#${id}`), ...names];

function list(map: Map<string, number[]>, key: string): number[] {
  const known = map.get(key);
  if (known) return known;
  const made: number[] = [];
  map.set(key, made);
  return made;
}
