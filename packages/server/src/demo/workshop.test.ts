import { fileURLToPath } from "node:url";
import { type Given, loadSystem, run } from "@lodrin/core";
import { readLibrary } from "@lodrin/formats/library";
import { describe, expect, it } from "vitest";
import { DEMO_ACCOUNTS } from "./workshop.js";

const LIBRARY = readLibrary(fileURLToPath(new URL("../../../../systems/", import.meta.url)));
const SETS = DEMO_ACCOUNTS.flatMap((account) =>
  account.people.flatMap((person) => person.sets.map((set) => ({ who: `${account.email} ${person.name}`, name: person.name, set }))),
);

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
