import { failuresOf, loadSystem, run, sampleBody } from "@lodrin/core";
import { describe, expect, it } from "vitest";
import { newSystem, STARTERS, TAPES } from "./starters.js";

describe("what a new system begins with", () => {
  for (const starter of STARTERS)
    for (const unit of ["cm", "in"] as const)
      it(`${starter.label}, in ${unit}: is read, draws and holds on small, middle and large bodies`, () => {
        const wish = { title: 'Lantern bearer’s "cape"', garment: starter.garment, unit, tape: TAPES[unit][0] ?? "1mm" };
        const { plan, problems, system } = loadSystem(newSystem(starter, wish));
        expect(problems).toEqual([]);
        expect(system).toMatchObject({ title: "Lantern bearer’s  cape", garment: starter.garment, unit, tape: wish.tape });
        for (const share of [0.15, 0.5, 0.85]) {
          const drafted = run(plan, sampleBody(plan, share), {}, unit);
          expect(failuresOf(plan, drafted)).toEqual([]);
          const missed = drafted.checks.filter((c) => c.status !== "pass").map((c) => `${c.name}: ${c.got} for ${c.expected}`);
          expect(missed, `${share}`).toEqual([]);
        }
      });
});
