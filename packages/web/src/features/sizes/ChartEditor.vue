<script setup lang="ts">
import { Delete, Download, Plus } from "@element-plus/icons-vue";
import { chartRoutes, type SizeChart } from "@lodrin/contract";
import { doubtsOf, measurementByKey, MEASUREMENTS, measurementName, parseTape, stepDoubts } from "@lodrin/core";
import { writeChart } from "@lodrin/formats";
import { computed, onBeforeUnmount, ref, useTemplateRef } from "vue";
import { startAutosave } from "../../api/autosave.js";
import { call } from "../../api/call.js";
import { useCharts } from "../../stores/charts.js";
import CollisionNotice from "../../ui/CollisionNotice.vue";
import { giveFile } from "../../ui/take-file.js";
import SaveState from "../../ui/SaveState.vue";
import { withKey } from "../../ui/with-key.js";
import { cellsOf } from "../../measures/paste-grid.js";
import { sizesMm } from "../../measures/size-body.js";

/** One chart as a grid: typed, pasted from a spreadsheet, gone through by key. Doubts stand at their cells. Saves by itself. */
const props = defineProps<{ chart: SizeChart }>();
const charts = useCharts();
const FIELDS = ["name", "note", "columns", "sizes"] as const;
const autosave = startAutosave(props.chart, {
  what: "size chart",
  fields: FIELDS,
  send: async (id, version, patch) => {
    const saved = await call(chartRoutes.changeChart, { params: { id }, body: { version, ...patch } });
    charts.refresh(saved);
    return saved;
  },
});
onBeforeUnmount(() => {
  if (props.chart.mine) void autosave.flush();
  autosave.stop();
});
const { local, state, savedAt, why } = autosave;
const mine = props.chart.mine;

const mm = computed(() => sizesMm(local));
/** Doubts by row and column: a figure that cannot be read, one a body may not have, one beside another, a step that jumps. */
const doubts = computed(() => {
  const out = new Map<string, string>();
  const put = (row: number, key: string, text: string): void =>
    void out.set(`${row} ${key}`, [out.get(`${row} ${key}`), text].filter(Boolean).join(" "));
  for (const { key, unit } of local.columns) {
    if (measurementByKey(key)?.run === "number") continue;
    local.sizes.forEach((size, row) => {
      const text = (size.figures[key] ?? "").trim();
      const read = text === "" ? undefined : parseTape(text, unit);
      if (read && !read.ok) put(row, key, read.why);
    });
    for (const { row, text } of stepDoubts(
      mm.value.map((s) => s.mm[key]),
      unit,
    ))
      put(row, key, text);
  }
  mm.value.forEach((size, row) => {
    for (const doubt of doubtsOf(size.mm, local.columns.find((c) => c.key in size.mm)?.unit ?? "cm")) put(row, doubt.key, doubt.text);
  });
  return out;
});

const grid = useTemplateRef<HTMLElement>("grid");
function put(row: number, column: number, text: string): void {
  const size = local.sizes[row];
  const key = local.columns[column]?.key;
  if (!size) return;
  if (column < 0) size.name = text;
  else if (key !== undefined) size.figures = withKey(size.figures, key, text);
}
/** Cells pasted from a spreadsheet go from the cell under the hand to the right and down; sizes are added as they are needed. */
function paste(event: ClipboardEvent, row: number, column: number): void {
  const cells = cellsOf(event.clipboardData?.getData("text/plain") ?? "");
  if (!cells || !mine) return;
  event.preventDefault();
  while (local.sizes.length < row + cells.length) local.sizes.push({ name: String(local.sizes.length + 1), figures: {} });
  cells.forEach((line, i) => line.forEach((text, j) => put(row + i, column + j, text.slice(0, 40))));
}
function step(event: KeyboardEvent, row: number, column: number): void {
  const input = event.target as HTMLInputElement;
  const ends = { ArrowLeft: input.selectionStart === 0, ArrowRight: input.selectionEnd === input.value.length }[event.key];
  const way = { Enter: [1, 0], ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
  if (!way || ends === false) return;
  const next = grid.value?.querySelector<HTMLInputElement>(`[data-cell="${row + (way[0] ?? 0)} ${column + (way[1] ?? 0)}"] input`);
  if (!next) return;
  event.preventDefault();
  next.focus();
  next.select();
}

const free = computed(() => MEASUREMENTS.filter((m) => !local.columns.some((c) => c.key === m.key)));
const added = ref("");
function addColumn(key: string): void {
  local.columns = [...local.columns, { key, unit: local.columns.at(-1)?.unit ?? "cm" }];
  added.value = "";
}
function removeColumn(key: string): void {
  local.columns = local.columns.filter((c) => c.key !== key);
}
const addSize = (): void => void (local.sizes = [...local.sizes, { name: String(local.sizes.length + 1), figures: {} }]);
const removeSize = (row: number): void => void (local.sizes = local.sizes.filter((_, i) => i !== row));
function turnUnit(key: string): void {
  local.columns = local.columns.map((c) => (c.key === key ? { ...c, unit: c.unit === "cm" ? ("in" as const) : ("cm" as const) } : c));
}

function save(): void {
  giveFile(writeChart(local), "text/csv", `${local.name}.csv`);
}
const rows = computed(() => local.sizes.map((size, row) => ({ size, row })));
const asked = computed(() =>
  [...doubts.value].map(([at, text]) => ({ at, text, row: Number(at.split(" ")[0]), key: at.split(" ")[1] ?? "" })),
);
</script>

<template>
  <div>
    <CollisionNotice :autosave="autosave" what="size chart" :fields="FIELDS" />
    <div class="head">
      <el-input v-model="local.name" class="name" maxlength="120" aria-label="Name of the chart" :readonly="!mine" />
      <el-input
        v-model="local.note"
        class="note"
        maxlength="4000"
        aria-label="What it is for"
        placeholder="What it is for"
        :readonly="!mine"
      />
      <SaveState v-if="mine" :state="state" :saved-at="savedAt" :why="why" />
      <el-button :icon="Download" @click="save">As CSV</el-button>
    </div>
    <div ref="grid">
      <el-table :data="rows" border size="default" max-height="62vh" row-key="row">
        <el-table-column label="Size" fixed width="130">
          <template #default="{ row: r }">
            <div class="size" :data-cell="`${r.row} -1`" @paste="paste($event, r.row, -1)" @keydown="step($event, r.row, -1)">
              <el-input
                :model-value="r.size.name"
                :aria-label="`Size ${r.row + 1}`"
                :readonly="!mine"
                maxlength="40"
                @update:model-value="put(r.row, -1, $event)"
              />
              <el-button v-if="mine" text :icon="Delete" :aria-label="`Take size ${r.size.name} away`" @click="removeSize(r.row)" />
            </div>
          </template>
        </el-table-column>
        <el-table-column v-for="(c, j) in local.columns" :key="c.key" min-width="118">
          <template #header>
            <span class="column"
              >{{ measurementName(c.key) }}
              <span class="under"
                ><el-button
                  link
                  :disabled="!mine"
                  :aria-label="`${measurementName(c.key)} in ${c.unit}: change the unit`"
                  @click="turnUnit(c.key)"
                  >{{ c.unit }}</el-button
                ><el-button
                  v-if="mine"
                  link
                  :icon="Delete"
                  :aria-label="`Take ${measurementName(c.key)} away`"
                  @click="removeColumn(c.key)" /></span
            ></span>
          </template>
          <template #default="{ row: r }">
            <div
              :data-cell="`${r.row} ${j}`"
              :class="{ doubted: doubts.has(`${r.row} ${c.key}`) }"
              :title="doubts.get(`${r.row} ${c.key}`)"
              @paste="paste($event, r.row, j)"
              @keydown="step($event, r.row, j)"
            >
              <el-input
                :model-value="r.size.figures[c.key] ?? ''"
                :aria-label="`${measurementName(c.key)}, size ${r.size.name}`"
                :readonly="!mine"
                maxlength="40"
                @update:model-value="put(r.row, j, $event)"
              />
            </div>
          </template>
        </el-table-column>
      </el-table>
    </div>
    <div v-if="mine" class="more">
      <el-button :icon="Plus" @click="addSize">A size</el-button>
      <el-select v-model="added" filterable placeholder="A measurement more" aria-label="A measurement more" @change="addColumn">
        <el-option v-for="m in free" :key="m.key" :value="m.key" :label="m.name" />
      </el-select>
      <span class="small quiet">Paste cells from a spreadsheet into any cell; Enter and the arrows go on.</span>
    </div>
    <ul v-if="asked.length" class="asked">
      <li v-for="a in asked" :key="a.at">
        <b>{{ measurementName(a.key) }}, size {{ local.sizes[a.row]?.name }}:</b> {{ a.text }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.head,
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin: 10px 0;
}
.name {
  width: 240px;
}
.note {
  flex: 1;
  min-width: 260px;
}
.more .el-select {
  width: 220px;
}
.size {
  display: flex;
  gap: 2px;
}
.column {
  display: grid;
  line-height: 1.2;
}
.under {
  display: flex;
  gap: 6px;
}
@media (hover: hover) {
  .column .el-button:last-child:not(:first-child) {
    opacity: 0;
  }
  .column:hover .el-button,
  .column .el-button:focus-visible {
    opacity: 1;
  }
}
.doubted :deep(.el-input__wrapper) {
  box-shadow: inset 0 0 0 2px var(--warn);
}
.asked {
  margin: 8px 0 0;
  padding-left: 20px;
  color: var(--warn);
}
</style>
