import { measurementCalled } from "../body/index.js";
import { applyEdits } from "../edit/line-edit.js";
import { newProblems } from "../edit/consequences.js";
import { insertLines } from "../edit/statement.js";
import { readNotation } from "../system/notation/read.js";
import { loadSystem, type LoadedSystem } from "../plan/load.js";
import type { Library } from "../plan/uses.js";
import type { HomeUnit } from "../quantity/units.js";
import { groundOf } from "./ground/ground.js";
import { withNearestWays } from "./nearest-ways.js";
import { measureLine } from "./measure-line.js";
import type { Statement } from "../system/model.js";
import { putInto } from "./place-puts.js";
import type { Sort } from "./sheet/sheet.js";
import { readSentence, type SentenceReading } from "./read-sentence.js";
import { tokensOf } from "./words/tokens.js";

/** A handout read sentence by sentence. */
export interface TextReading {
  readonly sentences: readonly SentenceReading[];
  /** The system with all that was read. */
  readonly loaded: LoadedSystem;
}

export interface TextPlace {
  /** The system it is read into; a new one when there is none. */
  readonly into?: LoadedSystem | undefined;
  readonly library?: Library;
  readonly unit?: HomeUnit | undefined;
  readonly board?: string | undefined;
}

/** A line of several sentences is read as one when it is no longer than this, in words and signs. */
const AS_ONE = 70;

/** What a system is called before anyone has called it. */
const UNTITLED = "New system";

/** Reads a handout as it was typed or pasted: headings, lists and sentences, each into what those above it left. */
export function readText(handout: string, { into, library = {}, unit = "in", board }: TextPlace): TextReading {
  let loaded = into ?? loadSystem(`system "${UNTITLED}"\n  garment block · unit ${unit}\n`);
  let it: string | undefined;
  let here = board;
  const sentences: SentenceReading[] = [];
  const take = (reading: SentenceReading): void => {
    sentences.push(withNearestWays(reading, groundOf(loaded, here)));
    const [meant] = reading.status === "read" ? reading.readings : [];
    if (!meant) return;
    loaded = meant.loaded;
    it = meant.it ?? it;
    here = meant.puts.findLast(({ sort }) => sort === "step")?.board ?? here;
  };
  for (const line of handout.split(/\r\n|\r|\n/)) {
    const bare = line.trim();
    if (bare === "") continue;
    const notation = notationOf(line, loaded, library, here);
    const heading = notation ?? headingOf(bare, loaded, library) ?? (sentences.length === 0 ? titleOf(bare, loaded, library) : undefined);
    if (heading) {
      take(heading.reading);
      here = heading.board ?? here;
      it = undefined;
    } else
      for (const sentence of readLine(bare, drawable(loaded, library), library, here, it)) {
        // What stands behind it in the line is read into what it left.
        const now = drawable(loaded, library);
        take(sentence.again ? readListed(sentence.text, now, library, { ground: groundOf(now, here), it }) : sentence.reading);
      }
  }
  return { sentences, loaded };
}

/** A system to draw in: one that has no board yet gets one, which stays when something is drawn on it. */
function drawable(loaded: LoadedSystem, library: Library): LoadedSystem {
  if (loaded.read.system.statements.some((s) => s.is === "board" || s.is === "uses")) return loaded;
  return loadSystem(withBoard(loaded, `board A "Draft"`), library, loaded);
}

const SORTS: { readonly [K in Statement["is"]]?: Sort } = {
  measure: "measure",
  set: "setting",
  choose: "setting",
  table: "setting",
  point: "step",
  path: "step",
  value: "step",
  evenly: "step",
  part: "step",
};

/** A line that is notation already stands as it is. */
function notationOf(line: string, loaded: LoadedSystem, library: Library, here: string | undefined): Heading | undefined {
  const typed = line.trim();
  const [statement, more] = readNotation(`system "A"\n${typed}\n`).system.statements;
  if (!statement || more || statement.is === "unread") return undefined;
  const isBoard = statement.is === "board";
  const last = loaded.read.system.statements.findLast((s) => s.is === "board");
  const board = here ?? (last?.is === "board" ? last.key : "");
  const text = isBoard ? withBoard(loaded, typed) : putInto(loaded, [{ sort: SORTS[statement.is] ?? "end", board, lines: [typed] }]);
  const after = loadSystem(text, library, loaded);
  if (newProblems(loaded, after).length > 0) return undefined;
  return { reading: read(typed, [typed], after), ...(isBoard ? { board: statement.key } : {}) };
}

/** A line that is no sentence: what it puts in, and the board it begins. */
interface Heading {
  readonly reading: SentenceReading;
  readonly board?: string;
}

type Part = { readonly again: false; readonly reading: SentenceReading } | { readonly again: true; readonly text: string };

/** The sentences of a line: the line as one where it is understood so, else each by itself. */
function readLine(line: string, loaded: LoadedSystem, library: Library, board: string | undefined, it: string | undefined): Part[] {
  const place = { ground: groundOf(loaded, board), it };
  const listed = LIST_MARK.exec(line)?.[0] ?? "";
  const parts = sentencesOf(line.slice(listed.length)).map((part, i) => (i === 0 ? listed + part : part));
  if (parts.length === 1 || tokensOf(line).length <= AS_ONE) {
    const whole = readListed(line, loaded, library, place);
    if (whole.status === "read" || parts.length === 1) return [{ again: false, reading: whole }];
  }
  return parts.map((text) => ({ again: true, text }));
}

type Place = Parameters<typeof readSentence>[3];

/** A sentence of a list: the number before it is the name of its point, or only its place in the list. */
function readListed(line: string, loaded: LoadedSystem, library: Library, place: Place): SentenceReading {
  const whole = readSentence(line, loaded, library, place);
  const bare = line.replace(LIST_MARK, "");
  if (bare === line) return whole;
  const unnumbered = readSentence(bare, loaded, library, place);
  return namesPoint(whole, unnumbered) ? whole : { ...unnumbered, sentence: line };
}

/** So much more far-fetched may a sentence be with the number before it, so that the number is still the name of its point. */
const RATHER_NAMED = 3;

/** Whether the number before a sentence is the name of its point, and not only its place in the list. */
function namesPoint(whole: SentenceReading, unnumbered: SentenceReading): boolean {
  if (unnumbered.status === "refused") return true;
  if (whole.status !== "read") return false;
  const [named, plain] = [whole.readings[0], unnumbered.readings[0]];
  return plain === undefined || (named?.cost ?? Infinity) <= plain.cost + RATHER_NAMED;
}

/** A number or a sign before a line of a list. */
const LIST_MARK = /^(?:[-–—*•·]\s+|\(?\d{1,3}[.):]\s+|\(?[a-z][.)]\s+|step \d+\s*[.:)]\s*)/i;

/** The sentences of a paragraph: a full stop behind a unit or a number ends none unless a new sentence begins behind it. */
function sentencesOf(line: string): string[] {
  return line.split(/(?<=[a-z0-9)\]½¼¾⅓⅔⅛⅜⅝⅞"″”][.!?]["”]?)\s+(?=["“]?[A-Z])/).filter((part) => part.trim() !== "");
}

const GARMENT_PARTS =
  /^(?:(?:next|now|then),?\s+)?(?:(?:draft|draw)(?:ing)?\s+(?:of\s+)?)?(?:the\s+)?((?:upper |under |top |left |right |half )?(?:back|front|sleeve|collar|skirt|cuff|yoke|hood|trousers?|bodice|facing|pocket|waistband|gusset)s?(?: (?:bodice|skirt|draft|piece|block|sleeve|leg))?)\s*[:.]?$/i;

/** A heading: a board of its own for a part of the garment, else a part of the handout; or the measurements that are needed. */
function headingOf(line: string, loaded: LoadedSystem, library: Library): Heading | undefined {
  const needed =
    /^(?:you (?:will )?need|measurements?(?: needed| required)?|needed|take|you need the following measurements)\s*:\s*(.+)$/i.exec(
      line,
    )?.[1];
  if (needed !== undefined) return measurementsOf(line, needed, loaded, library);
  const part = GARMENT_PARTS.exec(line)?.[1];
  if (part === undefined) return undefined;
  const title = part.charAt(0).toUpperCase() + part.slice(1).toLowerCase();
  const boards = loaded.read.system.statements.flatMap((s) => (s.is === "board" ? [s] : []));
  const known = boards.find((b) => b.title.toLowerCase() === title.toLowerCase());
  if (known) return { reading: read(line, [], loaded), board: known.key };
  const taken = new Set(boards.map((b) => b.key));
  const key = [...title.toUpperCase().replace(/[^A-Z]/g, ""), ..."ABCDEFGHJKLMNPQRSTUVWXYZ"].find((c) => !taken.has(c));
  if (key === undefined) return undefined;
  const board = `board ${key} "${title}" · centre fold`;
  return { reading: read(line, [board], loadSystem(withBoard(loaded, board), library, loaded)), board: key };
}

/** The first line of a handout: the title the system has, or a few words without a figure or a full stop where it has none yet. */
function titleOf(line: string, loaded: LoadedSystem, library: Library): Heading | undefined {
  const { read: before, system } = loaded;
  const title = line.replace(/:$/, "");
  if (title.toLowerCase() === system.title.toLowerCase()) return { reading: read(line, [], loaded) };
  const isTitle = system.title === UNTITLED && /^[\p{Lu}][^\d"]*[^\d".,;]$/u.test(line) && line.split(/\s+/).length <= 8;
  const at = before.source.split("\n").findIndex((text) => text.startsWith("system "));
  if (!isTitle || at < 0) return undefined;
  const titled = `system "${title}"`;
  const text = applyEdits(before.source, [{ from: at, count: 1, lines: [titled] }]);
  return { reading: read(line, [titled], loadSystem(text, library)) };
}

/** A board stands behind the steps of those before it, and before the pieces. */
function withBoard({ read: before }: LoadedSystem, board: string): string {
  const { statements } = before.system;
  const first = statements.findIndex((s) => s.is === "piece" || s.is === "pieceFrom" || s.is === "shape" || s.is === "check");
  return applyEdits(before.source, insertLines(before, (first === -1 ? statements.length : first) - 1, [board]));
}

function measurementsOf(line: string, said: string, loaded: LoadedSystem, library: Library): Heading | undefined {
  const names = said
    .replace(/\.$/, "")
    .split(/,|;|\band\b/)
    .map((name) =>
      name
        .trim()
        .toLowerCase()
        .replace(/^(?:the|your|a)\s+/, ""),
    )
    .filter(Boolean);
  const known = names.map((name) => measurementCalled(name));
  const has = new Set(loaded.plan.system.statements.flatMap((s) => (s.is === "measure" ? [s.key] : [])));
  if (known.every((measure) => measure === undefined)) return undefined;
  const unit = loaded.read.system.unit;
  const missing = names.filter((_, i) => known[i] === undefined);
  const lines = known.flatMap((measure) => (measure && !has.has(measure.key) ? [measureLine(measure.key, unit)] : []));
  const text = putInto(loaded, [{ sort: "measure", board: "", lines }]);
  const reading = read(line, lines, loadSystem(text, library, loaded));
  if (missing.length === 0) return { reading };
  return {
    reading: {
      ...reading,
      status: "ask",
      leftover: missing.map((text) => ({
        text,
        from: line.toLowerCase().indexOf(text),
        to: line.toLowerCase().indexOf(text) + text.length,
      })),
      said: `No measurement is known by the name ${missing.join(", ")}.`,
    },
  };
}

const read = (sentence: string, lines: readonly string[], loaded: LoadedSystem): SentenceReading => ({
  sentence,
  status: "read",
  readings: [{ taken: [], cost: 0, puts: lines.length === 0 ? [] : [{ sort: "setting", board: "", lines }], loaded, it: undefined }],
  leftover: [],
  said: "",
  offers: [],
});
