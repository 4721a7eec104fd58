import {
  applyEdits,
  blockHolding,
  withDependents,
  insertLines,
  type LineEdit,
  loadSystem,
  movedWith,
  moveStatements,
  newProblems,
  nextPoint,
  type NotationProblem,
  pointText,
  type ReadSystem,
  removeStatements,
  rename,
  type Statement,
  statementAt,
  tidyLine,
} from "@lodrin/core";
import { type Ref, shallowRef } from "vue";
import type { Writing } from "../use-writing.js";

/** An act that would break something: what, and the act that would not. */
export interface Asking {
  readonly says: string;
  /** What would no longer hold, each by what it is called in the handout, and its place there as it stands now. */
  readonly breaks: readonly { readonly name: string; readonly why: string; readonly index: number | undefined }[];
  readonly doIt: () => void;
  /** The act that breaks nothing; `loses` when it takes lines away. */
  readonly whole: { readonly says: string; readonly doIt: () => void; readonly loses: boolean } | undefined;
}

/** What can be done to a statement of the handout. */
export interface Acts {
  /** What waits for an answer before it is done. */
  readonly asking: Ref<Asking | undefined>;
  readonly move: (index: number, way: -1 | 1) => void;
  readonly moveBehind: (index: number, after: number) => void;
  readonly remove: (index: number) => void;
  readonly duplicate: (index: number) => void;
  readonly insert: (after: number, lines: readonly string[]) => void;
  readonly call: (index: number, name: string) => string | undefined;
  /** Changes one line of a statement, by its row in the block; without a text it goes. Its indentation stays. */
  readonly line: (index: number, row: number, text: string | undefined) => void;
  /** Says more of a statement, in a line under it. */
  readonly detail: (index: number, text: string) => void;
  /** Makes edits, after asking when they would break what held. */
  readonly propose: (says: string, edits: readonly LineEdit[], whole?: Asking["whole"]) => void;
}

/** Acts of the handout, each the smallest edit of the text. What would break is listed before it happens. */
export function useActs({ loaded, library, document: { edit } }: Pick<Writing, "loaded" | "library" | "document">): Acts {
  const asking = shallowRef<Asking>();

  function propose(says: string, edits: readonly LineEdit[], whole?: Asking["whole"], line?: number): void {
    asking.value = undefined;
    if (edits.length === 0) return;
    const after = loadSystem(applyEdits(loaded.value.read.source, edits), library.value, loaded.value);
    const breaks = newProblems(loaded.value, after);
    const doIt = (): void => {
      asking.value = undefined;
      edit(edits, line);
    };
    if (breaks.length === 0) doIt();
    else asking.value = { says, breaks: breaks.map((problem) => named(problem, after.read, loaded.value.read)), doIt, whole };
  }

  function moveBehind(index: number, after: number): void {
    const { read } = loaded.value;
    const { statements } = read.system;
    const [low, high] = [Math.min(index, after + 1), Math.max(index, after)];
    if (statements.slice(low, high + 1).some((s, i) => s.is === "board" && low + i !== index)) {
      const stays = "A step stays on its board: to draw it on another, write it there.";
      asking.value = { says: stays, breaks: [], doIt: () => undefined, whole: undefined };
      return;
    }
    const all = movedWith(read, index, after);
    // The hand goes along with what it moves.
    const lineOf = (moved: readonly number[]): number => landing(read, moved, index, after);
    const nameOf = (i: number): string => shortName(statements[i]);
    propose(
      `Moving ${nameOf(index)} there would use what is not there yet.`,
      moveStatements(read, [index], after),
      all.length > 1
        ? {
            says: `Move ${all.map(nameOf).join(", ")} together`,
            loses: false,
            doIt: () => {
              asking.value = undefined;
              edit(moveStatements(read, all, after), lineOf(all));
            },
          }
        : undefined,
      lineOf([index]),
    );
  }

  return {
    asking,
    propose,
    moveBehind,
    move(index, way) {
      const other = index + way;
      if (other >= 0 && other < loaded.value.system.statements.length) moveBehind(index, way < 0 ? index - 2 : other);
    },
    remove(index) {
      const { read } = loaded.value;
      const all = withDependents(read, index);
      const name = shortName(read.system.statements[index]);
      propose(
        `Something stands on ${name}.`,
        removeStatements(read, [index]),
        all.length > 1
          ? {
              says: `Delete all ${all.length}: ${listed(all.map((i) => shortName(read.system.statements[i])))}`,
              loses: true,
              doIt: () => {
                asking.value = undefined;
                edit(removeStatements(read, all));
              },
            }
          : undefined,
      );
    },
    duplicate(index) {
      const { read, system } = loaded.value;
      const block = blockHolding(read, index);
      const statement = system.statements[index];
      if (!block?.read.block.head || !statement) return;
      const { head, source } = block.read.block;
      const lines = source.slice(head.row);
      // The copy takes a name of its own where one can be told.
      if (statement.is === "point") lines[0] = (lines[0] ?? "").replace(/^#?\S+/, pointText(nextPoint(system.statements, index)));
      edit(insertLines(read, index, lines), block.from + source.length + 1);
    },
    insert(after, lines) {
      const { read } = loaded.value;
      const [put] = insertLines(read, after, lines);
      if (put) edit([put], put.from + 1);
    },
    line(index, row, text) {
      const block = blockHolding(loaded.value.read, index);
      const typed = block?.read.block.source[row];
      if (!block || typed === undefined) return;
      const lines = text === undefined ? [] : [`${/^\s*/.exec(typed)?.[0] ?? ""}${text}${tidyComment(typed)}`];
      edit([{ from: block.from + row, count: 1, lines }]);
    },
    detail(index, text) {
      const block = blockHolding(loaded.value.read, index);
      if (block) edit([{ from: block.from + block.read.block.source.length, count: 0, lines: [`  ${text}`] }]);
    },
    call(index, name) {
      const { read } = loaded.value;
      const statement = read.system.statements[index];
      const known = statement && nameOf(statement);
      if (!known) return undefined;
      const wanted = name.trim().replace(/^#/, "");
      if (wanted === known.name || wanted === "") return undefined;
      if (!known.allowed.test(wanted)) return `“${wanted}” is no name for it: ${known.rule}`;
      const after = applyEdits(read.source, rename(read, known.kind, known.name, wanted));
      const [broken] = newProblems(loaded.value, loadSystem(after, library.value, loaded.value));
      if (broken) return `${broken.why} ${broken.fix}`.trim();
      edit(rename(read, known.kind, known.name, wanted));
      return undefined;
    },
  };
}

/** The line (from 1) on which a statement stands once it and those moved with it stand behind another. */
function landing(read: ReadSystem, moved: readonly number[], index: number, after: number): number {
  const lengthOf = (i: number): number => blockHolding(read, i)?.read.block.source.length ?? 0;
  const sum = (list: readonly number[]): number => list.reduce((total, i) => total + lengthOf(i), 0);
  const target = insertLines(read, after, [])[0]?.from ?? 0;
  const above = moved.filter((i) => (blockHolding(read, i)?.from ?? 0) < target);
  const before = moved.slice(0, moved.indexOf(index));
  return target - sum(above) + sum(before) + (blockHolding(read, index)?.read.block.head?.row ?? 0) + 1;
}

/** What is said behind a line as a comment, which is no part of it. */
const tidyComment = (typed: string): string => {
  const { text, comment } = tidyLine(typed);
  return comment === undefined ? "" : typed.slice(text.length);
};

interface Named {
  readonly kind: "point" | "path" | "name" | "table" | "piece";
  readonly name: string;
  readonly allowed: RegExp;
  readonly rule: string;
}

/** What a statement is called, and what it may be called. */
export function nameOf(statement: Statement): Named | undefined {
  const small = { allowed: /^[a-z_][A-Za-z0-9_]*$/, rule: "small letters, figures and _ in place of blanks." };
  switch (statement.is) {
    case "point":
      return {
        kind: "point",
        name: statement.id,
        allowed: /^(?:[A-Z]*\d+[a-z0-9]*|[A-Z]{1,2})$/,
        rule: "a number, with a capital before it if you like, or a capital alone.",
      };
    case "path":
      return { kind: "path", name: statement.key, ...small };
    case "measure":
    case "set":
    case "choose":
    case "value":
      return { kind: "name", name: statement.key, ...small };
    case "table":
      return { kind: "table", name: statement.key, ...small };
    case "piece":
    case "pieceFrom":
      return { kind: "piece", name: statement.key, allowed: /^[A-Z]\w*$/, rule: "a capital first, then letters and figures." };
    default:
      return undefined;
  }
}

/** A statement in a word or two, to be named in a sentence. */
function shortName(statement: Statement | undefined): string {
  if (!statement) return "it";
  const named = nameOf(statement);
  if (named) return statement.is === "point" ? named.name : named.name.replace(/_/g, " ");
  return "title" in statement ? `“${statement.title}”` : "this line";
}

/** A problem of a system that is tried, by the statement it stands in, and where that stands now. */
function named(problem: NotationProblem, tried: ReadSystem, now: ReadSystem): Asking["breaks"][number] {
  const index = statementAt(tried, problem.line);
  const statement = index === undefined ? undefined : tried.system.statements[index];
  const name = statement && nameOf(statement)?.name;
  const found = now.system.statements.findIndex((s) => s.is === statement?.is && name !== undefined && nameOf(s)?.name === name);
  return { name: statement ? shortName(statement) : "", why: problem.why, index: found < 0 ? undefined : found };
}

/** So many names are shown; the others are counted. */
const SHOWN = 8;
const listed = (names: readonly string[]): string =>
  names.length <= SHOWN ? names.join(", ") : `${names.slice(0, SHOWN - 1).join(", ")} and ${names.length - SHOWN + 1} more`;
