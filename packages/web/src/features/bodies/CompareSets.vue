<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { defaultMark, type HomeUnit, measurementName, plainFigure, readTape, tapeText } from "@lodrin/core";
import { computed } from "vue";
import FigureText from "../../ui/FigureText.vue";
import { sayDay } from "../../ui/times.js";
import { readSet } from "../../measures/doubts.js";

/** Two dates of one person, figure by figure, with the difference. */
const props = defineProps<{ older: MeasurementSet; newer: MeasurementSet; unit: HomeUnit }>();

/** One measurement on the two dates; `mm` is how far it changed, for sorting. */
interface Row {
  readonly name: string;
  readonly before: string;
  readonly after: string;
  readonly change: string;
  readonly mm: number;
}

const rows = computed((): Row[] => {
  const before = readSet(props.older.written, props.older.unit);
  const after = readSet(props.newer.written, props.newer.unit);
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].map((key) => {
    const a = before[key];
    const b = after[key];
    const both = a !== undefined && b !== undefined;
    const [change, mm] = both ? [difference(b - a), Math.abs(b - a)] : ["", -1];
    return { name: measurementName(key), before: say(a), after: say(b), change, mm };
  });
});

const say = (mm: number | undefined): string => (mm === undefined ? "not taken" : tapeText(mm, props.unit));

function difference(mm: number): string {
  if (Math.abs(mm) < 0.5) return "the same";
  const reading = readTape(Math.abs(mm), defaultMark(props.unit));
  const figure = reading.figure === "0" || reading.figure === "0.0" ? plainFigure(Math.abs(mm) / 10) : reading.figure;
  return `${mm > 0 ? "+" : "−"} ${figure} ${reading.unit}`;
}
</script>

<template>
  <section>
    <h3>{{ sayDay(older.takenOn) }} beside {{ sayDay(newer.takenOn) }}</h3>
    <el-table :data="rows" :default-sort="{ prop: 'mm', order: 'descending' }">
      <el-table-column label="Measurement" prop="name" sortable min-width="150" />
      <el-table-column :label="sayDay(older.takenOn)" min-width="100">
        <template #default="{ row }: { row: Row }"><FigureText :text="row.before" /></template>
      </el-table-column>
      <el-table-column :label="sayDay(newer.takenOn)" min-width="100">
        <template #default="{ row }: { row: Row }"><FigureText :text="row.after" /></template>
      </el-table-column>
      <el-table-column label="Change" prop="mm" sortable min-width="110">
        <template #default="{ row }: { row: Row }"
          ><span :class="{ changed: row.change !== '' && row.change !== 'the same' }"><FigureText :text="row.change" /></span
        ></template>
      </el-table-column>
    </el-table>
  </section>
</template>

<style scoped>
section {
  padding: 16px 20px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
h3 {
  margin-bottom: 8px;
  font-size: 19px;
}
.changed {
  font-weight: 700;
}
</style>
