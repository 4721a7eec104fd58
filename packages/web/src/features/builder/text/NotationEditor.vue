<script setup lang="ts">
import { acceptCompletion, autocompletion, completionKeymap } from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap, redo, redoDepth, undo, undoDepth } from "@codemirror/commands";
import { lintGutter, lintKeymap, setDiagnostics } from "@codemirror/lint";
import { EditorState } from "@codemirror/state";
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from "@codemirror/view";
import type { LineEdit, LoadedSystem } from "@lodrin/core";
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from "vue";
import { completeWith } from "./completions.js";
import { notationLanguage } from "./notation-language.js";
import { diagnosticOf } from "./problems.js";
import { changesOf, changesTo } from "./text-changes.js";

/**
 * The text face: the notation as it is typed, with its problems under their words. Every act of the other faces is a change of
 * this text, so that its one history takes back any of them.
 */
const props = defineProps<{ loaded: LoadedSystem }>();
const text = defineModel<string>({ required: true });
const emit = defineEmits<{ line: [line: number]; history: [depth: { undo: number; redo: number }] }>();

const holder = useTemplateRef<HTMLElement>("holder");
let view: EditorView | undefined;

onMounted(() => {
  if (!holder.value) return;
  view = new EditorView({
    parent: holder.value,
    state: EditorState.create({
      doc: text.value,
      extensions: [
        lineNumbers(),
        history(),
        drawSelection(),
        highlightActiveLine(),
        lintGutter(),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ "aria-label": "The text of the system", spellcheck: "false" }),
        notationLanguage,
        autocompletion({ override: [completeWith(() => props.loaded)], icons: false }),
        keymap.of([{ key: "Tab", run: acceptCompletion }, ...completionKeymap, ...lintKeymap, ...historyKeymap, ...defaultKeymap]),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) {
            text.value = update.state.doc.toString();
            emit("history", { undo: undoDepth(update.state), redo: redoDepth(update.state) });
          }
          if (update.selectionSet || update.docChanged) emit("line", update.state.doc.lineAt(update.state.selection.main.head).number);
        }),
      ],
    }),
  });
  // What scrolls can be reached by key.
  view.scrollDOM.tabIndex = 0;
  mark();
});
onBeforeUnmount(() => view?.destroy());

function mark(): void {
  if (!view) return;
  const { doc } = view.state;
  view.dispatch(
    setDiagnostics(
      view.state,
      props.loaded.problems.map((p) => diagnosticOf(p, doc)),
    ),
  );
}
watch(() => props.loaded, mark);
// What comes from outside, like another hand's text that was taken, replaces what stands; what was typed here is there already.
watch(text, (now) => {
  if (view && view.state.doc.toString() !== now) view.dispatch({ changes: changesTo(view.state.doc, now) });
});

/** Makes edits of lines; the cursor goes to the line named, counted from 1 in the text as it is then. */
function edit(edits: readonly LineEdit[], line?: number): void {
  if (!view) return;
  view.dispatch({ changes: changesOf(view.state.doc, edits), userEvent: "input" });
  if (line !== undefined) goTo(line, 1, false);
}

/** Puts the cursor on a line, and brings it into sight; the hand goes there as well unless it is busy elsewhere. */
function goTo(line: number, column = 1, hand = true): void {
  if (!view) return;
  const at = view.state.doc.line(Math.min(Math.max(1, line), view.state.doc.lines));
  const anchor = Math.min(at.from + column - 1, at.to);
  view.dispatch({ selection: { anchor }, effects: EditorView.scrollIntoView(anchor, { y: "center" }) });
  if (hand) view.focus();
}
defineExpose({ goTo, edit, undo: () => view && undo(view), redo: () => view && redo(view) });
</script>

<template>
  <div ref="holder" class="editor on-paper" />
</template>

<style scoped>
.editor {
  min-height: 0;
  overflow: hidden;
  background: var(--paper);
}
.editor :deep(.cm-editor) {
  height: 100%;
  color: #22262a;
  font-size: 16px;
}
.editor :deep(.cm-scroller) {
  font-family: ui-monospace, "DejaVu Sans Mono", monospace;
  line-height: 1.5;
}
.editor :deep(.cm-gutters) {
  background: #efe9d8;
  color: #5a5f60;
  border: 0;
}
.editor :deep(.cm-activeLine) {
  background: #f3e2ec88;
}
.editor :deep(.cm-tooltip) {
  max-width: 480px;
  background: #fffdf6;
  color: #22262a;
  border: 1px solid #8f938c;
  font-family: var(--face);
}
.editor :deep(.cm-focused) {
  outline: none;
}
.editor :deep(.cm-diagnosticAction) {
  background: var(--now);
  color: #fffaf5;
}
</style>
