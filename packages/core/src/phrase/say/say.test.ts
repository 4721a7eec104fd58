import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem, type LoadedSystem } from "../../plan/load.js";
import { BED } from "../../test/sentences.js";
import { NOTATIONS, readShelf } from "../../test/shelf.js";
import type { Statement } from "../../system/model.js";
import { quickReading } from "../quick.js";
import { verdictOn } from "../sentence-verdicts.js";
import { keepSaid } from "./keep-said.js";
import { sayAmount } from "./amount.js";
import { sentenceFor } from "./sentence-for.js";
import { sayStep } from "./step.js";

describe("a formula in words", () => {
  it.each([
    ["3", "in", "3 inches"],
    ["1/2", "in", "1/2 inch"],
    ["1 1/2", "in", "1 1/2 inches"],
    ["2.5", "cm", "2.5 cm"],
    ["8mm", "in", "8 mm"],
    ["bust/4 + 1/2", "in", "a quarter of the bust plus 1/2 inch"],
    ["waist/4 - ease", "in", "a quarter of the waist less the ease"],
    ["2/3*scye_depth", "cm", "two thirds of the scye depth"],
    ["2*slit", "in", "twice the slit"],
    ["hip/7", "in", "the hip divided by 7"],
    ["dist(#F1, #F2)/2", "in", "half the distance from F1 to F2"],
    ["len(back_neck)", "in", "the length of the back neck"],
  ] as const)("%s in %s is “%s”", (formula, unit, said) => expect(sayAmount(formula, unit)).toBe(said));

  it.each(["if(bust > 40, 2, 1)", "(bust + 2)/4", "max(1, ease)", "bust/waist", "30°", "10%", "3 +"])(
    "%s is not said in a breath",
    (formula) => expect(sayAmount(formula, "in")).toBeUndefined(),
  );
});

/** The bed with one more step at its end, and where that stands. */
function withStep(line: string): { loaded: LoadedSystem; index: number } {
  const loaded = loadSystem(`${BED.read.source.trimEnd()}\n${line}\n`);
  return { loaded, index: loaded.read.system.statements.length - 1 };
}
const said = (line: string): string | undefined => {
  const { loaded, index } = withStep(line);
  return sentenceFor(loaded, {}, index);
};

describe("a step in words", () => {
  it.each([
    ["#90 down 3 from #1", "Square down from 1, 3 inches."],
    ["#90 out bust/4 + 1/2 from #1", "Square out from 1, a quarter of the bust plus 1/2 inch."],
    ["#90 midway #1 to #2", "Halfway between 1 and 2."],
    ["#90 toward #2, 1 from #1", "From 1 towards 2, 1 inch."],
    ["#90 mirror #3 in #1-#2", "Mirror 3 over the line 1-2."],
    ["#90 trace #1", "The same place as 1."],
    ["line shoulder_guide: F1 > F3", "Join F1 to F3: the shoulder guide."],
    ["curve rise: F1 > F3, leaving level", "Draw the rise as a curve from F1 to F3, leaving level."],
    ["line rib_line: line across from F3", "Draw a line across from F3 and call it the rib line."],
    ["arc arc: 8 about F3, the lower", "Swing an arc of 8 inches from F3, down."],
    ["shape true Front.side to Back.side", "Make the side of Front as long as the side of Back."],
    ["shape smooth Front at F4 and F5, 1 before, 1/2 after", "Smooth Front at F4 and F5, 1 inch before and 1/2 inch after."],
    [
      "shape run Front.armhole into Back.armhole over Front.side and Back.side, 1 before, 1 after",
      "Run the armhole of Front into the armhole of Back over the side of Front and the side of Back, 1 inch on each side.",
    ],
    ["shape spread Front from F4 to F5 by 2", "Spread Front from F4 to F5 by 2 inches."],
    ["shape extend Front.waist by 2", "Lengthen the waist of Front by 2 inches."],
    ["shape unfold Front", "Unfold Front."],
  ])("%s is “%s”", (line, sentence) => expect(said(line)).toBe(sentence));

  it("the shapings of the library are said so that they are read back, but for sums no one says in a breath", () => {
    const shapes = readShelf().flatMap((loaded) =>
      loaded.read.system.statements.flatMap((s, i) => (s.is === "shape" && (s.verb === "run" || s.verb === "true") ? [{ loaded, i }] : [])),
    );
    const unsaid = shapes.filter(({ loaded, i }) => sentenceFor(loaded, NOTATIONS, i) === undefined);
    expect(shapes.length).toBeGreaterThan(100);
    expect(unsaid.length).toBeLessThanOrEqual(1);
  });

  it.each(["#90 down if(bust > 40, 2, 1) from #1", "#90 start", "curve rise: #1 > #3, fullness 1.2"])(
    "%s is not said in one sentence",
    (line) => expect(said(line)).toBeUndefined(),
  );

  it("whatever it is, its sentence never means another place", () => {
    // The step stands on the front: a bare number would be its own point of that number.
    const points = [...BED.plan.scope.points.keys()].filter((id) => /^F\d+$/.test(id));
    const point = fc.constantFrom(...points.map((id) => `#${id}`));
    const amount = fc.constantFrom("3", "1/2", "1 1/4", "bust/4 + 1/2", "waist/4 - 1", "bust/12", "2*ease", "dist(#F1, #F2)/3");
    const line = fc.tuple(point, point).map(([a, b]) => `${a}-${b}`);
    const rule = fc.oneof(
      fc.tuple(fc.constantFrom("down", "up", "out", "in"), amount, point).map(([way, by, from]) => `${way} ${by} from ${from}`),
      fc
        .tuple(fc.constantFrom("down", "up", "out", "in"), point, point)
        .map(([way, from, to]) => `${way} from ${from} to line across from ${to}`),
      fc.tuple(point, point).map(([a, b]) => `midway ${a} to ${b}`),
      fc.tuple(fc.constantFrom("1/3", "2/3", "1/4", "3/4"), point, point).map(([share, a, b]) => `part ${share} of ${a} to ${b}`),
      fc.tuple(point, amount, point).map(([to, by, from]) => `toward ${to}, ${by} from ${from}`),
      fc
        .tuple(line, amount, fc.constantFrom("left", "right", "out", "down"))
        .map(([on, by, side]) => `off ${on} at ${on.split("-")[0] ?? ""}, ${by} ${side}`),
      fc.tuple(point, line).map(([p, over]) => `mirror ${p} in ${over}`),
      fc.tuple(point, line).map(([p, to]) => `square from ${p} to ${to}`),
      fc.tuple(line, line).map(([a, b]) => `cross ${a} with ${b}`),
      point.map((p) => `trace ${p}`),
    );
    let [spoken, same] = [0, 0];
    fc.assert(
      fc.property(rule, (text) => {
        const { loaded, index } = withStep(`F90 ${text}`);
        const statement = loaded.read.system.statements[index];
        if (loaded.problems.length > 0 || statement?.is !== "point") return;
        const sentence = sayStep(statement, loaded.system.unit, "F1");
        if (sentence === undefined) return;
        const { verdict } = verdictOn(loaded, {}, index, statement, sentence);
        spoken++;
        if (verdict === "same") same++;
        expect([text, sentence, verdict]).not.toContain("other");
      }),
      { numRuns: 150 },
    );
    expect(same / spoken).toBeGreaterThan(0.85);
  });

  it("nearly every step of the library is said so that it is read back to its place", { timeout: 60_000 }, () => {
    const counts = Object.keys(NOTATIONS)
      .filter((slug) => /^(?:01|04|13|19|28)-/.test(slug))
      .map((slug) => {
        const loaded = loadSystem(NOTATIONS[slug] ?? "", NOTATIONS);
        const places = loaded.read.system.statements.flatMap((s, i) => (s.is === "point" ? [i] : []));
        return { all: places.length, said: places.filter((i) => sentenceFor(loaded, NOTATIONS, i) !== undefined).length };
      });
    const sum = (of: "all" | "said"): number => counts.reduce((total, count) => total + count[of], 0);
    expect(sum("said") / sum("all")).toBeGreaterThan(0.85);
  });
});

describe("a step whose rule is changed", () => {
  const { loaded, index } = withStep('F9 down 3 from F1 "Square down from F1, 3 inches."');
  const step = loaded.read.system.statements[index] as Extract<Statement, { is: "point" }>;
  const deeper = { ...step, args: { ...step.args, distance: "4" } };

  it("is said again where its sentence was said from the rule", () =>
    expect(keepSaid(loaded, {}, index, deeper)).toMatchObject({ text: "Square down from F1, 4 inches." }));

  it("keeps a sentence that its author wrote", () => {
    const own = withStep('F9 down 3 from F1 "Come down three from the nape."');
    const now = { ...deeper, text: "Come down three from the nape." };
    expect(keepSaid(own.loaded, {}, own.index, now)).toBe(now);
  });

  it("has none rather than a wrong one where the new rule is not said in one sentence", () =>
    expect(keepSaid(loaded, {}, index, { ...deeper, args: { ...step.args, distance: "max(3, ease)" } })).not.toHaveProperty("text"));

  it("a rule put in without a sentence gets one, and one with a sentence keeps it", () => {
    const at = BED.read.system.statements.length - 1;
    expect(quickReading("down 3 from F1", BED, {}, at)?.lines).toEqual(['F9 down 3 from F1  "Square down from F1, 3 inches."']);
    expect(quickReading('F9 down 3 from F1 "So."', BED, {}, at)?.lines).toEqual(['F9 down 3 from F1 "So."']);
    expect(quickReading("set more = 1 from 0 to 2", BED, {}, at)?.lines).toEqual(["set more = 1 from 0 to 2"]);
  });
});
