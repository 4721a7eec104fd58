<script setup lang="ts">
import { acceptCompletion, autocompletion, closeCompletion, completionKeymap, completionStatus } from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { setDiagnostics } from "@codemirror/lint";
import { EditorState } from "@codemirror/state";
import { EditorView, keymap, placeholder as placeholderOf } from "@codemirror/view";
import type { LoadedSystem } from "@lodrin/core";
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from "vue";
import { completeFormula, completeWith } from "./completions.js";
import { notationLanguage } from "./notation-language.js";

/** A line of the notation, or a formula of it, with its colours, completion and faults where they are typed. */
const props = defineProps<{
  label: string;
  loaded: LoadedSystem;
  /** A formula has no verbs in it. */
  formula?: boolean;
  placeholder?: string;
  /** What is wrong in it: where, counted from its first letter, and what to do. */
  faults?: readonly { readonly from: number; readonly to: number; readonly says: string }[];
}>();
const text = defineModel<string>({ required: true });
const emit = defineEmits<{ enter: []; leave: []; focus: []; paste: [text: string] }>();

const holder = useTemplateRef<HTMLElement>("holder");
let view: EditorView | undefined;

onMounted(() => {
  if (!holder.value) return;
  const complete = props.formula ? completeFormula(() => props.loaded) : completeWith(() => props.loaded);
  view = new EditorView({
    parent: holder.value,
    state: EditorState.create({
      doc: text.value,
      extensions: [
        // One line: what is pasted with several is given on.
        EditorState.transactionFilter.of((tr) => (tr.newDoc.lines > 1 ? [] : tr)),
        history(),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({ "aria-label": props.label, spellcheck: "false" }),
        notationLanguage,
        ...(props.placeholder === undefined ? [] : [placeholderOf(props.placeholder)]),
        // Enter puts the line in, whatever is offered: Tab takes what is offered.
        autocompletion({ override: [complete], icons: false, defaultKeymap: false }),
        keymap.of([
          { key: "Tab", run: (v) => completionStatus(v.state) === "active" && acceptCompletion(v) },
          ...completionKeymap.filter(({ key }) => key !== "Enter"),
          { key: "Enter", run: (v) => (closeCompletion(v), emit("enter"), true) },
          ...historyKeymap,
          ...defaultKeymap,
        ]),
        EditorView.domEventHandlers({
          blur: () => emit("leave"),
          focus: () => emit("focus"),
          paste: (event) => {
            const pasted = event.clipboardData?.getData("text/plain").trimEnd() ?? "";
            if (!/\n/.test(pasted)) return false;
            event.preventDefault();
            emit("paste", pasted);
            return true;
          },
        }),
        EditorView.updateListener.of((update) => {
          if (update.docChanged) text.value = update.state.doc.toString();
        }),
      ],
    }),
  });
});
onBeforeUnmount(() => view?.destroy());
watch(text, (now) => {
  if (view && view.state.doc.toString() !== now)
    view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now }, selection: { anchor: now.length } });
});
watch(
  () => props.faults,
  (faults = []) => {
    if (!view) return;
    const { length } = view.state.doc;
    const within = faults.map(({ from, to, says }) => ({
      from: Math.min(from, length),
      to: Math.min(Math.max(from, to), length),
      severity: "error" as const,
      message: says,
    }));
    view.dispatch(setDiagnostics(view.state, within));
  },
);
/** Puts the hand into the field, over a stretch of it or at its end. */
function focus(from?: number, to?: number): void {
  if (!view) return;
  const anchor = from ?? view.state.doc.length;
  view.dispatch({ selection: { anchor, head: to ?? anchor } });
  view.focus();
}
defineExpose({ focus });
</script>

<template>
  <div ref="holder" class="line-field on-paper" />
</template>

<style scoped>
.line-field {
  min-width: 0;
  padding: 3px 6px;
  border-radius: var(--radius);
  background: var(--paper);
  box-shadow: inset 0 0 0 1px #8f938c;
}
.line-field:focus-within {
  box-shadow: inset 0 0 0 2px var(--now);
}
.line-field :deep(.cm-editor) {
  color: #22262a;
  font-size: 16px;
}
.line-field :deep(.cm-scroller) {
  font-family: ui-monospace, "DejaVu Sans Mono", monospace;
  line-height: 1.5;
}
.line-field :deep(.cm-focused) {
  outline: none;
}
.line-field :deep(.cm-placeholder) {
  color: #5f6467;
  font-family: var(--face);
}
.line-field :deep(.cm-tooltip) {
  max-width: 480px;
  background: #fffdf6;
  color: #22262a;
  border: 1px solid #8f938c;
  font-family: var(--face);
}
</style>
