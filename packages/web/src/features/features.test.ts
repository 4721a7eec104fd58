import { readFileSync } from "node:fs";
import { checkWord, loadSystem, run } from "@lodrin/core";
import { systemCard } from "@lodrin/formats";
import { describe, expect, it } from "vitest";
import { sceneOf } from "../board/scene.js";
import { doubtsByKey, readSet } from "../measures/doubts.js";
import { byWeight, figuresOf } from "./draft/check-words.js";
import { coverage } from "./shelf/coverage.js";

const { plan } = loadSystem(readFileSync("systems/08-menswear-flat-shirt-block.lodrin", "utf8"));
const WRITTEN = {
  chest: "104",
  neck: "41",
  scye_depth: "25",
  back_waist: "45",
  half_back: "20,6",
  garment_length: "77",
  shoulder_length: "16,2",
};
const drafted = run(plan, WRITTEN, {}, "cm");

describe("how far a set fills a system", () => {
  it("counts what is needed and names what is missing", () => {
    const { needs } = systemCard(plan).facts;
    expect(coverage(needs, { written: WRITTEN, unit: "cm" })).toEqual({ needed: 6, there: 6, missing: [] });
    expect(coverage(needs, { written: { chest: "40", bust: "38" }, unit: "in" })).toMatchObject({ needed: 6, there: 1 });
    expect(coverage(needs, { written: { ...WRITTEN, chest: "wide" }, unit: "cm" }).missing).toEqual(["chest"]);
  });
});

describe("doubts of a set as it is written", () => {
  it("stand beside their fields; what cannot be read is left to the field", () => {
    expect(readSet({ chest: "40", neck: "x" }, "in")).toEqual({ chest: 1016 });
    expect(Object.keys(doubtsByKey({ bust: "37", underbust: "38" }, "in"))).toEqual(["underbust"]);
    expect(doubtsByKey({ chest: "104" }, "in")["chest"]?.[0]).toContain("centimetres written as inches");
  });
});

describe("checks in words", () => {
  const by = (name: string) => drafted.checks.find((c) => c.name.includes(name));
  const plain = (v: unknown): string => JSON.stringify(v).replace(/\u00a0/g, " ");

  it("two figures, and the difference when there is one", () => {
    const side = by("side edges agree");
    expect(side && plain(figuresOf(side, "cm"))).toBe('{"got":"45.0 cm","expected":"45.0 cm"}');
    const shoulder = by("Shoulder on the body");
    expect(shoulder && plain(figuresOf(shoulder, "in"))).toContain('"expected":"6 3/8 in to 8 7/8 in"');
    const square = by("hem square");
    expect(square && plain(figuresOf(square, "in"))).toContain('"got":"90°"');
    const order = by("Order on the top line");
    expect(order && plain(figuresOf(order, "cm"))).toContain('"got":"25.6 cm"');
    const closed = by("outline closed");
    expect(closed && figuresOf({ ...closed, relation: "holds" }, "cm")).toBeUndefined();
  });

  it("tell the difference in the unit on screen", () => {
    const check = { ...by("side edges agree"), got: 440 } as Parameters<typeof figuresOf>[0];
    expect(plain(figuresOf(check, "cm"))).toContain('"difference":"− 1.0 cm"');
    const hair = { ...by("side edges agree"), got: 450.3 } as Parameters<typeof figuresOf>[0];
    expect(plain(figuresOf(hair, "in"))).toContain('"difference":"+ 0.3 mm"');
    expect(checkWord({ ...check, status: "fail" })).toBe("Does not hold");
  });

  it("misses come first", () => {
    const [pass] = drafted.checks;
    if (!pass) throw new Error("no checks");
    expect([pass, { ...pass, status: "fail" as const }, { ...pass, status: "warn" as const }].sort(byWeight).map((c) => c.status)).toEqual([
      "fail",
      "warn",
      "pass",
    ]);
  });
});

describe("the scene on the paper", () => {
  const scene = sceneOf(plan, drafted);

  it("has every point and path at its step, inside its bounds", () => {
    expect(scene.points).toHaveLength(31);
    expect(scene.paths.map((p) => p.key)).toContain("armhole");
    for (const p of scene.points) {
      expect(p.at.x).toBeGreaterThan(scene.bounds.minX);
      expect(p.at.y).toBeLessThan(scene.bounds.maxY);
    }
    expect(scene.paths.find((p) => p.key === "back_neck")?.dashed).toBe(true);
    expect(scene.courses.length).toBeGreaterThan(10);
  });

  it("of no body is empty, and still a sheet", () => {
    const empty = sceneOf(plan, run(plan, {}));
    expect(empty.points.map((p) => p.id)).toEqual(["0", "1", "B0", "B1"].filter((id) => empty.points.some((p) => p.id === id)));
    expect(empty.bounds.maxX).toBeGreaterThan(empty.bounds.minX);
  });
});
