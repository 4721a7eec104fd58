import { readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cubicLength } from "../geometry/curve/cubic-length.js";
import { stepDimension } from "../report/dimension.js";
import { runToJson } from "../report/json.js";
import { loadSystem } from "../plan/load.js";
import { readShelf } from "../test/shelf.js";
import { run, type Run } from "./run.js";
import { sampleBody } from "./sample.js";
import { stepName } from "../plan/step-name.js";
import { explainStep, traceOf } from "../report/trace.js";

const source = readFileSync(new URL("../../../../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8");
const shirt = loadSystem(source).plan;
const library = readShelf();

/** The worked example of the flat shirt block: a body in centimetres and its points in mm, worked out by hand. */
const BODY = { chest: 104, neck: 41, scye_depth: 25, back_waist: 45, half_back: 20.6, garment_length: 77, shoulder_length: 16.2 };
const BY_HAND: Record<string, [number, number]> = {
  "0": [0, 0],
  "1": [0, 30],
  "2": [0, 320],
  "3": [0, 480],
  "4": [0, 770],
  "5": [325, 320],
  "6": [325, 0],
  "7": [325, 480],
  "8": [325, 770],
  "9": [76, 30],
  "10": [76, 0],
  "11": [0, 175],
  "12": [256, 175],
  "13": [256, 320],
  "14": [256, 0],
  "15": [0, 58.25],
  "16": [256, 58.25],
  "17": [271, 58.25],
  "18": [0, 92],
  B0: [650, 0],
  B1: [650, 30],
  B2: [650, 320],
  B3: [650, 480],
  B4: [650, 770],
  B9: [574, 30],
  B10: [574, 0],
  B11: [650, 175],
  B12: [394, 175],
  B13: [394, 320],
  B16: [394, 58.25],
  B17: [379, 58.25],
};

describe("the flat shirt block on the worked body", () => {
  const drafted = run(shirt, BODY);
  const json = runToJson(shirt, drafted, "08");

  it("places every point where the hand-worked example has it", () => {
    expect(Object.keys(json.points)).toHaveLength(Object.keys(BY_HAND).length);
    for (const [id, [x, y]] of Object.entries(BY_HAND)) {
      expect(json.points[id]?.x, id).toBeCloseTo(x, 6);
      expect(json.points[id]?.y, id).toBeCloseTo(y, 6);
    }
  });

  it("works out the named lengths", () => {
    const expected = { width: 325, across: 256, neck_width: 76, shoulder_drop: 28.25, front_neck: 62, block_length: 770 };
    for (const [key, mm] of Object.entries(expected)) expect(json.values[key], key).toBeCloseTo(mm, 9);
  });

  it("draws the curves in the directions its sheet gives", () => {
    const d = json.paths["armhole"]?.d ?? "";
    expect(d.startsWith("M271 58.25C")).toBe(true);
    // Plumb at 12 and level into 5: the handles share an x, then a y.
    expect(d).toMatch(/C[\d.]+ [\d.]+ 256 [\d.]+ 256 175/);
    expect(d).toMatch(/ 320 325 320$/);
    expect(json.paths["back_neck"]?.d).toMatch(/ 30 0 30$/);
    expect(json.paths["traced_armhole"]?.length).toBeCloseTo(json.paths["armhole"]?.length ?? 0, 9);
  });

  it("takes two pieces off the board, back turned so that its centre lies on the left", () => {
    expect(json.pieces.map((p) => [p.name, p.cut, p.onFold])).toEqual([
      ["Front", 1, true],
      ["Back", 1, true],
    ]);
    const [front, back] = drafted.pieces;
    for (const piece of [front, back]) {
      const fold = piece?.edges.find((e) => e.finish === "fold");
      const left = Math.min(...(piece?.net.map((p) => p.x) ?? []));
      for (const p of fold?.places ?? []) expect(p.x).toBeCloseTo(left, 6);
    }
    expect(front?.edges.map((e) => e.role)).toEqual(["neck", "shoulder", "armhole", "side", "hem", "centre"]);
    const area = (name: string): number => json.pieces.find((p) => p.name === name)?.area ?? 0;
    // The back is larger by what the deeper front neck cuts away.
    expect(area("Back")).toBeGreaterThan(area("Front"));
  });

  it("holds all its checks", () => {
    expect(json.checks.filter((c) => c.status !== "pass")).toEqual([]);
    expect(json.checks.length).toBeGreaterThan(20);
    expect(json.checks.find((c) => c.name.startsWith("Rectangle square"))?.got).toBeCloseTo(Math.hypot(325, 770), 6);
  });

  it("explains every step in this body's numbers", () => {
    const step = traceOf(shirt, drafted, { mark: "1mm" }).find((t) => t.step === "shoulder_drop");
    expect(step?.sums[0]).toMatchObject({ rule: "scye_depth/slope_div - slope_less", sums: ["25 ÷ 8 − 0.3", "3.125 − 0.3"] });
    expect(step?.sums[0]?.reading?.replace("\u00a0", " ")).toBe("2.8 cm");
    const fifth = json.trace.find((t) => t.step === "#5");
    expect(fifth?.dependsOn).toEqual({ points: ["2"], paths: [] });
  });

  it("knows what a step measured and from where", () => {
    const index = shirt.steps.findIndex((s) => stepName(s) === "#2");
    expect(stepDimension(shirt, drafted, index)).toEqual({ from: { x: 0, y: 30 }, to: { x: 0, y: 320 }, mm: 290 });
    const armhole = shirt.steps.findIndex((s) => stepName(s) === "armhole");
    const path = drafted.environment.paths[shirt.scope.paths.get("armhole") ?? -1];
    expect(stepDimension(shirt, drafted, armhole).mm).toBeCloseTo(path?.segments.reduce((sum, c) => sum + cubicLength(c), 0) ?? 0, 9);
  });
});

describe("settings, choices and units", () => {
  it("a choice moves what it decides, and only that", () => {
    const nape = run(shirt, BODY, { length_from: "nape" });
    const at = (r: typeof nape, id: string): { x: number; y: number } | undefined => r.environment.points[shirt.scope.points.get(id) ?? -1];
    expect(at(nape, "4")?.y).toBeCloseTo(800, 9);
    expect(at(nape, "3")).toEqual(at(run(shirt, BODY), "3"));
  });

  it("tape strings, numbers and the other unit give the same draft", () => {
    const inches = Object.fromEntries(Object.entries(BODY).map(([k, v]) => [k, `${v / 2.54} in`]));
    const strings = Object.fromEntries(Object.entries(BODY).map(([k, v]) => [k, `${v}`.replace(".", ",")]));
    const want = runToJson(shirt, run(shirt, BODY), "x").points;
    for (const given of [inches, strings]) {
      for (const [id, p] of Object.entries(runToJson(shirt, run(shirt, given), "x").points)) {
        expect(p.x).toBeCloseTo(want[id]?.x ?? Number.NaN, 6);
        expect(p.y).toBeCloseTo(want[id]?.y ?? Number.NaN, 6);
      }
    }
    const bare = Object.fromEntries(Object.entries(BODY).map(([k, v]) => [k, `${v / 2.54}`]));
    expect(runToJson(shirt, run(shirt, bare, {}, "in"), "x").points["8"]?.x).toBeCloseTo(325, 6);
  });

  it("allowances go outside every edge but the fold", () => {
    const [front] = run(shirt, BODY, { seam_allowance: "1", hem_allowance: "4 cm" }).pieces;
    expect(front?.edges.map((e) => [e.role, e.allowance])).toEqual([
      ["neck", 10],
      ["shoulder", 10],
      ["armhole", 10],
      ["side", 10],
      ["hem", 40],
      ["centre", 0],
    ]);
    expect(Math.max(...(front?.cutting.map((p) => p.y) ?? []))).toBeCloseTo(810, 6);
    expect(Math.max(...(front?.cutting.map((p) => p.x) ?? []))).toBeCloseTo(335, 6);
    expect(Math.min(...(front?.cutting.map((p) => p.x) ?? []))).toBeCloseTo(0, 6);
  });

  it("what cannot be read is said, and nothing is guessed", () => {
    const bad = run(shirt, { ...BODY, chest: "wide" }, { rise: "x", length_from: "hip", no_such: "1" });
    expect(bad.inputs.problems.map((p) => p.key).sort()).toEqual(["chest", "length_from", "no_such", "rise"]);
    expect(bad.missing).toEqual(["chest"]);
  });

  it("figures outside an author's range are warned of, not changed", () => {
    const wide = run(shirt, { ...BODY, chest: 190 }, { rise: "9" });
    expect(wide.warnings.map((w) => w.key)).toEqual(["chest", "rise"]);
    expect(runToJson(shirt, wide, "x").values["width"]).toBeCloseTo(540, 9);
  });
});

describe("a body that is not whole, or not of this world", () => {
  it("asks for what is missing, and draws what does not lean on it", () => {
    const partial = run(shirt, { chest: 104, scye_depth: 25, back_waist: 45, garment_length: 77 });
    expect(partial.missing).toEqual(["neck", "half_back"]);
    const status = (name: string): string | undefined => partial.outcomes[shirt.steps.findIndex((s) => stepName(s) === name)]?.status;
    expect(status("#8")).toBe("drawn");
    expect(status("neck_width")).toBe("failed");
    expect(status("#9")).toBe("failed");
    expect(status("#15")).toBe("drawn");
    const why = explainStep(
      shirt,
      partial,
      shirt.steps.findIndex((s) => stepName(s) === "#10"),
      { mark: "1mm" },
    ).outcome;
    expect(why).toMatchObject({ status: "failed", why: "It leans on #9, which could not be drawn." });
    const neck = partial.outcomes[shirt.steps.findIndex((s) => stepName(s) === "neck_width")];
    expect(neck).toMatchObject({ why: "The measurement neck is missing." });
  });

  it.each([
    ["nothing", 0],
    ["below nothing", -20],
    ["ten metres", 1000],
  ])("a chest of %s gives failing checks or a sentence, never an exception", (_, chest) => {
    const odd = run(shirt, { ...BODY, chest });
    expect(odd.warnings.length).toBeGreaterThan(0);
    expect(odd.checks.some((c) => c.status !== "pass") || odd.outcomes.some((o) => o.status === "failed")).toBe(true);
  });

  it("a setting far outside its author's range is refused, one somewhat outside is taken", () => {
    for (const given of ["0", "0.000001", "-1000", "1000"]) {
      const broken = run(shirt, BODY, { neck_div: given });
      expect(broken.inputs.problems.map((p) => p.why).join()).toMatch(/is far (below|above) what neck div can be/);
    }
    expect(run(shirt, BODY, { neck_div: "7" }).inputs.problems).toEqual([]);
  });

  it("what comes to lie a hundred metres off is not drawn, and says so", () => {
    const { plan } = loadSystem(
      'system "Try"\nmeasure bust girth 20..60 "B."\nboard M\nA0 start\nA1 down 1000*bust from A0\nA2 down 1 from A1\nline l: A0 > A1\n',
    );
    const far = run(plan, { bust: 36 });
    expect(far.outcomes[1]).toMatchObject({ status: "failed", why: "This comes to lie more than a hundred metres off." });
    expect(far.outcomes.map((o) => o.status)).toEqual(["drawn", "failed", "failed", "failed"]);
  });

  it("no body at all", () => {
    const none = run(shirt, {});
    expect(none.missing).toHaveLength(6);
    expect(none.pieces).toEqual([]);
    expect(runToJson(shirt, none, "x").trace).toHaveLength(shirt.steps.length);
  });

  it("the sample body is drawn whole", () => {
    expect(run(shirt, sampleBody(shirt)).missing).toEqual([]);
  });
});

describe("a run is worked out as far as it is asked", () => {
  it("gives the same steps whether its pieces were asked for before, after or never", () => {
    for (const { plan, examples } of library) {
      const [first] = examples;
      const draft = (): Run => run(plan, first?.measurements ?? {}, first?.settings ?? {});
      const [steps, pieces] = [draft(), draft()];
      expect(pieces.pieces.every((p) => p.cutting.length > 0)).toBe(true);
      expect(pieces.board.points).toEqual(steps.board.points);
      expect(pieces.outcomes).toEqual(steps.outcomes);
      const edges = new Set([...plan.scope.paths].flatMap(([name, index]) => (name.includes(".") ? [index] : [])));
      // What was drawn on the board lies there still; only the edges of pieces were added.
      steps.board.paths.forEach((path, i) => edges.has(i) || expect(pieces.environment.paths[i]).toEqual(path));
    }
  });

  it("what leaves the core as data is plain: it can be posted to a worker and comes out the same", () => {
    for (const { plan, examples } of library) {
      const json = runToJson(plan, run(plan, examples[0]?.measurements ?? {}, examples[0]?.settings ?? {}), "x");
      expect(structuredClone(json)).toEqual(json);
    }
  });
});

describe("over many bodies", () => {
  const body = fc.record({
    chest: fc.double({ min: 84, max: 136, noNaN: true }),
    neck: fc.double({ min: 34, max: 50, noNaN: true }),
    scye_depth: fc.double({ min: 21, max: 30, noNaN: true }),
    back_waist: fc.double({ min: 40, max: 50, noNaN: true }),
    half_back: fc.double({ min: 16, max: 26, noNaN: true }),
    garment_length: fc.double({ min: 60, max: 95, noNaN: true }),
    shoulder_length: fc.double({ min: 13, max: 19, noNaN: true }),
  });

  it("the chest round the block is the body's and four eases; sewn edges agree (common practice, no source)", () => {
    fc.assert(
      fc.property(body, (given) => {
        const { checks } = run(shirt, given);
        for (const c of checks.filter(({ name }) => /^Chest round the block|^Rectangle square|edges agree$/.test(name)))
          expect(c.status, c.name).toBe("pass");
      }),
      { numRuns: 80 },
    );
  });

  it("a run depends on nothing but what it is given", () => {
    fc.assert(
      fc.property(body, (given) => {
        expect(runToJson(shirt, run(shirt, given), "x")).toEqual(runToJson(shirt, run(shirt, given), "x"));
      }),
      { numRuns: 10 },
    );
  });
});
