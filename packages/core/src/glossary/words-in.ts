import type { System } from "../system/model.js";
import { TRADE_WORDS, type TradeWord } from "./words.js";

/** The words of the trade that a system's own sentences use, in the order of the alphabet. */
export function wordsIn(system: System): TradeWord[] {
  const said = ` ${textsOf([system.title, system.about ?? "", system.statements])
    .join(" ")
    .toLowerCase()
    .replace(/[^\p{L}\p{N}-]+/gu, " ")} `;
  return TRADE_WORDS.filter(({ word, forms }) => [word, ...forms].some((form) => said.includes(` ${form} `)));
}

/** The fields of a statement that are sentences for people; the others are names and formulas. */
const SAID: ReadonlySet<string> = new Set(["text", "title", "label", "how", "decides", "why", "watch", "cause", "notes", "note", "about"]);

/** Every sentence in a value, however deep it stands. */
function textsOf(value: unknown, said = true): string[] {
  if (typeof value === "string") return said ? [value] : [];
  if (Array.isArray(value)) return value.flatMap((item) => textsOf(item, said));
  if (typeof value !== "object" || value === null) return [];
  return Object.entries(value).flatMap(([key, part]) => textsOf(part, SAID.has(key)));
}
