import { readFileSync } from "node:fs";
import { loadSystem, run } from "@lodrin/core";
import fc from "fast-check";
import Papa from "papaparse";
import { csvText } from "./csv-text.js";
import { describe, expect, it } from "vitest";
import { readAnswers, writeAnswers } from "./answers.js";
import { pointsCsv, seamsCsv } from "./run-tables.js";

const { plan } = loadSystem(readFileSync(new URL("../../../../systems/08-menswear-flat-shirt-block.lodrin", import.meta.url), "utf8"));
const BODY = { chest: 104, neck: 41, scye_depth: 25, back_waist: 45, half_back: 20.6, garment_length: 77, shoulder_length: 16.2 };
const drafted = run(plan, BODY, { seam_allowance: "1" });
const rowsOf = (text: string): Record<string, string>[] => Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;

describe("tables of a run", () => {
  it("every point once, where the hand-worked example has it", () => {
    const rows = rowsOf(pointsCsv(plan, drafted));
    expect(new Set(rows.map((r) => r["point"])).size).toBe(rows.length);
    expect(rows.find((r) => r["point"] === "12")).toEqual({ point: "12", board: "M", across_mm: "256", down_mm: "175" });
    expect(rows.find((r) => r["point"] === "18")).toMatchObject({ across_mm: "0", down_mm: "92" });
  });

  it("every edge of every piece with its length and allowance", () => {
    const rows = rowsOf(seamsCsv(drafted));
    expect(rows).toHaveLength(drafted.pieces.reduce((n, p) => n + p.edges.length, 0));
    const shoulder = rows.find((r) => r["piece"] === "Front" && r["edge"] === "shoulder");
    expect(Number(shoulder?.["length_mm"])).toBeCloseTo(Math.hypot(271 - 76, 58.25), 1);
    expect(shoulder?.["allowance_mm"]).toBe("10");
  });
});

const key = fc.stringMatching(/^[a-z][a-z_]{0,12}$/).filter((k) => !["constructor", "__proto__"].includes(k));
const typed = fc.oneof(
  fc.constantFrom("38 1/2 in", "97.8 cm", "38½″", "12 mm", "yes", "half span"),
  fc.integer({ min: 1, max: 60 }).map((n) => `${n} cm`),
);

describe("measurements and settings", () => {
  it("read back as they were written", () => {
    fc.assert(
      fc.property(fc.dictionary(key, typed), fc.dictionary(key, typed), (measurements, settings) => {
        const { answers, problems } = readAnswers(writeAnswers({ unit: "in", measurements, settings }));
        expect(problems).toEqual([]);
        expect(answers.measurements).toEqual({ ...measurements });
        expect(answers.settings).toEqual({ ...settings });
      }),
    );
  });

  it("a figure without a unit keeps the unit it was meant in", () => {
    const text = writeAnswers({ unit: "in", measurements: { bust: "38 1/2", waist: "78 cm" }, settings: { style: "princess" } });
    expect(readAnswers(text).answers).toEqual({ measurements: { bust: "38 1/2 in", waist: "78 cm" }, settings: { style: "princess" } });
  });

  it("takes a list of measurements made elsewhere: columns in any order, with a byte order mark", () => {
    const { answers, problems } = readAnswers('\uFEFFValue;Name\r\n"97,8";bust\r\n');
    expect(problems).toEqual([]);
    expect(answers.measurements).toEqual({ bust: "97,8" });
  });

  it.each([
    ["kind,name,value\nweight,bust,3\n", 2, "no kind"],
    ["name,value\nbust,\n", 2, "no value"],
    ["name,value\n9lives,3\n", 2, "not a name"],
    ["name,value,unit\nbust,3,ells\n", 2, "no unit"],
    ["bust,38\n", 1, "no heading"],
    ["", 1, "no heading"],
  ])("says which line cannot be used: %j", (text, line, part) => {
    const { problems } = readAnswers(text);
    expect(problems).toHaveLength(1);
    expect(problems[0]?.line).toBe(line);
    expect(problems[0]?.why).toContain(part);
  });

  it("names like those of built-in things do no harm", () => {
    const { answers } = readAnswers("kind,name,value\nmeasurement,constructor,3\nconstructor,bust,3\n");
    expect(Object.keys(answers.measurements)).toEqual(["constructor"]);
  });
});

describe("a cell that a spreadsheet would run", () => {
  it.each([
    ["=1+1", true],
    ["+HYPERLINK(1)", true],
    ["-2+3+cmd|' /C calc'!A0", true],
    ["@SUM(1)", true],
    ["\t=1", true],
    ["- a note", true],
    ["-1.5", false],
    ["+2,5", false],
    ["-3 1/2", false],
    ["-1/8 in", false],
    ["−2", false],
    ["plain", false],
  ])("%s", (cell, escaped) => {
    const written = csvText([["head"], [cell]]).split("\n")[1] ?? "";
    expect(written.replace(/^"|"$/g, "").startsWith("'")).toBe(escaped);
  });
});
