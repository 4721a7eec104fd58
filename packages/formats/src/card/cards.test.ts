import { readdirSync, readFileSync } from "node:fs";
import { loadSystem, run, sampleBody } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { drawPieces } from "../drawing/pieces.js";
import { readLibrary } from "../library/index.js";
import { draftCard, systemCard } from "./cards.js";

const library = readLibrary("systems");
const boxOf = (svg: string): string => /viewBox="([^"]+)"/.exec(svg)?.[1] ?? "";
const linesOf = (svg: string): string[] => [...svg.matchAll(/ d="([^"]+)"/g)].map(([, d]) => d ?? "");
const figures = (text: string): number[] => (text.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe("the card of a system", () => {
  it("has a picture of all its pieces within its frame, small enough for a shelf", () => {
    expect(Object.keys(library)).toHaveLength(readdirSync("systems").filter((f) => f.endsWith(".lodrin")).length);
    for (const [slug, text] of Object.entries(library)) {
      const { plan } = loadSystem(text, library);
      const { picture } = systemCard(plan);
      const [x, y, width, height] = figures(boxOf(picture)) as [number, number, number, number];
      const { bounds } = drawPieces(run(plan, sampleBody(plan)));
      expect(Math.abs(width - (bounds.maxX - bounds.minX)), slug).toBeLessThanOrEqual(1);
      const drawn = linesOf(picture);
      const places = drawn.flatMap((d) => figures(d));
      expect(drawn.length, slug).toBeGreaterThan(1);
      places.forEach((v, i) => expect(v).toBeGreaterThanOrEqual((i % 2 === 0 ? x : y) - 1));
      places.forEach((v, i) => expect(v).toBeLessThanOrEqual((i % 2 === 0 ? x + width : y + height) + 1));
      expect(picture.length, slug).toBeLessThan(12_000);
    }
  }, 90_000);

  it("says what it needs with its settings as they stand: no more, and with all of it nothing is missing", () => {
    for (const [slug, text] of Object.entries(library)) {
      const { plan } = loadSystem(text, library);
      const { facts } = systemCard(plan);
      const body = sampleBody(plan);
      expect(run(plan, Object.fromEntries(facts.needs.map((key) => [key, body[key] ?? 0]))).missing, slug).toEqual([]);
      expect(facts.needs.filter((key) => !plan.measures.some((m) => m.key === key))).toEqual([]);
    }
  });
});

describe("the card of a draft", () => {
  const { plan } = loadSystem(readFileSync("systems/08-menswear-flat-shirt-block.lodrin", "utf8"));
  const measurements = {
    chest: "104",
    neck: "41",
    scye_depth: "25",
    back_waist: "45",
    half_back: "20,6",
    garment_length: "77",
    shoulder_length: "16,2",
  };

  it("tells its steps and checks", () => {
    const { facts } = draftCard(plan, { measurements, settings: {}, unit: "cm" });
    expect(facts).toEqual({ steps: 53, checks: 34, misses: 0, missing: 0 });
  });

  it("is drawn as it will be while figures are missing, and says how many", () => {
    const { facts, picture } = draftCard(plan, { measurements: { chest: "104" }, settings: {}, unit: "cm" });
    expect(facts.missing).toBe(5);
    expect(linesOf(picture).length).toBeGreaterThan(1);
  });
});
