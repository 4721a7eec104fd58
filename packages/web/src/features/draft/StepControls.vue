<script setup lang="ts">
/** Step forward and back, play, jump; fit and zoom; construction or pieces. */
defineProps<{ step: number; last: number; playing: boolean; pieces: boolean; grid: boolean }>();
defineEmits<{ go: [step: number]; play: []; fit: []; zoom: [factor: number]; pieces: [on: boolean]; grid: [] }>();
</script>

<template>
  <div class="controls" role="toolbar" aria-label="The paper">
    <div class="group" role="group" aria-label="What lies on the paper">
      <button :aria-pressed="!pieces" @click="$emit('pieces', false)">Construction</button>
      <button :aria-pressed="pieces" @click="$emit('pieces', true)">Pieces</button>
    </div>
    <div v-if="!pieces" class="group" role="group" aria-label="Steps">
      <button class="end" aria-label="First step (Home)" :disabled="step === 0" @click="$emit('go', 0)">|◂</button>
      <button aria-label="Previous step (left arrow)" :disabled="step === 0" @click="$emit('go', step - 1)">◂</button>
      <button class="wide" :aria-label="playing ? 'Stop playing (space)' : 'Play the steps (space)'" @click="$emit('play')">
        {{ playing ? "Stop" : "Play" }}
      </button>
      <button aria-label="Next step (right arrow)" :disabled="step === last" @click="$emit('go', step + 1)">▸</button>
      <button class="end" aria-label="Last step (End)" :disabled="step === last" @click="$emit('go', last)">▸|</button>
      <span class="count" aria-live="off">{{ step + 1 }} / {{ last + 1 }}</span>
    </div>
    <div class="group view" role="group" aria-label="View">
      <button aria-label="Smaller (minus)" @click="$emit('zoom', 1 / 1.3)">−</button>
      <button aria-label="Fit the paper (F)" @click="$emit('fit')">Fit</button>
      <button aria-label="Larger (plus)" @click="$emit('zoom', 1.3)">+</button>
      <button :aria-pressed="grid" aria-label="Grid (G)" @click="$emit('grid')">Grid</button>
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
button {
  min-width: 42px;
  height: 42px;
  padding: 0 12px;
  border: 0;
  background: transparent;
  color: var(--ink);
  font-weight: 600;
  cursor: pointer;
}
button:hover:not(:disabled) {
  background: var(--now-tint);
}
button:focus-visible {
  outline-offset: -3px;
}
button:disabled {
  opacity: 0.4;
  cursor: default;
}
button[aria-pressed="true"] {
  background: var(--now-tint);
  color: var(--now);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.view {
  position: absolute;
  top: 32px;
  right: 8px;
}
@container (width < 540px) {
  .end,
  .count {
    display: none;
  }
}
.wide {
  min-width: 62px;
}
.count {
  padding: 0 12px 0 6px;
  font-variant-numeric: tabular-nums;
  color: var(--ink-2);
  font-size: 15px;
}
</style>
