<script setup lang="ts">
import { type Course, courseOnFigure, FIGURE_LINES, measurementByKey, measurementName } from "@lodrin/core";
import { computed } from "vue";
import FigureDrawing from "./FigureDrawing.vue";

/** Our own line drawing of a body, front or back, with the line along which the tape runs. */
const props = defineProps<{
  keyName: string | undefined;
  how?: string | undefined;
  /** What a system calls a measurement that is another than the known one of that key. */
  ownName?: string | undefined;
  /** Where the tape of a measurement of the system's own runs. */
  course?: Course | undefined;
}>();

const known = computed(() => (props.keyName === undefined || props.ownName !== undefined ? undefined : measurementByKey(props.keyName)));
const own = computed(() => props.course && courseOnFigure(props.course));
const line = computed(() => own.value?.line ?? (known.value ? FIGURE_LINES[known.value.key] : undefined));
const back = computed(() => (own.value ?? known.value)?.view === "back");
const name = computed(() => props.ownName ?? (props.keyName === undefined ? "" : measurementName(props.keyName)));
</script>

<template>
  <figure class="on-paper">
    <FigureDrawing
      class="figure"
      :back="back"
      :tape="line"
      role="img"
      :label="name ? `${name}: the tape on the ${back ? 'back' : 'front'} of the figure` : 'A figure, seen from the front'"
    />
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
.figure {
  height: min(46vh, 400px);
  width: 100%;
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
