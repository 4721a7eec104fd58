import { readdirSync, readFileSync } from "node:fs";
import { Ajv } from "ajv";
import { describe, expect, it } from "vitest";
import { SystemSchema } from "./model.js";
import { printNotation } from "./notation/print.js";
import { readNotation } from "./notation/read.js";

const root = new URL("../../../../", import.meta.url);
const library = readdirSync(new URL("systems/", root)).filter((f) => f.endsWith(".lodrin"));
const validate = new Ajv({ strict: false }).compile(SystemSchema);

describe("the model's JSON Schema", () => {
  it("is the one published in docs/schema", () => {
    const { $schema: _, ...published } = JSON.parse(readFileSync(new URL("docs/schema/system.json", root), "utf8")) as Record<
      string,
      unknown
    >;
    expect(JSON.parse(JSON.stringify(SystemSchema))).toEqual(published);
  });

  it.each(library)("%s fits it, and comes back from JSON and from notation as it was", (file) => {
    const { system, problems } = readNotation(readFileSync(new URL(`systems/${file}`, root), "utf8"));
    expect(problems).toEqual([]);
    expect(validate(JSON.parse(JSON.stringify(system))), JSON.stringify(validate.errors)).toBe(true);
    expect(readNotation(printNotation(system)).system).toEqual(system);
  });

  it.each([
    ["no title", { garment: "x", unit: "in", tape: "1/8in", statements: [] }],
    ["an unknown unit", { title: "x", garment: "x", unit: "ft", tape: "1/8in", statements: [] }],
    ["an unknown statement", { title: "x", garment: "x", unit: "in", tape: "1/8in", statements: [{ is: "loop" }] }],
    ["more than it knows", { title: "x", garment: "x", unit: "in", tape: "1/8in", statements: [], script: "x" }],
    [
      "a point without an id",
      { title: "x", garment: "x", unit: "in", tape: "1/8in", statements: [{ is: "point", verb: "down", form: 0, args: {} }] },
    ],
  ])("refuses %s", (_, system) => {
    expect(validate(system)).toBe(false);
  });
});
