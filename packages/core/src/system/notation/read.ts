import type { Tree } from "../../formula/tree.js";
import { parseFormulas } from "../../formula/parse.js";
import type { Statement, System } from "../model.js";
import { type Block, blockOf, blockRanges, linesOf } from "./blocks.js";
import { parseBlocks } from "./parse-lines.js";
import type { NotationProblem } from "./problem.js";
import { type BlockProblem, type FieldPlace, readBlock, type ReadBlock } from "./read-block.js";

/** Where a field of a statement stands in the file: its line and column (from 1), and how long it is. */
export interface SourcePlace {
  readonly line: number;
  readonly column: number;
  readonly length: number;
}

/** A block in its place in the file: its first line (from 0) and which statement it holds, when it holds one. */
export interface PlacedBlock {
  readonly from: number;
  readonly read: ReadBlock;
  readonly statement: number | undefined;
}

/**
 * A file read: the system as far as it could be understood, every line of it in its block, and what could not be read.
 * Nothing of the text is lost: the lines of the blocks end to end are the file.
 */
export interface ReadSystem {
  readonly source: string;
  readonly system: System;
  readonly blocks: readonly PlacedBlock[];
  readonly problems: readonly NotationProblem[];
  /** The trees of the formulas in it, by their text; those that cannot be read are not there. */
  readonly trees: ReadonlyMap<string, Tree>;
}

const LONGEST_FILE = 1_000_000;
/** The most statements a system may have. */
export const MOST_STATEMENTS = 2_000;
/** Some more are read, so that each is told for itself; far more are no system. */
const MOST_BLOCKS = 2 * MOST_STATEMENTS;

/**
 * Reads a system from its notation. Never throws: what cannot be read is reported and kept, and the rest goes on. With the
 * text as it was read before, only the blocks that changed are read again.
 */
export function readNotation(source: string, before?: ReadSystem): ReadSystem {
  if (source.length > LONGEST_FILE) return refused(source, "This file is longer than a megabyte.", "A system is a few pages; split it.");
  const lines = linesOf(source);
  const ranges = blockRanges(lines);
  if (ranges.length > MOST_BLOCKS)
    return refused(
      source,
      `This file has ${ranges.length} statements; ${MOST_STATEMENTS} are the most.`,
      "Split it into systems that build on each other.",
    );
  const known = new Map(before?.blocks.map(({ read }) => [read.block.text, read]));
  const texts = ranges.map(([from, to]) => lines.slice(from, to).join("\n"));
  const fresh: Block[] = [];
  for (const text of texts) if (!known.has(text)) fresh.push(blockOf(text));
  const parsed = parseBlocks(fresh);
  const formulas: string[] = [];
  fresh.forEach((block, i) => {
    const read = readBlock(block, parsed[i] ?? []);
    formulas.push(...read.formulas);
    known.set(block.text, read);
  });
  const trees = treesOf(formulas, before?.trees);
  return assembled(source, ranges, texts, known, trees);
}

function treesOf(formulas: readonly string[], before: ReadonlyMap<string, Tree> | undefined): ReadonlyMap<string, Tree> {
  const unknown = [...new Set(formulas)].filter((text) => !before?.has(text));
  if (unknown.length === 0) return before ?? new Map();
  const trees = new Map(before);
  parseFormulas(unknown).forEach((tree, i) => {
    if (tree) trees.set(unknown[i] as string, tree);
  });
  return trees;
}

function refused(source: string, why: string, fix: string): ReadSystem {
  return { source, system: untitled(), blocks: [], problems: [{ line: 1, column: 1, length: 1, why, fix }], trees: new Map() };
}

const untitled = (): System => ({ title: "Untitled system", garment: "block", unit: "in", tape: "1/8in", statements: [] });

/** Puts the blocks together: the heading and the statements in order, and what is wrong with how they stand to each other. */
function assembled(
  source: string,
  ranges: readonly (readonly [number, number])[],
  texts: readonly string[],
  known: ReadonlyMap<string, ReadBlock>,
  trees: ReadSystem["trees"],
): ReadSystem {
  const system = untitled();
  const statements: Statement[] = [];
  const blocks: PlacedBlock[] = [];
  const problems: NotationProblem[] = [];
  let headed = false;
  let boarded = false;
  let trailing: readonly string[] = [];
  ranges.forEach(([from], i) => {
    const read = known.get(texts[i] as string) as ReadBlock;
    const { statement, block } = read;
    const tell = (why: string, fix: string): void => void problems.push(atHead(read, from, why, fix));
    const place = (index: number | undefined): void => void blocks.push({ from, read, statement: index });
    for (const p of read.problems) problems.push(placed(p, from));
    if (!block.head || !statement) {
      trailing = block.comments;
      return place(undefined);
    }
    if (statement.is === "system") {
      if (headed || statements.length > 0)
        tell("A file holds one system, and its heading comes first.", "Take this line away or move it to the top.");
      else takeHeading(system, statement);
      headed = true;
      return place(undefined);
    }
    if (statements.length === MOST_STATEMENTS)
      tell(`A system may have ${MOST_STATEMENTS} statements.`, "Split it into systems that build on each other.");
    if (statements.length >= MOST_STATEMENTS) return place(undefined);
    if (!headed && statements.length === 0 && statement.is !== "unread")
      problems.push({
        ...atHead(read, from, "The first line, which names the system, is missing.", "Begin the file with it."),
        instead: 'system "Title"',
      });
    if (statement.is === "board") boarded = true;
    if (!boarded && (statement.is === "point" || statement.is === "path")) {
      tell("This step lies on no board.", 'Write a line like board M "Front" above the first step.');
      boarded = true;
    }
    place(statements.length);
    statements.push(statement as Statement);
  });
  if (blocks.every(({ read }) => !read.block.head))
    problems.push({ line: 1, column: 1, length: 1, why: "There is nothing here to read.", fix: 'Begin with: system "Title".' });
  const last = statements.length - 1;
  if (trailing.length > 0 && last >= 0) {
    const end = statements[last] as Statement & { comments?: string[] };
    statements[last] = { ...end, comments: [...(end.comments ?? []), ...trailing] };
  }
  return { source, system: { ...system, statements }, blocks, problems, trees };
}

function takeHeading(system: System, statement: object): void {
  const heading: Record<string, unknown> = { ...statement };
  delete heading["is"];
  Object.assign(system, heading);
  if (!("tape" in heading)) system.tape = system.unit === "in" ? "1/8in" : "1mm";
}

function placed({ row, ...problem }: BlockProblem, from: number): NotationProblem {
  return { line: from + row + 1, ...problem };
}

function atHead({ head: [row, column, length] }: ReadBlock, from: number, why: string, fix: string): NotationProblem {
  return { line: from + row + 1, column, length, why, fix };
}

/** Where a statement of the system stands, or the field of it by its name (`formula`, `args.from`, `edges.0.allow` …); the nearest part that is known. */
export function placeOf(read: ReadSystem, statement: number, field?: string): SourcePlace {
  const found = blockHolding(read, statement);
  if (!found) return { line: 1, column: 1, length: 1 };
  const [row, column, length] = (field === undefined ? undefined : nearestField(found.read.fields, field)) ?? found.read.head;
  return { line: found.from + row + 1, column, length };
}

/** The block that holds a statement. Statements follow each other as their blocks do. */
export function blockHolding({ blocks }: ReadSystem, statement: number): PlacedBlock | undefined {
  return blocks.find((b) => b.statement === statement);
}

/** The statement that a line (from 1) is part of, with the comments above it; undefined for the heading and what stands behind the last. */
export function statementAt({ blocks }: ReadSystem, line: number): number | undefined {
  return blocks.find(({ from, read }) => line > from && line <= from + read.block.source.length)?.statement;
}

function nearestField(fields: ReadBlock["fields"], field: string): FieldPlace | undefined {
  for (let name = field; name !== ""; name = name.slice(0, Math.max(0, name.lastIndexOf(".")))) {
    const place = fields[name];
    if (place) return place;
  }
  return undefined;
}
