import { ByFirst, type Chart, type Firsts, type Got, Rule, unionOf, type Way } from "./chart.js";

/** What was caught by the rules of a pattern, in their order; undefined for one that was left out. */
type Caught<R extends readonly unknown[]> = { readonly [K in keyof R]: R[K] extends Rule<infer T, infer _G> ? T | undefined : never };

/** What can come next in a pattern: a word, a rule, one of several, or nothing more. */
type Next<G> =
  | { readonly is: "word"; readonly word: string; readonly next: Next<G> }
  | { readonly is: "rule"; readonly rule: Rule<unknown, G>; readonly place: number; readonly next: Next<G> }
  | { readonly is: "either"; readonly ways: readonly Next<G>[]; sorted?: ByFirst<Next<G>> }
  | { readonly is: "end" };

/** Words and rules in a row, with what may be left out or said otherwise. */
export interface Pattern<R extends readonly unknown[], G> {
  readonly start: Next<G>;
  /** Only its types are of use. */
  readonly rules?: R;
}

/**
 * A pattern of words and rules: `(a|b)` is one of several, `?` behind a word or a bracket lets it be left out.
 *
 * @example pattern`(from|starting at) ${POINT} (go|come)? ${WAY}`
 */
export function pattern<G, R extends readonly Rule<unknown, G>[]>(texts: TemplateStringsArray, ...rules: R): Pattern<R, G> {
  const signs = texts.flatMap((text, i) => [
    ...(text.match(/[()|?]|[^\s()|?]+/g) ?? []).map((sign): string | number => sign),
    ...(i < rules.length ? [i] : []),
  ]);
  return { start: network(partsOf(signs), rules) };
}

type Part = { readonly word: string } | { readonly place: number } | { readonly either: readonly (readonly Part[])[] };

/** The signs of a pattern with their brackets read. */
function partsOf(signs: readonly (string | number)[]): readonly Part[] {
  let at = 0;
  const row = (): Part[] => {
    const parts: Part[] = [];
    while (at < signs.length && signs[at] !== "|" && signs[at] !== ")") {
      const sign = signs[at++] as string | number;
      let part: Part;
      if (sign === "(") {
        const either = [row()];
        while (signs[at] === "|") {
          at++;
          either.push(row());
        }
        at++;
        part = { either };
      } else part = typeof sign === "number" ? { place: sign } : { word: sign };
      if (signs[at] === "?") {
        at++;
        part = { either: [[part], []] };
      }
      parts.push(part);
    }
    return parts;
  };
  return row();
}

/** The parts of a pattern tied to what follows them (a recursive transition network), so that each word decides where it goes on. */
function network<G>(parts: readonly Part[], rules: readonly Rule<unknown, G>[], end: Next<G> = { is: "end" }): Next<G> {
  return parts.reduceRight<Next<G>>((next, part) => {
    if ("word" in part) return { is: "word", word: part.word, next };
    if ("place" in part) return { is: "rule", rule: rules[part.place] as Rule<unknown, G>, place: part.place, next };
    const ways = part.either.map((row) => network(row, rules, next));
    return { is: "either", ways: ways.flatMap((way) => (way.is === "either" && way !== next ? way.ways : [way])) };
  }, end);
}

/** The words a pattern can go on with. */
function firstsOf<G>(next: Next<G>): Firsts {
  if (next.is === "word") return new Set([next.word]);
  if (next.is === "rule") return next.rule.firsts();
  return next.is === "end" ? undefined : unionOf(next.ways.map(firstsOf));
}

/** What was caught by a pattern, the last first. */
interface Catch {
  readonly place: number;
  readonly value: unknown;
  readonly before: Catch | undefined;
}

interface Match {
  readonly to: number;
  readonly cost: number;
  readonly caught: readonly unknown[];
}

function follow<G>(chart: Chart<G>, next: Next<G>, to: number, cost: number, caught: Catch | undefined, found: Match[]): void {
  if (next.is === "word") {
    if (chart.tokens[to]?.text === next.word) follow(chart, next.next, to + 1, cost, caught, found);
  } else if (next.is === "either") {
    next.sorted ??= new ByFirst(next.ways, firstsOf);
    for (const way of next.sorted.of(chart.tokens[to]?.text)) follow(chart, way, to, cost, caught, found);
  } else if (next.is === "rule") {
    for (const got of chart.parse(next.rule, to))
      follow(chart, next.next, got.to, cost + got.cost, { place: next.place, value: got.value, before: caught }, found);
  } else found.push({ to, cost, caught: listOfCaught(caught) });
}

function listOfCaught(last: Catch | undefined): unknown[] {
  const caught: unknown[] = [];
  for (let one = last; one; one = one.before) caught[one.place] = one.value;
  return caught;
}

/** A way to say something: what its pattern catches is made into what it means, or into nothing where it cannot be meant. */
export function on<T, G, R extends readonly unknown[]>(
  said: Pattern<R, G>,
  means: (caught: Caught<R>, ground: G) => T | undefined,
  cost = 0,
): Way<T, G> {
  return {
    firsts: () => firstsOf(said.start),
    starts: (chart, at) => {
      const found: Match[] = [];
      follow(chart, said.start, at, cost, undefined, found);
      return found.flatMap((m): Got<T>[] => {
        if (m.to === at) return [];
        const value = means(m.caught as unknown as Caught<R>, chart.ground);
        if (value === undefined) return [];
        // What is done with the words cannot be compared: it is told apart by what it was made of.
        const does = typeof value === "object" && value !== null && "does" in value;
        return [{ value: does ? { ...value, said: JSON.stringify(m.caught) } : value, to: m.to, cost: m.cost }];
      });
    },
  };
}

/** One or more of a rule, with something between them. */
export function listOf<T, G>(name: string, one: Rule<T, G>, between: Rule<unknown, G>, least = 1): Rule<readonly T[], G> {
  const list = new Rule<readonly T[], G>(name);
  const tail = new Rule<readonly T[], G>(`${name} and more`);
  const asArray = (first: T, rest: readonly T[] = []): readonly T[] => [first, ...rest];
  tail.said({
    firsts: () => one.firsts(),
    starts: (chart, at) =>
      chart
        .parse(one, at)
        .flatMap((first) => [
          { value: asArray(first.value), to: first.to, cost: first.cost },
          ...chart
            .parse(between, first.to)
            .flatMap((gap) =>
              chart
                .parse(tail, gap.to)
                .map((rest) => ({ value: asArray(first.value, rest.value), to: rest.to, cost: first.cost + gap.cost + rest.cost })),
            ),
        ]),
  });
  return list.said({
    firsts: () => one.firsts(),
    starts: (chart, at) => chart.parse(tail, at).filter((got) => got.value.length >= least),
  });
}
