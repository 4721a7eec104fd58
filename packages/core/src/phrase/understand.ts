import { laidOff } from "./acts/laid-off.js";
import { placing } from "./acts/placing.js";
import { Chart } from "./chart/chart.js";
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
  for (const tokens of corrected(all)) {
    const sense = inWords(tokens, ground, it);
    if (sense.understood.length > 0) return sense;
  }
  return inWords(all, ground, it);
}

/** Words by which a speaker takes back what was said last. */
const TAKEN_BACK = new Set(["no", "sorry", "wait", "rather", "correction", "oops", "scratch"]);

/**
 * What a sentence says when what was taken back is left out, or what was said instead stands in its place; the least is changed first:
 * `four inches from 3, no, five inches` is five inches from 3.
 */
function corrected(tokens: readonly Token[]): readonly (readonly Token[])[] {
  const first = tokens.findIndex(({ text }, i) => TAKEN_BACK.has(text) && i > 0 && tokens[i - 1]?.kind === "mark");
  if (first === -1) return [];
  let to = first;
  while (TAKEN_BACK.has(tokens[to]?.text ?? "") || [",", "that", "i", "mean", "or", "make", "it", "is"].includes(tokens[to]?.text ?? ""))
    to++;
  const rest = tokens.slice(to).filter(({ text }, i, all) => !(text === "mean" || (text === "i" && all[i + 1]?.text === "mean")));
  const before = tokens.slice(0, first - 1);
  const left = before.slice(-9).map((_, i) => [...before.slice(0, before.length - 1 - i), ...rest]);
  const end = rest.findIndex(({ kind, text }) => kind === "mark" && [",", ".", ";", ":"].includes(text));
  const [instead, after] = end === -1 ? [rest, []] : [rest.slice(0, end), rest.slice(end)];
  const exchanged = [];
  for (let length = 1; length <= 5; length++)
    for (let from = before.length - length - 1; from >= Math.max(0, before.length - 10); from--)
      exchanged.push([...before.slice(0, from), ...instead, ...before.slice(from + length), ...after]);
  return [...left, ...exchanged];
}

function inWords(tokens: readonly Token[], ground: Ground, it?: string): Sense {
  if (tokens.length === 0 || tokens.length > LONGEST) return { tokens, understood: [], unclear: [], left: tokens };
  const chart = new Chart(tokens, ground);
  const covers = coversOf(chart);
  const understood: Understood[] = [];
  const unclear: { unclear: Unclear; cost: number }[] = [];
  for (const cover of covers.filter(({ left }) => left.length === 0)) {
    const { read, open } = followed(cover, Sheet.blank(ground, it));
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

/** What a clause costs, so that fewer are likelier; more where a full stop stands in it, or it says an amount and no more. */
function costOf(clause: readonly Item[], first: boolean): number {
  const said = clause.filter((item) => !silent(item));
  const stops = clause.filter((item) => item.is === "gap" && item.strong).length;
  // "Down two, that is 22, then across": the name goes with what stands before it.
  const named = said.length > 1 && said[0]?.is === "name" && !first ? 0.6 : 0;
  return 1.5 + stops * 0.4 + named + (said.length === 1 && said[0]?.is === "amount" ? 1.2 : 0);
}

/** Follows a sentence clause by clause: parts that stand together are one clause when they make something together. */
function followed(cover: Cover, blank: Sheet): Followed {
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
          if (to === at + 1 || items[to - 1]?.is !== "gap") clauseFrom(path, items, at, to, paths[to], open);
    }
  });
  const ends = paths[items.length] ?? [];
  for (const { asked, cost } of ends) if (asked) open.push({ unclear: asked, cost });
  const read = ends
    .filter(({ asked, sheet }) => !asked && !sheet.empty && !sheet.namesWaiting)
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
): void {
  const clause = items.slice(at, to);
  try {
    then?.push({ sheet: clauseDone(clause, sheet), cost: cost + costOf(clause, sheet.empty), ...(asked ? { asked } : {}) });
  } catch (error) {
    if (error instanceof NotSo) return;
    if (!(error instanceof Unclear)) throw error;
    const unclear = asked ?? error;
    open.push({ unclear, cost: cost + 1.5 + items.slice(to).filter((item) => !silent(item)).length * UNREAD });
    then?.push({ sheet: sheet.supposing(), cost: cost + 1.5, asked: unclear });
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
  if (spot && bag.holds({ from: 1 })) return sheet.spot(spot.spot)[0];
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
