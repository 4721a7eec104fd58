<script setup lang="ts">
import { type HomeUnit, pointOnPaper, type TraceEntry } from "@lodrin/core";
import { computed } from "vue";
import FigureText from "../ui/FigureText.vue";

/** One step to be read an arm's length away: the figure as the tape shows it, the sentence, and what to watch. */
const props = defineProps<{ entry: TraceEntry; unit: HomeUnit; place: number; of: number; ticked: boolean }>();
const number = computed(() => pointOnPaper(props.entry.step));
const sum = computed(() => props.entry.sums.find((s) => s.reading !== undefined) ?? props.entry.sums[0]);
</script>

<template>
  <div class="big" :class="entry.outcome.status">
    <p class="place quiet">
      <template v-if="entry.heading">{{ entry.heading }} · </template>step {{ place }} of {{ of }}<b v-if="ticked" class="tick"> ✓ drawn</b>
    </p>
    <div class="head">
      <p v-if="number" class="number">{{ number }}</p>
      <p v-if="sum" class="figure">
        <FigureText :text="sum.reading ?? sum.result" /><span v-if="sum.other" class="other"><FigureText :text="sum.other" /></span>
      </p>
    </div>
    <p class="sentence">{{ entry.text }}</p>
    <p v-if="sum" class="rule quiet">{{ sum.said }}</p>
    <el-alert
      v-if="entry.outcome.status === 'failed'"
      type="error"
      show-icon
      :closable="false"
      :title="`${entry.outcome.why} ${entry.outcome.fix}`"
    />
    <p v-for="text in entry.watch" :key="text" class="note watch"><b>Watch out</b> {{ text }}</p>
    <p v-for="text in entry.caution" :key="text" class="note caution"><b>Caution</b> {{ text }}</p>
    <p v-for="text in entry.why" :key="text" class="note"><b>Why</b> {{ text }}</p>
  </div>
</template>

<style scoped>
.big {
  display: grid;
  gap: 10px;
  padding: 18px 24px;
}
.place {
  font-size: 18px;
}
.tick {
  color: var(--pass);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
}
.number {
  padding: 0 14px;
  border: 2px solid var(--now);
  border-radius: 999px;
  color: var(--now);
  font-size: 30px;
  font-weight: 700;
}
.figure {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  font-size: clamp(60px, 7.6vw, 92px);
  font-weight: 700;
  line-height: 1;
}
.other {
  margin-left: 0.5em;
  color: var(--ink-2);
  font-size: 0.42em;
}
.sentence {
  font-size: clamp(22px, 2.2vw, 30px);
  font-weight: 600;
  line-height: 1.3;
}
.rule {
  font-size: 19px;
}
.note {
  padding: 10px 14px;
  border-radius: var(--radius);
  background: var(--grid);
  font-size: 19px;
}
html[data-look="night"] .note {
  background: #3a4041;
}
.note b {
  margin-right: 4px;
}
.watch {
  background: var(--warn-tint);
}
.caution {
  background: var(--fail-tint);
}
</style>
