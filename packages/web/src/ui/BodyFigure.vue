<script setup lang="ts">
import { type Course, courseOnFigure, FIGURE, FIGURE_LINES, measurementByKey, measurementName } from "@lodrin/core";
import { computed } from "vue";

/** Our own line drawing of a body, front or back, with the line along which the tape runs. */
const props = defineProps<{
  keyName: string | undefined;
  how?: string | undefined;
  /** Where the tape of a measurement of the system's own runs. */
  course?: Course | undefined;
}>();

const known = computed(() => (props.keyName === undefined ? undefined : measurementByKey(props.keyName)));
const own = computed(() => props.course && courseOnFigure(props.course));
const line = computed(() => own.value?.line ?? (props.keyName === undefined ? undefined : FIGURE_LINES[props.keyName]));
const back = computed(() => (own.value ?? known.value)?.view === "back");
const name = computed(() => (props.keyName === undefined ? "" : measurementName(props.keyName)));
</script>

<template>
  <figure class="on-paper">
    <svg
      viewBox="20 0 160 460"
      role="img"
      :aria-label="name ? `${name}: the tape on the ${back ? 'back' : 'front'} of the figure` : 'A figure, seen from the front'"
    >
      <g class="body"><path v-for="d in FIGURE.outline" :key="d" :d="d" /></g>
      <g class="detail"><path :d="back ? FIGURE.back : FIGURE.front" /></g>
      <path v-if="line" class="tape-under" :d="line" />
      <path v-if="line" class="tape" :d="line" />
    </svg>
    <figcaption>
      <b v-if="name">{{ name }}</b><span v-if="name" class="side">{{ back ? "back" : "front" }}</span>
      <p v-if="how ?? known?.how">{{ how ?? known?.how }}</p>
      <p v-if="own">{{ own.says }}</p>
      <p v-if="known?.iso" class="iso">ISO 8559-1: {{ known.iso }}</p>
      <p v-if="!keyName">
        Choose a field to see where the tape runs. Ask first, measure over light clothing, and let the person place the tape themselves.
      </p>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: 10px;
  padding: 16px;
  border-radius: var(--radius);
  background: #fbf8f0;
  color: var(--ink);
}
svg {
  height: min(46vh, 400px);
  width: 100%;
}
.body path {
  fill: #f3ecdd;
  stroke: #3d4348;
  stroke-width: 1.5;
  stroke-linejoin: round;
}
.detail path {
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
figcaption {
  font-size: 16px;
}
.side {
  margin-left: 8px;
  color: var(--ink-3);
}
.iso {
  color: var(--ink-3);
  font-size: 14px;
}
</style>
