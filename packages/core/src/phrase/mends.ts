import type { LineEdit } from "../edit/line-edit.js";
import { applyEdits } from "../edit/line-edit.js";
import { insertLines, removeStatements } from "../edit/statement.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import { blockHolding, type ReadSystem, statementAt } from "../system/notation/read.js";
import { boardAt } from "./board-at.js";
import type { SentenceReading } from "./read-sentence.js";
import { readText } from "./read-text.js";
import type { Put } from "./sheet/sheet.js";

/** A line that is no notation, with how it is understood as a sentence. */
export interface LineToMend {
  readonly statement: number;
  readonly text: string;
  /** What it means; undefined for one that is asked about or not understood. */
  readonly puts: readonly Put[] | undefined;
  readonly status: SentenceReading["status"];
  readonly said: string;
  readonly leftover: readonly string[];
}

/**
 * How the lines that are no notation are understood, each as those above it leave the system: taken together they make a system of a
 * handout. The rest of the text stands as it is.
 */
export const linesToMend = (loaded: Pick<LoadedSystem, "read" | "problems">, library: Library = {}): LineToMend[] => [
  ...readLines(loaded, library),
];

/** The same one after the other, for who shows the first while the others are read. */
export function* readLines({ read, problems }: Pick<LoadedSystem, "read" | "problems">, library: Library = {}): Generator<LineToMend> {
  const wrong = new Set(problems.flatMap(({ line }) => plainAt(read, line) ?? []));
  const open = read.system.statements.flatMap((s, i) => (s.is === "unread" || wrong.has(i) ? [i] : []));
  if (open.length === 0) return;
  // Without them, so that each is read into what is drawn, and what stands behind it is there for its checks and pieces only.
  let loaded = loadSystem(applyEdits(read.source, removeStatements(read, open)), library);
  let board: string | undefined;
  const mends: LineToMend[] = [];
  for (const statement of open) {
    const text = textOf(read, statement);
    board = boardAt({ read }, statement) ?? boardOfLast(mends) ?? board;
    const reading = readText(text, { into: loaded, library, board });
    loaded = reading.loaded;
    const whole = reading.sentences.every(({ status }) => status === "read");
    const puts = reading.sentences.flatMap((sentence) => (sentence.status === "read" ? (sentence.readings[0]?.puts ?? []) : []));
    const first = reading.sentences.find(({ status }) => status !== "read");
    const mend: LineToMend = {
      statement,
      text,
      puts: whole && puts.length > 0 ? puts : undefined,
      status: whole ? "read" : (first?.status ?? "refused"),
      said: first?.said ?? "",
      leftover: first?.leftover.map(({ text: word }) => word) ?? [],
    };
    mends.push(mend);
    yield mend;
  }
}

/** A board that an earlier line of the handout begins. */
function boardOfLast(mends: readonly LineToMend[]): string | undefined {
  const heads = mends
    .flatMap(({ puts }) => puts?.flatMap(({ lines }) => lines) ?? [])
    .flatMap((line) => /^board ([A-Z])\b/.exec(line)?.[1] ?? []);
  return heads.at(-1);
}

function textOf(read: ReadSystem, index: number): string {
  const statement = read.system.statements[index];
  return statement?.is === "unread" ? statement.text : (blockHolding(read, index)?.read.block.head?.text ?? "");
}

/** The point a line (from 1) places without a sentence of its own: it may be a sentence that happens to begin as a rule does. */
function plainAt(read: ReadSystem, line: number): number | undefined {
  const at = statementAt(read, line);
  const statement = at === undefined ? undefined : read.system.statements[at];
  return statement?.is === "point" && statement.text === undefined ? at : undefined;
}

/** Puts what lines mean in their places, in one go: measurements go where measurements stand. */
export function takeMends(read: ReadSystem, mends: readonly LineToMend[]): LineEdit[] {
  const lastMeasure = read.system.statements.findLastIndex((s) => s.is === "measure");
  const edits = mends.flatMap(({ statement, puts }) => {
    if (!puts) return [];
    const lines = puts.filter(({ sort }) => sort !== "measure" || puts.length === 1).flatMap((put) => put.lines);
    return [...removeStatements(read, [statement]), ...insertLines(read, statement, lines)];
  });
  const along = mends
    .filter(({ puts }) => puts && puts.length > 1)
    .flatMap(({ puts }) => puts?.filter(({ sort }) => sort === "measure").flatMap(({ lines }) => lines) ?? []);
  return along.length === 0 ? edits : [...edits, ...insertLines(read, lastMeasure, along)];
}
