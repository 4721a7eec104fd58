<script setup lang="ts">
import { ref } from "vue";
import { useUndo } from "../stores/undo.js";

const store = useUndo();
const why = ref("");

async function attempt(act: () => Promise<void>, told: string): Promise<void> {
  try {
    await act();
  } catch (error) {
    why.value = `${told}: ${(error as Error).message}`;
    setTimeout(() => (why.value = ""), 8_000);
  }
}
</script>

<template>
  <div class="bar" role="status" aria-live="polite" :class="{ shown: store.text || why }">
    <template v-if="store.text">
      <span>{{ store.text }}</span>
      <button class="button" @click="attempt(store.undo, 'It could not be brought back')">Bring it back</button>
      <button v-if="store.endable" class="button plain" @click="attempt(store.deleteForGood, 'It could not be deleted for good')">
        Delete for good
      </button>
      <button class="button plain" aria-label="Close this message" @click="store.dismiss()">✕</button>
    </template>
    <span v-else-if="why">{{ why }}</span>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  z-index: 3000;
  inset: auto 0 20px;
  width: max-content;
  max-width: calc(100% - 32px);
  margin: 0 auto;
  display: none;
  align-items: center;
  gap: 14px;
  padding: 8px 8px 8px 18px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
  border: 1.5px solid var(--ink-3);
}
.bar.shown {
  display: flex;
}
</style>
