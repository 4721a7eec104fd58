import { applyEdits, insertLines, loadSystem } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { additions, usualMeasurements } from "./additions.js";

const NEW = 'system "New"\n  garment block · unit in\nboard A "Front" · centre fold\nA0 start\n';
const WITH_MEASURE = `${NEW}A1 out 5 from A0\nmeasure bust girth 30..50 "Round."\n`;

/** What is wrong with a system when lines are put in at its end. */
const wrong = (source: string, lines: readonly string[]): string[] => {
  const loaded = loadSystem(source);
  const after = applyEdits(source, insertLines(loaded.read, loaded.system.statements.length - 1, lines));
  return loadSystem(after).problems.map(({ why }) => why);
};

describe("what the builder offers to add", () => {
  it.each([
    ["a system with nothing in it", NEW],
    ["one with a measurement and two points", WITH_MEASURE],
    ["one in centimetres", WITH_MEASURE.replace("unit in", "unit cm").replace("30..50", "70..130")],
  ])("to %s is read without a problem, every line of it", (_, source) => {
    const { system } = loadSystem(source);
    const offered = [...additions(system), ...usualMeasurements(system)];
    expect(offered.length).toBeGreaterThan(20);
    expect(offered.flatMap(({ says, lines }) => wrong(source, lines).map((why) => `${says}: ${why}`))).toEqual([]);
  });

  it("a usual measurement comes whole: its range, how it is taken, and the standard's name for it", () => {
    const { system } = loadSystem(NEW);
    const [bust] = usualMeasurements(system).filter(({ key }) => key === "bust");
    const after = loadSystem(`${NEW}${bust?.lines.join("\n") ?? ""}\n`).system.statements.find((s) => s.is === "measure");
    expect(after).toMatchObject({ key: "bust", kind: "girth", iso: "bust girth" });
  });

  it("what needs a measurement is offered when there is one, and nothing twice", () => {
    const says = (source: string): string[] => additions(loadSystem(source).system).map((a) => a.says);
    expect(says(NEW)).not.toContain("A table");
    expect(says(WITH_MEASURE)).toContain("A table");
    expect(usualMeasurements(loadSystem(WITH_MEASURE).system).map(({ key }) => key)).not.toContain("bust");
  });
});
