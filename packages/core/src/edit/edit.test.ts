import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { loadSystem } from "../plan/load.js";
import { runToJson } from "../report/json.js";
import { runWithPlan } from "../test/run-with-plan.js";
import { NOTATIONS, readShelf } from "../test/shelf.js";
import type { Statement } from "../system/model.js";
import { definitionsOf, referencesOf } from "../system/references.js";
import { linesOf } from "../system/notation/blocks.js";
import { applyEdits } from "./line-edit.js";
import { rename } from "./rename.js";
import { dependentsOf } from "./dependents.js";
import { insertStatement, removeStatements, replaceStatement } from "./statement.js";
import { printNotation } from "../system/notation/print.js";
import { placeOf, readNotation, type ReadSystem } from "../system/notation/read.js";

const TEXT = `# The house's own
system "Try"
  unit in

board A "Front"   # folded
# the first of all
A0 start
A1   out  8 from A0    "Out."   # from the corner
  why "Because."

this line is not read yet
  nor is this
A2 down 10 from A1
  watch "Out."
  nor this one
# at the very end
`;
const textOf = (read: ReadSystem): string => read.blocks.flatMap((b) => b.read.block.source).join("\n");

describe("nothing of a text is lost", () => {
  it("its blocks end to end are the text", () => {
    expect(textOf(readNotation(TEXT))).toBe(TEXT);
    for (const source of Object.values(NOTATIONS)) expect(textOf(readNotation(source))).toBe(source);
  });

  it("whatever it holds", () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.string(), fc.constantFrom(...linesOf(TEXT), "", "  ", "# so", '"', "A9 down 3 from A0"))),
        (lines) => {
          const text = lines.join("\n").replace(/\r/g, "");
          expect(textOf(readNotation(text))).toBe(text);
        },
      ),
      { numRuns: 400 },
    );
  });

  it("a line that is not read stays in the model, with its details, and comes back when printed", () => {
    const { system } = readNotation(TEXT);
    expect(system.statements.map((s) => s.is)).toEqual(["board", "point", "point", "unread", "point"]);
    expect(system.statements[3]).toEqual({ is: "unread", text: "this line is not read yet", details: ["nor is this"] });
    expect(system.statements[4]).toMatchObject({ unread: ["nor this one"], watch: ["Out."] });
    expect(readNotation(printNotation(system)).system).toEqual(system);
    expect(JSON.parse(JSON.stringify(system))).toEqual(system);
  });
});

describe("an edit writes only its own lines", () => {
  const read = readNotation(TEXT);
  const changedLines = (after: string): number => {
    const [a, b] = [linesOf(TEXT), linesOf(after)];
    return a.filter((line, i) => line !== b[i]).length;
  };

  it("a rule changed: its line alone, its comment kept", () => {
    const point = read.system.statements[2] as Statement & { is: "point" };
    const after = applyEdits(TEXT, replaceStatement(read, 2, { ...point, args: { ...point.args, distance: "9" } }));
    expect(changedLines(after)).toBe(1);
    expect(after).toContain('A1 out 9 from A0  "Out."   # from the corner');
    expect(after).toContain("# the first of all\nA0 start");
  });

  it("a note changed: its line alone, the rule as it was spaced", () => {
    const point = read.system.statements[2] as Statement & { is: "point" };
    const after = applyEdits(TEXT, replaceStatement(read, 2, { ...point, why: ["So it is."] }));
    expect(changedLines(after)).toBe(1);
    expect(after).toContain('A1   out  8 from A0    "Out."   # from the corner\n  why "So it is."');
  });

  it("statements put in and taken away leave the others as they are", () => {
    const added = applyEdits(TEXT, insertStatement(read, 2, { is: "part", title: "New" }));
    expect(linesOf(added).filter((l) => l !== 'part "New"')).toEqual(linesOf(TEXT));
    const gone = applyEdits(TEXT, removeStatements(read, [3]));
    expect(gone).not.toContain("not read yet");
    expect(gone).toContain("  nor this one\n# at the very end");
  });

  it("ends its lines as the text does", () => {
    const windows = TEXT.replace(/\n/g, "\r\n");
    expect(applyEdits(windows, insertStatement(readNotation(windows), 2, { is: "part", title: "New" }))).toContain('part "New"\r\n');
  });
});

describe("what a statement names, with its place", () => {
  it("every name of the library stands where it is said to stand", () => {
    for (const source of Object.values(NOTATIONS)) {
      const read = readNotation(source);
      const lines = linesOf(source);
      read.system.statements.forEach((statement, i) => {
        for (const { field: part, at, name, kind } of [...definitionsOf(statement), ...referencesOf(statement)]) {
          const { line, column } = placeOf(read, i, part);
          const typed = (lines[line - 1] ?? "").slice(column - 1 + at[0]);
          const wanted = kind === "edge" && part.endsWith(".role") ? name.slice(name.indexOf(".") + 1) : name;
          expect(typed.replace(/^#/, "").startsWith(wanted), `${lines[line - 1] ?? ""}: ${name} in ${part}`).toBe(true);
        }
      });
    }
  });

  it("knows points, lines, figures, tables, pieces and edges", () => {
    const { system } = readNotation(`system "Try"
board A "A"
table deep by bust, steps: above -> 3
A0 start
A1 out deep(bust) + len(seam) - dist(#A0, A2) from #A0
curve arm: A0 > A1, leaving square to A0-A1, along seam at A1
piece Front "Front" on A
  edge side: A0 > seam from A0 to A1
  notch on side at ease/2
shape split Front along seam into Left and Right, allow ease
sew Left.side with Right.side
check "x": len(Front.side) = 3
`);
    const names = (i: number): string[] => referencesOf(system.statements[i] as Statement).map((r) => `${r.kind} ${r.name}`);
    expect(names(1)).toEqual(["name bust"]);
    expect(names(3)).toEqual(["table deep", "name bust", "path seam", "point A0", "point A2", "point A0"]);
    expect(names(4)).toEqual(["point A0", "point A1", "point A0", "point A1", "point A1", "path seam"]);
    expect(names(5)).toEqual(["board A", "point A0", "path seam", "point A0", "point A1", "name ease"]);
    expect(names(6)).toEqual(["piece Front", "path seam", "name ease"]);
    expect(names(7)).toEqual(["edge Left.side", "edge Right.side"]);
    expect(names(8)).toEqual(["edge Front.side"]);
  });

  it("a renamed point, figure, line or piece drafts the same everywhere it stands", () => {
    for (const { slug, source, plan, examples } of readShelf()) {
      const read = readNotation(source);
      const defined = read.system.statements.flatMap(definitionsOf);
      const pick = (kind: string): string | undefined => defined.filter((d) => d.kind === kind)[3]?.name;
      let text = source;
      for (const [kind, to] of [
        ["point", "Q77"],
        ["path", "renamed_line"],
        ["name", "renamed_figure"],
        ["piece", "Renamed"],
      ] as const) {
        const from = pick(kind);
        if (from !== undefined && !/^x?F?22/.test(slug)) text = applyEdits(text, rename(readNotation(text), kind, from, to));
      }
      const again = loadSystem(text, NOTATIONS);
      expect(again.problems, slug).toEqual([]);
      const { measurements, settings } = examples[0];
      const known = pick("name") ?? "";
      const moved = (given: Record<string, number | string>): Record<string, number | string> =>
        Object.fromEntries(Object.entries(given).map(([key, value]) => [key === known ? "renamed_figure" : key, value]));
      const places = (json: ReturnType<typeof runToJson>): string[] =>
        Object.values(json.points)
          .map((p) => `${p.board} ${p.x.toFixed(6)} ${p.y.toFixed(6)}`)
          .sort();
      expect(places(runToJson(again.plan, runWithPlan(again.plan, moved(measurements), moved(settings)), "x")), slug).toEqual(
        places(runToJson(plan, runWithPlan(plan, measurements, settings), "x")),
      );
    }
  });

  it("says what stands on a statement", () => {
    const read = readNotation(
      `system "Try"\nboard A "A"\nA0 start\nA1 out 3 from A0\nA2 down 3 from A1\nvalue v = dist(A0, A2)\nA3 out v from A2\n`,
    );
    expect(dependentsOf(read, 1)).toEqual([2, 4]);
    expect(dependentsOf(read, 4)).toEqual([5]);
  });
});

describe("reading a changed text", () => {
  it("reads only the blocks that changed, and gives the same as reading it afresh", () => {
    const source = NOTATIONS["01-fitted-bodice-bust-and-waist-dart"] ?? "";
    const lines = linesOf(source);
    const before = readNotation(source);
    fc.assert(
      fc.property(
        fc.nat({ max: lines.length - 1 }),
        fc.constantFrom("", '  why "Changed."', "F99 down 3 from F0", "not a line", "# said"),
        (at, line) => {
          const text = [...lines.slice(0, at), line, ...lines.slice(at + 1)].join("\n");
          const again = readNotation(text, before);
          const fresh = readNotation(text);
          expect(again.system).toEqual(fresh.system);
          expect(again.problems).toEqual(fresh.problems);
          const kept = new Set(before.blocks.map((b) => b.read));
          expect(again.blocks.filter((b) => !kept.has(b.read)).length).toBeLessThan(4);
        },
      ),
      { numRuns: 60 },
    );
  });
});
