import { laidOff } from "./acts/laid-off.js";
import { placing } from "./acts/placing.js";
import { Chart } from "./chart/chart.js";
import { corrected } from "./corrected.js";
import { type Cover, coversOf, silent } from "./covers.js";
import type { Ground } from "./ground/ground.js";
import { Bag, type Item } from "./clause.js";
import { Sheet } from "./sheet/sheet.js";
import { NotSo, Unclear } from "./sheet/unclear.js";
import { isNoise, type Token, tokensOf } from "./words/tokens.js";

/** One way to understand a sentence: what it puts on the sheet, and how far-fetched that is. */
export interface Understood {
  readonly sheet: Sheet;
  readonly cost: number;
  readonly cover: Cover;
  /** The words it was read from: those that were taken back are not among them. */
  readonly tokens: readonly Token[];
}

export interface Sense {
  readonly tokens: readonly Token[];
  readonly understood: readonly Understood[];
  /** What is missing or cannot be, the likeliest first. */
  readonly unclear: readonly { readonly unclear: Unclear; readonly cost: number }[];
  /** Words that no reading takes. */
  readonly left: readonly Token[];
}

/** No sentence that is meant to be followed is longer. */
const LONGEST = 110;

/** Understands a sentence where it stands, in every way in which all its words take part. `it` is the point said before. */
export function understand(sentence: string, ground: Ground, it?: string): Sense {
  const all = tokensOf(sentence)
    .filter((token) => !isNoise(token))
    // Where a word was passed over, two commas stand side by side.
    .filter(({ text }, i, rest) => !(text === "," && (i === 0 || [",", ".", ";", ":"].includes(rest[i - 1]?.text ?? ""))));
  for (const tokens of corrected(all, ground)) {
    const sense = inWords(tokens, ground, it);
    if (sense.understood.length > 0) return sense;
  }
  return inWords(all, ground, it);
}

function inWords(tokens: readonly Token[], ground: Ground, it?: string): Sense {
  if (tokens.length === 0 || tokens.length > LONGEST) return { tokens, understood: [], unclear: [], left: tokens };
  const chart = new Chart(tokens, ground);
  const covers = coversOf(chart);
  const understood: Understood[] = [];
  const unclear: { unclear: Unclear; cost: number }[] = [];
  const clauses = new Clauses();
  const blank = Sheet.blank(ground, it);
  for (const cover of covers.filter(({ left }) => left.length === 0)) {
    const { read, open } = followed(cover, blank, clauses);
    understood.push(...read.map((one) => ({ ...one, tokens })));
    unclear.push(...open);
  }
  const byCost = (a: { cost: number }, b: { cost: number }): number => a.cost - b.cost;
  const fewest = covers.find(({ left }) => left.length > 0 || understood.length === 0);
  return {
    tokens,
    understood: understood.sort(byCost),
    unclear: unclear.sort(byCost),
    left: understood.length > 0 ? [] : (fewest?.left ?? []).flatMap((at) => tokens[at] ?? []),
  };
}

interface Path {
  readonly sheet: Sheet;
  readonly cost: number;
  /** What was asked on the way: the rest is followed as if it were answered. */
  readonly asked?: Unclear;
}
const KEPT = 6;

/** The cheapest ways to have come so far, each that wrote something else. */
function likeliest(paths: readonly Path[]): readonly Path[] {
  const known = new Set<string>();
  const kept: Path[] = [];
  for (const path of [...paths].sort((a, b) => a.cost - b.cost)) {
    const wrote = path.sheet.wrote + (path.asked?.said ?? "");
    if (known.has(wrote)) continue;
    known.add(wrote);
    kept.push(path);
    if (kept.length === KEPT) break;
  }
  return kept;
}

interface Followed {
  readonly read: Omit<Understood, "tokens">[];
  readonly open: { unclear: Unclear; cost: number }[];
}

/** What it costs to read one meaning over a full stop or a semicolon. */
const STOPPED = 2;

/** What a clause costs, so that fewer are likelier; more where a full stop stands in it, or it says an amount and no more. */
function costOf(clause: readonly Item[], first: boolean): number {
  const said = clause.filter((item) => !silent(item));
  const stops = clause.filter((item) => item.is === "gap" && item.strong).length;
  // "Down two, that is 22, then across": the name goes with what stands before it.
  const named = said.length > 1 && said[0]?.is === "name" && !first ? 0.6 : 0;
  return 1.5 + stops * STOPPED + named + (said.length === 1 && said[0]?.is === "amount" ? 1.2 : 0);
}

/** Follows a sentence clause by clause: parts that stand together are one clause when they make something together. */
function followed(cover: Cover, blank: Sheet, clauses: Clauses): Followed {
  const items = cover.items.map(({ item }) => item);
  const paths: Path[][] = items.map(() => []);
  paths.push([]);
  paths[0] = [{ sheet: blank, cost: cover.cost }];
  const open: Followed["open"] = [];
  items.forEach((item, at) => {
    for (const path of likeliest(paths[at] ?? [])) {
      if (silent(item)) paths[at + 1]?.push(path);
      // A verb of going says nothing by itself, and that something is to be placed.
      if (!silent(item) || item.is === "go")
        for (let to = at + 1; to <= items.length; to++)
          if (to === at + 1 || items[to - 1]?.is !== "gap") clauseFrom(path, items, at, to, paths[to], open, clauses);
    }
  });
  const ends = paths[items.length] ?? [];
  for (const { asked, cost } of ends) if (asked) open.push({ unclear: asked, cost });
  const read = ends
    .filter(({ asked, sheet }) => !asked && !sheet.empty && !sheet.namesWaiting && !sheet.starting)
    .map(({ sheet, cost }) => ({ sheet, cost, cover }));
  return { read, open };
}

/** How much less likely it makes a question that so many parts behind it are not looked at. */
const UNREAD = 3;

/** Goes on by one clause; where something is missing in it, the rest is followed as if that were answered. */
function clauseFrom(
  { sheet, cost, asked }: Path,
  items: readonly Item[],
  at: number,
  to: number,
  then: Path[] | undefined,
  open: Followed["open"],
  clauses: Clauses,
): void {
  const clause = items.slice(at, to);
  const done = clauses.done(clause, sheet);
  if (done instanceof NotSo) return;
  if (done instanceof Unclear) {
    const unclear = asked ?? done;
    open.push({ unclear, cost: cost + 1.5 + items.slice(to).filter((item) => !silent(item)).length * UNREAD });
    then?.push({ sheet: clauses.supposing(sheet), cost: cost + 1.5, asked: unclear });
  } else then?.push({ sheet: done, cost: cost + costOf(clause, sheet.empty), ...(asked ? { asked } : {}) });
}

/** What clauses come to, each worked out once: ways to part a sentence have most of their clauses in common. */
class Clauses {
  private readonly ids = new Map<Item | Sheet, number>();
  private readonly known = new Map<string, Sheet | NotSo | Unclear>();
  private readonly supposed = new Map<Sheet, Sheet>();

  done(clause: readonly Item[], sheet: Sheet): Sheet | NotSo | Unclear {
    const key = [sheet, ...clause].map((one) => this.idOf(one)).join();
    let outcome = this.known.get(key);
    if (!outcome) this.known.set(key, (outcome = outcomeOf(clause, sheet)));
    return outcome;
  }

  /** The sheet as if a question were answered. */
  supposing(sheet: Sheet): Sheet {
    let supposed = this.supposed.get(sheet);
    if (!supposed) this.supposed.set(sheet, (supposed = sheet.supposing()));
    return supposed;
  }

  private idOf(one: Item | Sheet): number {
    let id = this.ids.get(one);
    if (id === undefined) this.ids.set(one, (id = this.ids.size));
    return id;
  }
}

function outcomeOf(clause: readonly Item[], sheet: Sheet): Sheet | NotSo | Unclear {
  try {
    return clauseDone(clause, sheet);
  } catch (error) {
    if (error instanceof NotSo || error instanceof Unclear) return error;
    throw error;
  }
}

function clauseDone(items: readonly Item[], sheet: Sheet): Sheet {
  const bag = new Bag(items);
  const acts = bag.all("act");
  if (acts.length > 1) throw new NotSo();
  const [only] = acts;
  if (only) return only.act.does(bag, sheet);
  const names = bag.first("name");
  if (names && bag.holds({ name: 1 })) return sheet.name(names.names);
  const spot = bag.first("from");
  if (spot && bag.holds({ from: 1 })) return sheet.startingFrom(spot.spot);
  const [amount, second] = bag.all("amount");
  if (
    amount &&
    !second &&
    amount.as === undefined &&
    !amount.amount.same &&
    bag.holds({ amount: 1 }) &&
    !/^[\d /]+$/.test(amount.amount.formula)
  )
    return sheet.measuring(laidOff(amount.amount, sheet));
  const board = bag.first("board");
  if (board && bag.holds({ board: 1 })) return sheet.on(board.board);
  return placing(bag, sheet);
}
