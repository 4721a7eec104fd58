import { history, redo, undo } from "@codemirror/commands";
import { EditorState, type TransactionSpec } from "@codemirror/state";
import {
  applyEdits,
  insertLines,
  type LineEdit,
  linesToMend,
  loadSystem,
  moveStatements,
  quickReading,
  removeStatements,
  rename,
  renumber,
  takeMends,
} from "@lodrin/core";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hunksOf, merged, mergedCleanly } from "./text/hunks.js";
import { fieldText, type RowField, rowFields, withField } from "./rows/row-fields.js";
import { rowWords } from "./rows/row-words.js";
import { plotted, rowsFrom } from "./rows/table-rows.js";
import { changesOf, changesTo } from "./document/text-changes.js";
import { STOPS } from "./tour/tour-stops.js";
import { newSystem, STARTERS } from "./starters/starters.js";

const [FRAME] = STARTERS;
if (!FRAME) throw new Error("no starter");
const NEW_SYSTEM = newSystem(FRAME, { title: "", garment: "block", unit: "cm", tape: "1mm" });

const TEXT = `# The house's own
system "Try"
  unit cm

measure chest girth 70..140  "Round the chest."
set ease = 2 from 0 to 6  "Added."
board A "Front"

A0 start
# the waist
A1 down 40 from A0  "Down from A0."   # said
  why "So."
12. Square out from 1, half the ease
A2 out chest/4 + ease from A0

nothing that is understood
line side: A1 > A2
`;

/** One act of a face, chosen by numbers, as edits of the text it stands on. */
function act(text: string, kind: number, a: number, b: number): LineEdit[] {
  const loaded = loadSystem(text);
  const { read } = loaded;
  const count = Math.max(1, read.system.statements.length);
  switch (kind % 7) {
    case 0:
      return removeStatements(read, [a % count]);
    case 1:
      return insertLines(read, (a % (count + 1)) - 1, ["A9 down 3 from A0", '  why "New."']);
    case 2:
      return moveStatements(read, [a % count], b % count);
    case 3:
      return rename(read, "point", `A${a % 3}`, `A${20 + (b % 5)}`);
    case 4:
      return renumber(loaded);
    case 5: {
      const [mend] = linesToMend(loaded).filter((m) => m.puts);
      return mend ? takeMends(read, [mend]) : [];
    }
    default:
      return rename(read, "name", "ease", "room");
  }
}

describe("an act of any face is a change of the one text", () => {
  const acts = fc.array(fc.tuple(fc.nat(), fc.nat(), fc.nat()), { minLength: 1, maxLength: 12 });

  it("the same as the core makes it, whatever the text holds", () => {
    const texts = fc.oneof(
      fc.constant(TEXT),
      fc.constant(NEW_SYSTEM),
      fc.array(fc.constantFrom(...TEXT.split("\n"))).map((l) => l.join("\n")),
    );
    fc.assert(
      fc.property(texts, fc.nat(), fc.nat(), fc.nat(), (text, kind, a, b) => {
        const edits = act(text, kind, a, b);
        const state = EditorState.create({ doc: text });
        expect(state.update({ changes: changesOf(state.doc, edits) }).state.doc.toString()).toBe(applyEdits(text, edits));
      }),
      { numRuns: 300 },
    );
  });

  it("any sequence of acts and typing, undone, gives the same text byte for byte; redone, the other again", () => {
    fc.assert(
      fc.property(acts, fc.array(fc.tuple(fc.nat(), fc.string()), { maxLength: 4 }), (steps, typed) => {
        let state = EditorState.create({ doc: TEXT, extensions: [history()] });
        const make = (spec: TransactionSpec): void => void (state = state.update(spec).state);
        for (const [kind, a, b] of steps)
          make({ changes: changesOf(state.doc, act(state.doc.toString(), kind, a, b)), userEvent: "input" });
        for (const [at, text] of typed) {
          const from = at % (state.doc.length + 1);
          make({ changes: { from, insert: text }, userEvent: "input.type" });
        }
        const after = state.doc.toString();
        const target = {
          get state(): EditorState {
            return state;
          },
          dispatch: (tr: { state: EditorState }): void => void (state = tr.state),
        };
        while (undo(target as never));
        expect(state.doc.toString()).toBe(TEXT);
        while (redo(target as never));
        expect(state.doc.toString()).toBe(after);
      }),
      { numRuns: 60 },
    );
  });
});

describe("a text that comes from outside", () => {
  it("goes into the editor where it differs: the cursor stays between the lines it stood between", () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom("a", "b", "c")), fc.array(fc.constantFrom("a", "b", "d")), (was, now) => {
        const state = EditorState.create({ doc: was.join("\n") });
        expect(state.update({ changes: changesTo(state.doc, now.join("\n")) }).state.doc.toString()).toBe(now.join("\n"));
      }),
    );
    const state = EditorState.create({ doc: "one\ntwo\nthree\n", selection: { anchor: 9 } });
    const after = state.update({ changes: changesTo(state.doc, "ONE\ntwo\nthree\nfour\n") }).state;
    expect([after.doc.toString(), after.selection.main.head]).toEqual(["ONE\ntwo\nthree\nfour\n", 9]);
  });
});

describe("two hands on one text", () => {
  const lines = fc.array(fc.constantFrom("a", "b", "c", "d", "")).map((l) => l.map((x) => `${x}\n`).join(""));

  it("whoever changed alone is kept, and what neither changed stays", () => {
    fc.assert(
      fc.property(lines, lines, (text, other) => {
        expect(mergedCleanly(text, text, other)).toBe(other);
        expect(mergedCleanly(other, text, text)).toBe(other);
        expect(mergedCleanly(other, text, other)).toBe(other);
      }),
    );
  });

  it("changes far from each other go together; those of the same line are chosen between", () => {
    const before = "a\nb\nc\nd\ne\n";
    expect(mergedCleanly("A\nb\nc\nd\ne\n", before, "a\nb\nc\nd\nE\n")).toBe("A\nb\nc\nd\nE\n");
    expect(mergedCleanly("top\na\nb\nc\nd\ne\n", before, "a\nb\nc\nd\ne\nend\n")).toBe("top\na\nb\nc\nd\ne\nend\n");
    expect(mergedCleanly("a\nB\nc\nd\ne\n", before, "a\nbb\nc\nd\ne\n")).toBeUndefined();
    // One hand takes a line away that the other rewrote.
    expect(mergedCleanly("a\nc\nd\ne\n", before, "a\nbb\nc\nd\ne\n")).toBeUndefined();
    const hunks = hunksOf("A\nB\nc\nd\ne\n", before, "a\nbb\nc\nd\nE\n");
    expect(hunks.filter((h) => "here" in h)).toHaveLength(1);
    expect(merged(hunks, ["there"])).toMatch(/bb\nc\nd\nE\n$/);
    expect(merged(hunks, ["here"])).toBe("A\nB\nc\nd\nE\n");
  });

  it("no line that a hand wrote is lost from what is shown", () => {
    fc.assert(
      fc.property(lines, lines, lines, (here, before, there) => {
        const hunks = hunksOf(here, before, there);
        const shown = hunks.map((h) => ("same" in h ? h.same : h.here + h.there)).join("");
        const count = (text: string, line: string): number => text.split("\n").filter((l) => l === line).length;
        // What a hand has more of than there was before is its own, and stands somewhere.
        for (const line of ["a", "b", "c", "d"])
          for (const text of [here, there])
            if (count(text, line) > count(before, line)) expect(count(shown, line)).toBeGreaterThanOrEqual(Math.min(1, count(text, line)));
      }),
    );
  });
});

describe("a line as a form", () => {
  const { system } = loadSystem(TEXT);
  const point = system.statements.find((s) => s.is === "point" && s.id === "A1");
  if (!point) throw new Error("no point");

  it("has a field for each gap of its sentence, and its notes", () => {
    expect(rowFields(point).map((f) => f.label)).toEqual(["How far", "From", "Sentence", "Why", "Watch out", "Caution", "Only when"]);
    expect(fieldText(point, "args.distance")).toBe("40");
    expect(fieldText(point, "why.0")).toBe("So.");
    expect(fieldText(point, "watch.0")).toBe("");
  });

  it("is there for lines through points, and for each gap of a shaping", () => {
    const text =
      'system "T"\n  unit cm\nboard A "A"\nA0 start\nA1 out 10 from A0\nA2 down 10 from A1\ncurve c: A0 > A2, leaving level\njoin j: c > A1\n' +
      'piece P "P" on A · cut 1\n  edge c: c\nshape spread P from A0 to A2 by 2\n';
    const { system: written } = loadSystem(text);
    const [curve, join] = written.statements.filter((s) => s.is === "path");
    const shape = written.statements.find((s) => s.is === "shape");
    if (!curve || !join || !shape) throw new Error("not read");
    expect(
      rowFields(curve)
        .slice(0, 4)
        .map((f) => [f.label, fieldText(curve, f.path)]),
    ).toEqual([
      ["Through", "A0 > A2"],
      ["Leaving", "level"],
      ["Arriving", ""],
      ["Fullness", ""],
    ]);
    const [through] = rowFields(curve) as [RowField];
    expect(withField(curve, through, "#A0 > A1, A2")).toMatchObject({ through: ["A0", "A1", "A2"] });
    expect(withField(curve, through, "A0")).toBeUndefined();
    expect(rowFields(join)).toEqual([]);
    expect(
      rowFields(shape)
        .slice(0, 4)
        .map((f) => [f.label, fieldText(shape, f.path)]),
    ).toEqual([
      ["Piece", "P"],
      ["From", "A0"],
      ["To", "A2"],
      ["By", "2"],
    ]);
  });

  it("takes a field's text, leaves out what is empty, and refuses an empty gap", () => {
    const field = (path: string): RowField => rowFields(point).find((f) => f.path === path) as RowField;
    expect(withField(point, field("args.distance"), "41")).toMatchObject({ args: { distance: "41", from: "A0" } });
    expect(withField(point, field("args.distance"), " ")).toBeUndefined();
    expect(withField(point, field("why.0"), "")).not.toHaveProperty("why");
    expect(withField(point, field("watch.0"), "Look.")).toMatchObject({ watch: ["Look."], why: ["So."] });
  });

  it("says each kind of line as people read it", () => {
    expect(system.statements.map((s) => rowWords(s)).map(({ margin, says }) => [margin, says])).toEqual([
      ["tape", "Chest. Round the chest."],
      ["setting", "Ease: 2. Added."],
      ["board", ""],
      ["A0", "Start here."],
      ["A1", "Down from A0."],
      ["unread", ""],
      ["A2", "Square out from A0, chest/4 + ease."],
      ["unread", ""],
      ["line", "Side"],
    ]);
  });
});

describe("a table of a system", () => {
  it("takes two columns of a spreadsheet, heading and all", () => {
    expect(
      rowsFrom(
        [
          ["bust", "depth"],
          ["80", "1"],
          ["90", "1 1/4"],
        ],
        "steps",
      ),
    ).toEqual([
      { bound: "upTo", at: "80", gives: "1" },
      { bound: "upTo", at: "90", gives: "1 1/4" },
    ]);
    expect(rowsFrom([["80", "1"]], "linear")?.[0]?.bound).toBe("at");
    expect(rowsFrom(undefined, "steps")).toBeUndefined();
    expect(rowsFrom([["80"]], "steps")).toBeUndefined();
  });

  it("is drawn where its cells are figures, and read back as it was pasted", () => {
    const rows =
      rowsFrom(
        [
          ["80", "1"],
          ["90", "1 1/4"],
        ],
        "steps",
      ) ?? [];
    const table = { is: "table" as const, key: "deep", kind: "length" as const, by: "chest", mode: "steps" as const, rows };
    expect(plotted(table)).toEqual({ name: "deep", x: ["80", "90"], y: [1, 1.25], shape: "vh" });
    // Up to a figure a table by steps gives one level, and then the next; a linear one goes straight from figure to figure.
    expect(plotted({ ...table, mode: "linear" })?.shape).toBe("linear");
    expect(plotted({ ...table, rows: rows.map((r) => ({ ...r, gives: "chest/4" })) })).toBeUndefined();
  });
});

describe("the quick line", () => {
  it("puts measurements with measurements, settings with settings, and a step behind the open line", () => {
    const loaded = loadSystem(TEXT);
    const at = (line: string): string => {
      const lines = applyEdits(TEXT, quickReading(line, loaded, {}, 5)?.edits ?? []).split("\n");
      return lines[lines.findIndex((one) => one.startsWith(line)) - 1] ?? "";
    };
    expect(at("measure hip girth 60..150")).toMatch(/^measure chest/);
    expect(at("set more = 1")).toMatch(/^set ease/);
    expect(at("A3 down 3 from A0")).toMatch(/^12\. Square out/);
  });

  it("the way round ends at a drawn back neck", () => {
    let text = NEW_SYSTEM;
    for (const { line } of STOPS) {
      if (line === undefined) continue;
      const loaded = loadSystem(text);
      text = applyEdits(text, quickReading(line, loaded, {}, loaded.system.statements.length - 1)?.edits ?? []);
    }
    const { problems, plan } = loadSystem(text);
    expect(problems).toEqual([]);
    expect(plan.scope.paths.has("back_neck")).toBe(true);
    expect(STOPS).toHaveLength(10);
  });
});
