import { inWords } from "../../formula/in-words.js";
import type { LoadedSystem } from "../../plan/load.js";
import { readTape } from "../../quantity/tape.js";
import type { Run } from "../../run/run.js";
import type { Statement, System } from "../../system/model.js";
import { statementAt } from "../../system/notation/read.js";
import { definitionsOf, mentionsOf, referencesOf } from "../../system/references.js";
import { pointText } from "../../verb/form.js";
import { markFor } from "../mark-for.js";
import { breaksAt, type RangeRow, rowFaults } from "../over-sizes/range.js";
import { traceOf } from "../trace.js";

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
    ...breaking(rows),
    ...wrongNumbers(loaded),
    ...judged(system, rows),
    ...pieces(system, drafted),
    ...seams(loaded, drafted),
    ...offTape(loaded, drafted),
    ...unused(system),
  ];
}

function unread({ problems, read }: LoadedSystem): Finding[] {
  const [first] = problems;
  if (!first) return [];
  const count = problems.length === 1 ? "One line wants" : `${problems.length} lines want`;
  return [{ code: "unread", statement: statementAt(read, first.line), says: `${count} mending. ${first.why}`, fix: first.fix }];
}

function breaking(rows: readonly RangeRow[]): Finding[] {
  const first = rows.find(breaksAt);
  if (!first) return [];
  const statement = first.checks.find((c) => c.status === "fail")?.statement;
  return [
    {
      code: "breaks",
      statement,
      says: `Breaks first at ${first.size}: ${rowFaults(first)[0] ?? ""}.`,
      fix: "Look at the range, and mend the rule it hangs on.",
    },
  ];
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

/** Checks that hold on no body, or that cannot miss on any. */
function judged({ statements }: System, rows: readonly RangeRow[]): Finding[] {
  const FEWEST = 3;
  if (rows.length < FEWEST) return [];
  const by = new Map<string, RangeRow["checks"][number][]>();
  for (const row of rows) for (const check of row.checks) by.set(check.id, [...(by.get(check.id) ?? []), check]);
  return [...by.values()].flatMap((made): Finding[] => {
    const [{ statement, name } = { statement: undefined, name: "" }] = made;
    if (statement === undefined || statements[statement]?.is !== "check" || made.length < rows.length) return [];
    if (made.every((c) => c.status === "fail"))
      return [
        {
          code: "never-holds",
          statement,
          says: `“${name}” holds on no body of the range.`,
          fix: "The check or the draft is wrong; find out which.",
        },
      ];
    const same = made.every((c) => typeof c.expected === "number" && Math.abs(c.got - c.expected) < 1e-9);
    const moves = Math.max(...made.map((c) => c.got)) - Math.min(...made.map((c) => c.got)) > 1e-6;
    if (same && !moves)
      return [
        {
          code: "never-fails",
          statement,
          says: `“${name}” comes to the same on every body of the range.`,
          fix: "If no setting moves it either, it cannot miss and says nothing.",
        },
      ];
    return [];
  });
}

function pieces({ statements }: System, drafted: Run): Finding[] {
  return drafted.pieces
    .filter((p) => !p.grain)
    .map(({ key, title }) => {
      const own = statements.findIndex((s) => (s.is === "piece" || s.is === "pieceFrom") && s.key === key);
      return {
        code: "no-grain" as const,
        statement: own < 0 ? undefined : own,
        says: `${title} has no grain.`,
        fix: "Say how it lies on the cloth: grain along two of its points.",
      };
    });
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
