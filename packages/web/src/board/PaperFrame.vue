<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";

/** The rules along the top and left edge of the sheet, in the unit in use. */
defineProps<{
  width: number;
  height: number;
  unit: HomeUnit;
  ruled: {
    top: readonly { at: number; text: string }[];
    left: readonly { at: number; text: string }[];
    topTicks: string;
    leftTicks: string;
  };
}>();
</script>

<template>
  <svg class="layer on-paper" aria-hidden="true" :width="width" :height="height">
    <rect :width="width" height="24" />
    <rect width="24" :height="height" />
    <path :d="ruled.topTicks" />
    <path :d="ruled.leftTicks" />
    <text v-for="f in ruled.top" :key="`t${f.at}`" :x="f.at + 3" y="12">{{ f.text }}</text>
    <text v-for="f in ruled.left" :key="`l${f.at}`" :transform="`translate(12 ${f.at - 3}) rotate(-90)`">{{ f.text }}</text>
    <rect class="corner" width="24" height="24" />
    <text class="unit" x="12" y="16">{{ unit }}</text>
  </svg>
</template>

<style scoped src="./layer.css"></style>
<style scoped>
rect {
  fill: #efe9d8;
}
path {
  stroke: #6d6a5c;
  stroke-width: 1;
  fill: none;
}
text {
  font: 500 11.5px var(--face);
  fill: #4d4b40;
  font-variant-numeric: tabular-nums;
}
.unit {
  text-anchor: middle;
  font-weight: 700;
}
.corner {
  fill: #e2dac2;
}
</style>
