import { describe, expect, it } from "vitest";
import { distance, type Point } from "../geometry/point.js";
import { printNotation } from "../system/notation/print.js";
import { readNotation } from "../system/notation/read.js";
import { statementsOf } from "../system/statements.js";
import { runToJson } from "../report/json.js";
import type { Plan } from "../plan/plan.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";
import { sampleBody } from "./sample.js";
import { readShelf } from "../test/shelf.js";

const NEAR_MM = 0.05;

const library = readShelf();

/** How far two sets of points lie apart once one is moved, and if need be turned over, onto the other. */
function apart(expected: Point[], got: Point[]): number {
  const [e0, g0] = [expected[0] as Point, got[0] as Point];
  const worst = (flip: 1 | -1): number =>
    Math.max(
      ...expected.map((e, i) => distance({ x: g0.x + flip * (e.x - e0.x), y: g0.y + e.y - e0.y }, got[i] ?? { x: Infinity, y: Infinity })),
    );
  return Math.min(worst(1), worst(-1));
}

/** Every choice at each of its options, one at a time. */
function turns(plan: Plan): [string, string][] {
  return statementsOf(plan.system, "choose").flatMap((c) => c.options.map((o): [string, string] => [c.key, o.name]));
}

const boardOf = (id: string): string => id.replace(/[0-9].*$/, "");

const failed = (drafted: Run): string[] =>
  drafted.outcomes.flatMap((o, i) => (o.status === "failed" ? [`${JSON.stringify(drafted.plan.steps[i]?.source)}: ${o.why}`] : []));

describe.each(library)("$slug", ({ source, examples, plan, problems }) => {
  it("says every step in a sentence, and tells a learner why and what to watch", () => {
    const steps = plan.steps.filter(({ source: s }) => s.is !== "point" || s.id.match(/g(?:n|[0-9]+)$/) === null);
    expect(steps.filter((s) => s.source.text === undefined && s.source.is !== "path").map((s) => s.source)).toEqual([]);
    const told = (part: "why" | "watch"): number => steps.filter((s) => (s.source[part] ?? []).length > 0).length;
    expect([told("why"), told("watch")].every((n) => n >= 1)).toBe(true);
  });

  it("has no problem, and says the same when printed and read again", () => {
    expect(problems).toEqual([]);
    const { system } = readNotation(source);
    expect(system && readNotation(printNotation(system)).system).toEqual(system);
  });

  it.each(examples)("agrees with the worked example: $name", ({ measurements, settings, points, values }) => {
    const json = runToJson(plan, run(plan, measurements, settings), "worked");
    for (const board of new Set(Object.keys(points).map(boardOf))) {
      const list = Object.entries(points).filter(([id]) => boardOf(id) === board);
      const got = list.map(([id]) => json.points[id]);
      expect(got.every(Boolean), `every point of board ${board}`).toBe(true);
      const expected = list.map(([, [x, y]]) => ({ x, y }));
      expect(apart(expected, got as Point[]), `board ${board}`).toBeLessThan(NEAR_MM);
    }
    for (const [key, value] of Object.entries(values ?? {}))
      if (typeof value === "number") expect(Math.abs((json.values[key] ?? Number.NaN) - value), key).toBeLessThan(NEAR_MM);
  });

  it("draws every step and closes every piece, whatever is chosen", () => {
    const { measurements, settings } = examples[0];
    for (const [key, option] of [["", ""] as [string, string], ...turns(plan)]) {
      const body = { ...sampleBody(plan), ...measurements };
      const drafted = run(plan, body, key === "" ? settings : { ...settings, [key]: option });
      expect(failed(drafted), `${key} ${option}`).toEqual([]);
      const wanted = plan.pieces.filter((p) => !p.when || p.when.run(drafted.environment)).map((p) => p.source.key);
      expect(
        drafted.drafted.map((p) => p.key),
        `${key} ${option}`,
      ).toEqual(wanted);
      expect(
        drafted.shapings.flatMap(({ outcome }) => (outcome.status === "failed" ? [outcome.why] : [])),
        `${key} ${option}`,
      ).toEqual([]);
      expect(wanted.length).toBeGreaterThan(0);
      for (const piece of drafted.pieces) expect(piece.gap.mm, `${piece.title}, ${key} ${option}`).toBeLessThan(0.05);
    }
  });

  it("every check holds on the worked body with its settings as they stand", () => {
    const { measurements, settings } = examples[0];
    const drafted = run(plan, measurements, settings);
    expect(drafted.checks.filter((c) => c.status === "fail").map((c) => `${c.name}: ${c.got} against ${c.expected}`)).toEqual([]);
    expect(statementsOf(plan.system, "caution").length).toBeGreaterThan(0);
    expect(
      statementsOf(plan.system, "lesson").length + statementsOf(plan.system, "point").flatMap((p) => p.why ?? []).length,
    ).toBeGreaterThan(0);
  });
});
