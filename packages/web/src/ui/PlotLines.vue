<script setup lang="ts">
import { useElementSize } from "@vueuse/core";
import { newPlot, purge } from "plotly.js-basic-dist-min";
import { onBeforeUnmount, useTemplateRef, watch } from "vue";
import { useSession } from "../stores/session.js";

/** Lines of figures over dates or sizes, in the palette, by day and night. What they say must also stand somewhere as text. */
const props = defineProps<{
  courses: readonly {
    readonly name: string;
    readonly x: readonly string[];
    readonly y: readonly (number | null)[];
    /** How it goes from one figure to the next; straight when it is not said. */
    readonly shape?: "linear" | "vh" | "hv";
  }[];
  /** What the picture shows, in a sentence. */
  said: string;
  yTitle: string;
  kind: "date" | "category";
  height: number;
}>();
const session = useSession();

/** Told apart by their marks as well as by their colours. */
const MARKS = ["circle", "square", "diamond", "triangle-up", "x"];
const INKS = ["--now", "--pass", "--warn", "--fail", "--ink-2"];
const holder = useTemplateRef<HTMLElement>("holder");
const { width } = useElementSize(holder);

watch(
  [holder, width, () => props.courses, () => props.yTitle, () => session.night],
  ([box, wide]) => {
    if (!box || wide === 0) return;
    const style = getComputedStyle(box);
    const ink = style.getPropertyValue("--ink");
    const rule = style.getPropertyValue("--rule");
    const dates = props.kind === "date" ? { tickvals: [...(props.courses[0]?.x ?? [])], tickformat: "%-d %b" } : {};
    void newPlot(
      box,
      props.courses.map(({ name, x, y, shape }, i) => ({
        type: "scatter" as const,
        mode: "lines+markers" as const,
        name,
        x: [...x],
        y: [...y],
        line: { color: style.getPropertyValue(INKS[i] ?? "--ink"), shape: shape ?? ("linear" as const) },
        marker: { symbol: MARKS[i] ?? "circle", size: 8 },
      })),
      {
        width: wide,
        height: props.height,
        margin: { l: 46, r: 8, t: 8, b: 26 },
        paper_bgcolor: "transparent",
        plot_bgcolor: "transparent",
        font: { family: style.fontFamily, size: 14, color: ink },
        xaxis: { type: props.kind, gridcolor: rule, ...dates },
        yaxis: { title: { text: props.yTitle }, zeroline: props.kind === "date", gridcolor: rule },
        legend: { orientation: "v" },
        showlegend: true,
      },
      { displayModeBar: false, staticPlot: true },
    );
  },
  { immediate: true, flush: "post" },
);
onBeforeUnmount(() => holder.value && purge(holder.value));
</script>

<template>
  <div ref="holder" class="holder" role="img" :style="{ height: `${height}px` }" :aria-label="said" />
</template>

<style scoped>
.holder {
  width: 100%;
}
</style>
