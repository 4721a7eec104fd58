<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { defaultMark, type HomeUnit, measurementName, plainFigure, readTape, tapeText } from "@lodrin/core";
import { computed } from "vue";
import FigureText from "../../ui/FigureText.vue";
import { sayDay } from "../../ui/times.js";
import { readSet } from "./doubts.js";

/** Two dates of one person, figure by figure, with the difference. */
const props = defineProps<{ older: MeasurementSet; newer: MeasurementSet; unit: HomeUnit }>();

const rows = computed(() => {
  const before = readSet(props.older.written, props.older.unit);
  const after = readSet(props.newer.written, props.newer.unit);
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].map((key) => {
    const a = before[key];
    const b = after[key];
    return { key, before: say(a), after: say(b), change: a === undefined || b === undefined ? "" : difference(b - a) };
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
  <table>
    <caption>
      {{
        sayDay(older.takenOn)
      }}
      beside
      {{
        sayDay(newer.takenOn)
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">Measurement</th>
        <th scope="col">{{ sayDay(older.takenOn) }}</th>
        <th scope="col">{{ sayDay(newer.takenOn) }}</th>
        <th scope="col">Change</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.key">
        <th scope="row">{{ measurementName(row.key) }}</th>
        <td><FigureText :text="row.before" /></td>
        <td><FigureText :text="row.after" /></td>
        <td :class="{ changed: row.change !== '' && row.change !== 'the same' }"><FigureText :text="row.change" /></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  background: var(--panel);
  border-radius: var(--radius);
}
caption {
  text-align: left;
  font: 560 19px var(--face-title);
  padding: 0 0 10px;
}
th,
td {
  padding: 9px 16px;
  text-align: left;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  font-weight: 600;
}
.changed {
  font-weight: 700;
}
</style>
