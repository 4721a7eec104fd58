import { keyOf } from "../../formula/key-of.js";
import { pointText } from "../../verb/form.js";
import { nextLetter } from "../../edit/renumber.js";
import { isLetter } from "../grammar/point-name.js";
import { type Ground, lettersOf } from "../ground/ground.js";
import { type Amount, COMES_ALONG, type Direction, type Line, type Spot } from "../meaning.js";
import type { HomeUnit } from "../../quantity/units.js";
import { measureLine } from "../measure-line.js";
import { ask, NOT_SO, refuse } from "./unclear.js";

/** Where a statement of the notation belongs: with the settings, behind the steps of a board, or at the end. */
export type Sort = "measure" | "setting" | "step" | "end";

export interface Put {
  readonly sort: Sort;
  readonly board: string;
  /** Lines of the notation; points without a name yet stand in them as `⟨n⟩`. */
  readonly lines: readonly string[];
  /** It only helps to find a place: nobody spoke of it. */
  readonly helps?: boolean;
}

interface Fresh {
  readonly board: string;
  readonly name: string | undefined;
  /** It only helps to find another. */
  readonly helps: boolean;
}

interface Written {
  readonly puts: readonly Put[];
  readonly fresh: readonly Fresh[];
  /** What `it` means: the point said or placed last. */
  readonly it: string | undefined;
  readonly amount: Amount | undefined;
  readonly waiting: readonly string[];
  readonly board: string;
  readonly keys: readonly string[];
  /** The last line that was drawn. */
  readonly line: string | undefined;
  /** The way that was gone last. */
  readonly way?: Direction;
  /** It was said where to start from, and nothing has been placed from there yet. */
  readonly starting?: boolean;
}

const mark = (n: number): string => `⟨${n}⟩`;

/** What has been read of a sentence so far, as statements of the notation. Nothing of it is changed: each act gives a new sheet. */
export class Sheet {
  private text: string | undefined;

  private constructor(
    readonly ground: Ground,
    private readonly is: Written,
  ) {}

  static blank(ground: Ground, it?: string): Sheet {
    return new Sheet(ground, {
      puts: [],
      fresh: [],
      it,
      amount: undefined,
      waiting: [],
      board: ground.board,
      keys: [],
      line: undefined,
    });
  }

  get it(): string | undefined {
    return this.is.it;
  }
  get board(): string {
    return this.is.board;
  }
  get empty(): boolean {
    return this.is.puts.length === 0;
  }
  get lastAmount(): Amount | undefined {
    return this.is.amount;
  }
  /** The ends of the straight line that was drawn last. */
  get lastEnds(): readonly [string, string] | undefined {
    const through = /^line \S+: (.*)$/.exec(this.is.puts.flatMap(({ lines }) => lines).findLast((l) => l.startsWith("line ")) ?? "")?.[1];
    const ids = through?.split(" > ") ?? [];
    const [a, b] = ids.slice(-2);
    return a === undefined || b === undefined ? undefined : [a, b];
  }
  get lastLine(): string | undefined {
    return this.is.line;
  }

  /** Whether a line that was drawn is a whole circle. */
  isRound(key: string): boolean {
    return this.is.puts.some(({ lines }) =>
      lines.some((line) => line.startsWith(`arc ${key}: `) && / about \S+$/.test(line) && !line.includes(">")),
    );
  }

  private with(change: Partial<Written>): Sheet {
    return new Sheet(this.ground, { ...this.is, ...change });
  }

  on(board: string): Sheet {
    return this.with({ board });
  }
  about(it: string): Sheet {
    return this.with({ it });
  }
  /** The next is placed from here. */
  startingFrom(spot: Spot): Sheet {
    const [at, id] = this.spot(spot);
    // "1 to 13 is three inches, down from 1": it is said once more where that was placed from.
    const again = this.it !== undefined && (this.ruleOf(this.it) ?? "").split(/[\s,]+/).includes(id);
    return again ? this : at.with({ starting: true });
  }
  get starting(): boolean {
    return this.is.starting === true;
  }
  /** The line that is spoken of. */
  speaking(line: string): Sheet {
    return this.with({ line });
  }
  going(way: Direction): Sheet {
    return this.with({ way });
  }
  get lastWay(): Direction | undefined {
    return this.is.way;
  }
  measuring(amount: Amount): Sheet {
    return this.with({ amount });
  }

  /** The board a point lies on. */
  boardOf(point: string): string {
    const n = /^⟨(\d+)⟩$/.exec(point)?.[1];
    if (n !== undefined) return this.is.fresh[Number(n)]?.board ?? this.board;
    return this.ground.points.get(point.replace("#", ""))?.board ?? this.board;
  }

  /** Places a point by a rule; it is what `it` means from then on. */
  place(rule: string, board: string, name?: string, helps = false): Sheet {
    const [waits, ...waiting] = this.is.waiting;
    const given = name ?? (helps ? undefined : waits);
    if (given !== undefined) this.free(given, board);
    const point = mark(this.is.fresh.length);
    return this.with({
      puts: [...this.is.puts, { sort: "step", board, lines: [`${point} ${rule}`], ...(helps ? { helps } : {}) }],
      fresh: [...this.is.fresh, { board, name: given, helps }],
      it: point,
      starting: false,
      board,
      waiting: name === undefined && !helps ? waiting : this.is.waiting,
    });
  }

  /** A name she gives must be free. */
  private free(name: string, board: string): void {
    if (this.lettersElsewhere(name, board)) throw NOT_SO;
    if (this.is.fresh.some((f) => f.name === this.named(name, board))) throw NOT_SO;
    if (this.ground.points.has(this.named(name, board))) throw ask(`There is a point ${name} already. Shall it have the next free number?`);
  }

  /** A name with the letters of another board is of a point on that. */
  private lettersElsewhere(name: string, board: string): boolean {
    const letters = /^[A-Z]+(?=\d)/.exec(name)?.[0];
    if (letters === undefined) return false;
    const on = [...this.ground.points.values()].filter(({ id }) => id.replace(/\d.*$/, "") === letters).map((p) => p.board);
    return on.length > 0 && !on.includes(board);
  }

  private named(name: string, board: string): string {
    if (!/^\d|^[A-Z]$/.test(name)) return name;
    const elsewhere = this.ground.points.get(name);
    if (elsewhere && elsewhere.board !== board) return `${board}${name}`;
    if (isLetter(name)) return name;
    return `${lettersOf(this.ground, board)}${name}`;
  }

  /** Names for points that are placed and have none yet, the last first; or for those that come. */
  name(names: readonly string[]): Sheet {
    const open = this.is.fresh.flatMap((f, i) => (f.name === undefined && !f.helps ? [i] : []));
    if (open.length === 0 && this.is.fresh.length > 0) throw NOT_SO;
    if (open.length === 0) return this.with({ waiting: [...this.is.waiting, ...names] });
    if (open.length < names.length) throw NOT_SO;
    const chosen = open.slice(-names.length);
    chosen.forEach((at, i) => this.free(names[i] ?? "", this.is.fresh[at]?.board ?? ""));
    return this.with({ fresh: this.is.fresh.map((f, i) => (chosen.includes(i) ? { ...f, name: names[chosen.indexOf(i)] } : f)) });
  }

  /** As if what is asked about were answered: with a point that nothing is known of. */
  supposing(): Sheet {
    const point = mark(this.is.fresh.length);
    return this.with({
      fresh: [...this.is.fresh, { board: this.board, name: undefined, helps: false }],
      it: point,
      amount: { formula: "1", bond: "one" },
    });
  }

  put(sort: Sort, ...lines: string[]): Sheet {
    return this.with({ puts: [...this.is.puts, { sort, board: this.board, lines }], starting: false });
  }

  /** Draws a line: `type key: …`, under a key that is free. Further lines stand under it. */
  draw(type: string, wanted: string, rest: string, board = this.board): Sheet {
    const key = this.key(wanted);
    return this.with({
      puts: [...this.is.puts, { sort: "step", board, lines: [`${type} ${key}${rest}`] }],
      starting: false,
      keys: [...this.is.keys, key],
      line: key,
    });
  }

  /** A key like the one that is wanted, which nothing has yet. */
  key(wanted: string): string {
    const base = keyOf(wanted) || "line";
    const taken = (key: string): boolean => this.ground.keys.has(key) || this.is.keys.includes(key);
    let key = base;
    for (let n = 2; taken(key); n++) key = `${base}_${n}`;
    return key;
  }
  keep(key: string): Sheet {
    return this.with({ keys: [...this.is.keys, key] });
  }

  /** A place as the notation names it; one that has no name yet is placed first. */
  spot(spot: Spot): readonly [Sheet, string] {
    if ("id" in spot) {
      const board = this.ground.points.get(spot.id)?.board ?? this.board;
      return [this.with({ board, it: pointText(spot.id) }), pointText(spot.id)];
    }
    if ("unknown" in spot) {
      const fresh = this.is.fresh.findIndex((f) => f.name === spot.unknown || f.name === spot.unknown.toUpperCase());
      if (fresh >= 0) return [this.with({ it: mark(fresh) }), mark(fresh)];
      const open = this.is.fresh.flatMap((f, i) => (f.name === undefined && !f.helps ? [i] : []));
      const [only] = open;
      // A point that was placed without a name is the one that is spoken of next by a new number.
      if (only !== undefined && open.length === 1 && this.is.fresh.length > 0) return this.name([spot.unknown]).spot(spot);
      throw refuse(`There is no point ${spot.unknown}.`);
    }
    if ("before" in spot) {
      if (this.it === undefined) throw ask("Which point is meant?");
      return [this, this.it];
    }
    const placed = this.place(spot.rule, spot.board, undefined, true);
    return [placed, placed.it ?? ""];
  }

  spots(of: readonly Spot[]): readonly [Sheet, string[]] {
    return of.reduce<readonly [Sheet, string[]]>(
      ([sheet, texts], spot) => {
        const [next, text] = sheet.spot(spot);
        return [next, [...texts, text]];
      },
      [this, []],
    );
  }

  /** A line as the notation names it. */
  line(line: Line): readonly [Sheet, string] {
    if (line.unknown !== undefined)
      throw refuse(
        line.unknown.startsWith("#")
          ? `There is no point ${line.unknown.slice(1).replace(/#/g, "")}.`
          : `There is no ${line.unknown} here.`,
      );
    if (!line.spot) return [this, line.text];
    const [sheet, at] = this.spot(line.spot);
    return [sheet, line.text.replace("⟨0⟩", at)];
  }

  /** Where a point lies on a body in the middle; undefined for one that is new. */
  at(text: string) {
    return this.ground.points.get(text.replace("#", ""))?.at;
  }

  /** The statements, with every point under its name. */
  written(): readonly Put[] {
    const names = this.pointNames().map(pointText);
    const named = (text: string): string => text.replace(/⟨(\d+)⟩/g, (_, n: string) => names[Number(n)] ?? "");
    return withMeasures(
      this.is.puts.map((put) => ({ ...put, lines: put.lines.map(named) })),
      this.ground.unit,
    );
  }

  /** The rule of a point that is new. */
  ruleOf(point: string): string | undefined {
    return this.is.puts.flatMap(({ lines }) => lines).find((line) => line.startsWith(`${point} `));
  }

  /** The names of the points that are new. */
  private pointNames(): readonly string[] {
    const taken = new Set(this.ground.points.keys());
    const own = this.is.fresh.map((f) => (f.name === undefined ? undefined : this.named(f.name, f.board)));
    for (const name of own) if (name !== undefined) taken.add(name);
    return this.is.fresh.map((f, i) => {
      const name = own[i] ?? nextFree(this.ground, f.board, taken);
      taken.add(name);
      return name;
    });
  }

  /** The point that was said or placed last, by its name. */
  lastPoint(): string | undefined {
    const n = /^⟨(\d+)⟩$/.exec(this.it ?? "")?.[1];
    if (n === undefined) return this.it;
    const name = this.pointNames()[Number(n)];
    return name === undefined ? undefined : pointText(name);
  }

  /** All that is written and meant, to tell sheets apart. */
  get wrote(): string {
    return (this.text ??= JSON.stringify(this.is));
  }

  get namesWaiting(): boolean {
    return this.is.waiting.length > 0;
  }
}

/** Statements with the measurements of the known list that come along with them, each once and before them. */
export function withMeasures(puts: readonly Put[], unit: HomeUnit): readonly Put[] {
  const needs = new Set<string>();
  const plain = (text: string): string =>
    text.replace(new RegExp(`${COMES_ALONG}([a-z_]+)`, "g"), (_, key: string) => {
      needs.add(key);
      return key;
    });
  const said = puts.map((put) => ({ ...put, lines: put.lines.map(plain) }));
  return [...[...needs].map((key): Put => ({ sort: "measure", board: "", lines: [measureLine(key, unit)] })), ...said];
}

/** The next number of a board, with the letters its points have. */
function nextFree(ground: Ground, board: string, taken: ReadonlySet<string>): string {
  const { points } = ground;
  const ids = [...points.values()].filter((p) => p.board === board).map(({ id }) => id);
  const letter = nextLetter(ids, [...taken]);
  if (letter !== undefined) return letter;
  const begins = ids.length === 0 && points.size > 0 && [...points.keys()].every((id) => /^[A-Z]+\d/.test(id));
  const letters = begins ? board : lettersOf(ground, board);
  const numbers = [...taken].filter((id) => id.replace(/\d.*$/, "") === letters).map((id) => Number(/\d+/.exec(id)?.[0] ?? 0));
  return `${letters}${Math.max(0, ...numbers) + 1}`;
}
