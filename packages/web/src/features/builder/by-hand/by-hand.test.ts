import {
  beginFilling,
  fillGap,
  type Filling,
  type Gap,
  gapsOf,
  insertionOf,
  isWhole,
  loadSystem,
  type LoadedSystem,
  newProblems,
  pressInto,
  run,
  sampleBody,
  TEMPLATES,
} from "@lodrin/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { textDocument } from "../document/text-document.js";
import { newSystem, STARTERS } from "../starters/starters.js";
import { optionsFor, PLACEHOLDER, TO_DO, typedLine } from "./gap-words.js";

const BODICE = STARTERS.find(({ key }) => key === "bodice") ?? expect.fail("no bodice");
const FIRST = newSystem(BODICE, { title: "Cape", garment: "cape", unit: "cm", tape: "1mm" });

/** What is typed where nothing is pressed. */
const TYPED: Partial<Record<Gap["kind"], readonly string[]>> = {
  length: ["3"],
  number: ["1/3"],
  angle: ["12°"],
  condition: ["bust > 100"],
  text: ["Seam"],
  newKey: ["Seam line"],
  newPiece: ["Lower part"],
  direction: ["level"],
};

/** Fills every gap by what a hand could press or type: `pick` chooses among what there is. */
function filledBy(start: Filling, loaded: LoadedSystem, pick: (most: number) => number): Filling {
  const draft = { plan: loaded.plan, run: run(loaded.plan, sampleBody(loaded.plan)) };
  let filling = start;
  for (const { gap, must } of gapsOf(start.template.parts)) {
    if (!must && pick(2) === 0) continue;
    for (let tries = 0; tries < 6 && !isWhole(gap, filling.filled[gap.name]); tries++) {
      const typed = TYPED[gap.kind];
      const options = optionsFor(gap, loaded, { value: draft.run }.value);
      const chosen = options[pick(Math.max(1, options.length))]?.value;
      if (typed) filling = fillGap(filling, gap, typed);
      else if (gap.kind === "one of" && chosen !== undefined) filling = fillGap(filling, gap, [chosen]);
      else {
        const points = [...loaded.plan.scope.points.keys()];
        const name = (chosen ?? points[pick(points.length)] ?? "").replace("#", "");
        const kind = name.includes(".")
          ? "edge"
          : loaded.plan.scope.points.has(name)
            ? "point"
            : draft.run.pieces.some((p) => p.key === name)
              ? "piece"
              : "path";
        filling = pressInto({ ...filling, asked: gap.name }, { kind, name }, draft) ?? filling;
      }
    }
  }
  return filling;
}

describe("what is made by hand", () => {
  it("is read without a problem when it is inserted, and undone step by step to the same text", () => {
    const acts = fc.array(fc.record({ template: fc.nat(TEMPLATES.length - 1), seed: fc.nat(), behind: fc.nat(60) }), {
      minLength: 1,
      maxLength: 5,
    });
    let [made, refused] = [0, 0];
    fc.assert(
      fc.property(acts, (wanted) => {
        const document = textDocument(FIRST);
        const texts = [FIRST];
        for (const { template, seed, behind } of wanted) {
          const loaded = loadSystem(document.text.value);
          let n = seed;
          const pick = (most: number): number => ((n = (n * 48_271 + 7) % 2_147_483_647), n % most);
          const begun = TEMPLATES[template];
          if (!begun) continue;
          const filling = filledBy(beginFilling(begun, loaded), loaded, pick);
          const open = Math.min(behind, loaded.system.statements.length - 1);
          const drafted = run(loaded.plan, sampleBody(loaded.plan));
          const insertion = insertionOf(filling, loaded, open, drafted);
          if (!insertion) continue;
          const before = document.text.value;
          document.edit(insertion.edits);
          // The sentence is refused while it would break something, as where a name is taken: then it is not inserted.
          if (newProblems(loaded, loadSystem(document.text.value)).length > 0) {
            document.undo();
            expect(document.text.value).toBe(before);
            refused++;
          } else {
            texts.push(document.text.value);
            made++;
          }
        }
        expect(loadSystem(document.text.value).problems).toEqual([]);
        for (const text of [...texts].reverse().slice(1)) {
          document.undo();
          expect(document.text.value).toBe(text);
        }
      }),
      { numRuns: 40, seed: 20_261_201 },
    );
    // Most of what a hand makes of what there is can be read as it is.
    expect(made).toBeGreaterThan(5 * refused);
    expect(made).toBeGreaterThan(50);
  });

  it("says of every gap what stands there and what to do", () => {
    const kinds = new Set(TEMPLATES.flatMap((t) => gapsOf(t.parts).map(({ gap }) => gap.kind)));
    for (const kind of kinds) {
      expect(PLACEHOLDER[kind], kind).toMatch(/\S/);
      expect(TO_DO[kind], kind).toMatch(/^[A-Z].*\.$/);
    }
  });

  it("takes a line typed by its two ends, and the name of a line as it is", () => {
    expect(["0-3", "#0 - #3", "A0–A3", "A0>A3"].map(typedLine)).toEqual(["#0-#3", "#0-#3", "A0-A3", "A0-A3"]);
    expect(typedLine("armhole")).toBe("armhole");
  });
});
