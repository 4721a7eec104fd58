import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { NOTATIONS } from "../test/shelf.js";
import { undrawableIn } from "./undrawable.js";

const HEAD = `system "A"
  garment block · unit in
measure bust girth 30..50
board B "Back" · centre fold
#1 start
#2 down 10 from #1
#3 out 8 from #1
#4 down 10 from #3
board F "Front" · centre fold
F1 start
F2 down 10 from F1
F3 out 2 from F2
F4 up 6 from F2
dart front_dart "Dart": legs F2, F3 to F4
`;
const PIECE = `piece Back "Back" on B · cut 1
  edge a: #1 > #3
  edge b: #3 > #4
  edge c: #4 > #2
  edge d: #2 > #1
`;
const found = (lines: string) => {
  const loaded = loadSystem(HEAD + lines);
  expect(loaded.problems).toEqual([]);
  return undrawableIn(loaded).map(({ line, why }) => [line - HEAD.split("\n").length + 1, why]);
};

describe("what can be read but not drawn", () => {
  it.each([
    ["lines that never cross", "board B\n#5 cross #1-#3 with #2-#4", 2],
    ["a swing that does not reach", "board B\n#5 swing 1 from #1 to #3-#4", 2],
    ["an arc whose ends are unlike far from its centre", "board B\narc bow: #2 > #4 about #1", 2],
    [
      "a facing wider than its edge bends",
      `board B\n#5 out 1 from #1\n#6 down 1 from #1\narc bow: #5 > #6 about #1\npiece Hole "Hole" on B · cut 1\n  edge a: #6 > #1\n  edge b: #1 > #5\n  edge c: bow\npiece Facing "Facing" from Hole, strip 3 along c`,
      9,
    ],
    ["a dart of another board", `${PIECE}shape draw front_dart on Back`, 6],
  ])("%s is told at its line", (_, lines, line) => expect(found(lines).map(([at]) => at)).toEqual([line]));

  it("what fails on some bodies only is left to the range", () => expect(found("board B\n#5 swing bust/4 from #1 to #3-#4")).toEqual([]));

  it.each(Object.keys(NOTATIONS))("nothing of %s", (slug) =>
    expect(undrawableIn(loadSystem(NOTATIONS[slug] ?? "", NOTATIONS))).toEqual([]),
  );
});
