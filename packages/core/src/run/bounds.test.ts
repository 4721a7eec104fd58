import { readShelf } from "../test/shelf.js";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { evaluated } from "../formula/evaluated.js";
import { loadSystem } from "../plan/load.js";
import { run, type Run } from "./run.js";

const HEAD = `system "Large"
  garment block · unit cm
board A "A"
A0 start
A1 out 900 from A0
A2 down 900 from A0
A3 down 900 from A1
curve one: A0 > A3 > A1 > A2, leaving plumb
curve two: A1 > A2 > A3 > A0, leaving level
`;

describe("a system of two thousand steps", () => {
  it.each([
    ["crossings of nine-metre curves", (i: number) => `B${i} cross one with two`],
    ["perpendiculars to a curve", (i: number) => `B${i} square from A1 to one`],
    ["curves", (i: number) => `curve c${i}: A0 > A1 > A2 > A3`],
    ["steps that each lean on the one before", (i: number) => (i === 0 ? "B0 down 1 from A0" : `B${i} down 1mm from B${i - 1}`)],
  ])("of %s is drafted in bounded time", (_, line) => {
    const { plan, problems } = loadSystem(HEAD + Array.from({ length: 1_985 }, (_, i) => line(i)).join("\n"));
    expect(problems).toEqual([]);
    expect(run(plan, {}).outcomes.filter((o) => o.status !== "drawn")).toEqual([]);
  });
});

describe("names of the host", () => {
  const HOSTILE = ["constructor", "__proto__", "prototype", "toString", "hasOwnProperty", "valueOf"];

  it("are names like any others, or refused: nothing is reached through them", () => {
    for (const name of HOSTILE) {
      const text = `system "Try"\n  garment block · unit cm\nmeasure ${name} length 1..99 "x"\nset own = 2 from 0 to 5 "x"\nvalue v = ${name} + own\nboard A "A"\nA0 start\nA1 down ${name} from A0\nline l: A0 > A1\n`;
      const { plan } = loadSystem(text);
      const answers = JSON.parse(`{"${name}": "12"}`) as Record<string, string>;
      const drafted = run(plan, answers, answers);
      const at = drafted.environment.points[plan.scope.points.get("A1") ?? -1];
      expect(at === undefined || at.y === 120, name).toBe(true);
    }
    expect(({} as Record<string, unknown>)["own"]).toBeUndefined();
  });

  it("unknown ones are only unknown", () => {
    for (const name of HOSTILE) {
      const { problems } = loadSystem(
        `system "Try"\n  garment block · unit cm\nvalue v = ${name}\nvalue w = ${name}(3)\nboard A "A"\nA0 start\nA1 ${name} A0\nshape ${name} Front\n`,
      );
      expect(problems.length, name).toBeGreaterThanOrEqual(3);
    }
  });
});

const library = readShelf().map(({ slug, plan, examples }) => ({ slug, plan, body: examples[0].measurements }));

/** Something tells the person: a warning, a step not drawn, a check that does not hold, or a figure that is asked for. */
function told(drafted: Run): boolean {
  return (
    drafted.warnings.length > 0 ||
    drafted.missing.length > 0 ||
    drafted.outcomes.some((o) => o.status === "failed") ||
    drafted.checks.some((c) => c.status !== "pass")
  );
}

describe.each(library)("impossible bodies in $slug", ({ plan, body }) => {
  it.each([
    ["of nothing", 0],
    ["less than nothing", -1],
    ["a hundred times as large", 100],
  ])("%s: a draft that says so, never an exception", (_, by) => {
    // A figure that this draft does not ask for changes nothing on it.
    const { environment } = run(plan, body);
    const asked = plan.measures.filter((m) => !m.when || evaluated(m.when, environment) !== 0).map((m) => m.key);
    for (const key of Object.keys(body).filter((k) => asked.includes(k))) {
      const drafted = run(plan, { ...body, [key]: (body[key] ?? 0) * by });
      expect(told(drafted), key).toBe(true);
      for (const outcome of drafted.outcomes) if (outcome.status === "failed") expect(outcome.why).toMatch(/[.]$/);
    }
    expect(told(run(plan, Object.fromEntries(Object.entries(body).map(([key, value]) => [key, value * by]))))).toBe(true);
  });

  it("any figures at all", () => {
    const figure = fc.oneof(fc.double({ min: -2_000, max: 2_000, noNaN: true }), fc.constantFrom(0, -0, 1e-9, 1e9));
    fc.assert(
      fc.property(fc.record(Object.fromEntries(Object.keys(body).map((key) => [key, figure]))), (any) => {
        const drafted = run(plan, any as Record<string, number>);
        for (const piece of drafted.pieces) expect(Number.isFinite(piece.area)).toBe(true);
      }),
      { numRuns: 12 },
    );
  });
});
