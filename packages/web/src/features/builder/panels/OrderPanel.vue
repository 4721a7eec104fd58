<script setup lang="ts">
import type { Finding, LoadedSystem, Run } from "@lodrin/core";
import { computed, type Ref } from "vue";
import { orderOfWork, type Stage } from "./order-of-work.js";

/** How a system is usually written, stage after stage, each with what is still open; a stage that is pressed is gone on with. */
const props = defineProps<{ loaded: LoadedSystem; run: Readonly<Ref<Run>>; findings: readonly Finding[]; published: number }>();
defineEmits<{ stage: [key: Stage["key"]] }>();

const stages = computed(() => orderOfWork(props.loaded, props.run.value, props.findings, props.published));
const next = computed(() => stages.value.find(({ state }) => state === "open")?.key);
const MARKS = { done: "✓", open: "", free: "–" } as const;
</script>

<template>
  <div class="drawer-body">
    <p class="small quiet">The usual order; nothing of it is forced.</p>
    <ol>
      <li v-for="s in stages" :key="s.key" :class="[s.state, { next: s.key === next }]">
        <button @click="$emit('stage', s.key)">
          <span class="mark" aria-hidden="true">{{ MARKS[s.state] }}</span>
          <b>{{ s.title }}</b>
          <span class="small">{{ s.says }}</span>
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
ol {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
button {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  gap: 0 4px;
  width: 100%;
  min-height: 48px;
  padding: 8px 10px;
  border: 0;
  border-left: 4px solid var(--rule);
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.small {
  grid-column: 2;
  color: var(--ink-2);
}
.mark {
  color: var(--pass);
  font-weight: 700;
}
.open button {
  border-color: var(--warn);
}
.next button {
  border-color: var(--now);
  background: var(--now-tint);
}
</style>
