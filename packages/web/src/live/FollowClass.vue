<script setup lang="ts">
import { type Draft, liveRoutes, type SchoolClass } from "@lodrin/contract";
import type { Review } from "@lodrin/core";
import { useStorage, watchDebounced } from "@vueuse/core";
import { computed, watch } from "vue";
import { call } from "../api/call.js";
import { useLive } from "./use-live.js";

/** A lesson under way: I stay at the class's step with my own figures, or see where the class is while I am elsewhere. */
const props = defineProps<{ schoolClass: SchoolClass; draft: Draft; step: string; ticked: boolean; review: Review }>();
const emit = defineEmits<{ go: [step: string] }>();
const { live, connected } = useLive(props.schoolClass.id);
const here = computed(() => (live.value?.slug === props.draft.slug ? live.value : undefined));
const follows = useStorage(`lodrin-follows-${props.schoolClass.id}`, true);
const off = computed(() => props.review.readings.filter((r) => r.verdict === "off").map((r) => r.name));

watch(
  () => here.value?.move,
  () => here.value && follows.value && emit("go", here.value.step),
  { immediate: true },
);
function stay(): void {
  follows.value = true;
  if (here.value) emit("go", here.value.step);
}

const TELL_MS = 250;
watchDebounced(
  [here, () => props.step, () => props.ticked, off],
  () => {
    if (!here.value) return;
    const body = { step: props.step, ticked: props.ticked, off: off.value.slice(0, 60) };
    // Where I am is told again with the next step: one that is lost harms nobody.
    void call(liveRoutes.follow, { params: { id: props.schoolClass.id }, body }).catch(() => undefined);
  },
  { debounce: TELL_MS, immediate: true },
);
</script>

<template>
  <p v-if="here" class="bar" role="status">
    <b>{{ schoolClass.name }}</b>
    <span v-if="here.step === step">You are where the class is.</span>
    <template v-else>
      <span
        >The class is at <b>{{ here.step.replace("#", "") }}</b>.</span
      >
      <el-button @click="stay">Go there</el-button>
    </template>
    <el-checkbox v-model="follows">Go along with the class</el-checkbox>
    <span class="small">Your teacher sees where you are and whether a reading is off, not your figures.</span>
    <span v-if="!connected" class="small">Not connected just now; it comes back by itself.</span>
  </p>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  padding: 6px 16px;
  background: var(--now-tint);
  border-bottom: 1px solid var(--rule);
  font-size: 18px;
}
</style>
