import { inWords } from "../formula/in-words.js";
import { replaceStatement } from "../edit/statement.js";
import type { LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import { keepSaid } from "../phrase/say/keep-said.js";
import type { Statement } from "../system/model.js";
import { printStatement } from "../system/notation/print.js";
import { readNotation } from "../system/notation/read.js";
import { pointText } from "../verb/form.js";
import { type SentencePart } from "./gaps.js";
import type { Insertion } from "./insert.js";
import type { Filling } from "./press.js";
import { fillingOf, withKey } from "./read.js";
import { writeTemplate } from "./write.js";

/** What is said of a statement beside its rule, and stays when that is changed. */
const BESIDE = ["text", "why", "watch", "caution", "when", "comments", "cause", "at", "warnOnly", "dashed", "notches"] as const;

/** A statement without what is said beside its rule: its line, without a point's number. */
function ruleLine(statement: Statement): string {
  const bare = Object.fromEntries(Object.entries(statement).filter(([key]) => !(BESIDE as readonly string[]).includes(key)));
  const kept = statement.is === "control" ? statement : (bare as unknown as Statement);
  const [line = ""] = printStatement(kept);
  return statement.is === "point" ? line.replace(/^\S+\s+/, "") : line;
}

/** The sentence a statement could have been made by, with its gaps filled; undefined for one that has none. */
export const fillingOfStatement = (statement: Statement): Filling | undefined =>
  statement.is === "unread" ? undefined : fillingOf(ruleLine(statement), statement.is === "point");

/**
 * A statement changed to what its sentence says now: its name, its notes and its condition stay, and so does what its author wrote of
 * it. Undefined while a gap is open.
 */
export function changeOf({ template, filled }: Filling, loaded: LoadedSystem, library: Library, index: number): Insertion | undefined {
  const before = loaded.read.system.statements[index];
  const [line] = writeTemplate(template, filled, { board: "" }) ?? [];
  if (!before || line === undefined) return undefined;
  const head = before.is === "point" ? `${pointText(before.id)} ${line}` : before.is === "path" ? withKey(line, before.key) : line;
  const [now] = readNotation(`system "A"\n  unit ${loaded.system.unit}\n${head}\n`).system.statements;
  if (now === undefined || now.is !== before.is) return undefined;
  const beside = Object.fromEntries(Object.entries(before).filter(([key]) => (BESIDE as readonly string[]).includes(key) && !(key in now)));
  const whole = keepSaid(loaded, library, index, { ...now, ...beside } as Statement);
  return { lines: printStatement(whole), edits: replaceStatement(loaded.read, index, whole) };
}

/** A filled sentence in words: what is left out of it is left out. */
export function sayFilling({ template, filled }: Filling): string {
  const said = (parts: readonly SentencePart[]): string =>
    parts
      .map((part) => {
        if ("words" in part) return part.words;
        if ("gap" in part) return wordsOf(filled[part.gap.name] ?? []);
        const isSaid = part.optional.some((p) => "gap" in p && (filled[p.gap.name] ?? []).length > 0);
        return isSaid ? said(part.optional) : "";
      })
      .join("");
  const text = said(template.parts).replace(/\s+/g, " ").trim();
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}

const wordsOf = (values: readonly string[]): string =>
  inWords(values.map((value) => value.replace(/#/g, "").replace(/^([A-Z]\w*)\.([a-z_]\w*)$/, "$1 $2")).join(", "));
