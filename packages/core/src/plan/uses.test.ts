import { describe, expect, it } from "vitest";
import { runChecks } from "../check/run.js";
import { printNotation } from "../system/notation/print.js";
import { problemText } from "../system/notation/problem.js";
import { loadSystem } from "./load.js";
import type { Plan } from "./plan.js";
import { runWithPlan as run, type RunWithPlan as Run } from "../test/run-with-plan.js";
import { basesOf, type Library } from "./uses.js";

// A rectangle for a block; what is drafted on it measures its top.
const BLOCK = `system "Block"
  unit cm
measure width width 20..60 "Across."
set ease = 2 from 0 to 4 "Looseness."
board F "Front" · centre fold
part "Levels"
F0 start
F1 down 40 from F0
F2 out width/2 + ease from F0
F3 out width/2 + ease from F1
piece Front "Front" on F · cut 1
  edge neck: F0 > F2
  edge side: F2 > F3 · allow 1
  edge hem: F3 > F1
  edge centre: F1 > F0
check "Deep": dist(#F0, #F1) = 40
lesson "Of the block."
caution "Cut away from the hand."
`;
const LIBRARY: Library = {
  block: BLOCK,
  long: 'system "Long"\n  unit cm\nuses block\nboard F "Front" · centre fold\nF9 down 60 from F0\n',
};

const loaded = (rest: string, library: Library = LIBRARY): ReturnType<typeof loadSystem> =>
  loadSystem(`system "Sleeve"\n  unit cm\n${rest}`, library);
function plan(rest: string): Plan {
  const { plan: made, problems } = loaded(rest);
  expect(problems).toEqual([]);
  return made;
}
const said = (rest: string, library?: Library): string => loaded(rest, library).problems.map(problemText).join(" | ");
const place = ({ plan: p, environment }: Run, id: string): unknown => environment.points[p.scope.points.get(id) ?? -1];

describe("a system that builds on another", () => {
  const SLEEVE = `uses block "Drafted on its top."
board S "Sleeve" · centre edge
S0 start
S1 down dist(#F0, #F2) from S0
`;

  it("measures the draft of the other, with the same body", () => {
    expect(place(run(plan(SLEEVE), { width: 40 }), "S1")).toEqual({ x: 0, y: 220 });
    expect(place(run(plan(SLEEVE), { width: 40 }, { ease: 4 }), "S1")).toEqual({ x: 0, y: 240 });
  });

  it("a piece that is written again sees what stands above it, and may be made from another where it was drawn", () => {
    const base = `${BLOCK}piece Facing from Front, strip 4 along neck\n`;
    const library = { ...LIBRARY, base };
    const USES = "uses base · with its pieces\n";
    const again = `set deep = 7 from 2 to 9 "How deep."\nvalue half_deep = deep/2\npiece Facing from Front, strip half_deep along neck\n`;
    const made = loaded(`${USES}${again}`, library);
    expect(made.problems).toEqual([]);
    const facing = run(made.plan, { width: 40 }).pieces.find(({ key }) => key === "Facing");
    // Half of 40 and the ease of 2 are 22 across; half of seven is 3.5 deep.
    expect(facing?.area).toBeCloseTo(220 * 35, 6);
    // Below it is not seen.
    expect(said(`${USES}piece Facing from Front, strip deep along neck\nset deep = 7 from 2 to 9 "How deep."\n`, library)).toContain(
      "deep stands further below.",
    );
  });

  it("puts the other's headings under its name, and leaves its pieces, checks and lesson at home", () => {
    const made = plan(SLEEVE);
    expect(made.steps.map((s) => s.heading)).toContain("Block: Levels");
    expect(made.pieces).toEqual([]);
    expect(made.system.statements.filter((s) => s.is === "lesson" || s.is === "check")).toEqual([]);
    expect(made.system.statements.filter((s) => s.is === "caution")).toHaveLength(1);
  });

  it("cuts the other's pieces too when asked, with their checks", () => {
    const drafted = run(plan(SLEEVE.replace('block "', 'block · with its pieces "')), { width: 40 });
    expect(drafted.pieces.map((p) => p.title)).toEqual(["Front"]);
    expect(runChecks(drafted.plan, drafted.environment, drafted.pieces).map((c) => c.name)).toContain("Deep");
  });

  it("states again what is asked for or cut, in the place it had", () => {
    const made = plan(`uses block · with its pieces
set ease = 3 from 0 to 6 "Looser for a jacket."
piece Front "Jacket front" on F · cut 2 mirrored
  edge neck: F0 > F2
  edge side: F2 > F3 · allow 2
  edge hem: F3 > F1
  edge centre: F1 > F0
`);
    const drafted = run(made, { width: 40 });
    expect(place(drafted, "F2")).toEqual({ x: 230, y: 0 });
    expect(drafted.pieces.map((p) => [p.title, p.cut, p.edges[1]?.allowance])).toEqual([["Jacket front", 2, 20]]);
  });

  it("may stand on a system that itself builds on another", () => {
    const drafted = run(plan('uses long\nboard F "Front" · centre fold\nF10 down 10 from F9\n'), { width: 40 });
    expect(place(drafted, "F10")).toEqual({ x: 0, y: 700 });
    expect(Object.keys(basesOf('system "x"\n  unit cm\nuses long\n', LIBRARY))).toEqual(["long", "block"]);
  });

  it("is written as its author wrote it", () => {
    const { system } = loaded(SLEEVE);
    expect(printNotation(system)).toContain('uses block  "Drafted on its top."');
    expect(loadSystem(printNotation(system), LIBRARY).system).toEqual(system);
  });
});

describe("what cannot be built on is told at its line", () => {
  it.each([
    ["an unknown system, with a near one", "uses blok", "line 3, column 1: There is no system called blok. Did you mean block?"],
    ["a name that reaches outside", "uses constructor", "There is no system called constructor."],
    ["a path", "uses ../block", "cannot stand here"],
    ["the same name drawn twice", 'uses block\nboard F "F"\nF1 start', "line 5, column 1: #F1 is already there. It comes with “Block”."],
  ])("%s", (_, rest, why) => expect(said(`${rest}\n`)).toContain(why));

  it("circles, towers and broken ones", () => {
    expect(said("uses a\n", { a: 'system "A"\n  unit cm\nuses b\n', b: 'system "B"\n  unit cm\nuses a\n' })).toContain(
      "a would build on itself",
    );
    const tower = Object.fromEntries(Array.from({ length: 9 }, (_, i) => [`t${i}`, `system "T"\n  unit cm\nuses t${i + 1}\n`]));
    expect(said("uses t0\n", tower)).toContain("More than 4 systems stand on each other");
    expect(said("uses a\n", { a: 'system "A"\n  unit cm\nA1 sideways 3\n' })).toContain("a cannot be read, line 3");
    expect(said("uses a\n", { a: 'system "A"\n  unit cm\nboard F "F"\nF1 down 2 from F0\n' })).toContain("In A: There is no point #F0.");
    expect(said("uses a\n", { a: 'system "A"\n  unit in\n' })).toContain("a is written in inches, this system in centimetres.");
  });

  it("more statements than a system may have, however they are stacked", () => {
    const many = `system "Many"\n  unit cm\n${Array.from({ length: 1_200 }, (_, i) => `set s${i} = 1 "x"\n`).join("")}`;
    const two = { many, more: many.replaceAll("set s", "set t") };
    expect(said("uses many\nuses more\n", two)).toContain("has 2400 statements; 2000 are the most");
    expect(loaded("uses many\nuses more\n", two).plan.settings).toEqual([]);
  });
});
