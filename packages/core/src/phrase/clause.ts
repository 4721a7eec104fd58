import type { Share } from "./grammar/figures.js";
import type { Amount, Direction, Hand, Heading, Line, Manner, Spot } from "./meaning.js";
import type { Sheet } from "./sheet/sheet.js";

/** One part of what a sentence says, whatever its place in the sentence. */
export type Item =
  | { readonly is: "go" }
  | { readonly is: "heading"; readonly way: Heading }
  | { readonly is: "amount"; readonly amount: Amount; readonly as?: "wide" | "long" | "each"; readonly way?: Direction }
  | { readonly is: "from"; readonly spot: Spot }
  | { readonly is: "fromLine"; readonly line: Line }
  | { readonly is: "at"; readonly spot: Spot; readonly beyond?: boolean }
  | { readonly is: "spot"; readonly spot: Spot }
  | { readonly is: "chain"; readonly spots: readonly Spot[]; readonly listed: boolean }
  | { readonly is: "pair"; readonly from: Spot; readonly name: string }
  | { readonly is: "to"; readonly line: Line }
  | { readonly is: "toward"; readonly spot: Spot }
  | { readonly is: "beside"; readonly spot: Spot }
  | { readonly is: "until" }
  | { readonly is: "on"; readonly line: Line; readonly way?: Heading }
  | { readonly is: "share"; readonly share: Share }
  | { readonly is: "name"; readonly names: readonly string[] }
  | { readonly is: "side"; readonly side: Direction }
  | { readonly is: "hand"; readonly hand: Hand; readonly facing: string }
  | { readonly is: "both" }
  | {
      readonly is: "if";
      readonly condition: string;
      readonly figure: string;
      readonly at: string;
      readonly bound: "under" | "upTo" | "above";
    }
  | { readonly is: "otherwise" }
  | { readonly is: "range"; readonly from: string; readonly to: string }
  | { readonly is: "board"; readonly board: string }
  | { readonly is: "act"; readonly act: Act }
  | { readonly is: "vague" }
  | { readonly is: "which"; readonly which: string }
  | { readonly is: "draws"; readonly dashed?: boolean }
  | { readonly is: "pressed"; readonly way: Direction }
  | { readonly is: "manner"; readonly manner: Manner }
  | { readonly is: "gap"; readonly strong: boolean; readonly stop?: boolean }
  | { readonly is: "remark" };

/** Something a sentence asks for in words of its own, like a dart or a facing: what is put into the sheet, with what stands beside it. */
export interface Act {
  readonly does: (bag: Bag, sheet: Sheet) => Sheet;
  /** What it was made of: told apart from another reading of the same words by this. */
  readonly said?: string;
  readonly of: string;
}

export const act = (of: string, does: Act["does"]): Act => ({ of, does });

type Kind = Item["is"];
type Of<K extends Kind> = Extract<Item, { is: K }>;

/** The parts of one clause by what they are, whatever their order. */
export class Bag {
  constructor(readonly items: readonly Item[]) {}

  all<K extends Kind>(is: K): Of<K>[] {
    return this.items.filter((item): item is Of<K> => item.is === is);
  }
  first<K extends Kind>(is: K): Of<K> | undefined {
    return this.all(is)[0];
  }

  /** A full stop or a semicolon stands in it, and more than a name behind it: that is said of something else. A condition has its other case there. */
  get stopped(): boolean {
    if (this.first("if")) return false;
    const at = this.items.findIndex((item) => item.is === "gap" && item.stop === true);
    const says = ({ is }: Item): boolean => is !== "gap" && is !== "remark" && is !== "go";
    return at >= 0 && this.items.slice(0, at).some(says) && this.items.slice(at).some((item) => says(item) && item.is !== "name");
  }

  /** Whether there is nothing in it but these, each at most so often. Verbs of going, gaps and remarks say nothing more. */
  holds(most: Partial<Record<Kind, number>>): boolean {
    const counts = new Map<Kind, number>();
    for (const { is } of this.items) counts.set(is, (counts.get(is) ?? 0) + 1);
    for (const is of ["go", "gap", "remark"] as const) counts.delete(is);
    return [...counts].every(([is, n]) => n <= (most[is] ?? 0));
  }
}
