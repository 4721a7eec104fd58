<script setup lang="ts">
import { acceptCompletion, autocompletion, completionKeymap } from "@codemirror/autocomplete";
import { defaultKeymap, historyKeymap } from "@codemirror/commands";
import { lintGutter, lintKeymap, setDiagnostics } from "@codemirror/lint";
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from "@codemirror/view";
import type { LoadedSystem } from "@lodrin/core";
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from "vue";
import type { TextDocument } from "../document/text-document.js";
import { completeWith } from "./completions.js";
import { notationLanguage } from "./notation-language.js";
import { diagnosticOf } from "./problems.js";

/** The text face: the notation as it is typed, with its problems under their words. It shows the document while it is there. */
const props = defineProps<{ document: TextDocument; loaded: LoadedSystem }>();

const holder = useTemplateRef<HTMLElement>("holder");
const FACE = [
  lineNumbers(),
  drawSelection(),
  highlightActiveLine(),
  lintGutter(),
  EditorView.lineWrapping,
  EditorView.contentAttributes.of({ "aria-label": "The text of the system", spellcheck: "false" }),
  notationLanguage,
  autocompletion({ override: [completeWith(() => props.loaded)], icons: false }),
  keymap.of([{ key: "Tab", run: acceptCompletion }, ...completionKeymap, ...lintKeymap, ...historyKeymap, ...defaultKeymap]),
];
let shown: ReturnType<TextDocument["show"]> | undefined;
onMounted(() => {
  if (!holder.value) return;
  shown = props.document.show(holder.value, FACE);
  // What scrolls can be reached by key.
  shown.view.scrollDOM.tabIndex = 0;
  mark();
});
onBeforeUnmount(() => shown?.end());

function mark(): void {
  if (!shown) return;
  const { view } = shown;
  const { doc } = view.state;
  view.dispatch(
    setDiagnostics(
      view.state,
      props.loaded.problems.map((p) => diagnosticOf(p, doc)),
    ),
  );
}
watch(() => props.loaded, mark);
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
