import { pathLength } from "../geometry/path/path.js";
import { svgData } from "../geometry/path/svg-data.js";
import { defaultMark } from "../quantity/tape.js";
import { doingText } from "../system/notation/print.js";
import type { Plan } from "../plan/plan.js";
import type { Run } from "../run/run.js";
import { traceOf, type TraceEntry } from "./trace.js";

/** A run as one JSON object: lengths in mm, angles in degrees, x to the right, y down. */
export interface RunJson {
  system: string;
  unit: string;
  points: Record<string, { board: string; x: number; y: number }>;
  values: Record<string, number>;
  paths: Record<string, { length: number; d: string }>;
  pieces: {
    name: string;
    cut: number;
    onFold: boolean;
    area: number;
    edges: { name: string; role: string; length: number; allowance: number }[];
    outline: [number, number][];
  }[];
  /** What was done to the pieces after they came off the board, where anything was. */
  shaping?: { does: string; status: string; why?: string }[];
  checks: { name: string; status: string; got: number; expected: number | [number, number]; tolerance: number }[];
  warnings: string[];
  trace: TraceEntry[];
}

function inDegrees(radians: number): number {
  return (radians * 180) / Math.PI;
}

/** The open form of a run. `slug` names the system. */
export function runToJson(plan: Plan, run: Run, slug: string): RunJson {
  const { board: environment } = run;
  const json: RunJson = {
    system: slug,
    unit: plan.system.unit,
    points: {},
    values: {},
    paths: {},
    pieces: [],
    checks: [],
    warnings: [],
    trace: [],
  };
  plan.steps.forEach(({ source, board }, i) => {
    if (run.outcomes[i]?.status !== "drawn") return;
    if (source.is === "point") {
      const p = environment.points[plan.scope.points.get(source.id) ?? -1];
      if (p) json.points[source.id] = { board, x: p.x, y: p.y };
    } else if (source.is === "value") {
      const name = plan.scope.names.get(source.key);
      const value = environment.slots[name?.slot ?? -1] as number;
      json.values[source.key] = name?.kind === "angle" ? inDegrees(value) : value;
    } else {
      const path = environment.paths[plan.scope.paths.get(source.key) ?? -1];
      // A guideline has no ends, and so no length.
      if (path && source.open === undefined) json.paths[source.key] = { length: pathLength(path), d: svgData(path) };
    }
  });
  json.pieces = run.pieces.map((piece) => ({
    name: piece.title,
    cut: piece.cut,
    onFold: piece.onFold,
    area: piece.area,
    edges: piece.edges.map((e) => ({ name: e.name, role: e.role, length: e.length, allowance: e.allowance })),
    outline: piece.net.map((p) => [p.x, p.y]),
  }));
  if (run.shapings.length > 0)
    json.shaping = run.shapings.map(({ index, outcome }) => ({
      does: doingText((plan.shapings[index] as Plan["shapings"][number]).source),
      status: outcome.status,
      ...(outcome.status === "done" ? {} : { why: outcome.why }),
    }));
  json.checks = run.checks.map((c) => ({
    name: c.name,
    status: c.status,
    got: c.got,
    expected: typeof c.expected === "number" ? c.expected : [...c.expected],
    tolerance: c.tolerance,
  }));
  json.warnings = run.warnings.map((w) => w.text);
  json.trace = traceOf(plan, run, { mark: plan.system.tape ?? defaultMark(plan.system.unit) });
  return json;
}
