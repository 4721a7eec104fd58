import { suggest } from "../../formula/suggest.js";
import { VERBS } from "../../verb/index.js";
import { type Form, type Matched, matchForm } from "../../verb/form.js";
import { SHAPING_FORMS } from "../shaping-forms.js";
import type { Statement } from "../model.js";
import type { Block, NotationLine } from "./blocks.js";
import { ALL, applyDetail } from "./details.js";
import { ruleInstead } from "./instead.js";
import type { NotationProblem } from "./problem.js";
import { refuseStatement } from "./refuse.js";
import { type Loose, type Parsed, parseLine, whyUnread } from "./parse-lines.js";

/** Where a field of a statement stands: the line in its block (from 0), the column (from 1), and how long it is. */
export type FieldPlace = readonly [row: number, column: number, length: number];

/** Something wrong in a block: the line counts within it, from 0. */
export type BlockProblem = Omit<NotationProblem, "line"> & { readonly row: number };

/** One block read: its statement as far as it could be understood, where its fields stand, and what could not be read. */
export interface ReadBlock {
  readonly block: Block;
  readonly head: FieldPlace;
  /** Undefined for a block without a head. The heading of the file is a statement of its own kind. */
  readonly statement: Statement | (Loose & { readonly is: "system" }) | undefined;
  readonly fields: Readonly<Record<string, FieldPlace>>;
  readonly problems: readonly BlockProblem[];
  /** The formulas in it, as text. */
  readonly formulas: readonly string[];
}

/** Makes the statement of a block from its lines as the grammar gave them, head first; null for one it could not read. */
export function readBlock(block: Block, lines: readonly (Parsed | null)[]): ReadBlock {
  const reader = new BlockReader(block);
  const statement = block.head ? reader.statement(block.head, lines) : undefined;
  const { head } = block;
  return {
    block,
    head: head ? [head.row, head.column, head.text.length] : [0, 1, 1],
    statement,
    fields: reader.fields,
    problems: reader.problems,
    formulas: reader.formulas,
  };
}

/** What the grammar says of a statement that is read on from here: the rest of a rule, and a detail on the same line. */
const NOT_KEPT: ReadonlySet<string> = new Set(["rest", "firstDetail"]);

/** True when a sentence is begun in quotation marks and never ended. */
function opensOnly(text: string): boolean {
  let open = false;
  for (let i = text.indexOf('"'); i >= 0; i = text.indexOf('"', i + 1)) open = !open;
  return open;
}

/** What a field of a detail is called in its statement, where the detail is known as `known`. */
const fieldName = (known: string, field: string): string =>
  known === "" ? field : known.startsWith(ALL) ? known.slice(ALL.length) : `${known}.${field}`;

class BlockReader {
  readonly fields: Record<string, FieldPlace> = {};
  readonly problems: BlockProblem[] = [];
  readonly formulas: string[] = [];

  constructor(private readonly block: Block) {}

  statement(head: NotationLine, lines: readonly (Parsed | null)[]): ReadBlock["statement"] {
    const [parsed] = lines;
    if (!parsed) this.unread(head, "Statement");
    if (parsed && opensOnly(head.text)) {
      this.unread(head, "Statement");
      return this.kept(head);
    }
    const statement = parsed ? (this.plain(parsed, head, "", this.fields) as Loose) : undefined;
    if (!parsed || !statement || !this.fits(statement, parsed, head) || !this.accepts(statement, head)) return this.kept(head);
    if (parsed["firstDetail"]) this.detail(statement, parsed["firstDetail"] as Parsed, head);
    this.block.details.forEach((line, i) => {
      const detail = lines[i + 1];
      if (!detail) {
        this.unread(line, "Detail");
        this.keep(statement, line);
      } else this.detail(statement, detail, line);
    });
    if (this.block.comments.length > 0) statement["comments"] = [...this.block.comments];
    return statement as unknown as ReadBlock["statement"];
  }

  /** The block as it was typed, when its head could not be understood. */
  private kept(head: NotationLine): Statement {
    const typed = (line: NotationLine): string => (this.block.source[line.row] ?? "").trim();
    const details = this.block.details.map(typed);
    return {
      is: "unread",
      text: typed(head),
      ...(details.length > 0 ? { details } : {}),
    };
  }

  private keep(statement: Loose, line: NotationLine): void {
    ((statement["unread"] ??= []) as string[]).push((this.block.source[line.row] ?? "").trim());
  }

  private detail(statement: Loose, parsed: Parsed, line: NotationLine): void {
    const places: Record<string, FieldPlace> = {};
    const known = applyDetail(statement, this.plain(parsed, line, "", places) as Loose);
    if (typeof known !== "string") {
      this.report(line, 0, line.text.length, known.why, known.fix);
      this.keep(statement, line);
      return;
    }
    for (const name in places) this.fields[fieldName(known, name)] = places[name] as FieldPlace;
    if (known !== "" && !known.startsWith(ALL)) this.fields[known] ??= [line.row, line.column, line.text.length];
  }

  /** Finds the form that the rest of a step or shaping has; false when it has none. */
  private fits(statement: Loose, parsed: Parsed, line: NotationLine): boolean {
    if (statement["is"] !== "point" && statement["is"] !== "shape") return true;
    const verbs: ReadonlyMap<string, { readonly forms: readonly Form[] }> = statement["is"] === "point" ? VERBS : SHAPING_FORMS;
    const typed = statement["verb"] as string;
    const word = verbs.has(typed) ? typed : typed.toLowerCase();
    const verb = verbs.get(word);
    const at = (parsed["verb"] as { at: number }).at;
    if (!verb) {
      this.noVerb(line, at, typed, verbs, statement["is"]);
      return false;
    }
    const rest = parsed["rest"] as { text: string; at: number };
    statement["verb"] = word;
    for (let form = 0; form < verb.forms.length; form++) {
      const found = matchForm(verb.forms[form] as Form, rest.text);
      if (!found) continue;
      statement["form"] = form;
      statement["args"] = Object.fromEntries(Object.entries(found).map(([name, m]) => [name, m.text]));
      for (const { name, type } of (verb.forms[form] as Form).parameters) {
        const m = found[name] as Matched;
        this.fields[`args.${name}`] = [line.row, line.column + rest.at + m.at, m.typed];
        if (type === "length" || type === "number" || type === "angle") this.formulas.push(m.text);
      }
      return true;
    }
    const instead = ruleInstead(word, verb.forms, rest.text);
    const before = line.text.slice(0, at);
    const behind = line.text.slice(rest.at + rest.text.length);
    this.report(
      line,
      rest.text === "" ? at : rest.at,
      Math.max(1, rest.text.length),
      `“${`${word} ${rest.text}`.trim()}” is not how ${word} is written.`,
      "",
      instead === undefined ? undefined : `${before}${instead}${behind.startsWith(" ") || behind === "" ? behind : ` ${behind}`}`.trimEnd(),
    );
    return false;
  }

  private noVerb(line: NotationLine, at: number, word: string, verbs: ReadonlyMap<string, unknown>, is: unknown): void {
    const near = suggest(word.toLowerCase(), verbs.keys());
    this.report(
      line,
      at,
      word.length,
      is === "point" ? `“${word}” is not a way of placing a point.` : `“${word}” is not a way of shaping pieces.`,
      near ? `Did you mean ${near}?` : `There are: ${[...verbs.keys()].join(", ")}.`,
      near ? `${line.text.slice(0, at)}${near}${line.text.slice(at + word.length)}` : undefined,
    );
  }

  /** True unless the statement says what cannot be meant. */
  private accepts(statement: Loose, line: NotationLine): boolean {
    const refused = refuseStatement(statement);
    if (!refused) return true;
    const [row, column, length] = this.fields[refused.field] ?? [line.row, line.column, line.text.length];
    const { why, fix } = refused;
    const at = column - line.column;
    const instead = refused.put === undefined ? undefined : `${line.text.slice(0, at)}${refused.put}${line.text.slice(at + length)}`;
    this.problems.push({ row, column, length, why, fix, instead });
    return false;
  }

  private unread(line: NotationLine, startRule: "Statement" | "Detail"): void {
    const at = parseLine(line.text, startRule);
    const { why, fix, instead, from, length } = whyUnread(line.text, typeof at === "number" ? at : 0, startRule);
    this.report(line, from, length, why, fix, instead);
  }

  private report(line: NotationLine, at: number, length: number, why: string, fix: string, instead?: string): void {
    this.problems.push({ row: line.row, column: line.column + at, length: Math.max(1, length), why, fix, instead });
  }

  /** The grammar's object as plain data: raw parts become their text, and their places are noted under their names in `places`. */
  private plain(value: unknown, line: NotationLine, name: string, places: Record<string, FieldPlace>): unknown {
    if (typeof value !== "object" || value === null) return value;
    if (Array.isArray(value)) return value.map((item, i) => this.plain(item, line, name === "" ? `${i}` : `${name}.${i}`, places));
    const raw = value as { text?: unknown; at?: unknown; formula?: boolean; rangeEnd?: boolean };
    if (typeof raw.at === "number" && typeof raw.text === "string") {
      places[name] = [line.row, line.column + raw.at, raw.text.length];
      if (raw.formula) this.formulas.push(raw.text);
      return raw.rangeEnd ? { last: raw.text } : raw.text;
    }
    const copy: Loose = {};
    for (const key in value) {
      const part = (value as Loose)[key];
      if (part === null || part === undefined || NOT_KEPT.has(key) || (key === "passing" && (part as unknown[]).length === 0)) continue;
      copy[key] = this.plain(part, line, name === "" ? key : `${name}.${key}`, places);
    }
    return copy;
  }
}
