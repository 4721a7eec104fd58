import type { AlongItem } from "../edit/edge-along.js";
import type { LineEdit } from "../edit/line-edit.js";
import { outlineEdges } from "../edit/outline.js";
import { nextPoint } from "../edit/renumber.js";
import { insertLines } from "../edit/statement.js";
import type { LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import { boardAt, lastOnBoard } from "../phrase/board-at.js";
import { placeOfLine } from "../phrase/quick.js";
import { withSentence } from "../phrase/say/keep-said.js";
import type { Run } from "../run/run.js";
import type { Statement } from "../system/model.js";
import { printStatement } from "../system/notation/print.js";
import { readNotation } from "../system/notation/read.js";
import { definitionsOf, referencesOf } from "../system/references.js";
import { pointText } from "../verb/form.js";
import type { Filled } from "./gaps.js";
import { type Filling, itemOf } from "./press.js";
import { RUN, type Template } from "./template.js";
import { writeTemplate } from "./write.js";

/** What a filled template puts into a system, and where. */
export interface Insertion {
  readonly lines: readonly string[];
  readonly edits: readonly LineEdit[];
  /** The statement a new line goes behind; nothing where one that stands is changed. */
  readonly after?: number;
}

/** Groups that are drawn on a board; the others come after the pieces are taken off it. */
const ON_BOARD: ReadonlySet<string> = new Set(["point", "line", "dart"]);
/** Statements of the drafting itself: everything else stands before or after it. */
const DRAFTING: ReadonlySet<Statement["is"]> = new Set(["board", "part", "value", "point", "path", "evenly", "grade"]);
/** Statements that come after the drafting. */
const AFTER_BOARDS: ReadonlySet<Statement["is"]> = new Set([
  "piece",
  "pieceFrom",
  "amend",
  "leaveOut",
  "shape",
  "sew",
  "check",
  "passes",
  "control",
]);

/**
 * The lines of a template and where they go, for the draft on which it was filled: a step behind the one that is open, when that is drawn on the same board and everything
 * it names stands above; else behind the last step of its board. What is done to pieces goes to the end, or behind the open line when
 * that is among them. Undefined until every gap is filled.
 */
export function insertionOf(filling: Filling, loaded: LoadedSystem, open: number, run: Run): Insertion | undefined {
  const { template, filled } = filling;
  const round = template.outline ? (filled["round"] ?? []).map(itemOf) : [];
  const board = template.outline ? boardOfItem(loaded, round[0]) : freeLetter(loaded);
  const head = writeTemplate(template, filled, { board: board ?? "" });
  if (!head || board === undefined) return undefined;
  const written = template.outline ? [...head, ...outlineLines(loaded, run, round, filled, head[0]?.endsWith(" on fold") === true)] : head;
  const [first = ""] = written;
  const names = namedIn(template.numbered ? `A0 ${first}` : first.replace(RUN, "A0..A1"));
  const after = placeOf(template, first, loaded, names, open);
  const number = numberOn(loaded, after.board);
  const line = template.numbered ? `${pointText(number)} ${first}` : first.replace(RUN, () => runOf(number, filled));
  const lines = [...after.heading, line, ...written.slice(1)];
  return { lines, edits: insertLines(loaded.read, after.index, lines), after: after.index };
}

/** A single line with its sentence behind it, where it is a step that has one. Proving the sentence takes drafts: it is said when the line is inserted. */
export function withItsSentence({ lines, edits, after }: Insertion, loaded: LoadedSystem, library: Library): Insertion {
  const [line] = lines;
  if (line === undefined || after === undefined || lines.length > 1) return { lines, edits };
  const said = withSentence(line, edits, loaded, library);
  return { lines: [said], edits: insertLines(loaded.read, after, [said]) };
}

/** The numbers of points that are made together, from the next on. */
function runOf(first: string, { count = [] }: Filled): string {
  const [, letters = "", number = "0"] = /^([A-Z]*)(\d+)$/.exec(first) ?? [];
  return `${pointText(first)}..${pointText(`${letters}${Number(number) + Math.max(1, Math.round(Number(count[0])) - 1)}`)}`;
}

/** Where a line goes: settings to their like, a new board behind the drafting, the others as their group does. */
function placeOf(template: Template, line: string, loaded: LoadedSystem, names: readonly Named[], open: number): InsertPlace {
  const { statements } = loaded.read.system;
  const at = (index: number): InsertPlace => ({ index, board: undefined, heading: [] });
  if (ON_BOARD.has(template.group)) return stepPlace(loaded, names, template.here, open);
  if (template.group !== "given") return endPlace(loaded, names, open);
  if (line.startsWith("board ")) return at(lastBefore(statements));
  const usual = placeOfLine(line, statements, open);
  return at(usual === open ? Math.max(open, lastOf(statements, names)) : usual);
}

/** The edges of a piece that was gone round, as lines under its first. */
function outlineLines({ plan }: LoadedSystem, run: Run, round: readonly AlongItem[], filled: Filled, onFold: boolean): readonly string[] {
  const [allow] = filled["allow"] ?? [];
  const [grain] = filled["grain"] ?? [];
  const edges = outlineEdges(plan, run, round, onFold).map((edge) =>
    allow === undefined || allow.trim() === "" || edge.finish === "fold" ? edge : { ...edge, allow },
  );
  const piece = { is: "piece", key: "A", title: "A", board: "A", cut: 1, edges, ...(grain === undefined ? {} : { grain }) } as const;
  return printStatement(piece).slice(1);
}

/** The board on which what was pressed first lies. */
const boardOfItem = (loaded: LoadedSystem, item: AlongItem | undefined): string | undefined =>
  item && boardOf(loaded, "point" in item ? { kind: "point", name: item.point } : { kind: "path", name: item.path });

interface InsertPlace {
  /** Behind this statement. */
  readonly index: number;
  readonly board: string | undefined;
  /** The heading of the board, where the system has only brought it along. */
  readonly heading: readonly string[];
}

function stepPlace(loaded: LoadedSystem, names: readonly Named[], here: boolean, open: number): InsertPlace {
  const { statements } = loaded.read.system;
  const boards = new Set(here ? [] : names.flatMap((named) => boardOf(loaded, named) ?? []));
  const openBoard = boardAt(loaded, open);
  const board = (openBoard !== undefined && boards.has(openBoard)) || boards.size === 0 ? openBoard : [...boards].at(-1);
  if (board === undefined) return { index: statements.length - 1, board, heading: [] };
  const isDrafting = DRAFTING.has(statements[open]?.is ?? "part");
  if (isDrafting && board === openBoard && open >= lastOf(statements, names)) return { index: open, board, heading: [] };
  const last = lastStepOn(statements, board);
  if (last >= 0 && last >= lastOf(statements, names)) return { index: last, board, heading: [] };
  const title = loaded.plan.system.statements.find((s) => s.is === "board" && s.key === board);
  return { index: statements.length - 1, board, heading: title?.is === "board" ? [`board ${board} "${title.title}"`] : [] };
}

function endPlace({ read: { system } }: LoadedSystem, names: readonly Named[], open: number): InsertPlace {
  const { statements } = system;
  const among = AFTER_BOARDS.has(statements[open]?.is ?? "part") && open >= lastOf(statements, names);
  return { index: among ? open : statements.length - 1, board: undefined, heading: [] };
}

interface Named {
  readonly kind: string;
  readonly name: string;
}

/** What a line of the notation names. */
function namedIn(line: string): Named[] {
  const { statements } = readNotation(`system "A"\n${line}\n`).system;
  return statements.flatMap((s) => referencesOf(s).map(({ kind, name }) => ({ kind, name })));
}

/** The board on which a point or a line that is named is drawn. */
function boardOf({ plan }: LoadedSystem, { kind, name }: Named): string | undefined {
  if (kind !== "point" && kind !== "path") return undefined;
  return plan.steps.find(({ source }) =>
    kind === "point" ? source.is === "point" && source.id === name : source.is === "path" && source.key === name,
  )?.board;
}

/** The last statement that defines one of the names. */
const lastOf = (statements: readonly Statement[], names: readonly Named[]): number =>
  statements.findLastIndex((s) => definitionsOf(s).some((d) => names.some((n) => n.kind === d.kind && n.name === d.name)));

/** The last statement of the drafting, or of what stands above it where nothing is drafted yet. */
function lastBefore(statements: readonly Statement[]): number {
  const drafted = statements.findLastIndex((s) => DRAFTING.has(s.is));
  return drafted >= 0 ? drafted : statements.findLastIndex((s) => !AFTER_BOARDS.has(s.is));
}

const lastStepOn = (statements: readonly Statement[], board: string): number => lastOnBoard(statements, board, DRAFTING);

/** The next number of a board, of all that is drawn on it here or was brought along. */
function numberOn({ plan }: LoadedSystem, board: string | undefined): string {
  const { statements } = plan.system;
  return nextPoint(statements, board === undefined ? statements.length - 1 : lastStepOn(statements, board));
}

/** A letter no board has. */
function freeLetter({ plan: { system } }: LoadedSystem): string {
  const has = new Set(system.statements.flatMap((s) => (s.is === "board" ? [s.key] : s.is === "point" ? [s.id[0] ?? ""] : [])));
  return [..."ABCDEFGHJKLMNPQRSTUVWXYZ"].find((letter) => !has.has(letter)) ?? "Z";
}
