import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { applyEdits } from "../edit/line-edit.js";
import { loadSystem } from "../plan/load.js";
import { changeOf, fillingOfStatement, sayFilling } from "./change.js";
import type { Filling } from "./press.js";

const TEXT = `system "Back"
  unit cm
measure bust girth 70..140 "Round."
board B "Back" · centre fold
B0 start
B1 down bust/4 from B0  "Square down from B0, a quarter of the bust."  # the chest
  watch "From the centre."
B2 out 20 from B0  "Her own words."
curve side_seam: B2 > B1, leaving level dashed  "The side."
`;
const loaded = loadSystem(TEXT);
const at = (name: string): number =>
  loaded.read.system.statements.findIndex((s) => ("id" in s && s.id === name) || ("key" in s && s.key === name));
const filling = (name: string): Filling => {
  const statement = loaded.read.system.statements[at(name)];
  return (statement && fillingOfStatement(statement)) ?? expect.fail(`no sentence for ${name}`);
};
const changed = (name: string, filled: Filling["filled"]): string => {
  const now = filling(name);
  const insertion = changeOf({ ...now, filled: { ...now.filled, ...filled } }, loaded, {}, at(name));
  return applyEdits(TEXT, insertion?.edits ?? []);
};

describe("a statement changed by its sentence", () => {
  it("keeps its number, its notes and its comment; a sentence of ours is said again, an author's stays", () => {
    expect(changed("B1", { distance: ["bust/6"] })).toContain(
      'B1 down bust/6 from B0  "Square down from B0, a sixth of the bust."  # the chest\n  watch "From the centre."\n',
    );
    expect(changed("B2", { distance: ["22"] })).toContain('B2 out 22 from B0  "Her own words."\n');
  });

  it("keeps the name of a line and how it is drawn", () => {
    expect(changed("side_seam", { leaving: ["along", "B0-B2"], key: ["another"] })).toContain(
      'curve side_seam: B2 > B1, leaving along B0-B2 dashed  "The side."\n',
    );
  });

  it("is nothing while a gap is open", () => {
    expect(changed("B1", { distance: [] })).toBe(TEXT);
  });
});

describe("a statement in words", () => {
  it("is its sentence, without what is left out", () => {
    expect(sayFilling(filling("B1"))).toBe("Square down from B0, bust/4.");
    expect(sayFilling(filling("side_seam"))).toBe("Draw a curve through B2, B1, called side seam, leaving level.");
  });

  const folder = new URL("../../../../systems/", import.meta.url);
  it("is never empty, and never in the notation's spelling, for any seam or shaping of the library", () => {
    for (const name of readdirSync(folder).filter((n) => n.endsWith(".lodrin"))) {
      for (const s of loadSystem(readFileSync(new URL(name, folder), "utf8")).read.system.statements) {
        if (s.is !== "sew" && s.is !== "shape") continue;
        const found = fillingOfStatement(s) ?? expect.fail(`${name}: ${JSON.stringify(s)}`);
        expect(sayFilling(found)).toMatch(/^[A-Z][^_#{}[\]]+\.$/);
      }
    }
  });
});
