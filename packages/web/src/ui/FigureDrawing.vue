<script setup lang="ts">
import { FIGURE } from "@lodrin/core";

/** Our own line drawing of a body, from the front or the back, with the line along which a tape runs; what is pressed on it is the slot. */
defineProps<{ back: boolean; tape: string | undefined; role: "img" | "group"; label: string }>();
</script>

<template>
  <svg class="on-paper" :viewBox="`20 0 160 ${FIGURE.height}`" :role="role" :aria-label="label">
    <path v-for="d in FIGURE.outline" :key="d" class="body" :d="d" />
    <path class="detail" :d="back ? FIGURE.back : FIGURE.front" />
    <path v-if="tape" class="tape-under" :d="tape" />
    <path v-if="tape" class="tape" :d="tape" />
    <slot />
  </svg>
</template>

<style scoped>
.body {
  fill: #f3ecdd;
  stroke: #3d4348;
  stroke-width: 1.5;
  stroke-linejoin: round;
}
.detail {
  fill: none;
  stroke: #9b968a;
  stroke-width: 1;
}
.tape-under {
  fill: none;
  stroke: #fffaf0;
  stroke-width: 7;
  stroke-linecap: round;
}
.tape {
  fill: none;
  stroke: var(--now);
  stroke-width: 3.4;
  stroke-linecap: round;
  stroke-dasharray: 7 2.4;
}
</style>
