<script setup lang="ts">
import { type HomeUnit, inWords, tapeText } from "@lodrin/core";
import FigureText from "../../ui/FigureText.vue";
import type { Ghost } from "./use-ghost.js";

/** What the option laid over the draft would change, in a sentence. */
defineProps<{ ghost: Ghost; unit: HomeUnit }>();
</script>

<template>
  <p class="ghost-note" role="status">
    <b>Dashed: {{ inWords(ghost.trial.option) }}.</b>{{ " " }}
    <template v-if="ghost.farthest">
      {{ ghost.moved }} {{ ghost.moved === 1 ? "point moves" : "points move" }}, {{ ghost.farthest.name }} most:
      <FigureText :text="tapeText(ghost.farthest.mm, unit)" />.
    </template>
    <template v-else>No point moves on this body.</template>
  </p>
</template>

<style scoped>
.ghost-note {
  max-width: min(520px, calc(100% - 40px));
  margin: 0;
  padding: 8px 14px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
</style>
