import { type LineEdit, type ReadSystem, replaceStatement, type Statement } from "@lodrin/core";

/** A condition and the lines it governs, by their statements. */
export interface Governing {
  readonly when: string;
  readonly lines: readonly number[];
}

type Conditional = Extract<Statement, { when?: unknown }>;
const CONDITIONAL: ReadonlySet<Statement["is"]> = new Set([
  "measure",
  "value",
  "point",
  "path",
  "evenly",
  "piece",
  "pieceFrom",
  "amend",
  "leaveOut",
  "shape",
  "check",
  "passes",
  "closes",
]);
/** Whether a line can be there on a condition: headings and settings always are. */
const mayGovern = (statement: Statement | undefined): statement is Conditional => statement !== undefined && CONDITIONAL.has(statement.is);

/** Begins with the line that was asked and every other that stands on its condition. */
export function beginGoverning({ system }: ReadSystem, index: number): Governing | undefined {
  const statement = system.statements[index];
  if (!mayGovern(statement)) return undefined;
  const when = statement.when ?? "";
  const alike = system.statements.flatMap((s, i) => (when !== "" && mayGovern(s) && s.when === when ? [i] : []));
  return { when, lines: alike.length > 0 ? alike : [index] };
}

/** A line taken to those governed, or away from them when it is pressed again. */
export function withLine(governing: Governing, { system }: ReadSystem, index: number): Governing {
  if (!mayGovern(system.statements[index])) return governing;
  const { lines } = governing;
  return { ...governing, lines: lines.includes(index) ? lines.filter((i) => i !== index) : [...lines, index] };
}

/** The condition written to every line it governs; those that stood on it and do no longer lose it. */
export function conditionEdits(read: ReadSystem, { when, lines }: Governing): LineEdit[] {
  const said = when.trim();
  return read.system.statements.flatMap((statement, i) => {
    if (!mayGovern(statement)) return [];
    const governed = lines.includes(i);
    if (!governed && (said === "" || statement.when !== said)) return [];
    const { when: before, ...rest } = statement;
    const now = governed && said !== "" ? said : undefined;
    return now === before ? [] : replaceStatement(read, i, (now === undefined ? rest : { ...rest, when: now }) as Statement);
  });
}
