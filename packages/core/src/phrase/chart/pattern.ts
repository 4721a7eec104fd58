import { type Chart, type Firsts, type Got, Rule, type Way } from "./chart.js";

/** What was caught by the rules of a pattern, in their order; undefined for one that was left out. */
type Caught<R extends readonly unknown[]> = { readonly [K in keyof R]: R[K] extends Rule<infer T, infer _G> ? T | undefined : never };

type Part<G> =
  | { readonly word: string }
  | { readonly rule: Rule<unknown, G>; readonly place: number }
  | { readonly either: readonly (readonly Part<G>[])[] };

/** Words and rules in a row, with what may be left out or said otherwise. */
export interface Pattern<R extends readonly unknown[], G> {
  readonly parts: readonly Part<G>[];
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
  let at = 0;
  const row = (): Part<G>[] => {
    const parts: Part<G>[] = [];
    while (at < signs.length && signs[at] !== "|" && signs[at] !== ")") {
      const sign = signs[at++] as string | number;
      let part: Part<G>;
      if (sign === "(") {
        const either = [row()];
        while (signs[at] === "|") {
          at++;
          either.push(row());
        }
        at++;
        part = { either };
      } else part = typeof sign === "number" ? { rule: rules[sign] as Rule<unknown, G>, place: sign } : { word: sign };
      if (signs[at] === "?") {
        at++;
        part = { either: [[part], []] };
      }
      parts.push(part);
    }
    return parts;
  };
  return { parts: row() };
}

/** The words a pattern can begin with. */
function firstsOf<G>(parts: readonly Part<G>[], open: Set<Rule<unknown, G>>): Firsts {
  const all = new Set<string>();
  for (const part of parts) {
    const { firsts, empty } = firstsOfPart(part, open);
    if (!firsts) return undefined;
    for (const word of firsts) all.add(word);
    if (!empty) return all;
  }
  // It can be nothing at all.
  return undefined;
}

function firstsOfPart<G>(part: Part<G>, open: Set<Rule<unknown, G>>): { firsts: Firsts; empty: boolean } {
  if ("word" in part) return { firsts: new Set([part.word]), empty: false };
  if ("rule" in part) return { firsts: part.rule.firsts(open), empty: false };
  const all = new Set<string>();
  for (const parts of part.either) {
    if (parts.length === 0) continue;
    const firsts = firstsOf(parts, open);
    if (!firsts) return { firsts: undefined, empty: false };
    for (const word of firsts) all.add(word);
  }
  return { firsts: all, empty: part.either.some((parts) => parts.length === 0) };
}

interface Match {
  readonly to: number;
  readonly cost: number;
  readonly caught: readonly unknown[];
}

function match<G>(chart: Chart<G>, parts: readonly Part<G>[], from: Match): readonly Match[] {
  let open: readonly Match[] = [from];
  for (const part of parts) {
    if (open.length === 0) return open;
    open = open.flatMap((m) => step(chart, part, m));
  }
  return open;
}

function step<G>(chart: Chart<G>, part: Part<G>, m: Match): readonly Match[] {
  if ("word" in part) return chart.tokens[m.to]?.text === part.word ? [{ ...m, to: m.to + 1 }] : [];
  if ("either" in part) return part.either.flatMap((parts) => match(chart, parts, m));
  return chart.parse(part.rule, m.to).map((got) => {
    const caught = [...m.caught];
    caught[part.place] = got.value;
    return { to: got.to, cost: m.cost + got.cost, caught };
  });
}

/** A way to say something: what its pattern catches is made into what it means, or into nothing where it cannot be meant. */
export function on<T, G, R extends readonly unknown[]>(
  said: Pattern<R, G>,
  means: (caught: Caught<R>, ground: G) => T | undefined,
  cost = 0,
): Way<T, G> {
  return {
    firsts: (open) => firstsOf(said.parts, open),
    starts: (chart, at) =>
      match(chart, said.parts, { to: at, cost, caught: [] }).flatMap((m): Got<T>[] => {
        if (m.to === at) return [];
        const value = means(m.caught as unknown as Caught<R>, chart.ground);
        if (value === undefined) return [];
        // What is done with the words cannot be compared: it is told apart by what it was made of.
        const does = typeof value === "object" && value !== null && "does" in value;
        return [{ value: does ? { ...value, said: JSON.stringify(m.caught) } : value, to: m.to, cost: m.cost }];
      }),
  };
}

/** One or more of a rule, with something between them. */
export function listOf<T, G>(name: string, one: Rule<T, G>, between: Rule<unknown, G>, least = 1): Rule<readonly T[], G> {
  const list = new Rule<readonly T[], G>(name);
  const tail = new Rule<readonly T[], G>(`${name} and more`);
  const asArray = (first: T, rest: readonly T[] = []): readonly T[] => [first, ...rest];
  tail.said({
    firsts: (open) => one.firsts(open),
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
    firsts: (open) => one.firsts(open),
    starts: (chart, at) => chart.parse(tail, at).filter((got) => got.value.length >= least),
  });
}
