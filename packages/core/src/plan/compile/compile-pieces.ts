import { compileAs } from "../../formula/compile.js";
import { pathIndex, pointIndex } from "../../formula/look-up.js";
import { FormulaError, inField } from "../../formula/error.js";
import { noReferences } from "../../formula/references.js";
import { parseLineRef } from "../../formula/parse.js";
import type { PieceEntry, Typed } from "../../formula/scope.js";
import type { Kind } from "../../quantity/kind.js";
import type { PlannedDart, PlannedDrawing, PlannedEdge, PlannedNotch, PlannedPiece } from "../../piece/blueprint.js";
import { amendPiece } from "../../shaping/amend.js";
import { leaveOut } from "../../shaping/leave-out.js";
import { pieceFrom } from "../../shaping/piece-from.js";
import type { Amend, Edge, LeaveOut, Piece, PieceFrom } from "../../system/model.js";
import { type NoteField, fieldNoter } from "./note-field.js";
import type { PieceContext } from "./piece-context.js";
import type { PlannedFormula, PlannedShaping, PlanProblem } from "../plan.js";
import { WHOLE } from "./step-reader.js";

/** A piece before it is known what later shaping names on it. */
type CompiledPiece = Omit<PlannedPiece, "carries">;

/** Compiles a piece. Its edges become known to what follows as `Piece.role`. Undefined, with its problems told, when it cannot be taken. */
export function compilePiece(source: Piece, statement: number, context: PieceContext): CompiledPiece | undefined {
  const problems: PlanProblem[] = [];
  const report = (problem: PlanProblem): void => void problems.push(problem);
  const piece = context.read.claim(source.key, statement, "key", "piece") ? compiled(source, statement, context, report) : undefined;
  problems.forEach((p) => context.read.report(p));
  return problems.length === 0 ? piece : undefined;
}

function compiled(source: Piece, statement: number, context: PieceContext, report: (p: PlanProblem) => void): CompiledPiece | undefined {
  const { scope } = context;
  const field = fieldNoter(statement, report);
  const roles = new Set<string>();
  scope.pieces.set(source.key, { roles, settled: true, acts: [context.node] });
  if (!context.boards.has(source.board))
    report({ statement, field: "board", why: `There is no board ${source.board}.`, fix: `There are: ${[...context.boards].join(", ")}.` });
  if (!source.edges || source.edges.length < 2) {
    report({ statement, why: `The piece ${source.key} has no outline.`, fix: "Indent its edges below: edge side: #5 > #7 > #8." });
    return undefined;
  }
  refuseFold(source, statement, report);
  const edges = source.edges.flatMap((edge, i) => field(`edges.${i}`, () => compileEdge(source, edge, i, roles, context)) ?? []);
  for (const { role } of source.edges) roles.add(role);
  const when = whenOf(source.when, field, context);
  return { statement, source, when, edges, ...drawing(source, edges, field, context) };
}

/** A piece on the fold has an edge that is the fold, and the other way round. */
function refuseFold(source: Piece, statement: number, report: (p: PlanProblem) => void): void {
  const folded = source.edges?.some((e) => e.finish === "fold") ?? false;
  if (source.onFold && !folded)
    report({
      statement,
      why: `${source.key} is cut on the fold, but none of its edges is the fold.`,
      fix: "Mark the edge: edge centre: #4 > #0 · fold.",
    });
  if (!source.onFold && folded)
    report({
      statement,
      why: `An edge of ${source.key} is the fold, but the piece is not cut on it.`,
      fix: "Write cut 1 on fold, or take fold away from the edge.",
    });
}

const whenOf = (when: string | undefined, field: NoteField, { read, scope }: PieceContext): Typed | undefined =>
  when === undefined ? undefined : field("when", () => compileAs(read.parse(when), scope, "boolean"));

type DrawnText = Pick<Piece, "grain" | "grainTurned" | "darts" | "inside" | "levels" | "notches" | "marks" | "notes">;

/** What is drawn on a piece, compiled. `edges` are its own, where they are known. */
function drawing(source: DrawnText, edges: readonly PlannedEdge[] | undefined, field: NoteField, context: PieceContext): PlannedDrawing {
  const { scope, read } = context;
  const length = (text: string): Typed => compileAs(read.parse(text), scope, "length");
  const { grain } = source;
  return {
    grain:
      grain === undefined
        ? undefined
        : field("grain", () => ({
            ends: endsOf(grain, context),
            turned: source.grainTurned === undefined ? undefined : turnedBy(source.grainTurned, context),
          })),
    darts: field("darts", () => dartsOf(source, edges ?? [], context)) ?? [],
    inside: (source.inside ?? []).flatMap(
      (line, i) => field(`inside.${i}`, () => ({ label: line.label, items: itemsOf(line.along, `inside.${i}`, context, false) })) ?? [],
    ),
    levels: (source.levels ?? []).flatMap(
      (level, i) => field(`levels.${i}.line`, () => ({ label: level.label, ends: endsOf(level.line, context) })) ?? [],
    ),
    notches: (source.notches ?? []).flatMap((n, i) => field(`notches.${i}`, () => notchOf(n, `notches.${i}`, edges, context)) ?? []),
    marks: (source.marks ?? []).flatMap(
      (m, i) =>
        field(`marks.${i}`, () => ({
          kind: m.kind,
          points: m.at.map((id) => pointIndex(id, scope, WHOLE)),
          length: m.length === undefined ? undefined : inField(`marks.${i}.length`, () => length(m.length as string)),
          way: m.way ?? "across",
        })) ?? [],
    ),
    notes: source.notes ?? [],
  };
}

const turnedBy = (text: string, { read, scope }: PieceContext): Typed =>
  inField("grainTurned", () => compileAs(read.parse(text), scope, "angle"));

function endsOf(text: string, { scope }: PieceContext): [number, number] {
  const line = parseLineRef(text);
  if (line.type !== "through") throw new FormulaError("This line is named by its two ends.", "Write it like #2-#5.", line.at);
  return [pointIndex(line.a, scope, line.at), pointIndex(line.b, scope, line.at)];
}

function compileEdge({ key }: Piece, edge: Edge, i: number, roles: Set<string>, context: PieceContext): PlannedEdge {
  const { scope } = context;
  const name = `${key}.${edge.role}`;
  if (roles.has(edge.role)) {
    const error = new FormulaError(`${name} is already an edge.`, "Give each edge of a piece its own name.", WHOLE);
    error.field = `edges.${i}.role`;
    throw error;
  }
  const items = itemsOf(edge.along, `edges.${i}.along`, context, true);
  const allow = edge.allow === undefined ? undefined : inField(`edges.${i}.allow`, () => allowance(edge.allow as string, context));
  roles.add(edge.role);
  return {
    role: edge.role,
    items,
    allow,
    finish: edge.finish ?? "seam",
    corner: edge.corner ?? "mitre",
    pointed: edge.pointed ?? false,
    treatment: edge.treatment,
    pathIndex: scope.edge(name, key, "sewn"),
  };
}

function allowance(text: string, { read, scope }: PieceContext): Typed {
  const typed = compileAs(read.parse(text), scope, "length");
  if ((typed.constant ?? 0) < 0) throw new FormulaError("An allowance cannot be less than nothing.", "Write 0 for none.", WHOLE);
  return typed;
}

type NotchText = NonNullable<Piece["notches"]>[number];

function notchOf(n: NotchText, at: string, edges: readonly PlannedEdge[] | undefined, { read, scope }: PieceContext): PlannedNotch {
  if ("at" in n) return { point: inField(`${at}.at`, () => pointIndex(n.at, scope, WHOLE)), id: n.at, ticks: n.ticks };
  if (edges && !edges.some((e) => e.role === n.on)) {
    const error = new FormulaError(`This piece has no edge ${n.on}.`, `It has: ${edges.map((e) => e.role).join(", ")}.`, WHOLE);
    error.field = `${at}.on`;
    throw error;
  }
  const along = inField(`${at}.by`, () => compileAs(read.parse(n.by), scope, "length"));
  const { from } = n;
  const start = from === undefined ? undefined : inField(`${at}.from`, () => pointIndex(from, scope, WHOLE));
  return { edge: n.on, along, fromEnd: n.fromEnd ?? false, from: start, id: `${n.on} ${n.by}`, ticks: n.ticks };
}

/** Points and paths named in order, as indices of the environment. */
function itemsOf(along: Edge["along"], at: string, { scope, darts }: PieceContext, withDarts: boolean): PlannedEdge["items"] {
  return along.map((item, i) => {
    const field = `${at}.${i}`;
    const point = (id: string, name: string): number => inField(`${field}.${name}`, () => pointIndex(id, scope, WHOLE));
    if ("point" in item) return { point: point(item.point, "point") };
    const reversed = item.reversed ?? false;
    const dart = withDarts && item.from === undefined ? darts.find((d) => d.key === item.path) : undefined;
    if (dart) {
      scope.reading.names.add(dart.key);
      return { dart, reversed };
    }
    const path = inField(`${field}.path`, () => pathIndex(item.path, scope, WHOLE));
    const between =
      item.from === undefined || item.to === undefined ? undefined : ([point(item.from, "from"), point(item.to, "to")] as const);
    return { path, between, reversed };
  });
}

/** The darts of a piece: those its edges run over, then those that lie inside it. */
function dartsOf(source: Pick<Piece, "darts">, edges: readonly PlannedEdge[], { darts, scope }: PieceContext): PlannedDart[] {
  const inEdges = edges.flatMap((edge) => edge.items.flatMap((item) => ("dart" in item ? [item.dart] : [])));
  const inside = (source.darts ?? []).map((key, i) => {
    const dart = darts.find((d) => d.key === key);
    if (dart) {
      scope.reading.names.add(dart.key);
      return dart;
    }
    const error = new FormulaError(`No dart is called ${key}.`, 'Draw it above: dart waist_dart "Waist dart": legs F8, F9 to F10.', WHOLE);
    error.field = `darts.${i}`;
    throw error;
  });
  return [...inEdges, ...inside];
}

/** Compiles what makes a piece from another, says more of one, or leaves one out. */
export function compilePieceChange(
  source: PieceFrom | Amend | LeaveOut,
  statement: number,
  context: PieceContext,
): Omit<PlannedShaping, "carries"> {
  const problems: PlanProblem[] = [];
  const field = fieldNoter(statement, (p) => problems.push(p));
  const formulas: PlannedFormula[] = [];
  const when = whenOf(source.when, field, context);
  const apply = changeOf(source, statement, field, formulas, context);
  problems.forEach((p) => context.read.report(p));
  const needs = [source.is === "pieceFrom" ? source.of : source.key];
  const makes = source.is === "pieceFrom" ? [source.key] : [];
  return {
    statement,
    source,
    when,
    formulas,
    needs,
    makes,
    named: noReferences(),
    apply: problems.length > 0 ? undefined : apply,
    problem: problems[0],
  };
}

function changeOf(
  source: PieceFrom | Amend | LeaveOut,
  statement: number,
  field: NoteField,
  formulas: PlannedFormula[],
  context: PieceContext,
): PlannedShaping["apply"] {
  const { read, scope } = context;
  const figure = (name: string, text: string, kind: Kind = "length"): Typed["run"] => {
    const tree = field(name, () => read.parse(text));
    const typed = tree && field(name, () => compileAs(tree, scope, kind));
    if (!tree || !typed) return () => Number.NaN;
    formulas.push({ name, text, tree, kind, typed });
    return typed.run;
  };
  if (source.is === "leaveOut") {
    field("key", () => pieceEntry(source.key, context));
    return leaveOut(source.key);
  }
  const changes = {
    pleats: (source.pleats ?? []).map((p, i) => ({ depth: figure(`pleats.${i}.depth`, p.depth), at: p.at })),
    allowances: (source.allowances ?? []).map((a, i) => {
      field(`allowances.${i}.allow`, () => allowance(a.allow, context));
      return { allow: figure(`allowances.${i}.allow`, a.allow), on: a.on };
    }),
    drawing: drawing(source, undefined, field, context),
  };
  if (source.is === "amend") {
    const entry = field("key", () => pieceEntry(source.key, context));
    if (!entry) return undefined;
    const edges = (source.edges ?? []).flatMap((edge, i) => field(`edges.${i}`, () => amendedEdge(edge, i, context)) ?? []);
    for (const { role } of edges) entry.roles.add(role);
    entry.settled = false;
    const { cut, onFold = false, mirrored = false } = source;
    return amendPiece(source.key, { ...changes, edges, ...(cut === undefined ? {} : { cut: { cut, onFold, mirrored } }) });
  }
  const entry = field("of", () => pieceEntry(source.of, context));
  if (!read.claim(source.key, statement, "key", "piece") || !entry) return undefined;
  scope.pieces.set(source.key, { roles: new Set(entry.roles), settled: false, acts: [] });
  const { key, title, of, cut, onFold, mirrored } = source;
  const strip = source.strip && {
    width: figure("strip.width", source.strip.width),
    along: source.strip.along,
    less: source.strip.less ?? false,
  };
  return pieceFrom({ key, title: title ?? key.replace(/_/g, " "), of, strip, cut, onFold, mirrored, ...changes });
}

/** An edge drawn again: the same as one of a piece, but not made known again. */
function amendedEdge(edge: Edge, i: number, context: PieceContext): Omit<PlannedEdge, "pathIndex"> {
  return {
    role: edge.role,
    items: itemsOf(edge.along, `edges.${i}.along`, context, true),
    allow: edge.allow === undefined ? undefined : inField(`edges.${i}.allow`, () => allowance(edge.allow as string, context)),
    finish: edge.finish ?? "seam",
    corner: edge.corner ?? "mitre",
    pointed: edge.pointed ?? false,
    treatment: edge.treatment,
  };
}

/** What is known of a piece above. Throws FormulaError. */
export function pieceEntry(key: string, { scope }: PieceContext): PieceEntry {
  const entry = scope.pieces.get(key);
  if (entry) return entry;
  if (scope.anywhere.has(key))
    throw new FormulaError(`The piece ${key} is taken further below.`, "Use only pieces that stand above.", WHOLE);
  throw new FormulaError(`There is no piece ${key}.`, `There are: ${[...scope.pieces.keys()].join(", ") || "none yet"}.`, WHOLE);
}
