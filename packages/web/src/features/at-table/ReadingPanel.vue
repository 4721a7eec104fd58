<script setup lang="ts">
import type { HandReading } from "@lodrin/contract";
import { type ControlReading, type HomeUnit, parseTape, type Plan, type Review, stepName, tapeText } from "@lodrin/core";
import { computed, nextTick, ref, useTemplateRef, watch } from "vue";
import FigureText from "../../ui/FigureText.vue";
import TapeField from "../../ui/TapeField.vue";
import { useKeptText } from "../../ui/use-kept-text.js";
import { howSure, offSaid, readingSaid } from "../../review/cause-words.js";

/** What the tape reads on the student's own paper, judged: quiet when it is right, else what probably happened and what else it affects. */
const props = defineProps<{
  plan: Plan;
  draftId: string;
  step: string;
  unit: HomeUnit;
  review: Review;
  controls: readonly ControlReading[];
  asking: boolean;
  /** Why the last reading was not taken; empty when it was. */
  refused: string;
  readings: Readonly<Record<string, string>>;
  history: readonly HandReading[];
}>();
const emit = defineEmits<{ read: [name: string, written: string]; go: [step: string] }>();

/** What is read: the step, until another reading is asked for. */
const what = ref(props.step);
const typed = computed(() => `reading-${props.draftId}-${what.value}`);
const written = useKeptText(typed);
watch(
  () => props.step,
  // What is half typed stays, and is there again at its step.
  (step) => (what.value = written.value.trim() === "" ? step : what.value),
);
const field = useTemplateRef<HTMLElement>("field");
const judged = computed(() => props.review.readings.find((r) => r.name === what.value));
const last = computed(() => props.readings[what.value]);
/** Other readings that are off: what is wrong further up shows here too. */
const others = computed(() => props.review.readings.filter((r) => r.verdict === "off" && r.name !== what.value));
/** The control measurements that can be taken by now. */
const due = computed(() => {
  const names = new Set(props.plan.steps.slice(0, at(props.step) + 1).map(stepName));
  const all = new Set(props.plan.steps.map(stepName));
  const parts = (name: string): string[] => (name.match(/#?\w+'?/g) ?? []).filter((word) => all.has(word));
  return props.controls.filter(
    (c) => c.name !== props.step && props.readings[c.name] === undefined && parts(c.name).every((p) => names.has(p)),
  );
});
const at = (step: string): number => props.plan.steps.findIndex((s) => stepName(s) === step);

function judge(): void {
  const text = written.value.trim();
  if (text === "" || !parseTape(text, props.unit).ok) return;
  justRead = true;
  emit("read", what.value, text);
}
let justRead = false;
// What is said of it is brought into sight.
const verdict = useTemplateRef<HTMLElement>("verdict");
watch(
  () => props.asking,
  (asking) => {
    if (asking || !justRead) return;
    justRead = false;
    void nextTick(() => verdict.value?.scrollIntoView({ block: "nearest" }));
  },
);
// What is taken has no more to wait for in the field.
watch(last, (taken) => taken === written.value.trim() && (written.value = ""));
const history = computed(() => props.history.filter((r) => r.name === what.value && r.says !== "").length);
async function focus(): Promise<void> {
  await nextTick();
  field.value?.querySelector("input")?.focus();
}
function read(name: string): void {
  what.value = name;
  void focus();
}
defineExpose({ focus: () => void focus() });
</script>

<template>
  <section class="reading">
    <form ref="field" @submit.prevent="judge">
      <TapeField v-model="written" key-name="reading" :unit="unit" :label="`What your tape reads, ${readingSaid(what)}`" @done="judge" />
      <el-button native-type="submit" :disabled="written.trim() === ''" :loading="asking">Look at it</el-button>
    </form>
    <p v-if="what !== step" class="small">
      <el-button link type="primary" @click="what = step">Back to {{ readingSaid(step) }}</el-button>
    </p>
    <div ref="verdict" aria-live="polite">
      <p v-if="judged?.verdict === 'right' && judged.expected !== undefined" class="right">
        <b>Right.</b> {{ last }}, and it should read <FigureText :text="tapeText(judged.expected, unit)" />.
      </p>
      <div v-else-if="judged?.verdict === 'off'" class="off">
        <p class="said"><FigureText :text="offSaid(judged, unit)" /></p>
        <ol>
          <li v-for="(cause, i) in judged.causes" :key="cause.says" :class="{ first: i === 0 }">
            <b>{{ howSure(cause) }}</b> {{ cause.says }}
            <span v-if="cause.also.length" class="quiet small">Or: {{ cause.also.join(" ") }}</span>
            <p v-if="cause.decideBy">
              <el-button link type="primary" @click="read(cause.decideBy)">Read {{ readingSaid(cause.decideBy) }} as well</el-button>: it
              tells this from the next.
            </p>
          </li>
        </ol>
        <p v-if="judged.affects.length" class="affects">
          <b>Put it right before you go on.</b> This also affects {{ judged.affects.map(readingSaid).join(", ") }}.
        </p>
        <p v-if="judged.causes[0]?.step && judged.causes[0].step !== step">
          <el-button @click="$emit('go', judged.causes[0].step)">Go to {{ readingSaid(judged.causes[0].step) }}</el-button>
        </p>
      </div>
      <p v-else-if="refused" class="off">{{ refused }}</p>
    </div>
    <p v-if="judged?.verdict === 'right' && history > 0" class="small quiet">It was off before; now it is put right.</p>
    <div v-if="due.length" class="due">
      <p class="small"><b>Measure now, it shows most slips:</b></p>
      <el-button v-for="c in due" :key="c.name" @click="read(c.name)">{{ readingSaid(c.name) }}</el-button>
    </div>
    <details v-if="others.length" class="others" open>
      <summary>{{ others.length }} {{ others.length === 1 ? "other reading is" : "other readings are" }} off</summary>
      <p v-for="r in others" :key="r.name">
        <el-button link type="primary" @click="read(r.name)">{{ readingSaid(r.name) }}</el-button>: {{ r.causes[0]?.says }}
      </p>
    </details>
  </section>
</template>

<style scoped>
.reading {
  display: grid;
  gap: 10px;
  padding: 12px 24px 20px;
  border-top: 1px solid var(--rule);
  font-size: 19px;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 340px) minmax(120px, 200px);
  gap: 10px;
  align-items: start;
}
form .el-button {
  margin-top: 30px;
}
.right {
  padding: 10px 14px;
  border-radius: var(--radius);
  background: var(--pass-tint);
}
.off {
  display: grid;
  gap: 10px;
  padding: 12px 16px;
  border-radius: var(--radius);
  background: var(--fail-tint);
}
.said {
  font-size: 21px;
  font-weight: 600;
}
.said :deep(.fig) {
  white-space: normal;
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 20px;
}
.first {
  font-size: 21px;
}
.due {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
summary {
  cursor: pointer;
  font-weight: 600;
}
</style>
