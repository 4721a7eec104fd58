<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";
import { computed } from "vue";
import PlotLines from "../../../ui/PlotLines.vue";

/** Figures against size: what it comes to and what is wanted. The same figures stand in the table beside it. */
const props = defineProps<{
  sizes: readonly string[];
  lines: readonly { readonly name: string; readonly y: readonly (number | null)[] }[];
  broken: readonly boolean[];
  unit: HomeUnit;
  name: string;
}>();
const courses = computed(() => props.lines.map(({ name, y }) => ({ name, x: [...props.sizes], y: [...y] })));
const said = computed(() => {
  const broken = props.sizes.filter((_, i) => props.broken[i]);
  return `${props.name} against size${broken.length ? `; breaks at ${broken.join(", ")}` : ""}`;
});
</script>

<template>
  <PlotLines :courses="courses" :said="said" :y-title="unit" kind="category" :height="165" />
</template>
