<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { fromMm, measurementName } from "@lodrin/core";
import { computed } from "vue";
import PlotLines from "../../ui/PlotLines.vue";
import { changesOf } from "./changes.js";

/** What changed from date to date, as lines from the first date on. The same figures stand in the comparison as a table. */
const props = defineProps<{ sets: readonly MeasurementSet[]; unit: "in" | "cm" }>();

const MOST = 5;
const courses = computed(() =>
  changesOf(props.sets, MOST).map(({ key, days, mm }) => ({
    name: measurementName(key),
    x: days,
    y: mm.map((d) => Math.round(fromMm(d, props.unit) * 100) / 100),
  })),
);
const told = computed(() => `What changed most since the first date: ${courses.value.map(({ name }) => name).join(", ")}`);
</script>

<template>
  <p v-if="courses.length === 0" class="quiet">Nothing changed by more than the tape's own play.</p>
  <PlotLines v-else :courses="courses" :said="told" :y-title="unit" kind="date" :height="190" />
</template>
