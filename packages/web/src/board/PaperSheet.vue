<script setup lang="ts">
/** The bare sheet under a drawing, with its grid. A layer of its own, so that what is drawn can change without it. */
defineProps<{ width: number; height: number; grid: boolean; ruled: { fine: string; strong: string } }>();
</script>

<template>
  <svg class="layer on-paper" aria-hidden="true" :width="width" :height="height">
    <rect :width="width" :height="height" />
    <template v-if="grid">
      <path class="fine" :d="ruled.fine" />
      <path class="strong" :d="ruled.strong" />
    </template>
  </svg>
</template>

<style scoped src="./layer.css"></style>
<style scoped>
rect {
  fill: var(--paper);
}
path {
  fill: none;
}
.fine {
  stroke: var(--grid);
  stroke-width: 0.6;
}
.strong {
  stroke: var(--grid-strong);
  stroke-width: 0.9;
}
</style>
