<script setup lang="ts">
import type { TraceEntry } from "@lodrin/core";
import { computed, nextTick, useTemplateRef, watch } from "vue";
import HandoutStep from "./HandoutStep.vue";

/** The system as a teacher would hand it out: headings, numbered sentences, the current step open. */
const props = defineProps<{ trace: readonly TraceEntry[]; step: number }>();
defineEmits<{ go: [step: number] }>();

const list = useTemplateRef<HTMLElement>("list");
const groups = computed(() => {
  const out: { title: string | undefined; entries: { entry: TraceEntry; index: number }[] }[] = [];
  props.trace.forEach((entry, index) => {
    const group = out[out.length - 1];
    if (group && group.title === entry.part) group.entries.push({ entry, index });
    else out.push({ title: entry.part, entries: [{ entry, index }] });
  });
  return out;
});

watch(
  () => props.step,
  async () => {
    await nextTick();
    const here = list.value?.querySelector<HTMLElement>("[aria-current='step']");
    if (!here || !list.value) return;
    const box = list.value.getBoundingClientRect();
    const at = here.getBoundingClientRect();
    if (at.top < box.top + 40 || at.bottom > box.bottom - 40) list.value.scrollTop += at.top - box.top - box.height * 0.25;
  },
  { immediate: true },
);
</script>

<template>
  <div ref="list" class="handout" tabindex="0" role="region" aria-label="Handout">
    <section v-for="group in groups" :key="group.title ?? ''">
      <h2 v-if="group.title">{{ group.title }}</h2>
      <ol>
        <li v-for="{ entry, index } in group.entries" :key="index">
          <HandoutStep :entry="entry" :state="index === step ? 'now' : index < step ? 'done' : 'later'" @go="$emit('go', index)" />
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.handout {
  overflow: auto;
  contain: strict;
  padding: 4px 0 40px;
  background: var(--panel);
}
h2 {
  position: sticky;
  top: -4px;
  z-index: 1;
  padding: 14px 18px 6px;
  background: var(--panel);
  font-size: 18px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
