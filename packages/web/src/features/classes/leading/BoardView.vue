<script setup lang="ts">
import { computed, watch } from "vue";
import BoardPaper from "../../../board/BoardPaper.vue";
import { useSession } from "../../../stores/session.js";
import LoadState from "../../../ui/LoadState.vue";
import { useLoad } from "../../../ui/use-load.js";
import BigStep from "../../../handout/BigStep.vue";
import { useShown } from "./use-lead.js";
import { useLive } from "../../../live/use-live.js";

/** For the projector: the step the class is at with its rule, on a sample body. No one's figures, no one's name. */
const session = useSession();
const { classId, system, drafted, step, entry, at, load } = useShown();
const { live } = useLive(classId);
const { ready, why, again } = useLoad(load);
const unit = computed(() => session.unit);
watch([live, ready], ([now]) => {
  if (now && now.slug === system.value?.sheet.slug) step.value = Math.max(0, at(now.step));
});
</script>

<template>
  <div v-if="!ready || !system || !drafted || !entry" class="page"><LoadState what="the board" :why="why" @again="again" /></div>
  <div v-else class="board">
    <section>
      <h1 class="visually-hidden">{{ system.sheet.title }}</h1>
      <BigStep :entry="entry" :unit="unit" :place="step + 1" :of="system.loaded.plan.steps.length" :ticked="false" />
      <p class="quiet">On a sample body: each works out their own figure.</p>
    </section>
    <div class="paper">
      <BoardPaper :plan="system.loaded.plan" :run="drafted" :step="step" :unit="unit" :grid="false" :ahead="false" :marks="[]" />
    </div>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: minmax(360px, 44%) minmax(0, 1fr);
  height: 100%;
}
section {
  overflow: auto;
  background: var(--panel);
  font-size: 1.15em;
}
section > p {
  padding: 0 24px;
}
.paper {
  position: relative;
  background: var(--table);
}
</style>
