<script setup lang="ts">
import { isGradual, type Plan, type PlannedShaping, type ShapingResult, shapingSentence } from "@lodrin/core";

/** What is done to the pieces after they come off the board, in order, the one being watched open with a slider from before to after. */
const props = defineProps<{ plan: Plan; stages: readonly ShapingResult[]; stage: number }>();
defineEmits<{ go: [stage: number] }>();
/** How far the open one has come, 0 to 1. */
const share = defineModel<number>({ required: true });

const planned = ({ index }: ShapingResult): PlannedShaping => props.plan.shapings[index] as PlannedShaping;
const gradual = (s: ShapingResult): boolean => s.outcome.status === "done" && isGradual(planned(s));
const notes = (s: ShapingResult, kind: "why" | "watch" | "caution"): readonly string[] => {
  const { source } = planned(s);
  return source.is === "shape" ? (source[kind] ?? []) : [];
};
const state = (index: number): string => (index === props.stage ? "now" : index < props.stage ? "done" : "later");
</script>

<template>
  <section class="shaping" tabindex="0" aria-label="Shaping the pieces">
    <h2>Shaping the pieces</h2>
    <ol>
      <li :class="state(0)">
        <button class="line" :aria-current="stage === 0 ? 'step' : undefined" @click="$emit('go', 0)">
          <span class="number">–</span><span>As they come off the board.</span>
        </button>
      </li>
      <li v-for="(s, i) in stages" :key="s.index" :class="state(i + 1)">
        <button class="line" :aria-current="stage === i + 1 ? 'step' : undefined" @click="$emit('go', i + 1)">
          <span class="number">{{ i + 1 }}</span><span>{{ shapingSentence(plan, planned(s)) }}</span>
        </button>
        <div v-if="stage === i + 1" class="open">
          <el-alert
            v-if="s.outcome.status === 'failed'"
            type="error"
            :closable="false"
            :title="`Not done. ${s.outcome.why} ${s.outcome.fix}`"
          />
          <template v-if="gradual(s)">
            <p class="small">Watch it: drag from before to after</p>
            <el-slider
              v-model="share"
              class="slide"
              aria-label="Watch it: from before to after"
              :min="0"
              :max="1"
              :step="0.01"
              :show-tooltip="false"
            />
          </template>
          <p v-for="text in notes(s, 'why')" :key="text"><b>Why</b> {{ text }}</p>
          <p v-for="text in notes(s, 'watch')" :key="text"><b>Watch out</b> {{ text }}</p>
          <p v-for="text in notes(s, 'caution')" :key="text"><b>Caution</b> {{ text }}</p>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.shaping {
  overflow: auto;
  contain: strict;
  padding: 4px 0 40px;
  background: var(--panel);
}
h2 {
  padding: 14px 18px 6px;
  font-size: 19px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
.now {
  background: var(--paper);
  box-shadow: inset 5px 0 0 var(--now);
  color: #22262a;
  --ink: #22262a;
  --now: #8a2c6b;
  --now-tint: #ecd3e1;
}
.line {
  display: grid;
  grid-template-columns: 36px minmax(0, 1fr);
  width: 100%;
  min-height: 48px;
  padding: 10px 14px 10px 18px;
  border: 0;
  background: none;
  color: var(--ink);
  font-size: 17px;
  text-align: left;
  cursor: pointer;
}
.line:hover {
  background: var(--now-tint);
}
.now .line {
  font-weight: 600;
}
.later .line {
  color: var(--ink-2);
}
.number {
  font-weight: 700;
}
.now .number {
  color: var(--now);
}
.open {
  display: grid;
  gap: 6px;
  padding: 0 18px 14px 49px;
}
.open p {
  margin: 0;
}
.slide {
  padding: 0 10px;
}
</style>
