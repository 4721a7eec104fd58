import { describe, expect, it } from "vitest";
import { run } from "../run/run.js";
import { distance } from "../geometry/point.js";
import { readShelf } from "../test/shelf.js";
import { review } from "./review.js";
import { drawnWithSlips, slipsAt } from "./with-slips.js";

const sleeve = readShelf().find(({ slug }) => slug.startsWith("13"));
if (!sleeve) throw new Error("There is no short sleeve on the shelf.");
const { plan } = sleeve;
const right = run(plan, { bust: 36, armhole_depth: 7.5, sleeve_length: 9, sleeve_opening: 13, bicep: 12 });
const indexOf = (id: string): number => plan.steps.findIndex((s) => s.source.is === "point" && s.source.id === id);
const at = (drawn: typeof right, id: string): { x: number; y: number } => {
  const point = drawn.environment.points[plan.steps[indexOf(id)]?.target ?? -1];
  if (!point) throw new Error(`${id} is not drawn.`);
  return point;
};

it("a slip is known by its step, its sort and its place: in no step of the library are two the same", () => {
  for (const { slug, plan: one, examples } of readShelf()) {
    const drafted = run(one, examples[0].measurements, examples[0].settings);
    for (const i of one.steps.keys()) {
      const names = slipsAt(one, drafted, i, one.system.unit).map(({ code, place }) => `${code} ${place}`);
      expect(
        names.filter((name, k) => names.indexOf(name) < k),
        `${slug}, step ${i}`,
      ).toEqual([]);
    }
  }
});

describe("a draft with chosen slips", () => {
  it("without any is the right one", () => {
    expect(drawnWithSlips(plan, right, [], "in").environment.points).toEqual(right.environment.points);
  });

  it("has its step where the slip puts it, carried on into what hangs on it", () => {
    // The cap is 36/12 + 1/2 high and S1 lies so far below S0; without the half inch it lies 3 below, and what is squared from it comes along.
    const slip = plan.steps
      .flatMap((_, i) => slipsAt(plan, right, i, "in"))
      .find((s) => s.code === "term-left-out" && /1\/2 was left out of bust/.test(s.says));
    expect(slip).toBeDefined();
    const drawn = drawnWithSlips(plan, right, slip ? [slip] : [], "in");
    expect(distance(at(drawn, "S0"), at(drawn, "S1")) / 25.4).toBeCloseTo(3, 6);
    expect(at(drawn, "S3")).not.toEqual(at(right, "S3"));
    expect(at(right, "S1").y - at(drawn, "S1").y).toBeCloseTo(12.7, 6);
  });

  it("read off with a tape, is explained by the slip that was chosen", () => {
    const slip = slipsAt(plan, right, indexOf("S1"), "in").find((s) => s.code === "whole-unit-off");
    const drawn = drawnWithSlips(plan, right, slip ? [slip] : [], "in");
    const read = distance(at(drawn, "S0"), at(drawn, "S1")) / 25.4;
    expect(review(plan, right, { S1: `${read}` }).readings[0]?.causes[0]?.code).toBe(slip?.code);
  });

  it("two of them are both in it", () => {
    const chosen = ["S1", "S12"].flatMap((id) =>
      slipsAt(plan, right, indexOf(id), "in")
        .filter((s) => s.code === "whole-unit-off")
        .slice(0, 1),
    );
    const drawn = drawnWithSlips(plan, right, chosen, "in");
    expect(chosen.length).toBe(2);
    for (const id of ["S1", "S12"]) expect(at(drawn, id)).not.toEqual(at(right, id));
  });
});
