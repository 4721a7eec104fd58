import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { readNotation } from "../system/notation/read.js";
import { printStatement } from "../system/notation/print.js";
import type { Statement } from "../system/model.js";
import { fillingOf } from "./read.js";

const folder = new URL("../../../../systems/", import.meta.url);
const library = readdirSync(folder).filter((name) => name.endsWith(".lodrin"));

/** A statement's line without its number, its sentence and what stands below it. */
const bare = (s: Statement): string => {
  const [line = ""] = printStatement(s);
  const whole = s.is === "check" || s.is === "passes" ? line : line.replace(/\s+"[^"]*"$/, "");
  return s.is === "point" ? whole.replace(/^\S+\s+/, "") : whole;
};

describe("a line as a sentence with its gaps filled", () => {
  it("is found for what templates write", () => {
    expect(fillingOf("down bust/4 from B0", true)?.filled).toEqual({ distance: ["bust/4"], from: ["B0"] });
    expect(fillingOf("curve neck: #4 > #5, leaving square to #4-#6, arriving level", false)?.filled).toEqual({
      key: ["neck"],
      through: ["4", "5"],
      leaving: ["square to", "#4-#6"],
      arriving: ["level"],
    });
    const dart = fillingOf('dart wd "Waist dart": at A4, intake 3 to A5, pressed in', false);
    expect(dart?.template.key).toBe("dart");
    expect(dart?.filled).toEqual({ label: ["Waist dart"], at: ["A4"], intake: ["3"], to: ["A5"], pressed: ["in"] });
    expect(fillingOf("shape spread Front from A8 to A7 by 5, half to each side", false)?.filled["how"]).toEqual(["half to each side"]);
    expect(fillingOf("move A0 over there", true)).toBeUndefined();
  });

  it("is found for nearly every step, line, shaping, seam and check of the library, and writes it again", () => {
    const missed: string[] = [];
    let all = 0;
    for (const name of library) {
      for (const s of readNotation(readFileSync(new URL(name, folder), "utf8")).system.statements) {
        if (s.is !== "point" && s.is !== "path" && s.is !== "shape" && s.is !== "sew" && s.is !== "check" && s.is !== "passes") continue;
        all++;
        if (!fillingOf(bare(s), s.is === "point")) missed.push(bare(s));
      }
    }
    expect(all).toBeGreaterThan(1_500);
    expect(missed.slice(0, 40)).toEqual([]);
  });
});
