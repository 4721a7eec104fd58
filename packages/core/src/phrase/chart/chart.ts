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
  readonly firsts?: () => Firsts;
}

/** Words with which something can begin; undefined for any word at all. */
export type Firsts = ReadonlySet<string> | undefined;

const NO_WORD: ReadonlySet<string> = new Set();

/** Something of the grammar that can be said in several ways. Rules may refer to each other in a circle: they are filled in later. */
export class Rule<T, G> {
  readonly ways: Way<T, G>[] = [];
  private sorted: ByFirst<Way<T, G>> | undefined;
  private words: { readonly firsts: Firsts } | undefined;
  constructor(readonly name: string) {}

  /** The ways that can begin with a word; at the end of a sentence those that can begin with any. */
  beginning(word: string | undefined): readonly Way<T, G>[] {
    this.sorted ??= new ByFirst(this.ways, (way) => way.firsts?.());
    return this.sorted.of(word);
  }

  /** The words it can begin with. */
  firsts(): Firsts {
    if (!this.words) {
      // A rule that is met again in itself adds no word of its own.
      this.words = { firsts: NO_WORD };
      this.words = { firsts: unionOf(this.ways.map((way) => way.firsts?.())) };
    }
    return this.words.firsts;
  }

  /** Adds ways to say it. */
  said(...ways: readonly Way<T, G>[]): this {
    this.ways.push(...ways);
    return this;
  }
}

/** Things in their order, found by the words they can begin with. */
export class ByFirst<V> {
  private readonly known: ReadonlyMap<string, readonly V[]>;
  private readonly others: readonly V[];

  constructor(all: readonly V[], firstsOf: (one: V) => Firsts) {
    const firsts = all.map(firstsOf);
    const words = unionOf(firsts.filter((set) => set !== undefined)) ?? NO_WORD;
    this.known = new Map([...words].map((word) => [word, all.filter((_, i) => firsts[i]?.has(word) ?? true)]));
    this.others = all.filter((_, i) => firsts[i] === undefined);
  }

  of(word: string | undefined): readonly V[] {
    return (word === undefined ? undefined : this.known.get(word)) ?? this.others;
  }
}

/** All the words of several; any word when one of them can begin with any. */
export function unionOf(all: readonly Firsts[]): Firsts {
  const words = new Set<string>();
  for (const firsts of all) {
    if (!firsts) return undefined;
    for (const word of firsts) words.add(word);
  }
  return words;
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
    const found = distinct(rule.beginning(this.tokens[at]?.text).flatMap((way) => way.starts(this, at)));
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
