<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { fromMm, measurementName } from "@lodrin/core";
import { useElementSize } from "@vueuse/core";
import { newPlot, purge } from "plotly.js-basic-dist-min";
import { computed, onBeforeUnmount, useTemplateRef, watch } from "vue";
import { useSession } from "../../stores/session.js";
import { changesOf } from "./changes.js";

/** What changed from date to date, as lines from the first date on. The same figures stand in the comparison as a table. */
const props = defineProps<{ sets: readonly MeasurementSet[]; unit: "in" | "cm" }>();
const session = useSession();

const MOST = 5;
/** Told apart by their marks as well as by their colours. */
const MARKS = ["circle", "square", "diamond", "triangle-up", "x"];
const holder = useTemplateRef<HTMLElement>("holder");
const { width } = useElementSize(holder);
const courses = computed(() => changesOf(props.sets, MOST));

const days = computed(() => props.sets.map((set) => set.takenOn));

watch(
  [holder, width, courses, () => props.unit, () => session.night],
  ([box, wide]) => {
    if (!box || wide === 0) return;
    const style = getComputedStyle(box);
    const ink = style.getPropertyValue("--ink");
    const inks = ["--now", "--pass", "--warn", "--fail", "--ink-2"].map((name) => style.getPropertyValue(name));
    void newPlot(
      box,
      courses.value.map(({ key, days, mm }, i) => ({
        type: "scatter" as const,
        mode: "lines+markers" as const,
        name: measurementName(key),
        x: [...days],
        y: mm.map((d) => Math.round(fromMm(d, props.unit) * 100) / 100),
        line: { color: inks[i] ?? ink },
        marker: { symbol: MARKS[i] ?? "circle", size: 8 },
      })),
      {
        width: wide,
        height: 190,
        margin: { l: 46, r: 8, t: 8, b: 26 },
        paper_bgcolor: "transparent",
        plot_bgcolor: "transparent",
        font: { family: style.fontFamily, size: 14, color: ink },
        xaxis: { type: "date", tickvals: days.value, tickformat: "%-d %b", gridcolor: style.getPropertyValue("--rule") },
        yaxis: { title: { text: props.unit }, zeroline: true, gridcolor: style.getPropertyValue("--rule") },
        legend: { orientation: "v" },
        showlegend: true,
      },
      { displayModeBar: false, staticPlot: true },
    );
  },
  { immediate: true, flush: "post" },
);
onBeforeUnmount(() => holder.value && purge(holder.value));
const told = computed(() => courses.value.map(({ key }) => measurementName(key)).join(", "));
</script>

<template>
  <p v-if="courses.length === 0" class="quiet">Nothing changed by more than the tape's own play.</p>
  <div v-else ref="holder" class="holder" role="img" :aria-label="`What changed most since the first date: ${told}`" />
</template>

<style scoped>
.holder {
  width: 100%;
  height: 190px;
}
</style>
