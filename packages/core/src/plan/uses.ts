import { suggest } from "../formula/suggest.js";
import type { Statement, System, Uses } from "../system/model.js";
import { definitionsOf, referencesOf } from "../system/references.js";
import { statementsOf } from "../system/statements.js";
import { MOST_STATEMENTS, readNotation } from "../system/notation/read.js";
import type { PlanProblem } from "./plan.js";

/** Notation of the systems that may be built on, by name. */
export type Library = Readonly<Record<string, string>>;

/** A system with the systems it uses written out in their places. */
export interface ExpandedSystem {
  readonly system: System;
  /** For each statement: the index of the statement as its author wrote it, or of the `uses` that brought it, and what it was brought from. */
  readonly origins: readonly { readonly statement: number; readonly from: string | undefined }[];
  readonly problems: readonly PlanProblem[];
}

const UNIT = { in: "inches", cm: "centimetres" } as const;
const DEEPEST = 4;
/** A line that begins with the word; only such a line can be a `uses`. */
const MAY_USE = /^\s*uses\b/im;

/**
 * Writes out what a system builds on. What it asks for or cuts may be stated again by the system that uses it, and then
 * takes the place it had there; what is drawn is drawn once. Never throws: what cannot be used is a problem at its line.
 */
export function expandImports(system: System, library: Library, within: readonly string[] = []): ExpandedSystem {
  if (!system.statements.some((s) => s.is === "uses"))
    return { system, origins: system.statements.map((_, statement) => ({ statement, from: undefined })), problems: [] };
  const statements: Statement[] = [];
  const origins: ExpandedSystem["origins"][number][] = [];
  const problems: PlanProblem[] = [];
  const stated = restated(system);
  const placed = new Set<Statement>();
  const add = (statement: Statement, origin: ExpandedSystem["origins"][number]): void => {
    statements.push(statement);
    origins.push(origin);
  };
  const defined = new Map(
    system.statements.flatMap((statement, index) =>
      definitionsOf(statement).map(({ kind, name }) => [`${kind} ${name}`, { statement, index }] as const),
    ),
  );
  /** Puts a statement of the author's own in place of one it states again, after what it needs of those that stand above it. */
  const placeOwn = (own: Own): void => {
    if (placed.has(own.statement)) return;
    placed.add(own.statement);
    for (const { kind, name } of referencesOf(own.statement)) {
      const needed = defined.get(`${kind} ${name}`);
      if (needed && needed.index < own.index) placeOwn(needed);
    }
    add(own.statement, { statement: own.index, from: undefined });
  };
  system.statements.forEach((statement, i) => {
    if (statement.is !== "uses") {
      if (!placed.has(statement)) add(statement, { statement: i, from: undefined });
      placed.add(statement);
      return;
    }
    const base = baseOf(statement, i, system, library, within);
    if ("why" in base) {
      problems.push(base);
      return;
    }
    for (const brought of taken(base, statement)) {
      const own = stated.get(nameOf(brought) ?? "");
      if (own) placeOwn(own);
      else add(brought, { statement: i, from: base.title });
    }
  });
  if (statements.length > MOST_STATEMENTS && statements.length > system.statements.length) {
    const at = system.statements.findIndex((s) => s.is === "uses");
    return {
      system: { ...system, statements: system.statements.filter((s) => s.is !== "uses") },
      origins: system.statements.flatMap((s, i) => (s.is === "uses" ? [] : [{ statement: i, from: undefined }])),
      problems: [
        {
          statement: at,
          why: `With what it uses this system has ${statements.length} statements; ${MOST_STATEMENTS} are the most.`,
          fix: "Use a shorter one.",
        },
      ],
    };
  }
  return { system: { ...system, statements }, origins, problems };
}

/** The names of the systems a text builds on. Reading is the dear part, and most stand on none. */
export const usedIn = (text: string): string[] =>
  MAY_USE.test(text) ? statementsOf(readNotation(text).system, "uses").map(({ base }) => base) : [];

/** The texts a system builds on, and those they build on, by name. */
export function basesOf(source: string, library: Library): Library {
  const found: Record<string, string> = {};
  const gather = (text: string): void => {
    for (const base of usedIn(text)) {
      const notation = notationOf(base, library);
      if (notation === undefined || Object.hasOwn(found, base)) continue;
      found[base] = notation;
      gather(notation);
    }
  };
  gather(source);
  return found;
}

const notationOf = (slug: string, library: Library): string | undefined => (Object.hasOwn(library, slug) ? library[slug] : undefined);

/** The system used, with its own bases written out; or why it cannot be. */
function baseOf(uses: Uses, statement: number, user: System, library: Library, within: readonly string[]): System | PlanProblem {
  const source = notationOf(uses.base, library);
  if (source === undefined) {
    const near = suggest(uses.base, Object.keys(library));
    return {
      statement,
      why: `There is no system called ${uses.base}.`,
      fix: near ? `Did you mean ${near}?` : "Name a system of the library by the name of its file.",
    };
  }
  if (within.includes(uses.base))
    return { statement, why: `${uses.base} would build on itself.`, fix: "A system can only build on one that does without it." };
  if (within.length >= DEEPEST)
    return { statement, why: `More than ${DEEPEST} systems stand on each other here.`, fix: "Build on the first of them." };
  const read = readNotation(source);
  const { system, problems } = expandImports(read.system, library, [...within, uses.base]);
  const [problem] = read.problems;
  if (problem) return { statement, why: `${uses.base} cannot be read, line ${problem.line}: ${problem.why}`, fix: "Put that right first." };
  const [deeper] = problems;
  if (deeper) return { statement, why: `In ${uses.base}: ${deeper.why}`, fix: deeper.fix };
  if (system.unit !== user.unit)
    return {
      statement,
      why: `${uses.base} is written in ${UNIT[system.unit]}, this system in ${UNIT[user.unit]}.`,
      fix: `Write this one in ${UNIT[system.unit]} as well: a bare figure must mean the same in both.`,
    };
  return system;
}

/** What is said of pieces: brought along only with them. */
const OF_PIECES: ReadonlySet<Statement["is"]> = new Set([
  "piece",
  "pieceFrom",
  "amend",
  "leaveOut",
  "shape",
  "sew",
  "check",
  "passes",
  "closes",
]);

/** What is brought along, its headings under the name of its system. */
function taken(base: System, uses: Uses): Statement[] {
  return base.statements.flatMap((s): Statement[] => {
    if (s.is === "lesson" || s.is === "control") return [];
    if (OF_PIECES.has(s.is)) return uses.pieces ? [s] : [];
    return [s.is === "part" ? { ...s, title: `${base.title}: ${s.title}` } : s];
  });
}

/** What a system may state again, under one name for both. */
function nameOf(s: Statement): string | undefined {
  if (s.is === "piece" || s.is === "pieceFrom") return `piece ${s.key}`;
  return s.is === "measure" || s.is === "set" || s.is === "choose" ? `${s.is} ${s.key}` : undefined;
}

/** A statement as its author wrote it, with its place in the text. */
interface Own {
  readonly statement: Statement;
  readonly index: number;
}

function restated(system: System): Map<string, Own> {
  return new Map(
    system.statements.flatMap((statement, index) => {
      const name = nameOf(statement);
      return name === undefined ? [] : [[name, { statement, index }] as const];
    }),
  );
}
