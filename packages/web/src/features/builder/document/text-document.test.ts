import { history, undo } from "@codemirror/commands";
import { lineNumbers } from "@codemirror/view";
import fc from "fast-check";
import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { useDocuments } from "./documents.js";
import { type TextDocument, textDocument } from "./text-document.js";

const LINES = ["one", "two", "three", "four"];
const TEXT = LINES.join("\n");
const put = (document: TextDocument, from: number, line: string): void => document.edit([{ from, count: 0, lines: [line] }], from + 1);

describe("the document", () => {
  it("takes edits with no view, and undoes each in one step", () => {
    const document = textDocument(TEXT);
    put(document, 1, "between");
    document.edit([
      { from: 0, count: 1, lines: [] },
      { from: 4, count: 1, lines: ["last"] },
    ]);
    expect(document.text.value).toBe("between\ntwo\nthree\nlast");
    document.undo();
    expect(document.text.value).toBe("one\nbetween\ntwo\nthree\nfour");
    expect(document.depth.value).toEqual({ undo: 1, redo: 1 });
    document.undo();
    expect(document.text.value).toBe(TEXT);
    document.redo();
    document.redo();
    expect(document.text.value).toBe("between\ntwo\nthree\nlast");
  });

  it("has its cursor on the line that was gone to, and on no line beyond the text", () => {
    const document = textDocument(TEXT);
    document.goTo(3);
    expect(document.line.value).toBe(3);
    document.goTo(99, 99);
    expect(document.line.value).toBe(4);
    document.goTo(-5);
    expect(document.line.value).toBe(1);
  });

  it("takes over a text from outside without moving the cursor off its line", () => {
    const document = textDocument(TEXT);
    document.goTo(3);
    document.takeOver(`new\n${TEXT}\nmore`);
    expect(document.state.value.doc.line(document.line.value).text).toBe("three");
    document.undo();
    expect(document.text.value).toBe(TEXT);
  });

  it("shows itself, lets go, and is shown again with all that was done meanwhile", () => {
    const document = textDocument(TEXT);
    const parent = window.document.createElement("div");
    const first = document.show(parent, lineNumbers());
    put(document, 0, "shown");
    expect(first.view.state.doc.toString()).toBe(document.text.value);
    first.view.dispatch({ changes: { from: 0, insert: "typed " } });
    expect(document.text.value).toBe(`typed shown\n${TEXT}`);
    first.end();
    expect(parent.children).toHaveLength(0);
    put(document, 0, "hidden");
    const second = document.show(parent, lineNumbers());
    expect(second.view.state.doc.line(1).text).toBe("hidden");
    second.view.dispatch({ selection: { anchor: 0 } });
    undo(second.view);
    expect(document.text.value).toBe(`typed shown\n${TEXT}`);
    second.end();
  });

  it("comes back from plain data with its text, cursor and history, whatever was done", () => {
    const act = fc.tuple(
      fc.nat({ max: 3 }),
      fc.string({ maxLength: 6 }).map((s) => s.replace(/[\r\n]/g, " ")),
    );
    fc.assert(
      fc.property(fc.array(act, { maxLength: 8 }), (acts) => {
        const document = textDocument(TEXT);
        for (const [from, line] of acts) put(document, from, line);
        const again = textDocument({ kept: JSON.parse(JSON.stringify(document.toJSON())) });
        expect(again.text.value).toBe(document.text.value);
        expect(again.line.value).toBe(document.line.value);
        expect(again.depth.value).toEqual(document.depth.value);
        for (let i = 0; i < acts.length; i++) again.undo();
        expect(again.text.value).toBe(TEXT);
      }),
      { numRuns: 60 },
    );
  });

  it("has one history: a view brings none of its own", () => {
    const document = textDocument(TEXT);
    const { view, end } = document.show(window.document.createElement("div"), [history()]);
    put(document, 0, "a");
    undo(view);
    expect(document.text.value).toBe(TEXT);
    end();
  });
});

describe("documents that were opened", () => {
  beforeEach(() => setActivePinia(createPinia()));
  afterEach(() => sessionStorage.clear());
  const leave = (): void => void window.dispatchEvent(new Event("pagehide"));

  it("are the same when somebody comes back to them", () => {
    const document = useDocuments().open("a", TEXT);
    put(document, 0, "first");
    expect(useDocuments().open("a", document.text.value)).toBe(document);
    expect(useDocuments().open("b", TEXT)).not.toBe(document);
  });

  it("still take back, after the page was loaded again, what was done before", () => {
    const document = useDocuments().open("a", TEXT);
    put(document, 0, "first");
    const saved = document.text.value;
    leave();
    setActivePinia(createPinia());
    const again = useDocuments().open("a", saved);
    expect(again.text.value).toBe(saved);
    again.undo();
    expect(again.text.value).toBe(TEXT);
  });

  it("take up what was saved elsewhere meanwhile", () => {
    put(useDocuments().open("a", TEXT), 0, "first");
    leave();
    setActivePinia(createPinia());
    expect(useDocuments().open("a", `${TEXT}\nof another hand`).text.value).toBe(`${TEXT}\nof another hand`);
  });

  it("begin anew when what was kept cannot be read", () => {
    sessionStorage.setItem("lodrin-document-a", '{"doc": 3');
    expect(useDocuments().open("a", TEXT).text.value).toBe(TEXT);
    expect(sessionStorage.getItem("lodrin-document-a")).toBeNull();
  });
});
