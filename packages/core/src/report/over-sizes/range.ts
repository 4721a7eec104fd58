import type { CheckStatus } from "../../check/result.js";
import type { Plan } from "../../plan/plan.js";
import type { HomeUnit } from "../../quantity/units.js";
import type { Given } from "../../run/inputs.js";
import { run, type Run } from "../../run/run.js";
import { type Failure, failuresOf } from "../failures.js";

/** A body of a range: a size of a chart, or one between two bodies. */
export interface RangeBody {
  readonly size: string;
  readonly measurements: Given;
  readonly unit: HomeUnit;
}

/** A system run on one body of a range. Lengths in mm, by the name of their edge. */
export interface RangeRow {
  readonly size: string;
  readonly missing: readonly string[];
  readonly failures: readonly Failure[];
  /** What is doubted of the size's own figures, or of what they gave. */
  readonly doubts: readonly string[];
  readonly checks: readonly {
    readonly id: string;
    readonly statement: number | undefined;
    readonly name: string;
    readonly status: CheckStatus;
    readonly got: number;
    readonly expected: number | readonly number[];
    readonly tolerance: number;
    /** Edges it is about, as Piece.role. */
    readonly edges: readonly string[];
  }[];
  readonly lengths: Readonly<Record<string, number>>;
}

/** Drafts one body of a range and says what came of it. */
export function rangeRow(plan: Plan, body: RangeBody, settings: Given = {}): RangeRow {
  return rowOf(plan, run(plan, body.measurements, settings, body.unit), body.size);
}

/** What came of a draft, as a row of a range. */
export function rowOf(plan: Plan, drafted: Run, size: string): RangeRow {
  return {
    size,
    missing: drafted.missing,
    failures: failuresOf(plan, drafted),
    doubts: drafted.warnings.map(({ text }) => text),
    checks: drafted.checks.map(({ id, statement, name, status, got, expected, tolerance, edges }) => ({
      id,
      statement,
      name,
      status,
      got,
      expected,
      tolerance,
      edges,
    })),
    lengths: Object.fromEntries(drafted.pieces.flatMap((p) => p.edges.map((e): [string, number] => [e.name, e.length]))),
  };
}

/** A size breaks when something could not be drawn, or a check does not hold. */
export const breaksAt = ({ missing, failures, checks }: RangeRow): boolean =>
  missing.length > 0 || failures.length > 0 || checks.some((c) => c.status === "fail");

/** What does not hold at a size, a line each; nothing when all does. */
export function rowFaults({ missing, failures, checks }: RangeRow): string[] {
  if (missing.length > 0) return [`also needs ${missing.join(", ").replace(/_/g, " ")}`];
  return [...failures.map(({ says }) => says), ...checks.filter((c) => c.status === "fail").map((c) => `does not hold: ${c.name}`)];
}

/** What asks for a look at a size though it holds: checks that warn, and figures that are doubted. A line each. */
export const rowLooks = ({ checks, doubts }: RangeRow): string[] => [
  ...checks.filter((c) => c.status === "warn").map((c) => c.name),
  ...doubts,
];

/** The figures of a body so far (a share) from one body to another: 0 is the first, 1 the other. Measurements only one of them has are left out. */
export function figuresBetween({ measures }: Plan, from: Run, to: Run, share: number): Given {
  return Object.fromEntries(
    measures.flatMap(({ key, slot, source }) => {
      const [a, b] = [from.board.slots[slot], to.board.slots[slot]];
      if (a === undefined || b === undefined || Number.isNaN(a + b)) return [];
      const figure = a + (b - a) * share;
      return [[key, source.kind === "number" ? figure : `${figure.toFixed(2)} mm`]];
    }),
  );
}

/** Bodies between two, in equal steps, both ends among them. Figures in mm, or plain for numbers. */
export function bodiesBetween(plan: Plan, small: Run, large: Run, count: number): RangeBody[] {
  return Array.from({ length: count }, (_, i) => ({
    size: String(i + 1),
    measurements: figuresBetween(plan, small, large, count < 2 ? 0 : i / (count - 1)),
    unit: plan.system.unit,
  }));
}
