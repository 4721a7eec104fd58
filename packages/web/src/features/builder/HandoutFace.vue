<script setup lang="ts">
import { Bottom, CopyDocument, Delete, EditPen, Guide, MoreFilled, Plus, DCaret, Sort, Top } from "@element-plus/icons-vue";
import { blockHolding, type LineToMend, type LoadedSystem, type Run, standsOn, standsUpon, type Statement } from "@lodrin/core";
import { computed, nextTick, ref, type Ref, useTemplateRef, watch } from "vue";
import RowForm from "./RowForm.vue";
import { rowWords } from "./row-words.js";
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
}>();

const list = useTemplateRef<HTMLElement>("list");
const rows = computed(() => {
  const problems = new Map<number, string>();
  for (const p of props.loaded.problems) {
    const block = props.loaded.read.blocks.find((b) => p.line > b.from && p.line <= b.from + b.read.block.source.length);
    if (block?.statement !== undefined && !problems.has(block.statement)) problems.set(block.statement, `${p.why} ${p.fix}`.trim());
  }
  const mends = new Map(props.mends.map((m) => [m.statement, m]));
  return props.loaded.system.statements.map((statement, index) => ({
    index,
    statement,
    ...rowWords(statement),
    problem: problems.get(index),
    mend: mends.get(index),
  }));
});
const noteOf = (s: Statement): readonly string[] => ("watch" in s && s.watch ? s.watch : []);

watch(
  () => props.open,
  async (now) => {
    await nextTick();
    const here = list.value?.querySelector(`[data-row="${now}"]`);
    here?.scrollIntoView({ block: "nearest" });
    // A hand that goes through the rows goes along; one that types in a field stays there.
    if (list.value?.contains(document.activeElement) && document.activeElement?.matches(".line"))
      here?.querySelector<HTMLElement>(".line")?.focus();
  },
  { immediate: true },
);

const ACTS = [
  { act: "up", icon: Top, says: "Earlier (Alt+Up)" },
  { act: "down", icon: Bottom, says: "Later (Alt+Down)" },
  { act: "duplicate", icon: CopyDocument, says: "Duplicate" },
  { act: "heading", icon: Plus, says: "A heading above it" },
  { act: "on", icon: Guide, says: "What stands on this?" },
  { act: "upon", icon: Guide, says: "What does this stand on?" },
  { act: "text", icon: EditPen, says: "Show it in the text" },
  { act: "delete", icon: Delete, says: "Delete (Alt+Delete)" },
] as const;
function act(what: string, index: number): void {
  if (what === "on") emit("light", standsOn(props.loaded.read, index));
  else if (what === "upon") emit("light", standsUpon(props.loaded.read, index));
  else emit("act", what, index);
}

function key(event: KeyboardEvent, index: number): void {
  const { key: pressed, altKey } = event;
  const inField = (event.target as HTMLElement).closest("input, textarea, [contenteditable=true]") !== null;
  const what = altKey ? { ArrowUp: "up", ArrowDown: "down", Delete: "delete", Enter: "mend" }[pressed] : undefined;
  if (what === "mend") {
    const mend = props.mends.find((m) => m.statement === index);
    if (mend?.lines) emit("mend", mend);
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
const isLong = (index: number): boolean => (blockHolding(props.loaded.read, index)?.read.block.details.length ?? 0) > 0;
</script>

<template>
  <div id="handout-face" ref="list" class="handout" role="region" aria-label="The handout" tabindex="0">
    <div
      v-for="row in rows"
      :key="row.index"
      class="row"
      :class="[row.statement.is, { open: row.index === open, lit: lit.has(row.index), wrong: row.problem }]"
      :data-row="row.index"
      @keydown="key($event, row.index)"
      @dragover.prevent
      @drop.prevent="drop(row.index)"
    >
      <div class="head">
        <span
          class="grip"
          draggable="true"
          title="Carry it to another place"
          @dragstart="carried = row.index"
          @dragend="carried = undefined"
          ><el-icon><DCaret /></el-icon
        ></span>
        <button class="line" :aria-expanded="row.index === open" @click="$emit('open', row.index)">
          <h3 v-if="row.statement.is === 'part'">{{ row.statement.title }}</h3>
          <h2 v-else-if="row.statement.is === 'board'">{{ row.statement.key }} · {{ row.statement.title }}</h2>
          <template v-else>
            <span class="margin">{{ row.statement.is === "unread" ? "?" : row.margin }}</span>
            <span class="said"
              ><span>{{ row.statement.is === "unread" ? row.statement.text : row.says }}</span>
              <code v-if="row.rule && row.statement.is !== 'unread'">{{ row.rule }}{{ isLong(row.index) ? " …" : "" }}</code></span
            >
          </template>
        </button>
        <el-dropdown trigger="click" @command="act($event, row.index)">
          <el-button text :icon="MoreFilled" :aria-label="`Do something with ${row.margin || 'this line'}`" />
          <template #dropdown>
            <el-dropdown-menu>
              <el-dropdown-item v-for="a in ACTS" :key="a.act" :command="a.act" :icon="a.icon">{{ a.says }}</el-dropdown-item>
              <el-dropdown-item v-if="row.statement.is === 'board'" command="renumber" :icon="Sort"
                >Number its points anew</el-dropdown-item
              >
            </el-dropdown-menu>
          </template>
        </el-dropdown>
      </div>
      <p v-for="text in noteOf(row.statement)" :key="text" class="note small"><b>Watch out</b> {{ text }}</p>
      <div v-if="row.problem" class="mend">
        <p class="small">{{ row.problem }}</p>
        <template v-if="row.mend?.lines">
          <code v-for="l in row.mend.lines" :key="l">{{ l }}</code>
          <el-button type="primary" size="default" @click="$emit('mend', row.mend)">Take this (Alt+Enter)</el-button>
        </template>
      </div>
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
.row.lit .margin {
  color: var(--warn);
}
.row.wrong {
  border-left-color: var(--fail);
}
.head {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  align-items: center;
}
.grip {
  display: grid;
  place-items: center;
  height: 100%;
  color: var(--ink-3);
  cursor: grab;
}
.line {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: 8px;
  min-height: 44px;
  padding: 7px 0;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.line h2,
.line h3 {
  grid-column: 1 / -1;
}
.line h2 {
  padding-top: 8px;
  font-size: 20px;
}
.line h3 {
  font-size: 17px;
}
.margin {
  font-weight: 700;
  text-align: right;
  color: var(--ink-2);
}
.point .margin {
  color: var(--ink);
}
.said {
  display: grid;
  gap: 2px;
}
code {
  font:
    14px/1.4 ui-monospace,
    "DejaVu Sans Mono",
    monospace;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}
.note,
.mend {
  padding: 2px 16px 6px 92px;
}
.mend {
  display: grid;
  gap: 6px;
  justify-items: start;
  color: var(--fail);
}
.mend code {
  color: var(--ink);
}
</style>
