<script setup lang="ts">
import {
  type LineEdit,
  type LineToMend,
  type LoadedSystem,
  type Run,
  dependentsOf,
  dependenciesOf,
  type Statement,
  statementAt,
} from "@lodrin/core";
import { computed, nextTick, onActivated, ref, type Ref, useTemplateRef, watch } from "vue";
import { useRest } from "../../../ui/use-rest.js";
import HandoutRow from "./HandoutRow.vue";
import RowForm from "./RowForm.vue";
import SystemPage from "./SystemPage.vue";
import { nameOf } from "./use-acts.js";

/** The handout as it is written: every line of the system as people read it; the open one is edited where it stands. */
const props = defineProps<{
  loaded: LoadedSystem;
  run: Readonly<Ref<Run>>;
  /** The statement that is open; -1 for the heading. */
  open: number;
  mends: readonly LineToMend[];
  /** Statements to be lit: what stands on something, or would break. */
  lit: ReadonlySet<number>;
  /** The rule of every line is shown under its sentence. */
  rules: boolean;
}>();
const emit = defineEmits<{
  open: [index: number];
  act: [what: string, index: number];
  carry: [index: number, after: number];
  light: [indices: readonly number[]];
  mend: [mend: LineToMend];
  change: [index: number, statement: Statement];
  call: [index: number, name: string];
  /** A line of a statement, by its row in the block, says something else; without a text it goes. */
  line: [index: number, row: number, text: string | undefined];
  detail: [index: number, text: string];
  edit: [edits: readonly LineEdit[]];
  add: [lines: readonly string[]];
}>();

const list = useTemplateRef<HTMLElement>("list");
const rows = computed(() => {
  const { read, problems, system } = props.loaded;
  const wrong = new Map<number, string>();
  for (const p of problems) {
    const at = statementAt(read, p.line);
    if (at !== undefined && !wrong.has(at)) wrong.set(at, `${p.why} ${p.fix}`.trim());
  }
  const mends = new Map(props.mends.map((m) => [m.statement, m]));
  const long = new Set(read.blocks.flatMap(({ statement, read: { block } }) => (block.details.length > 0 ? (statement ?? []) : [])));
  return system.statements.map((statement, index) => ({
    index,
    statement,
    long: long.has(index),
    problem: wrong.get(index) ?? "",
    mend: mends.get(index),
  }));
});

/** The rows that fill a screen are drawn first. */
const FIRST = 30;
const rest = useRest();

async function reveal(): Promise<void> {
  await nextTick();
  const here = list.value?.querySelector(`[data-row="${props.open}"]`);
  here?.scrollIntoView({ block: "nearest" });
  // A hand that goes through the rows goes along; one that types in a field stays there.
  if (list.value?.contains(document.activeElement) && document.activeElement?.matches(".line"))
    here?.querySelector<HTMLElement>(".line")?.focus();
}
watch(() => props.open, reveal);
onActivated(reveal);

function act(what: string, index: number): void {
  if (what === "on") emit("light", dependentsOf(props.loaded.read, index));
  else if (what === "upon") emit("light", dependenciesOf(props.loaded.read, index));
  else emit("act", what, index);
}

function key(event: KeyboardEvent, index: number): void {
  const { key: pressed, altKey } = event;
  const inField = (event.target as HTMLElement).closest("input, textarea, [contenteditable=true]") !== null;
  const what = altKey ? { ArrowUp: "up", ArrowDown: "down", Delete: "delete", Enter: "mend" }[pressed] : undefined;
  if (what === "mend") {
    const mend = props.mends.find((m) => m.statement === index);
    if (mend?.puts) emit("mend", mend);
  } else if (what !== undefined) emit("act", what, index);
  else if (!inField && (pressed === "ArrowDown" || pressed === "ArrowUp")) emit("open", index + (pressed === "ArrowDown" ? 1 : -1));
  else return;
  event.preventDefault();
}

const carried = ref<number>();
function drop(after: number): void {
  if (carried.value !== undefined && carried.value !== after && carried.value !== after + 1) emit("carry", carried.value, after);
  carried.value = undefined;
}
</script>

<template>
  <div id="handout-face" ref="list" class="handout" :class="{ rules }" role="region" aria-label="The handout" tabindex="0">
    <SystemPage :loaded="loaded" :open="open < 0" @edit="$emit('edit', $event)" @open="$emit('open', $event)" @add="$emit('add', $event)" />
    <div
      v-for="row in rest ? rows : rows.slice(0, FIRST)"
      :key="row.index"
      class="row"
      :class="[row.statement.is, { open: row.index === open, lit: lit.has(row.index), wrong: row.problem }]"
      :data-row="row.index"
      @keydown="key($event, row.index)"
      @dragover.prevent
      @drop.prevent="drop(row.index)"
    >
      <HandoutRow
        :statement="row.statement"
        :open="row.index === open"
        :long="row.long"
        :problem="row.problem"
        :mend="row.mend"
        @open="$emit('open', row.index)"
        @act="act($event, row.index)"
        @mend="$emit('mend', $event)"
        @carry="carried = row.index"
        @laid="carried = undefined"
      />
      <RowForm
        v-if="row.index === open"
        :key="row.index"
        :statement="row.statement"
        :index="row.index"
        :loaded="loaded"
        :run="run"
        :named="nameOf(row.statement)?.name"
        @change="$emit('change', row.index, $event)"
        @call="$emit('call', row.index, $event)"
        @text="$emit('act', 'text', row.index)"
        @hand="$emit('act', 'hand', row.index)"
        @line="(at, text) => $emit('line', row.index, at, text)"
        @detail="$emit('detail', row.index, $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.handout {
  min-height: 0;
  overflow: auto;
  padding-bottom: 24px;
  background: var(--panel);
}
.row {
  content-visibility: auto;
  contain-intrinsic-size: auto 54px;
  border-left: 4px solid transparent;
}
.row.open {
  border-left-color: var(--now);
  background: var(--now-tint);
}
.row.lit {
  border-left-color: var(--warn);
}
.row.lit :deep(.margin) {
  color: var(--warn);
}
.row.wrong {
  border-left-color: var(--fail);
}
.handout:not(.rules) :deep(.rule.second) {
  display: none;
}
.row.point :deep(.margin) {
  color: var(--ink);
}
</style>
