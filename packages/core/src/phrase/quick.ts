import type { LineEdit } from "../edit/line-edit.js";
import { nextPoint } from "../edit/renumber.js";
import { insertLines } from "../edit/statement.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import type { Statement } from "../system/model.js";
import { readNotation } from "../system/notation/read.js";
import { referencesOf } from "../system/references.js";
import { pointText } from "../verb/form.js";
import { VERBS } from "../verb/index.js";
import { groundOf } from "./ground/ground.js";
import { withNearestWays } from "./nearest-ways.js";
import { boardAt } from "./board-at.js";
import { editsFor } from "./place-puts.js";
import { withSentence } from "./say/keep-said.js";
import { type Reading, readSentence, type SentenceReading } from "./read-sentence.js";

/** What the quick line would put into the text. */
export interface QuickReading {
  readonly lines: readonly string[];
  readonly edits: readonly LineEdit[];
  /** How the sentence was understood; nothing of what is typed as notation. */
  readonly reading: SentenceReading | undefined;
}

/** Kinds that stand together above the drafting, in the order they are asked for. */
const ABOVE: readonly (readonly Statement["is"][])[] = [["measure"], ["set", "choose", "table"]];

/**
 * What is typed into the quick line: notation as it stands, a rule without its number, or a sentence as it is said. `after` is the
 * statement it goes behind; `chosen` is the reading that is meant where there are several, `preferred` the kinds of meanings that were
 * chosen before, the last one first.
 */
export function quickReading(
  typed: string,
  loaded: LoadedSystem,
  library: Library,
  after: number,
  chosen = 0,
  preferred: readonly string[] = [],
): QuickReading | undefined {
  const line = typed.trim();
  if (line === "") return undefined;
  const { statements } = loaded.read.system;
  const notation = asNotation(line, statements, after);
  if (notation !== undefined) {
    const board = boardNamedIn(notation, loaded);
    const elsewhere = board !== undefined && board !== boardAt(loaded, after);
    const put = (said: string): LineEdit[] =>
      elsewhere
        ? editsFor(loaded, [{ sort: "step", board, lines: [said] }])
        : insertLines(loaded.read, placeOfLine(notation, statements, after), [said]);
    const whole = withSentence(notation, put(notation), loaded, library);
    return { lines: [whole], edits: put(whole), reading: undefined };
  }
  const last = statements.slice(0, after + 1).findLast((s) => s.is === "point");
  const place = { board: boardAt(loaded, after), it: last?.is === "point" ? pointText(last.id) : undefined };
  const read = withNearestWays(readSentence(line, loaded, library, place), groundOf(loaded, place.board));
  const reading = { ...read, readings: inOrder(read.readings, preferred) };
  const puts = reading.status === "refused" ? [] : (reading.readings[chosen]?.puts ?? []);
  return { lines: puts.flatMap((put) => put.lines), edits: editsFor(loaded, puts, after), reading };
}

/** What kind of meaning it is, so that the same kind can be preferred next time: the verbs of its statements. */
export const kindOfMeaning = ({ puts }: Pick<Reading, "puts">): string =>
  puts.map(({ lines }) => /^(?:(?:#\w+|[A-Z]+\d\w*) )?([a-z]+)/.exec(lines[0] ?? "")?.[1] ?? "").join(" ");

/** Meanings of a kind that was chosen before come first, the last chosen foremost. */
function inOrder(readings: readonly Reading[], preferred: readonly string[]): readonly Reading[] {
  const rank = (reading: Reading): number => {
    const at = preferred.indexOf(kindOfMeaning(reading));
    return at < 0 ? preferred.length : at;
  };
  return [...readings].sort((a, b) => rank(a) - rank(b));
}

/** A line of the notation: as it was typed, or with the number a rule lacks. */
function asNotation(line: string, statements: readonly Statement[], after: number): string | undefined {
  if (isRead([line])) return line;
  const numbered = `${pointText(nextPoint(statements, after))} ${line}`;
  return /^[a-z]/.test(line) && isRead([numbered]) && drafts(numbered) ? numbered : undefined;
}

/** A sentence may begin as a rule does: it is one only when its figures can be read. */
const drafts = (line: string): boolean =>
  loadSystem(`system "A"\n${line}\n`).problems.every(({ why }) => !/cannot be read|begins no statement/.test(why));

function isRead(lines: readonly string[]): boolean {
  const { statements } = readNotation(`system "A"\n${lines.join("\n")}`).system;
  return statements.length > 0 && statements.every((s) => s.is !== "unread");
}

/** The board on which the points lie that a step starts from; undefined where it names none, or of several boards. */
function boardNamedIn(line: string, loaded: LoadedSystem): string | undefined {
  const [step] = readNotation(`system "A"\n${line}\n`).system.statements;
  if (step?.is !== "point" && step?.is !== "path") return undefined;
  const starts =
    step.is === "path"
      ? referencesOf(step).flatMap(({ kind, name }) => (kind === "point" ? [name] : []))
      : (VERBS.get(step.verb)?.forms[step.form]?.parameters ?? []).flatMap(({ name, type }) =>
          type === "point" ? [(step.args[name] ?? "").replace("#", "")] : [],
        );
  const { statements } = loaded.read.system;
  const boards = new Set(
    starts.map((id) => {
      const at = statements.findIndex((s) => s.is === "point" && s.id === id);
      return at < 0 ? undefined : boardAt(loaded, at);
    }),
  );
  return boards.size === 1 ? [...boards][0] : undefined;
}

/** The statement a line of the notation goes behind: measurements and settings to their like, everything else behind the one that is open. */
export function placeOfLine(line: string, statements: readonly Statement[], open: number): number {
  const word = /^\s*([a-z]+)\b/.exec(line)?.[1] ?? "";
  const among = ABOVE.findIndex((kinds) => (kinds as readonly string[]).includes(word));
  if (among < 0) return open;
  const kinds = ABOVE.slice(0, among + 1).flat();
  return statements.findLastIndex((s) => kinds.includes(s.is));
}
