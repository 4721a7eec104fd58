<script setup lang="ts">
import { type Plan, run, sampleBody } from "@lodrin/core";
import { drawPieces } from "@lodrin/formats";
import { computed } from "vue";

/** A small drawing of the pieces a system makes, from a real run on a body in the middle of its ranges. */
const props = defineProps<{ plan: Plan }>();

const picture = computed(() => {
  const drawing = drawPieces(run(props.plan, sampleBody(props.plan)));
  const { minX, minY, maxX, maxY } = drawing.bounds;
  const strokes = drawing.marks.flatMap((m) =>
    m.kind === "stroke" && m.layer !== "notches" && m.layer !== "grain"
      ? [{ d: m.data ?? `M${m.places.map((p) => `${p.x} ${p.y}`).join("L")}${m.closed ? "Z" : ""}`, layer: m.layer }]
      : [],
  );
  return { box: `${minX} ${minY} ${maxX - minX} ${maxY - minY}`, strokes };
});
</script>

<template>
  <svg class="on-paper" :viewBox="picture.box" aria-hidden="true">
    <path v-for="(s, i) in picture.strokes" :key="i" :d="s.d" :class="s.layer" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
}
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  vector-effect: non-scaling-stroke;
}
.levels {
  stroke: #a9a596;
  stroke-width: 1;
}
.fold {
  stroke-dasharray: 7 3 2 3;
}
</style>
