import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import type { Plan } from "../plan/plan.js";
import { drawWith } from "../review/draw-with.js";
import { ownReadings } from "../review/reading.js";
import { redrawing } from "../review/redraw.js";
import { review } from "../review/review.js";
import type { PointStep } from "../system/model.js";
import { problemText } from "../system/notation/problem.js";
import { readShelf } from "../test/shelf.js";
import type { Given } from "./inputs.js";
import { run, type Run } from "./run.js";
import { sampleBody } from "./sample.js";

const library = readShelf();

/** All that can be seen of a draft, as plain data. */
const seen = (plan: Plan, r: Run): unknown =>
  structuredClone({
    board: plan.steps.map(({ makes, target }) =>
      makes === "point" ? r.board.points[target] : makes === "path" ? r.board.paths[target] : 0,
    ),
    pieces: r.pieces.map((p) => ({
      key: p.key,
      net: p.net,
      cutting: p.cutting,
      notches: p.notches.map(({ id, at, off }) => ({ id, at, off })),
    })),
    outcomes: r.outcomes,
    shapings: r.shapings.map((s) => s.outcome),
    checks: r.checks,
    warnings: r.warnings,
  });

/** The plan with every step and shaping telling when it is worked out. */
function watched(plan: Plan): {
  readonly plan: Plan;
  readonly steps: Set<number>;
  readonly shapings: Set<number>;
  readonly pieces: Set<string>;
} {
  const [steps, shapings, pieces] = [new Set<number>(), new Set<number>(), new Set<string>()];
  return {
    steps,
    shapings,
    pieces,
    plan: {
      ...plan,
      steps: plan.steps.map((s, i) => ({ ...s, draw: s.draw && ((f) => void (steps.add(i), s.draw?.(f))) })),
      shapings: plan.shapings.map((s, i) => ({
        ...s,
        apply: s.apply && ((p, f, share) => (shapings.add(i), s.apply?.(p, f, share) ?? [])),
      })),
      pieces: plan.pieces.map((p) => ({ ...p, get when() { return pieces.add(p.source.key), p.when; } })), // prettier-ignore
    },
  };
}

/** Another answer to one setting or choice of a plan. */
function otherAnswer(plan: Plan, pick: number, share: number): Given {
  const all = [...plan.settings, ...plan.choices];
  const one = all[pick % Math.max(1, all.length)];
  if (!one) return {};
  if (!("from" in one)) return { [one.key]: one.source.options[Math.floor(share * one.source.options.length)]?.name ?? "" };
  if (one.source.kind === "boolean") return { [one.key]: share < 0.5 ? "yes" : "no" };
  if (one.source.kind !== "length" || !Number.isFinite(one.to - one.from)) return {};
  return { [one.key]: `${one.from + share * (one.to - one.from)} mm` };
}

describe("what was worked out before", () => {
  it("is taken over, and the draft is the same as one worked out from nothing: in every system, whatever is answered otherwise", () => {
    for (const { slug, plan } of library)
      fc.assert(
        fc.property(fc.nat(40), fc.double({ min: 0, max: 0.999, noNaN: true }), fc.boolean(), (pick, share, drafted) => {
          const body = sampleBody(plan);
          const first = run(plan, body);
          // Whether the pieces were asked for before the change, or only the board.
          if (drafted) expect(first.checks.length).toBeGreaterThanOrEqual(0);
          else expect(first.board.points.length).toBeGreaterThan(0);
          const settings = otherAnswer(plan, pick, share);
          const key = Object.keys(body)[pick % Object.keys(body).length] ?? "";
          const measured = share > 0.7 && typeof body[key] === "number" ? { ...body, [key]: (body[key] as number) * 1.02 } : body;
          const again = run(plan, measured, settings, plan.system.unit, first);
          expect(seen(plan, again), slug).toEqual(seen(plan, run(plan, measured, settings)));
        }),
        { numRuns: 4, seed: 22 },
      );
  }, 60_000);

  it("is worked out again exactly where it depends on the answer", () => {
    const jacket = library.find(({ slug }) => slug === "21-long-lapel-jacket");
    const { plan: bare } = jacket as (typeof library)[number];
    const body = sampleBody(bare);
    for (const setting of bare.settings.filter(({ source, from, to }) => source.kind === "length" && Number.isFinite(to - from))) {
      const { plan, steps } = watched(bare);
      const before = run(plan, body);
      const was = before.board;
      steps.clear();
      const after = run(plan, body, { [setting.key]: `${setting.from} mm` }, plan.system.unit, before);
      const now = after.board;
      const moved = plan.steps.flatMap(({ makes, target }, i) => {
        const of = (f: typeof was): unknown =>
          makes === "point" ? f.points[target] : makes === "path" ? f.paths[target] : f.slots[target];
        return JSON.stringify(of(was)) === JSON.stringify(of(now)) ? [] : [i];
      });
      // Nothing that moved was left; and what was drawn again names, through others, the setting in its text.
      expect(moved.filter((i) => !steps.has(i) && after.outcomes[i]?.status !== "skipped")).toEqual([]);
      const node = plan.graph.nodes.findIndex(({ kind, index }) => kind === "setting" && plan.settings[index]?.key === setting.key);
      const dependent = new Set(
        plan.graph.dependents(node).flatMap((n) => (plan.graph.nodes[n]?.kind === "step" ? [plan.graph.nodes[n]?.index] : [])),
      );
      expect([...steps].filter((i) => !dependent.has(i))).toEqual([]);
      expect(steps.size).toBeLessThan(plan.steps.length);
    }
  });
});

describe("a draft", () => {
  it("is the same in whatever order it is asked for", () => {
    for (const { slug, plan, examples } of library) {
      const { measurements, settings } = examples[0];
      const backwards = run(plan, measurements, settings);
      for (const key of [...plan.pieceNodes.keys()].reverse()) expect(backwards.piece(key)?.key ?? key).toBe(key);
      const checksFirst = run(plan, measurements, settings);
      expect(checksFirst.checks.length).toBeGreaterThanOrEqual(0);
      const whole = seen(plan, run(plan, measurements, settings));
      expect(seen(plan, backwards), slug).toEqual(whole);
      expect(seen(plan, checksFirst), slug).toEqual(whole);
    }
  });

  it("asked for its board takes and shapes only the pieces that its steps are drawn from", () => {
    for (const { plan: bare } of library) {
      const { plan, shapings, pieces } = watched(bare);
      expect(run(plan, sampleBody(plan)).board.points.length).toBe(plan.scope.points.size);
      const reads = plan.steps.flatMap(({ node }) => plan.graph.dependencies(node).map((n) => plan.graph.nodes[n]));
      const shaped = new Set(reads.flatMap((n) => (n?.kind === "shaping" ? [n.index] : [])));
      expect([...shapings].filter((i) => !shaped.has(i))).toEqual([]);
      expect(pieces.size).toBe(new Set(reads.flatMap((n) => (n?.kind === "piece" ? [n.index] : []))).size);
    }
  });

  it("asked for one piece leaves the others alone", () => {
    const { plan: bare } = library.find(({ slug }) => slug === "21-long-lapel-jacket") as (typeof library)[number];
    const { plan, pieces } = watched(bare);
    const key = plan.pieces[0]?.source.key ?? "";
    expect(run(plan, sampleBody(plan)).piece(key)?.key).toBe(key);
    expect(pieces.size).toBeLessThan(plan.pieces.length);
  });
});

it("a review of a draft tries its slips on the steps alone: no piece is taken or shaped again for any", () => {
  for (const slug of [
    "23-shirt-collar-cuff-and-placket",
    "24-two-piece-sleeve-for-the-long-jacket",
    "29-two-piece-sleeve-for-the-cropped-jacket",
  ]) {
    const { plan: bare } = library.find((one) => one.slug === slug) as (typeof library)[number];
    const { plan, steps, shapings, pieces } = watched(bare);
    const drafted = run(plan, sampleBody(plan));
    const own = ownReadings(redrawing(plan, drafted)).filter(({ measured }) => measured.on(drafted.board) > 30);
    for (const seen of [steps, shapings, pieces]) seen.clear();
    const { readings } = review(
      plan,
      drafted,
      Object.fromEntries(own.slice(0, 6).map(({ name, measured }) => [name, `${measured.on(drafted.board) + 25.4} mm`])),
    );
    expect(readings.filter((r) => r.verdict === "off").length, slug).toBeGreaterThan(0);
    expect([shapings.size, pieces.size], slug).toEqual([0, 0]);
  }
});

// A square of 20 by 40 cm whose hem is let down after a first step has measured its side.
const LET_DOWN = `system "Try"
  unit cm
set more = 5 from 0 to 10 "How far the hem is let down."
board A "Front" · centre fold
A0 start
A1 out 20 from A0
A2 down 40 from A1
A3 down 40 from A0
piece Front "Front" on A · cut 1 on fold
  edge top: A0 > A1 · allow 1
  edge side: A1 > A2 · allow 1
  edge hem: A2 > A3 · allow 2
  edge centre: A3 > A0 · fold
  grain along A0-A3
value before = len(Front.side) "The side as drafted."
shape extend Front.hem by more
value after = len(Front.side) "The side let down."
B0 along Front.side, 1 of the way
check "Let down": len(Front.side) = before + more
`;

describe("an edge of a piece", () => {
  const loaded = loadSystem(LET_DOWN);
  const { plan } = loaded;
  const value = (r: Run, key: string): number => r.board.slots[plan.scope.names.get(key)?.slot ?? -1] ?? Number.NaN;

  it("is what it was where its reader stands, in whatever order it is needed", () => {
    expect(loaded.problems.map(problemText)).toEqual([]);
    for (const first of [(r: Run): unknown => r.checks, (r: Run): unknown => r.piece("Front"), (r: Run): unknown => r.board]) {
      const r = run(plan, {});
      expect(first(r)).toBeTruthy();
      expect([value(r, "before"), value(r, "after")].map((mm) => mm.toFixed(6))).toEqual(["400.000000", "450.000000"]);
      expect(r.checks.find((c) => c.name === "Let down")?.status).toBe("pass");
    }
  });

  it("is worked out again with what it hangs on: the step above the shaping stays, the one below it moves", () => {
    const first = run(plan, {});
    expect(value(first, "after")).toBeCloseTo(450, 9);
    const now = run(plan, {}, { more: 8 }, "cm", first);
    expect([value(now, "before"), value(now, "after")].map((mm) => mm.toFixed(6))).toEqual(["400.000000", "480.000000"]);
    expect(now.board.points[plan.scope.points.get("B0") ?? -1]?.y).toBeCloseTo(480, 6);
    // The first draft is not touched.
    expect(value(first, "after")).toBeCloseTo(450, 9);
  });

  it("follows a step that is drawn otherwise, through the piece and its shaping", () => {
    const first = run(plan, {});
    const step = plan.steps.find(({ source }) => source.is === "point" && source.id === "A2");
    if (!step) throw new Error("A2 is not there");
    const drawn = first.evaluation.withOverride(
      step,
      drawWith(plan, step, step.source as PointStep, { figures: { [step.formulas[0]?.name ?? ""]: () => 420 } }),
    );
    const wanted = run(loadSystem(LET_DOWN.replace("A2 down 40", "A2 down 42")).plan, {});
    for (const { node } of plan.steps) drawn.need(node);
    expect(drawn.environment.points).toEqual(wanted.board.points);
    expect(drawn.environment.slots).toEqual(wanted.board.slots);
  });
});

it("a point with two rules is drawn by the one that holds, and what stands between them reads neither in the other's place", () => {
  const { plan, problems } = loadSystem(`system "Try"
  unit cm
choose side "Which way it goes."
  left "To the left."
  right "To the right."
board A "Front"
A0 start
A1 out 10 from A0
  when side == right
A1 in 10 from A0
  when side == left
A2 down 5 from A1
`);
  expect(problems.map(problemText)).toEqual([]);
  const x = (r: Run): number | undefined => r.board.points[plan.scope.points.get("A2") ?? -1]?.x;
  const right = run(plan, {}, { side: "right" });
  expect(x(right)).toBeCloseTo(100, 9);
  const left = run(plan, {}, { side: "left" }, "cm", right);
  expect(x(left)).toBeCloseTo(-100, 9);
  expect(x(run(plan, {}, { side: "right" }, "cm", left))).toBeCloseTo(100, 9);
});
