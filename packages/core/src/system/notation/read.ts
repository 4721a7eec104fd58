import { suggest } from "../../formula/suggest.js";
import { type Form, matchForm } from "../../verb/form.js";
import { SHAPING_FORMS } from "../shaping-forms.js";
import { VERBS } from "../../verb/index.js";
import type { Statement, System } from "../model.js";
import { applyDetail, DETAIL_FORMS } from "./details.js";
import { parse } from "./generated/notation.js";
import { type Block, blocksOf, type NotationLine } from "./lines.js";
import type { NotationProblem } from "./problem.js";

/** Where the argument of a statement stands in the file: line, and the column (from 1) of its first character. */
export interface SourcePlace {
  readonly line: number;
  readonly column: number;
}

/** Places of a statement and of its parts, by the part's name (`formula`, `args.from`, `edges.0.allow` …). */
export interface StatementPlaces {
  readonly head: SourcePlace;
  readonly parts: Record<string, SourcePlace>;
}

/** A file read: the system as far as it could be understood, where its parts stand, and what could not be read. */
export interface ReadSystem {
  readonly system: System;
  readonly places: readonly StatementPlaces[];
  readonly problems: readonly NotationProblem[];
}

const LONGEST_FILE = 1_000_000;
/** The most statements a system may have. */
export const MOST_STATEMENTS = 2_000;

/** Reads a system from its notation. Never throws: what cannot be read is reported and the rest goes on. */
export function readNotation(source: string): ReadSystem {
  const system: System = { title: "Untitled system", garment: "block", unit: "in", tape: "1/8in", statements: [] };
  const reader = new Reader(system);
  if (source.length > LONGEST_FILE) {
    reader.report({ text: "", line: 1, column: 1 }, 0, 1, "This file is longer than a megabyte.", "A system is a few pages; split it.");
    return reader;
  }
  const { blocks, trailing } = blocksOf(source);
  if (blocks.length === 0)
    reader.report({ text: "", line: 1, column: 1 }, 0, 1, "There is nothing here to read.", 'Begin with: system "Title".');
  if (blocks.length > MOST_STATEMENTS) {
    const at = (blocks[MOST_STATEMENTS] as Block).head;
    reader.report(
      at,
      0,
      at.text.length,
      `A system may have ${MOST_STATEMENTS} statements.`,
      "Split it into systems that build on each other.",
    );
  }
  for (const block of blocks.slice(0, MOST_STATEMENTS)) reader.block(block);
  const last = system.statements[system.statements.length - 1];
  if (trailing.length > 0 && last) last.comments = [...(last.comments ?? []), ...trailing];
  return reader;
}

/** A part of a statement as the grammar gives it: text and where it stands in its line. */
export interface Raw {
  readonly text: string;
  readonly at: number;
}

const isRaw = (value: unknown): value is Raw =>
  typeof value === "object" && value !== null && "text" in value && "at" in value && typeof value.at === "number";

type Loose = Record<string, unknown>;

class Reader implements ReadSystem {
  readonly places: StatementPlaces[] = [];
  readonly problems: NotationProblem[] = [];
  private boardKey: string | undefined;
  private headed = false;

  constructor(readonly system: System) {}

  report(line: NotationLine, at: number, length: number, why: string, fix: string): void {
    this.problems.push({ line: line.line, column: line.column + at, length: Math.max(1, length), why, fix });
  }

  block(block: Block): void {
    const parsed = this.parseLine(block.head, "Statement");
    if (!parsed) return;
    const parts: Record<string, SourcePlace> = {};
    const statement = this.plain(parsed, block.head, parts) as Loose;
    const verbs = statement["is"] === "point" ? VERBS : statement["is"] === "shape" ? SHAPING_FORMS : undefined;
    if (verbs && !this.fitVerb(verbs, statement, parsed, block.head, parts)) return;
    for (const line of block.details) {
      const detail = this.parseLine(line, "Detail");
      if (!detail) continue;
      const found: Record<string, SourcePlace> = {};
      const refused = applyDetail(statement, this.plain(detail, line, found) as Loose, (name, part) => {
        const place = found[part];
        if (place) parts[name] = place;
      });
      if (refused) this.report(line, 0, line.text.length, refused.why, refused.fix);
    }
    if (block.comments.length > 0) statement["comments"] = block.comments;
    if (statement["is"] === "system") this.head(statement, block);
    else this.add(statement as unknown as Statement, block, parts);
  }

  private head(statement: Loose, block: Block): void {
    if (this.headed || this.system.statements.length > 0) {
      this.report(
        block.head,
        0,
        block.head.text.length,
        "A file holds one system, and its heading comes first.",
        "Take this line away or move it to the top.",
      );
      return;
    }
    this.headed = true;
    delete statement["is"];
    Object.assign(this.system, statement);
    if (!("tape" in statement)) this.system.tape = this.system.unit === "in" ? "1/8in" : "1mm";
  }

  private add(statement: Statement, block: Block, parts: Record<string, SourcePlace>): void {
    if (!this.headed && this.system.statements.length === 0)
      this.report(block.head, 0, block.head.text.length, "The heading is missing.", 'Begin the file with: system "Title".');
    if (statement.is === "board") this.boardKey = statement.key;
    if ((statement.is === "point" || statement.is === "path") && !this.boardKey) {
      this.report(
        block.head,
        0,
        block.head.text.length,
        "This step lies on no board.",
        'Write a line like board M "Front" above the first step.',
      );
      this.boardKey = "M";
    }
    this.system.statements.push(statement);
    this.places.push({ head: { line: block.head.line, column: block.head.column }, parts });
  }

  /** Finds the form of the verb that the rest of the line has. */
  private fitVerb(
    verbs: ReadonlyMap<string, { readonly forms: readonly Form[] }>,
    statement: Loose,
    parsed: Loose,
    line: NotationLine,
    parts: Record<string, SourcePlace>,
  ): boolean {
    const word = statement["verb"] as string;
    const rest = (parsed["rest"] as Raw | undefined) ?? { text: "", at: line.text.length };
    delete statement["rest"];
    delete parts["rest"];
    const verb = verbs.get(word);
    if (!verb) {
      const near = suggest(word, verbs.keys());
      const at = line.text.indexOf(word);
      this.report(
        line,
        at,
        word.length,
        verbs === VERBS ? `“${word}” is not a way of placing a point.` : `“${word}” is not a way of shaping pieces.`,
        near ? `Did you mean ${near}?` : `There are: ${[...verbs.keys()].join(", ")}.`,
      );
      return false;
    }
    const raw = line.text.slice(rest.at, rest.at + rest.text.length);
    for (let form = 0; form < verb.forms.length; form++) {
      const found = matchForm(verb.forms[form] as (typeof verb.forms)[number], raw);
      if (!found) continue;
      statement["form"] = form;
      statement["args"] = Object.fromEntries(Object.entries(found).map(([name, m]) => [name, m.text]));
      for (const [name, m] of Object.entries(found)) parts[`args.${name}`] = { line: line.line, column: line.column + rest.at + m.at };
      return true;
    }
    const forms = verb.forms.map((f) =>
      `${word} ${f.text
        .replace(/\{(\w+):point\}/g, "#1")
        .replace(/\{(\w+):line\}/g, "#1-#2")
        .replace(/\{(\w+):piece\}/g, "Front")
        .replace(/\{(\w+):edge\}/g, "Front.side")
        .replace(/\{(\w+):path\}/g, "side_dart")
        .replace(/\{(\w+):\w+\}/g, "1/2")}`.trim(),
    );
    this.report(
      line,
      rest.at,
      Math.max(1, raw.length),
      `“${word} ${raw}” is not how ${word} is written.`,
      `Write it like: ${forms.join("; or ")}.`,
    );
    return false;
  }

  private parseLine(line: NotationLine, startRule: "Statement" | "Detail"): Loose | undefined {
    try {
      return parse(line.text, { startRule }) as Loose;
    } catch (error) {
      const failed = error as { location?: { start: { offset: number } }; message: string };
      if (!failed.location) throw error;
      const at = Math.min(failed.location.start.offset, line.text.length);
      const { why, fix } = whyUnread(line.text, at, startRule);
      this.report(line, at, line.text.slice(at).search(/\s|$/), why, fix);
      return undefined;
    }
  }

  /** The grammar's object as plain data: raw parts become their text, and their places are noted under their names. */
  private plain(value: unknown, line: NotationLine, places: Record<string, SourcePlace>, name = ""): unknown {
    if (isRaw(value)) {
      places[name] = { line: line.line, column: line.column + value.at };
      return value.text;
    }
    if (Array.isArray(value)) return value.map((item, i) => this.plain(item, line, places, name ? `${name}.${i}` : `${i}`));
    if (typeof value !== "object" || value === null) return value;
    const copy: Loose = {};
    for (const [key, part] of Object.entries(value)) {
      if (part === null || part === undefined || (Array.isArray(part) && part.length === 0 && key === "passing")) continue;
      copy[key] = this.plain(part, line, places, name ? `${name}.${key}` : key);
    }
    return copy;
  }
}

const STATEMENT_WORDS: Record<string, string> = {
  system: 'system "Title"',
  uses: 'uses 18-block-waist-and-side-dart "What is drafted on it."',
  measure: 'measure chest girth 84..136 "How the tape runs."',
  set: 'set ease = 1/2 from 0 to 2 "What it decides."',
  choose: 'choose chest_line "What is chosen." and the options indented below',
  table: "table armhole by bust, steps: under 33 -> 6 1/2 · under 42 -> 7 · above -> 8",
  join: "join side: #5 > hip_curve > #8",
  value: 'value width = chest/4 + ease "What it is."',
  board: 'board M "Front" · centre fold',
  part: 'part "Level lines"',
  line: "line shoulder: #10 > #17",
  level: 'level chest_line "Chest line": #2 > #5',
  curve: "curve neck: #10 > #18, leaving square to #10-#17, arriving square to #0-#4",
  arc: "arc crown: #1 > #2 > #3, or #1 > #3 about #2",
  blend: "blend side_hem: side and hem, 2 before, 3 after",
  trace: "trace back_armhole: armhole mirrored in #6-#8",
  piece: 'piece Front "Front" on M · cut 1 on fold',
  shape: "shape close side_dart in Front about #5, open from #12",
  dart: 'dart waist_dart "Waist dart": legs #8, #9 to #10',
  sew: "sew Front.side with Back.side",
  check: 'check "Shoulders agree": len(Front.shoulder) = len(Back.shoulder) within 1mm',
  passes: 'passes "Neck over the head": 2*(len(Front.neck) + len(Back.neck)) over head',
  closes: 'closes "Zip in the centre back."',
  cloth: "cloth stretches 30%",
  grade: "grade by steps, up to 4, and the shifts indented below: F7, B3: 1/8 out, 1/8 up",
  caution: 'caution "What can hurt."',
  lesson: 'lesson "What is learned."',
};

function whyUnread(text: string, at: number, startRule: "Statement" | "Detail"): { why: string; fix: string } {
  const word = /^\S+/.exec(text)?.[0] ?? "";
  const shown = text.slice(at).trim().slice(0, 24);
  const why = at >= text.length ? "The line stops too soon." : `“${shown}” cannot stand here.`;
  if ((text.match(/"/g)?.length ?? 0) % 2 === 1)
    return { why: "A quotation mark is opened but not closed.", fix: 'Close the sentence with ".' };
  if (startRule === "Detail") return { why, fix: `Indented lines are: ${DETAIL_FORMS}.` };
  const known = STATEMENT_WORDS[word];
  if (known) return { why, fix: `Write it like: ${known}.` };
  if (/^(#|[A-Z]+[0-9])/.test(word)) return { why, fix: 'Write a step like: #2 down 1 1/2 from #1 "What is done."' };
  const near = suggest(word, Object.keys(STATEMENT_WORDS));
  return {
    why: `“${word}” begins no statement.`,
    fix: near
      ? `Did you mean ${near}? Write it like: ${STATEMENT_WORDS[near]}.`
      : 'A step begins with its point: #2 down 1 1/2 from #1 "What is done."',
  };
}
