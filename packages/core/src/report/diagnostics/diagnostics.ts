import type { CheckResult, CheckStatus } from "../../check/result.js";
import { inWords } from "../../formula/in-words.js";
import type { LoadedSystem } from "../../plan/load.js";
import { readTape } from "../../quantity/tape.js";
import type { Run } from "../../run/run.js";
import type { Statement, System } from "../../system/model.js";
import { statementAt } from "../../system/notation/read.js";
import { definitionsOf, mentionsOf, referencesOf } from "../../system/references.js";
import { pointText } from "../../verb/form.js";
import { markFor } from "../mark-for.js";
import { type RangeRow, rowFaults } from "../over-sizes/range.js";
import { traceOf } from "../trace.js";

/** What is told and may stay: a mark that is drawn to be looked at, a check that nothing moves. */
const QUIET: ReadonlySet<FindingCode> = new Set(["unused", "never-fails", "off-tape"]);

/** Whether a finding is to be looked at before students draft with the system. */
export const isPressing = ({ code }: Finding): boolean => !QUIET.has(code);

/** Whether a finding says that something does not hold on some body: who publishes it all the same says why. */
export const doesNotHold = ({ code }: Finding): boolean => code === "breaks" || code === "looks" || code === "never-holds";

/** Something that wants a look before a system is given to students. `statement` is the line it is about. */
export interface Finding {
  readonly code: FindingCode;
  readonly statement: number | undefined;
  readonly says: string;
  readonly fix: string;
}

type FindingCode =
  | "unread"
  | "breaks"
  | "looks"
  | "unused"
  | "off-tape"
  | "never-holds"
  | "never-fails"
  | "no-grain"
  | "unchecked-seam"
  | "wrong-number"
  | "says-otherwise"
  | "no-sentence";

/**
 * How sound a system is, as far as a reader with a pencil could tell: its text, its draft on one body, and its rows over a
 * range of bodies. Each finding is one line with what to do.
 */
export function diagnosticsOf(loaded: LoadedSystem, drafted: Run, rows: readonly RangeRow[]): Finding[] {
  const { system } = loaded;
  return [
    ...unread(loaded),
    ...undrawn(loaded, rows),
    ...missedChecks(loaded, drafted, rows),
    ...wrongNumbers(loaded),
    ...neverFailing(system, rows),
    ...pieces(system, drafted),
    ...seams(loaded, drafted),
    ...offTape(loaded, drafted),
    ...unused(system),
  ];
}

function unread({ problems, read }: LoadedSystem): Finding[] {
  const [first] = problems;
  if (!first) return [];
  const count = problems.length === 1 ? "One line needs" : `${problems.length} lines need`;
  return [{ code: "unread", statement: statementAt(read, first.line), says: `${count} fixing. ${first.why}`, fix: first.fix }];
}

/** What cannot be drawn at some sizes, each once. */
function undrawn({ system }: LoadedSystem, rows: readonly RangeRow[]): Finding[] {
  const at = new Map<string, { readonly statement: number | undefined; readonly sizes: string[] }>();
  for (const row of rows) {
    const faults = row.missing.length > 0 ? rowFaults(row).map((says) => ({ says, source: undefined })) : row.failures;
    for (const { says, source } of faults) {
      const known = at.get(says);
      if (known) known.sizes.push(row.size);
      else at.set(says, { statement: ownIndex(system, source), sizes: [row.size] });
    }
  }
  return [...at].map(([fault, { statement, sizes }]) => ({
    code: "breaks",
    statement,
    says: `At ${sizesText(sizes, rows)}: ${fault}`,
    fix: "Open that size in the range, and change the rule.",
  }));
}

/** Some of a range by their names. */
function sizesText(sizes: readonly string[], rows: readonly RangeRow[]): string {
  if (sizes.length === rows.length && rows.length > 1) return "every size of the range";
  const NAMED = 3;
  const more = sizes.length - NAMED;
  return `${sizes.length === 1 ? "size" : "sizes"} ${sizes.slice(0, NAMED).join(", ")}${more > 0 ? ` and ${more} more` : ""} of the range`;
}

/** Fewer bodies than these prove nothing about a check. */
const FEWEST = 3;

/** Every check that does not hold, or asks for a look, on the body that is tried or at a size of the range: one line each, the worst first. */
function missedChecks({ system, plan }: LoadedSystem, drafted: Run, rows: readonly RangeRow[]): Finding[] {
  const all = new Map([...rows.flatMap((row) => row.checks), ...drafted.checks].map((check) => [check.id, check]));
  const found = [...all.values()].flatMap((check): Finding[] => {
    const asks = check.statement === undefined ? undefined : plan.system.statements[check.statement];
    const statement = asks ? ownIndex(system, asks) : pieceAt(system, check.edges[0]);
    const here = drafted.checks.find((c) => c.id === check.id)?.status ?? "pass";
    const at = (status: CheckStatus): string[] =>
      rows.filter((row) => row.checks.some((c) => c.id === check.id && c.status === status)).map((row) => row.size);
    const [fails, warns] = [at("fail"), at("warn")];
    if (fails.length > 0 || here === "fail") return [{ statement, ...brokenCheck(check.name, here === "fail", fails, rows) }];
    if (warns.length === 0 && here === "pass") return [];
    return [{ statement, ...warningCheck(check, here === "warn", warns, rows) }];
  });
  return found.sort((a, b) => Number(a.code === "looks") - Number(b.code === "looks"));
}

type Said = Omit<Finding, "statement">;

function brokenCheck(name: string, here: boolean, sizes: readonly string[], rows: readonly RangeRow[]): Said {
  if (rows.length >= FEWEST && sizes.length === rows.length)
    return {
      code: "never-holds",
      says: `“${name}” holds on no body of the range.`,
      fix: "The check or the draft is wrong; find out which.",
    };
  return {
    code: "breaks",
    says: `“${name}” does not hold ${whereText(here, sizes, rows)}.`,
    fix: "Change the rule, or the range of the settings.",
  };
}

/** What is looked at on every draft may warn on every body of one system; an author's own check that does says nothing. */
function warningCheck(
  { name, statement }: Pick<CheckResult, "name" | "statement">,
  here: boolean,
  sizes: readonly string[],
  rows: readonly RangeRow[],
): Said {
  if (statement !== undefined && rows.length >= FEWEST && sizes.length === rows.length)
    return {
      code: "never-holds",
      says: `“${name}” asks for a look on every body of the range.`,
      fix: "A check that warns on every body says nothing: change the draft, or the check.",
    };
  return {
    code: "looks",
    says: `“${name}” asks for a look ${whereText(here, sizes, rows)}.`,
    fix: "See whether the draft is meant so there.",
  };
}

const whereText = (here: boolean, sizes: readonly string[], rows: readonly RangeRow[]): string =>
  [...(here ? ["on this body"] : []), ...(sizes.length > 0 ? [`at ${sizesText(sizes, rows)}`] : [])].join(" and ");

/** Where a statement stands in the author's own text; undefined for one that a base brings along. */
export function ownIndex({ statements }: System, source: Statement | undefined): number | undefined {
  const at = source ? statements.indexOf(source) : -1;
  return at < 0 ? undefined : at;
}

/** The statement of the piece an edge belongs to. */
function pieceAt({ statements }: System, edge: string | undefined): number | undefined {
  const key = edge?.split(".")[0];
  const at = statements.findIndex((s) => (s.is === "piece" || s.is === "pieceFrom") && s.key === key);
  return at < 0 ? undefined : at;
}

/** Points, figures and lines that nothing uses. A line drawn to be looked at needs no use; a measurement that only a check reads says so. */
function unused({ statements }: System): Finding[] {
  const used = new Set(statements.flatMap((s) => referencesOf(s).map(({ kind, name }) => `${kind} ${name}`)));
  return statements.flatMap((statement, index): Finding[] => {
    if (!["measure", "set", "choose", "table", "value", "point"].includes(statement.is)) return [];
    if (statement.is === "point" && statement.verb === "start") return [];
    const [own] = definitionsOf(statement);
    if (!own || used.has(`${own.kind} ${own.name}`)) return [];
    const name = own.kind === "point" ? pointText(own.name) : inWords(own.name);
    return [{ code: "unused", statement: index, says: `${name} is used by nothing.`, fix: "Draw with it, or take it away." }];
  });
}

/** Sentences that speak of a point that is not there, or that comes later. */
function wrongNumbers({ system, plan }: LoadedSystem): Finding[] {
  const order = new Map<string, number>();
  system.statements.forEach((s, i) => s.is === "point" && !order.has(s.id) && order.set(s.id, i));
  return system.statements.flatMap((statement, index): Finding[] => {
    const wrong = mentionsOf(statement).find(({ name, field }) => field === "text" && isWrong(name, index));
    const bare = wrong ? undefined : wrongBareNumber(statement);
    const name = wrong?.name ?? bare;
    if (name === undefined) return [];
    const known = plan.scope.points.has(name);
    return [
      {
        code: "wrong-number",
        statement: index,
        says: `The sentence speaks of ${pointText(name)}, ${known ? "and the rule does not" : "which is not there"}.`,
        fix: "Put the number right, in the sentence or in the rule.",
      },
    ];
  });

  function isWrong(name: string, at: number): boolean {
    return (
      system.statements[at]?.is === "point" &&
      (plan.scope.points.has(name) ? (order.get(name) ?? -1) > at : order.size > 0 && sameLetters(name))
    );
  }
  /** A size like `A4` is no point of a system that numbers none by A. */
  function sameLetters(name: string): boolean {
    const letters = /^[A-Z]*/.exec(name)?.[0] ?? "";
    return letters === "" || [...plan.scope.points.keys()].some((id) => new RegExp(`^${letters}\\d`).test(id));
  }
}

/** "Down from 3" where the rule goes down from another point, in a system that numbers by bare figures. */
function wrongBareNumber(statement: Statement): string | undefined {
  if (statement.is !== "point" || statement.text === undefined) return undefined;
  const from = statement.args["from"];
  const said = /\bfrom (?:point )?(\d+[a-z]?)(?![\w/]|\.\d|\s*(?:\d|in\b|cm\b|mm\b|inch))/i.exec(statement.text)?.[1];
  if (said === undefined || from === undefined || !/^\d/.test(from)) return undefined;
  return Object.values(statement.args).some((arg) => new RegExp(`(?:^|[^\\d])#?${said}(?![\\w])`).test(arg)) ? undefined : said;
}

/** Checks that cannot miss on any body. */
function neverFailing({ statements }: System, rows: readonly RangeRow[]): Finding[] {
  if (rows.length < FEWEST) return [];
  const by = new Map<string, RangeRow["checks"][number][]>();
  for (const row of rows) for (const check of row.checks) by.set(check.id, [...(by.get(check.id) ?? []), check]);
  return [...by.values()].flatMap((made): Finding[] => {
    const [{ statement, name } = { statement: undefined, name: "" }] = made;
    if (statement === undefined || statements[statement]?.is !== "check" || made.length < rows.length) return [];
    const same = made.every((c) => c.status === "pass" && typeof c.expected === "number" && Math.abs(c.got - c.expected) < 1e-9);
    const moves = Math.max(...made.map((c) => c.got)) - Math.min(...made.map((c) => c.got)) > 1e-6;
    if (!same || moves) return [];
    return [
      {
        code: "never-fails",
        statement,
        says: `“${name}” comes to the same on every body of the range.`,
        fix: "If no setting moves it either, it cannot miss and says nothing.",
      },
    ];
  });
}

function pieces(system: System, drafted: Run): Finding[] {
  return drafted.pieces
    .filter((p) => !p.grain)
    .map(({ key, title }) => ({
      code: "no-grain" as const,
      statement: pieceAt(system, key),
      says: `${title} has no grain.`,
      fix: "Say how it lies on the cloth: grain along two of its points.",
    }));
}

/** Edges with an allowance that are neither sewn to another nor said to be anything else, in a system that says of others what they are sewn to. */
function seams({ system, plan }: LoadedSystem, drafted: Run): Finding[] {
  if (plan.sews.length === 0) return [];
  const named = new Set(plan.edgesNamed.map(({ name }) => name));
  return drafted.pieces.flatMap((piece) => {
    // Facings and the like follow what they are made from.
    const own = system.statements.findIndex((s) => s.is === "piece" && s.key === piece.key);
    const loose = own < 0 ? [] : piece.edges.filter((e) => e.finish === "seam" && !e.treatment && e.allowance > 0 && !named.has(e.name));
    return loose.map(({ name }): Finding => ({
      code: "unchecked-seam",
      statement: own,
      says: `${inWords(name.replace(".", ", "))} is sewn to nothing and checked by nothing.`,
      fix: "Say what it is sewn to, or what becomes of it: hemmed, faced, bound, open.",
    }));
  });
}

/** Lengths a tape cannot show: less than half its finest mark and yet not nothing. */
function offTape({ system, plan }: LoadedSystem, drafted: Run): Finding[] {
  const mark = markFor(plan.system, plan.system.unit);
  return traceOf(plan, drafted, { mark }).flatMap((entry, i): Finding[] => {
    const { source } = plan.steps[i] as (typeof plan.steps)[number];
    const fine = entry.sums.find(({ kind, value }) => kind === "length" && Math.abs(value) > 1e-6 && readTape(value, mark).mm === 0);
    const statement = system.statements.indexOf(source as Statement);
    if (!fine || source.is !== "point" || statement < 0) return [];
    return [
      {
        code: "off-tape",
        statement,
        says: `${pointText(source.id)} is set off by less than the tape can show.`,
        fix: "Leave it out, or round the rule.",
      },
    ];
  });
}
