import type { Token } from "../words/tokens.js";

/** What a rule made of some words: what they mean, where they end, and how far-fetched that is. */
export interface Got<T> {
  readonly value: T;
  readonly to: number;
  readonly cost: number;
}

/** One way to say what a rule stands for. */
export interface Way<T, G> {
  readonly starts: (chart: Chart<G>, at: number) => readonly Got<T>[];
  /** The words it can begin with; any when it is not said. What begins otherwise is not tried. */
  readonly firsts?: (open: Set<Rule<unknown, G>>) => Firsts;
}

/** Words with which something can begin; undefined for any word at all. */
export type Firsts = ReadonlySet<string> | undefined;

/** Something of the grammar that can be said in several ways. Rules may refer to each other in a circle: they are filled in later. */
export class Rule<T, G> {
  readonly ways: Way<T, G>[] = [];
  private byFirst: { readonly known: ReadonlyMap<string, readonly Way<T, G>[]>; readonly others: readonly Way<T, G>[] } | undefined;
  constructor(readonly name: string) {}

  /** The ways that can begin with a word. */
  beginning(word: string): readonly Way<T, G>[] {
    this.byFirst ??= this.sorted();
    return this.byFirst.known.get(word) ?? this.byFirst.others;
  }

  /** The words it can begin with. */
  firsts(open: Set<Rule<unknown, G>>): Firsts {
    if (open.has(this as Rule<unknown, G>)) return new Set();
    open.add(this as Rule<unknown, G>);
    const all = new Set<string>();
    for (const way of this.ways) {
      const firsts = way.firsts?.(open);
      if (!firsts) return undefined;
      for (const word of firsts) all.add(word);
    }
    open.delete(this as Rule<unknown, G>);
    return all;
  }

  private sorted(): NonNullable<Rule<T, G>["byFirst"]> {
    const firsts = this.ways.map((way) => way.firsts?.(new Set([this as Rule<unknown, G>])));
    const words = new Set(firsts.flatMap((set) => (set ? [...set] : [])));
    const known = new Map([...words].map((word) => [word, this.ways.filter((_, i) => firsts[i]?.has(word) ?? true)]));
    return { known, others: this.ways.filter((_, i) => firsts[i] === undefined) };
  }

  /** Adds ways to say it. */
  said(...ways: readonly Way<T, G>[]): this {
    this.ways.push(...ways);
    return this;
  }
}

/** So many meanings are kept of one rule at one place: what is left out is the most far-fetched. */
const MOST = 16;

/**
 * Every reading of every part of a sentence, each worked out once: a chart parser that goes from the top down and keeps what it
 * finds (memoised recursive descent with all alternatives). The grammar has no rule that begins with itself.
 */
export class Chart<G> {
  private readonly known = new Map<Rule<unknown, G>, (readonly Got<unknown>[] | undefined)[]>();

  constructor(
    readonly tokens: readonly Token[],
    /** What the sentence may speak of. */
    readonly ground: G,
  ) {}

  parse<T>(rule: Rule<T, G>, at: number): readonly Got<T>[] {
    let row = this.known.get(rule as Rule<unknown, G>);
    if (!row) this.known.set(rule as Rule<unknown, G>, (row = []));
    const before = row[at] as readonly Got<T>[] | undefined;
    if (before) return before;
    row[at] = [];
    const word = this.tokens[at]?.text;
    const found =
      word === undefined
        ? distinct(rule.ways.flatMap((way) => way.starts(this, at)))
        : distinct(rule.beginning(word).flatMap((way) => way.starts(this, at)));
    row[at] = found;
    return found;
  }
}

function distinct<T>(found: readonly Got<T>[]): readonly Got<T>[] {
  if (found.length < 2) return found;
  const best = new Map<string, Got<T>>();
  for (const got of found) {
    const key = `${got.to} ${JSON.stringify(got.value)}`;
    const other = best.get(key);
    if (!other || got.cost < other.cost) best.set(key, got);
  }
  return [...best.values()].sort((a, b) => a.cost - b.cost).slice(0, MOST);
}
