<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { nearestInWords, nearestSize } from "@lodrin/core";
import { computed } from "vue";
import { useCharts } from "../../stores/charts.js";
import { sizesMm } from "../../measures/size-body.js";
import { readSet } from "../../measures/doubts.js";

/** The size of each chart that lies nearest to a person, and where the person differs from it, in words. */
const props = defineProps<{ set: MeasurementSet; unit: "in" | "cm" }>();
const charts = useCharts();
// Without the charts there is nothing to compare with, and nothing else is missing.
if (!charts.loaded) void charts.load().catch(() => undefined);
const FEWEST = 3;
const nearest = computed(() =>
  charts.charts
    .flatMap((chart) => {
      const found = nearestSize(readSet(props.set.written, props.set.unit), sizesMm(chart));
      return found && found.compared >= FEWEST
        ? [{ chart: chart.name, found, off: found.differs.reduce((sum, d) => sum + Math.abs(d.by), 0) / found.compared }]
        : [];
    })
    .sort((a, b) => a.off - b.off),
);
</script>

<template>
  <el-collapse v-if="nearest.length" class="nearest">
    <el-collapse-item :title="`Nearest size: ${nearest[0]?.chart}, ${nearest[0]?.found.name}`">
      <ul>
        <li v-for="n in nearest" :key="n.chart">
          <b>{{ n.chart }}.</b> {{ nearestInWords(n.found, unit) }}
        </li>
      </ul>
    </el-collapse-item>
  </el-collapse>
</template>

<style scoped>
.nearest {
  margin: 0 0 14px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
