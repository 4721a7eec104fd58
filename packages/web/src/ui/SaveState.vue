<script setup lang="ts">
import { computed } from "vue";
import type { AutosaveState } from "../api/autosave.js";
import { sayMoment } from "./times.js";

/** Where a change stands, in words. */
const props = defineProps<{ state: AutosaveState; savedAt: string; why?: string }>();

const text = computed(() => {
  switch (props.state) {
    case "saved":
      return `Saved ${sayMoment(props.savedAt)}`;
    case "waiting":
    case "saving":
      return "Saving …";
    case "offline":
      return "Not yet saved: no connection. Kept on this device.";
    case "signed-out":
      return "Not yet saved: your session has ended.";
    case "collision":
      return "Not saved: changed in another tab.";
    default:
      return `Not saved: ${props.why ?? ""}`;
  }
});
</script>

<template>
  <span class="state" role="status" :class="{ bad: state !== 'saved' && state !== 'waiting' && state !== 'saving' }">{{ text }}</span>
</template>

<style scoped>
.state {
  color: var(--ink-2);
  font-size: 15px;
}
.bad {
  color: var(--fail);
  font-weight: 600;
}
</style>
