import { compileAs, pathIndex, pointIndex } from "../formula/compile.js";
import { FormulaError } from "../formula/error.js";
import { parseFormula, parseLineRef } from "../formula/parse.js";
import type { Scope, Typed } from "../formula/scope.js";
import type { Edge, Piece, System } from "../system/model.js";
import { partNoter } from "./note-part.js";
import type { PlannedDart, PlannedEdge, PlannedPiece, PlanProblem } from "./plan.js";

type Report = (problem: PlanProblem) => void;

/** Compiles the pieces. Each edge becomes known to checks as `Piece.role`. A piece with a problem is left out. */
export function compilePieces(system: System, scope: Scope, darts: readonly PlannedDart[], report: Report): PlannedPiece[] {
  const pieces: PlannedPiece[] = [];
  system.statements.forEach((statement, i) => {
    if (statement.is !== "piece") return;
    const problems: PlanProblem[] = [];
    const piece = compilePiece(statement, i, scope, darts, (p) => problems.push(p));
    problems.forEach(report);
    if (piece && problems.length === 0) pieces.push(piece);
  });
  return pieces;
}

function compilePiece(
  source: Piece,
  statement: number,
  scope: Scope,
  darts: readonly PlannedDart[],
  report: Report,
): PlannedPiece | undefined {
  const part = partNoter(statement, report);
  if (!source.edges || source.edges.length < 2) {
    report({ statement, why: `The piece ${source.key} has no outline.`, fix: "Indent its edges below: edge side: #5 > #7 > #8." });
    return undefined;
  }
  const edges = source.edges.map((edge, i) => part(`edges.${i}.allow`, () => compileEdge(source.key, edge, scope, darts)));
  const known = edges.filter((e) => e !== undefined);
  const ends = (text: string): [number, number] => {
    const line = parseLineRef(text);
    if (line.type !== "through") throw new FormulaError("This line is named by its two ends.", "Write it like #2-#5.", line.at);
    return [pointIndex(line.a, scope, line.at), pointIndex(line.b, scope, line.at)];
  };
  const levels = (source.levels ?? []).map((level, i) => part(`levels.${i}.line`, () => ({ label: level.label, ends: ends(level.line) })));
  const inside = (source.inside ?? []).map((line) => part("inside", () => ({ label: line.label, items: itemsOf(line.along, scope, []) })));
  const notches = (source.notches ?? []).map((n, i) => part("on" in n ? `notches.${i}.by` : "notches", () => notchOf(n, known, scope)));
  return {
    statement,
    source,
    darts: part("darts", () => dartsOf(source, known, darts)) ?? [],
    when: source.when === undefined ? undefined : part("when", () => compileAs(parseFormula(source.when as string), scope, "boolean")),
    edges: known,
    grain: source.grain === undefined ? undefined : part("grain", () => ends(source.grain as string)),
    inside: inside.filter((l) => l !== undefined),
    levels: levels.filter((l) => l !== undefined),
    notches: notches.filter((n) => n !== undefined),
  };
}

function compileEdge(piece: string, edge: Edge, scope: Scope, darts: readonly PlannedDart[]): PlannedEdge {
  const allow: Typed | undefined = edge.allow === undefined ? undefined : compileAs(parseFormula(edge.allow), scope, "length");
  const name = `${piece}.${edge.role}`;
  if (scope.paths.has(name)) throw new FormulaError(`${name} is already an edge.`, "Give each edge of a piece its own name.", [0, 0]);
  const pathAt = scope.paths.size;
  scope.paths.set(name, pathAt);
  return {
    role: edge.role,
    items: itemsOf(edge.along, scope, darts),
    allow,
    finish: edge.finish ?? "seam",
    corner: edge.corner ?? "mitre",
    pointed: edge.pointed ?? false,
    pathIndex: pathAt,
  };
}

type NotchText = NonNullable<Piece["notches"]>[number];

function notchOf(n: NotchText, edges: readonly PlannedEdge[], scope: Scope): PlannedPiece["notches"][number] {
  if ("at" in n) return { point: pointIndex(n.at, scope, [0, 0]), id: n.at, marks: n.marks };
  const edge = edges.findIndex((e) => e.role === n.on);
  if (edge < 0)
    throw new FormulaError(`This piece has no edge ${n.on}.`, `It has: ${edges.map((e) => e.role).join(", ")}.`, [0, n.by.length]);
  return { edge, along: compileAs(parseFormula(n.by), scope, "length"), id: `${n.on} ${n.by}`, marks: n.marks };
}

function betweenOf(item: { readonly from?: string; readonly to?: string }, scope: Scope): readonly [number, number] | undefined {
  if (item.from === undefined || item.to === undefined) return undefined;
  return [pointIndex(item.from, scope, [0, 0]), pointIndex(item.to, scope, [0, 0])];
}

/** Points and paths named in order, as indices of the frame. */
function itemsOf(along: Edge["along"], scope: Scope, darts: readonly PlannedDart[]): PlannedEdge["items"] {
  return along.map((item) => {
    if ("point" in item) return { point: pointIndex(item.point, scope, [0, 0]) };
    const reversed = item.reversed ?? false;
    const dart = item.from === undefined ? darts.find((d) => d.key === item.path) : undefined;
    return dart ? { dart, reversed } : { path: pathIndex(item.path, scope, [0, 0]), between: betweenOf(item, scope), reversed };
  });
}

/** The darts of a piece: those its edges run over, then those that lie inside it. */
function dartsOf(source: Piece, edges: readonly PlannedEdge[], darts: readonly PlannedDart[]): PlannedDart[] {
  const inEdges = edges.flatMap((edge) => edge.items.flatMap((item) => ("dart" in item ? [item.dart] : [])));
  const inside = (source.darts ?? []).map((key) => {
    const dart = darts.find((d) => d.key === key);
    if (!dart)
      throw new FormulaError(`No dart is called ${key}.`, 'Draw it above: dart waist_dart "Waist dart": legs F8, F9 to F10.', [0, 0]);
    return dart;
  });
  return [...inEdges, ...inside];
}
