<script setup lang="ts">
import { ArrowLeft, ArrowRight, Back, Grid, Minus, Plus, Right, VideoPause, VideoPlay, View } from "@element-plus/icons-vue";

/** Step forward and back, play, jump; fit and zoom; construction or pieces; what lies on the paper besides. `still`: steps are not played. */
defineProps<{ step: number; last: number; playing: boolean; pieces: boolean; grid: boolean; ahead: boolean; still?: boolean }>();
defineEmits<{ go: [step: number]; play: []; fit: []; zoom: [factor: number]; pieces: [on: boolean]; grid: []; ahead: [] }>();
const LAID = [
  { label: "Construction", value: false },
  { label: "Pieces", value: true },
];
</script>

<template>
  <div class="controls" role="toolbar" aria-label="The paper">
    <el-segmented
      class="group"
      :model-value="pieces"
      :options="LAID"
      aria-label="What lies on the paper"
      @update:model-value="$emit('pieces', Boolean($event))"
    />
    <div v-if="!pieces" class="group" role="group" aria-label="Steps">
      <el-button
        text
        class="end"
        :icon="Back"
        title="First step (Home)"
        aria-label="First step (Home)"
        :disabled="step === 0"
        @click="$emit('go', 0)"
      />
      <el-button
        text
        :icon="ArrowLeft"
        title="Previous step (left arrow)"
        aria-label="Previous step (left arrow)"
        :disabled="step === 0"
        @click="$emit('go', step - 1)"
      />
      <el-button
        v-if="!still"
        text
        class="wide"
        :icon="playing ? VideoPause : VideoPlay"
        :aria-label="playing ? 'Stop playing (space)' : 'Play the steps (space)'"
        @click="$emit('play')"
        >{{ playing ? "Stop" : "Play" }}</el-button
      >
      <el-button
        text
        :icon="ArrowRight"
        title="Next step (right arrow)"
        aria-label="Next step (right arrow)"
        :disabled="step === last"
        @click="$emit('go', step + 1)"
      />
      <el-button
        text
        class="end"
        :icon="Right"
        title="Last step (End)"
        aria-label="Last step (End)"
        :disabled="step === last"
        @click="$emit('go', last)"
      />
      <span class="count" aria-live="off">{{ step + 1 }} / {{ last + 1 }}</span>
    </div>
    <div class="group view" role="group" aria-label="View">
      <el-button text :icon="Minus" title="Smaller (minus)" aria-label="Smaller (minus)" @click="$emit('zoom', 1 / 1.3)" />
      <el-button text aria-label="Fit the paper (F)" @click="$emit('fit')">Fit</el-button>
      <el-button text :icon="Plus" title="Larger (plus)" aria-label="Larger (plus)" @click="$emit('zoom', 1.3)" />
      <el-button text :class="{ on: grid }" :icon="Grid" :aria-pressed="grid" title="Grid (G)" aria-label="Grid (G)" @click="$emit('grid')"
        ><span class="word">Grid</span></el-button
      >
      <el-button
        v-if="!pieces"
        text
        :class="{ on: ahead }"
        :icon="View"
        :aria-pressed="ahead"
        title="What is still to come (O)"
        aria-label="What is still to come (O)"
        @click="$emit('ahead')"
        ><span class="word">Ahead</span></el-button
      >
    </div>
  </div>
</template>

<style scoped>
.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 8px;
  pointer-events: none;
}
.group {
  display: flex;
  align-items: center;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
  overflow: hidden;
  pointer-events: auto;
}
.group .el-button {
  min-height: 42px;
  min-width: 40px;
  padding: 0 9px;
  border-radius: 0;
}
.group .el-button:focus-visible {
  outline-offset: -3px;
}
.on {
  background: var(--now-tint) !important;
  color: var(--now) !important;
  text-decoration: underline;
  text-underline-offset: 4px;
}
.view {
  margin-left: auto;
}
@container (width < 420px) {
  .controls {
    gap: 6px;
    padding: 6px;
  }
  .view,
  .wide :deep(span) {
    display: none;
  }
}
@container (width < 780px) {
  .word {
    display: none;
  }
  .view :deep(.el-icon + span:has(.word)) {
    margin: 0;
  }
}
@container (width < 700px) {
  .count {
    display: none;
  }
}
@container (width < 540px) {
  .end {
    display: none;
  }
}
.count {
  padding: 0 12px 0 6px;
  font-variant-numeric: tabular-nums;
  color: var(--ink-2);
  font-size: 15px;
}
</style>
