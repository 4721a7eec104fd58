<script setup lang="ts">
import type { Picture } from "./picture.js";

/** A small drawing of the pieces a system makes. */
defineProps<{ picture: Picture }>();
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
