import { history, historyField, redo, redoDepth, undo, undoDepth } from "@codemirror/commands";
import { Compartment, EditorState, type Extension, type Transaction, type TransactionSpec } from "@codemirror/state";
import { EditorView } from "@codemirror/view";
import type { LineEdit } from "@lodrin/core";
import { computed, type ComputedRef, type ShallowRef, shallowRef } from "vue";
import { changesOf, changesTo } from "./text-changes.js";

/** How much can be taken back. */
interface Depth {
  readonly undo: number;
  readonly redo: number;
}

/**
 * The text of a system while it is written: its lines, its one history, and the line the hand is on. It needs no view: what the
 * handout, the paper and the forms do is done to it, whether or not the text is shown; a view attaches to it and lets go again.
 */
export interface TextDocument {
  readonly state: Readonly<ShallowRef<EditorState>>;
  readonly text: ComputedRef<string>;
  /** The line the cursor is on, from 1. */
  readonly line: ComputedRef<number>;
  readonly depth: ComputedRef<Depth>;
  /** Makes edits of lines, as one step of the history; the cursor goes to the line named, counted in the text as it is then. */
  readonly edit: (edits: readonly LineEdit[], line?: number) => void;
  /** Puts the cursor on a line and brings it into sight; the hand goes there as well, where the text is shown and `hand` is true. */
  readonly goTo: (line: number, column?: number, hand?: boolean) => void;
  /** Takes over a text from outside, where it differs: the cursor stays between the lines it stood between. */
  readonly takeOver: (text: string) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Shows the text, to be typed in; gives back what ends that. */
  readonly show: (parent: HTMLElement, extensions: Extension) => { readonly view: EditorView; readonly end: () => void };
  /** Text, cursor and history as plain data. */
  readonly toJSON: () => unknown;
}

const FIELDS = { history: historyField };

/** A document of a text, or as it was kept by `toJSON`. Throws RangeError when what was kept cannot be read. */
export function textDocument(from: string | { readonly kept: unknown }): TextDocument {
  // What only a view needs is put in while there is one.
  const shown = new Compartment();
  const config = { extensions: [history(), shown.of([])] };
  const state = shallowRef(
    typeof from === "string" ? EditorState.create({ doc: from, ...config }) : EditorState.fromJSON(from.kept, config, FIELDS),
  );
  let view: EditorView | undefined;
  const text = computed(() => state.value.doc.toString());

  function dispatch(...specs: (Transaction | TransactionSpec)[]): void {
    if (view) view.dispatch(...(specs as TransactionSpec[]));
    else state.value = state.value.update(...(specs as TransactionSpec[])).state;
  }
  const target = {
    get state() {
      return state.value;
    },
    dispatch: (transaction: Transaction) => dispatch(transaction),
  };

  function goTo(line: number, column = 1, hand = true): void {
    const { doc } = state.value;
    const at = doc.line(Math.min(Math.max(1, line), doc.lines));
    const anchor = Math.min(at.from + column - 1, at.to);
    dispatch({ selection: { anchor }, effects: EditorView.scrollIntoView(anchor, { y: "center" }) });
    if (hand) view?.focus();
  }

  function show(parent: HTMLElement, extensions: Extension): { view: EditorView; end: () => void } {
    const made = new EditorView({
      parent,
      state: state.value,
      dispatchTransactions: (transactions, to) => {
        to.update(transactions);
        state.value = to.state;
      },
    });
    view = made;
    const { head } = state.value.selection.main;
    dispatch({ effects: [shown.reconfigure(extensions), EditorView.scrollIntoView(head, { y: "center" })] });
    const end = (): void => {
      if (view === made) view = undefined;
      made.destroy();
      dispatch({ effects: shown.reconfigure([]) });
    };
    return { view: made, end };
  }

  return {
    state,
    text,
    line: computed(() => state.value.doc.lineAt(state.value.selection.main.head).number),
    depth: computed(() => ({ undo: undoDepth(state.value), redo: redoDepth(state.value) })),
    edit(edits, line) {
      dispatch({ changes: changesOf(state.value.doc, edits), userEvent: "input" });
      if (line !== undefined) goTo(line, 1, false);
    },
    goTo,
    takeOver(now) {
      if (text.value !== now) dispatch({ changes: changesTo(state.value.doc, now) });
    },
    undo: () => void undo(target),
    redo: () => void redo(target),
    show,
    toJSON: () => state.value.toJSON(FIELDS) as unknown,
  };
}
