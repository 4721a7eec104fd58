import { loadSystem, run, sampleBody } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { newSystem, STARTERS } from "../starters/starters.js";
import { orderOfWork, type Stage } from "./order-of-work.js";

const stagesOf = (text: string, published = 0): Map<Stage["key"], string> => {
  const loaded = loadSystem(text);
  const stages = orderOfWork(loaded, run(loaded.plan, sampleBody(loaded.plan)), [], published);
  return new Map(stages.map((s) => [s.key, `${s.state}: ${s.says}`]));
};
const starter = (key: string): string => {
  const found = STARTERS.find((s) => s.key === key) ?? expect.fail(`no ${key}`);
  return newSystem(found, { title: "Cape", garment: "cape", unit: "cm", tape: "1mm" });
};

describe("the order of work", () => {
  it("says of an empty system what comes first", () => {
    const stages = stagesOf(starter("empty"));
    expect([...stages].filter(([, says]) => says.startsWith("open")).map(([key]) => key)).toEqual([
      "page",
      "measurements",
      "frame",
      "lines",
      "pieces",
      "publish",
    ]);
  });

  it("counts what there is, and asks for what is left", () => {
    const whole = starter("bodice").replace('about "What it makes, and for whom."', 'about "A bodice."');
    expect(stagesOf(whole).get("page")).toBe("done: It says what it makes.");
    expect(stagesOf(whole).get("pieces")).toBe("done: 2 pieces");
    expect(stagesOf(whole).get("seams")).toBe("done: Every edge is settled.");
    expect(stagesOf(whole.replace(/sew .*side\n/, "")).get("seams")).toBe("open: 2 edges with nothing said.");
    expect(stagesOf(whole).get("publish")).toBe("open: Not published yet.");
    expect(stagesOf(whole, 2).get("publish")).toBe("done: Version 2 is on the shelf.");
    expect(stagesOf(`${whole}B7 out width from B0\n`).get("publish")).toMatch(/^open: \d+ lines? to fix first\./);
  });
});
