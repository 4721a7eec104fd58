<script setup lang="ts">
import {
  boundsOf,
  flatten,
  growBounds,
  type HomeUnit,
  type Plan,
  type Run,
  type SewnEdges,
  svgData,
  svgLine,
  svgRing,
  walkedTo,
} from "@lodrin/core";
import { computed, watch } from "vue";
import PaperOnGlass from "./PaperOnGlass.vue";
import { usePaper } from "./use-paper.js";
import { toScreen } from "./view.js";
import { walkOf } from "./walk-of.js";

/** Two edges that are sewn together, laid on each other and walked from end to end, with what is over at every mark. */
const props = defineProps<{ plan: Plan; run: Run; unit: HomeUnit; grid: boolean; seam: SewnEdges; share: number }>();

const walk = computed(() => walkOf(props.plan, props.run, props.seam));
/** As far as the longer side runs, where no ease is shared out; else along the first. */
const longest = computed(() => {
  const { value } = walk;
  return !value ? 0 : value.easedMm === 0 ? Math.max(value.first.length, value.second.length) : value.first.length;
});
const laid = computed(() => walk.value && walkedTo(walk.value, props.share * longest.value));
const laidRing = computed(() => laid.value?.second.piece.net.map(laid.value.lay) ?? []);
const laidEdge = computed(() => (laid.value ? flatten(laid.value.second.path).map(laid.value.lay) : []));
const bounds = computed(() => {
  const { value } = walk;
  if (!value) return { minX: 0, minY: 0, maxX: 300, maxY: 300 };
  const { first, second, lay } = walkedTo(value, longest.value / 2);
  return growBounds(boundsOf([...first.piece.net, ...second.piece.net.map(lay)]) ?? { minX: 0, minY: 0, maxX: 300, maxY: 300 }, 10);
});
const paper = usePaper(bounds, () => props.unit);
const { view, fit, zoomBy } = paper;
watch(() => [props.seam.first.join(), props.seam.second.join()].join(" "), fit);
defineExpose({ fit, zoomBy });

const here = computed(() => (laid.value ? toScreen(view.value, laid.value.at) : { x: 0, y: 0 }));
</script>

<template>
  <PaperOnGlass :paper="paper" :grid="grid" :unit="unit" what="The seam">
    <g v-if="laid" :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
      <path class="first" :d="svgRing(laid.first.piece.net)" />
      <path class="second" :d="svgRing(laidRing)" />
      <path class="seam" :d="svgData(laid.first.path)" />
      <path class="seam other" :d="svgLine(laidEdge)" />
    </g>
    <circle v-if="walk" class="here" r="8" :cx="here.x" :cy="here.y" />
    <template #says>
      <el-alert
        v-if="!walk"
        class="gone"
        type="warning"
        role="status"
        :closable="false"
        title="One of these edges is not on the draft any more."
      />
    </template>
  </PaperOnGlass>
</template>

<style scoped src="./paper.css"></style>
<style scoped>
.first {
  fill: #fffdf7;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.second {
  fill: #8a2c6b1f;
  stroke: var(--now);
  stroke-width: 1.6;
}
.seam {
  stroke: var(--ink);
  stroke-width: 4;
}
.seam.other {
  stroke: var(--now);
  stroke-width: 2.4;
}
.here {
  fill: none;
  stroke: var(--now);
  stroke-width: 2.4;
}
.gone {
  position: absolute;
  inset: auto 40px 70px;
  width: auto;
}
</style>
