import type { System } from "../system/model.js";
import { printHeading } from "../system/notation/print.js";
import type { ReadSystem } from "../system/notation/read.js";
import type { LineEdit } from "./line-edit.js";

/** What a system is called and what is said of it as a whole. */
export type Heading = Pick<System, "title" | "garment" | "unit" | "tape"> & { readonly [K in "about" | "suits"]?: string | undefined };

const OF_HEADING = /^\s*(?:system|garment|unit|tape|about|suits)\b/;

/** Rewrites the heading of a text; comments and unreadable lines in it are kept. A text without one gets it at its head. */
export function replaceHeading(read: ReadSystem, heading: Heading): LineEdit[] {
  const lines = printHeading(heading);
  const block = read.blocks.find(
    ({ read: { block: b }, statement }) => statement === undefined && /^\s*system\b/.test(b.source[b.head?.row ?? 0] ?? ""),
  );
  if (!block?.read.block.head) return [{ from: 0, count: 0, lines: [...lines, ""] }];
  const { source, head } = block.read.block;
  const stays = source.slice(head.row).filter((line) => !OF_HEADING.test(line));
  const now = [...lines, ...stays];
  if (now.join("\n") === source.slice(head.row).join("\n")) return [];
  return [{ from: block.from + head.row, count: source.length - head.row, lines: now }];
}
