<script setup lang="ts">
import { explainStep, type HomeUnit, type LoadedSystem, markFor, workedLines } from "@lodrin/core";
import { computed, useTemplateRef } from "vue";
import FigureText from "../../../ui/FigureText.vue";
import LineField from "./LineField.vue";
import type { Trial } from "../paper/use-trial.js";

/** The pencil: a step typed as a sentence is drawn while it is typed, with its sum for the body beside it. Enter puts it into the text. */
const props = defineProps<{ loaded: LoadedSystem; trial: Trial | undefined; unit: HomeUnit; behind: string }>();
const typed = defineModel<string>({ required: true });
defineEmits<{ take: []; paste: [text: string] }>();
const field = useTemplateRef<{ focus: (from?: number, to?: number) => void }>("field");

/** What it comes to on this body, in a line. */
const comes = computed(() => {
  const { trial } = props;
  if (!trial || trial.step === undefined || trial.faults.length > 0) return "";
  const { plan } = trial.loaded;
  const { sums } = explainStep(plan, trial.drafted, trial.step, { mark: markFor(plan.system, props.unit) });
  const [sum] = sums;
  if (!sum) return "";
  const [first] = workedLines(sum);
  return `${sum.said} = ${first === undefined ? "" : `${first} = `}${sum.reading ?? sum.result}`;
});
/** What a plain sentence is taken for. */
const taken = computed(() => (props.trial && props.trial.lines.join(" ⏎ ") !== typed.value.trim() ? props.trial.lines : []));
const unread = computed(() => props.trial?.faults[0]?.says ?? "");

/** The next gap of the sentence, to be filled by what is picked. */
const GAP = "…";
function fill(name: string): void {
  const at = typed.value.indexOf(GAP);
  typed.value = at < 0 ? `${typed.value}${/\s$|^$/.test(typed.value) ? "" : " "}${name}` : typed.value.replace(GAP, name);
  showGap();
}
/** Puts a sentence with gaps into the line, the first of them under the hand. */
function begin(sentence: string): void {
  typed.value = sentence;
  showGap();
}
function showGap(): void {
  setTimeout(() => {
    const at = typed.value.indexOf(GAP);
    field.value?.focus(...(at < 0 ? [] : ([at, at + 1] as const)));
  });
}
defineExpose({ fill, begin, focus: () => field.value?.focus() });
</script>

<template>
  <div id="quick-line" class="quick">
    <div class="line">
      <b class="small">Next</b>
      <LineField
        ref="field"
        v-model="typed"
        label="Quick line: the next step as a sentence"
        :loaded="loaded"
        :faults="trial?.faults ?? []"
        placeholder="down back_waist from 0, or: Square out from 2, a quarter chest"
        @enter="$emit('take')"
        @paste="$emit('paste', $event)"
      />
      <el-button type="primary" :disabled="!trial" @click="$emit('take')">Put in</el-button>
    </div>
    <div class="said small" role="status">
      <p v-if="!typed.trim()" class="quiet">It goes {{ behind }}. A whole handout may be pasted here.</p>
      <template v-else>
        <p v-for="line in taken" :key="line" class="as">{{ line }}</p>
        <p v-if="unread" class="wrong">{{ unread }}</p>
        <p v-else-if="comes"><FigureText :text="comes" /></p>
      </template>
    </div>
  </div>
</template>

<style scoped>
.quick {
  padding: 8px 12px 6px;
  background: var(--panel);
  border-top: 1px solid var(--rule);
}
.line {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
}
.said {
  min-height: 2.9em;
  padding: 4px 0 0;
}
.as {
  font-family: ui-monospace, "DejaVu Sans Mono", monospace;
  font-size: 14px;
  color: var(--now);
}
.wrong {
  color: var(--fail);
}
</style>
