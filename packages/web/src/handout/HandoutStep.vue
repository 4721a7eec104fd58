<script setup lang="ts">
import { type Explained, explainStep, type HomeUnit, type Plan, pointOnPaper, type Run, type TapeMark, workedLines } from "@lodrin/core";
import { computed, type Ref } from "vue";
import FigureText from "../ui/FigureText.vue";

/** One step of the handout. Open when it is the one being done: the rule, the rule in this body's numbers, the result large. */
const props = defineProps<{
  plan: Plan;
  source: Readonly<Ref<Run>>;
  index: number;
  unit: HomeUnit;
  mark: TapeMark;
  state: "done" | "now" | "later";
}>();
defineEmits<{ go: [] }>();

const entry = computed(() => explainStep(props.plan, props.source.value, props.index, { mark: props.mark }));
const number = computed(() => pointOnPaper(entry.value.step));
const home = computed(() => props.plan.system.unit);
const sum = computed(() => entry.value.sums[0]);
const short = computed(() => {
  if (!sum.value) return "";
  const [first] = workedLines(sum.value);
  const { result, reading = result, other } = sum.value;
  // The sum is in its teacher's unit: so is what it comes to, and then what the tape in the hand says.
  const read = reading.endsWith(home.value) || other === undefined ? reading : `${other} · ${reading}`;
  return first === undefined ? read : `${first} = ${read}`;
});
const tick = computed(() =>
  entry.value.outcome.status === "skipped"
    ? "left out"
    : entry.value.outcome.status === "failed"
      ? "not drawn"
      : props.state === "done"
        ? "✓"
        : "",
);

/** The lines of the working below the rule, each an equation's right side. */
const lines = (s: Explained): string[] => workedLines(s).map((text) => (s.kind === "length" ? `${text}\u00a0${home.value}` : text));
const left = (s: Explained): string => {
  const mm = s.leftMm ?? 0;
  return Math.abs(mm) < 0.05 ? "exactly on the mark" : `${Math.abs(Math.round(mm * 10) / 10)} mm ${mm > 0 ? "past" : "short of"} the mark`;
};
</script>

<template>
  <div class="step" :class="[state, entry.outcome.status]" :aria-current="state === 'now' ? 'step' : undefined">
    <button class="line" :aria-expanded="state === 'now'" @click="$emit('go')">
      <span class="number">{{ number }}</span>
      <span class="sentence"
        >{{ entry.text }}<span v-if="state !== 'now' && short" class="short">= <FigureText :text="short" /></span
      ></span>
      <span class="tick" :aria-label="tick === '✓' ? 'done' : tick">{{ tick }}</span>
    </button>
    <div v-if="state === 'now'" class="open">
      <p v-if="entry.outcome.status === 'skipped'" class="note warn">{{ entry.outcome.why }}</p>
      <p v-else-if="entry.outcome.status === 'failed'" class="note fail">
        <b>Not drawn.</b> {{ entry.outcome.why }} {{ entry.outcome.fix }}
      </p>
      <div v-for="s in entry.sums" :key="s.rule" class="sum">
        <p class="rule">
          {{ s.said }}<span v-if="s.because.length" class="because"> · as {{ s.because.join(", and ") }}</span>
        </p>
        <p v-for="line in lines(s)" :key="line" class="worked">= <FigureText :text="line" /></p>
        <p class="result">
          <FigureText :text="s.reading ?? s.result" /><span v-if="s.other" class="other"><FigureText :text="s.other" /></span>
        </p>
        <p v-if="s.reading" class="reading small">on your tape; worked out <FigureText :text="s.result" />, {{ left(s) }}</p>
      </div>
      <p v-for="text in entry.why" :key="text" class="note"><b>Why</b> {{ text }}</p>
      <p v-for="text in entry.watch" :key="text" class="note warn"><b>Watch out</b> {{ text }}</p>
      <p v-for="text in entry.caution" :key="text" class="note fail"><b>Caution</b> {{ text }}</p>
    </div>
  </div>
</template>

<style scoped>
.step {
  content-visibility: auto;
  contain-intrinsic-size: auto 42px;
}
.line {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 8px;
  width: 100%;
  min-height: 42px;
  padding: 8px 14px 8px 12px;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.line:focus-visible {
  outline-offset: -3px;
}
.number {
  font-weight: 700;
  text-align: right;
  font-variant-numeric: tabular-nums;
  color: var(--ink);
}
.short {
  display: inline-block;
  margin-left: 0.4em;
  color: var(--ink-2);
}
.short :deep(.fig) {
  white-space: normal;
}
.later .sentence {
  color: var(--ink-2);
}
.tick {
  color: var(--pass);
  font-size: 15px;
}
.skipped .tick,
.failed .tick {
  color: var(--warn);
}
.now {
  background: var(--paper);
  box-shadow: inset 5px 0 0 var(--now);
  color: #22262a;
  --ink: #22262a;
  --ink-2: #43484c;
  --ink-3: #5a5f60;
  --now: #8a2c6b;
  --warn: #6b4800;
  --fail: #8d2917;
  --warn-tint: #f4e7c6;
  --fail-tint: #f5dcd3;
}
.now .line {
  padding-bottom: 2px;
  font-size: 18px;
  font-weight: 600;
}
.now .number {
  color: var(--now);
}
.open {
  display: grid;
  gap: 8px;
  padding: 0 18px 16px 54px;
}
.rule {
  color: var(--ink-2);
  font-size: 16px;
  overflow-wrap: anywhere;
}
.because {
  color: var(--ink-3);
}
.worked {
  font-size: 17px;
}
.worked :deep(.fig) {
  white-space: normal;
}
.result {
  font-size: 34px;
  font-weight: 700;
  line-height: 1.15;
}
.other {
  margin-left: 0.6em;
  font-size: 20px;
  font-weight: 600;
  color: var(--ink-2);
}
.reading {
  color: var(--ink-2);
}
.note {
  padding: 8px 12px;
  border-radius: 6px;
  background: #ece8da;
  font-size: 16px;
}
.note b {
  margin-right: 4px;
}
.note.warn {
  background: var(--warn-tint);
}
.note.fail {
  background: var(--fail-tint);
}
</style>
