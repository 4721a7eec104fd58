import { applyEdits, type LineEdit } from "../../edit/line-edit.js";
import { replaceStatement } from "../../edit/statement.js";
import { loadSystem, type LoadedSystem } from "../../plan/load.js";
import type { Library } from "../../plan/uses.js";
import type { Statement } from "../../system/model.js";
import { statementAt } from "../../system/notation/read.js";
import { sentenceFor } from "./sentence-for.js";

/** A line of the notation as it is put into a text, with its sentence behind it when it is a step whose author wrote none. */
export function withSentence(line: string, edits: readonly LineEdit[], loaded: LoadedSystem, library: Library): string {
  const [put] = edits;
  if (!put || line.includes('"')) return line;
  const after = loadSystem(applyEdits(loaded.read.source, edits), library, loaded);
  const index = statementAt(after.read, put.from + 1);
  const said = index === undefined ? undefined : sentenceFor(after, library, index);
  return said === undefined ? line : `${line}  "${said}"`;
}

/**
 * A step as it is changed, with its sentence said again where that was said from its rule: what an author wrote stays hers, and a
 * sentence of ours never tells the rule that was.
 */
export function keepSaid(loaded: LoadedSystem, library: Library, index: number, now: Statement): Statement {
  const before = loaded.read.system.statements[index];
  if (!isStep(before) || !isStep(now) || before.text === undefined || before.text !== now.text) return now;
  if (before.text !== sentenceFor(loaded, library, index)) return now;
  const after = loadSystem(applyEdits(loaded.read.source, replaceStatement(loaded.read, index, now)), library, loaded);
  const said = sentenceFor(after, library, index);
  const { text: _, ...bare } = now;
  return said === undefined ? bare : { ...bare, text: said };
}

const isStep = (s: Statement | undefined): s is Extract<Statement, { is: "point" | "path" | "shape" }> =>
  s?.is === "point" || s?.is === "path" || s?.is === "shape";
