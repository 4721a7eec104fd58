<script setup lang="ts">
import { Delete, Plus } from "@element-plus/icons-vue";
import type { Statement } from "@lodrin/core";
import { computed } from "vue";
import PlotLines from "../../../ui/PlotLines.vue";
import { cellsOf } from "../../../measures/paste-grid.js";
import { plotted, rowsFrom } from "./table-rows.js";
import SettledInput from "../../../ui/SettledInput.vue";

/** A table of a system as a grid: up to where, and what it gives there. Two columns of a spreadsheet may be pasted; it is drawn beside. */
type Table = Extract<Statement, { is: "table" }>;
type Row = Table["rows"][number];
const props = defineProps<{ statement: Table }>();
const emit = defineEmits<{ change: [statement: Statement] }>();
const put = (rows: readonly Row[]): void => emit("change", { ...props.statement, rows: [...rows] });
const BOUNDS = [
  { value: "upTo", label: "up to" },
  { value: "under", label: "under" },
  { value: "at", label: "at" },
  { value: "above", label: "above" },
] as const;
const MODES = [
  { value: "steps", label: "steps" },
  { value: "linear", label: "a line between" },
];

function change(at: number, part: Partial<Row>): void {
  if (Object.values(part).some((text) => text.trim() === "")) return;
  put(
    props.statement.rows.map((row, i) => {
      if (i !== at) return row;
      const { at: before, ...rest } = { ...row, ...part };
      return rest.bound === "above" ? rest : { ...rest, at: before ?? "1" };
    }),
  );
}
const add = (): void =>
  put([...props.statement.rows.slice(0, -1), { bound: "upTo", at: "1", gives: "1" }, ...props.statement.rows.slice(-1)]);
const remove = (at: number): void => put(props.statement.rows.filter((_, i) => i !== at));
function paste(event: ClipboardEvent): void {
  const rows = rowsFrom(cellsOf(event.clipboardData?.getData("text/plain") ?? ""), props.statement.mode);
  if (!rows) return;
  event.preventDefault();
  put(rows);
}
const course = computed(() => plotted(props.statement));
</script>

<template>
  <div class="table" @paste="paste">
    <el-segmented
      :model-value="statement.mode"
      :options="MODES"
      aria-label="Between the rows"
      @update:model-value="$emit('change', { ...statement, mode: $event as 'steps' | 'linear' })"
    />
    <div v-for="(r, i) in statement.rows" :key="i" class="row">
      <el-select :model-value="r.bound" :aria-label="`Row ${i + 1} goes`" @update:model-value="change(i, { bound: $event })">
        <el-option v-for="b in BOUNDS" :key="b.value" v-bind="b" />
      </el-select>
      <SettledInput :text="r.at ?? ''" :disabled="r.bound === 'above'" :label="`Row ${i + 1} at`" @put="change(i, { at: $event })" />
      <SettledInput :text="r.gives" :label="`Row ${i + 1} gives`" @put="change(i, { gives: $event })" />
      <el-button v-if="statement.rows.length > 1" text :icon="Delete" :aria-label="`Take row ${i + 1} away`" @click="remove(i)" />
    </div>
    <el-button :icon="Plus" size="small" @click="add">A row</el-button>
    <p class="small quiet">Two columns of a spreadsheet may be pasted here.</p>
    <PlotLines
      v-if="course"
      class="plot"
      :courses="[course]"
      :said="`What ${statement.key} gives by ${statement.by}`"
      y-title=""
      kind="category"
      :height="140"
    />
  </div>
</template>

<style scoped>
.table {
  grid-column: 1 / -1;
  display: grid;
  gap: 6px;
  justify-items: start;
}
.row {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr) minmax(0, 1fr) 40px;
  gap: 6px;
  width: 100%;
}
.plot {
  width: 100%;
}
</style>
