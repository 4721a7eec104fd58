<script setup lang="ts">
import {
  boundsOf,
  flatten,
  growBounds,
  type HomeUnit,
  placeAlong,
  type Run,
  svgData,
  svgLine,
  svgRing,
  walkedTo,
  walkSeam,
} from "@lodrin/core";
import { computed, watch } from "vue";
import PaperFrame from "./PaperFrame.vue";
import PaperSheet from "./PaperSheet.vue";
import { usePaper } from "./use-paper.js";
import { toScreen } from "./view.js";

/** Two edges that are sewn together, laid on each other and walked from end to end, with what is over at every mark. */
const props = defineProps<{ run: Run; unit: HomeUnit; grid: boolean; edges: readonly string[]; share: number }>();

const walk = computed(() => walkSeam(props.run.pieces, props.edges[0] ?? "", props.edges[1] ?? ""));
const longest = computed(() => Math.max(walk.value?.first.length ?? 0, walk.value?.second.length ?? 0));
const walked = computed(() => props.share * longest.value);
const lay = computed(() => (walk.value ? walkedTo(walk.value, walked.value) : undefined));
const laidRing = computed(() => (walk.value && lay.value ? walk.value.second.piece.net.map(lay.value) : []));
const laidEdge = computed(() => (walk.value && lay.value ? flatten(walk.value.second.path).map(lay.value) : []));
const bounds = computed(() => {
  const { value } = walk;
  if (!value) return { minX: 0, minY: 0, maxX: 300, maxY: 300 };
  const half = value.second.piece.net.map(walkedTo(value, longest.value / 2));
  return growBounds(boundsOf([...value.first.piece.net, ...half]) ?? { minX: 0, minY: 0, maxX: 300, maxY: 300 }, 10);
});
const { width, height, view, ruled, fit, zoomBy } = usePaper(bounds, () => props.unit);
watch(() => props.edges.join(), fit);
defineExpose({ fit, zoomBy });

const here = computed(() => (walk.value ? toScreen(view.value, placeAlong(walk.value.first.path, walked.value).at) : { x: 0, y: 0 }));
</script>

<template>
  <div ref="holder" class="holder">
    <PaperSheet :width="width" :height="height" :grid="grid" :ruled="ruled" />
    <svg
      ref="svg"
      class="drawing on-paper"
      role="group"
      aria-label="The seam: drag to move, wheel or pinch to zoom"
      :width="width"
      :height="height"
    >
      <g v-if="walk" :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
        <path class="first" :d="svgRing(walk.first.piece.net)" />
        <path class="second" :d="svgRing(laidRing)" />
        <path class="seam" :d="svgData(walk.first.path)" />
        <path class="seam other" :d="svgLine(laidEdge)" />
      </g>
      <circle v-if="walk" class="here" r="8" :cx="here.x" :cy="here.y" />
    </svg>
    <PaperFrame :width="width" :height="height" :ruled="ruled" :unit="unit" />
    <p v-if="!walk" class="gone says look">One of these edges is not on the draft any more.</p>
  </div>
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
}
</style>
