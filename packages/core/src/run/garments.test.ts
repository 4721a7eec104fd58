import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { selfIntersection } from "../geometry/ring/ring.js";
import { loadSystem } from "../plan/load.js";
import { printNotation } from "../system/notation/print.js";
import { problemText } from "../system/notation/problem.js";
import { readNotation } from "../system/notation/read.js";
import { runWithPlan } from "../test/run-with-plan.js";

// Garments written with nothing but the language: two-piece sleeve, raglan, princess dress with facings, waistcoat, collar and cuff, shawl jacket.
const FOLDER = new URL("../test/garments/", import.meta.url);
const TEXTS: Readonly<Record<string, string>> = Object.fromEntries(
  readdirSync(FOLDER).map((file) => [file.replace(".lodrin", ""), readFileSync(new URL(file, FOLDER), "utf8")]),
);
const BODY = { bust: "36", waist: "28", hip: "39", back_waist: "16 1/2" };

describe.each(Object.entries(TEXTS))("%s", (_, text) => {
  const loaded = loadSystem(text, TEXTS);
  const drafted = runWithPlan(loaded.plan, BODY);

  it("is read without a problem, and the same when printed", () => {
    expect(loaded.problems.map(problemText)).toEqual([]);
    expect(readNotation(printNotation(loaded.system)).system).toEqual(loaded.system);
  });

  it("draws, takes and shapes everything", () => {
    expect(drafted.missing).toEqual([]);
    expect(drafted.outcomes.flatMap((o) => (o.status === "failed" ? [`${o.why} ${o.fix}`] : []))).toEqual([]);
    expect(drafted.shapings.flatMap((s) => (s.outcome.status === "failed" ? [`${s.outcome.why} ${s.outcome.fix}`] : []))).toEqual([]);
    expect(drafted.warnings.map((w) => w.text)).toEqual([]);
  });

  it("gives pieces that can be cut, and its own checks hold", () => {
    for (const piece of drafted.pieces) {
      expect(piece.gap.mm, piece.title).toBeLessThan(0.1);
      expect(selfIntersection(piece.cutting), piece.title).toBeUndefined();
      expect(piece.area, piece.title).toBeGreaterThan(1_000);
    }
    const missed = drafted.checks.filter((c) => c.status === "fail");
    expect(missed.map((c) => `${c.name}: ${c.got} against ${String(c.expected)}`)).toEqual([]);
  });
});
