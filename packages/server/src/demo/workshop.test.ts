import { fileURLToPath } from "node:url";
import { type Given, loadSystem, run } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import { describe, expect, it } from "vitest";
import { CAPE_FIRST, CAPE_NOW, CAPE_SLUG } from "./cape.js";
import { DEMO_ACCOUNTS } from "./workshop.js";

const LIBRARY = readLibrary(fileURLToPath(new URL("../../../../systems/", import.meta.url)));
const SETS = DEMO_ACCOUNTS.flatMap((account) =>
  account.people.flatMap((person) => person.sets.map((set) => ({ who: `${account.email} ${person.name}`, name: person.name, set }))),
);

describe("the instructor's cape", () => {
  it.each([CAPE_FIRST, CAPE_NOW])("has nothing to mend in either version, and holds its checks on the bearer who drafts it", (text) => {
    const { plan, problems } = loadSystem(text);
    expect(problems).toEqual([]);
    const jory = SETS.find(({ set }) => set.draft?.slug === CAPE_SLUG);
    const drafted = run(plan, jory?.set.written as Given, {}, "cm");
    expect([drafted.missing, drafted.checks.filter((c) => c.status !== "pass").map((c) => c.name)]).toEqual([[], []]);
    // A quarter circle over half the neck and its ease, by hand: (36.5 + 2) / 3.1416.
    expect(drafted.pieces[0]?.edges.find((e) => e.role === "neck")?.length).toBeCloseTo(192.5, 0);
  });
});

describe.each(Object.keys(LIBRARY))("%s", (slug) => {
  it("has two bodies of the workshop at least that it can be drafted for, within the ranges it expects", () => {
    const { plan } = loadSystem(LIBRARY[slug] as string, LIBRARY);
    const suited = SETS.filter(({ set }) => {
      const drafted = run(plan, set.written as Given, {}, set.unit);
      const doubted = drafted.warnings.some(({ key }) => plan.measures.some((m) => m.key === key));
      return drafted.missing.length === 0 && !doubted && drafted.outcomes.every((o) => o.status !== "failed");
    });
    expect(new Set(suited.map((s) => s.name)).size, suited.map((s) => s.who).join(", ")).toBeGreaterThanOrEqual(2);
  });
});
