<script setup lang="ts">
import { explainStep, type HomeUnit, type LoadedSystem, markFor, workedLines } from "@lodrin/core";
import { computed, useTemplateRef } from "vue";
import FigureText from "../../../ui/FigureText.vue";
import LineField from "./LineField.vue";
import type { Trial } from "../paper/use-trial.js";

/** The pencil: a step typed as a sentence is drawn while it is typed, with its sum for the body beside it. Enter puts it into the text. */
const props = defineProps<{ loaded: LoadedSystem; trial: Trial | undefined; unit: HomeUnit; behind: string }>();
const typed = defineModel<string>({ required: true });
const emit = defineEmits<{ take: []; choose: [reading: number]; paste: [text: string] }>();
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
/** A statement without its sentence, which is in the field already. */
const bare = (line: string): string => line.replace(/\s+"[^"]*"$/, "");
/** What a plain sentence is taken for. */
const taken = computed(() => (props.trial && props.trial.lines.join(" ⏎ ") !== typed.value.trim() ? props.trial.lines.map(bare) : []));
/** Each group of words, and what it was taken for. */
const groups = computed(() => {
  const { trial } = props;
  const first = trial?.reading?.readings[0];
  return first && trial.reading?.status === "read"
    ? first.taken.map(({ from, to, as }) => ({ words: trial.typed.slice(from, to), as }))
    : [];
});
/** Several meanings, likelier first, each chosen by its number. */
const meanings = computed(() => {
  const { reading } = props.trial ?? {};
  return reading?.status === "ask" && reading.readings.length > 1
    ? reading.readings.map(({ puts }) =>
        puts
          .flatMap(({ lines }) => lines)
          .map(bare)
          .join(" · "),
      )
    : [];
});
const unread = computed(() => {
  const { trial } = props;
  if (!trial?.reading) return trial?.faults[0]?.says ?? "";
  return trial.reading.status === "read" ? "" : trial.reading.said;
});
/** Ways to say it that are understood, with her own figures. */
const offers = computed(() => props.trial?.reading?.offers ?? []);
const words = computed(() => props.trial?.reading?.leftover.map(({ text }) => text).join(", ") ?? "");
function choose(event: KeyboardEvent): void {
  const which = Number(event.key) - 1;
  if (!event.altKey) return;
  const offer = offers.value[which];
  if (meanings.value[which] !== undefined) emit("choose", which);
  else if (offer !== undefined) begin(offer);
  else return;
  event.preventDefault();
}

/** Puts a name behind what is typed, as if it had been typed. */
const fill = (name: string): void => begin(`${typed.value}${/\s$|^$/.test(typed.value) ? "" : " "}${name}`);
/** Puts a sentence into the line, with the cursor at its end. */
function begin(sentence: string): void {
  typed.value = sentence;
  setTimeout(() => field.value?.focus());
}
defineExpose({ fill, focus: () => field.value?.focus() });
</script>

<template>
  <div id="quick-line" class="quick" @keydown="choose">
    <div class="line">
      <b class="small">Next</b>
      <LineField
        ref="field"
        v-model="typed"
        label="Quick line: the next step as a sentence"
        :loaded="loaded"
        :faults="trial?.faults ?? []"
        placeholder="Square out from 2, a quarter of the chest"
        @enter="$emit('take')"
        @paste="$emit('paste', $event)"
      />
      <el-button type="primary" :disabled="!trial?.whole" @click="$emit('take')">Insert</el-button>
    </div>
    <div class="said small" role="status">
      <p v-if="!typed.trim()" class="quiet">It goes {{ behind }}. A whole handout may be pasted here.</p>
      <template v-else-if="meanings.length > 0">
        <p>{{ unread }} Which is meant?</p>
        <p v-for="(meaning, i) in meanings" :key="meaning">
          <el-button @click="$emit('choose', i)"
            ><kbd>Alt {{ i + 1 }}</kbd
            ><span class="as">{{ meaning }}</span></el-button
          >
        </p>
      </template>
      <template v-else>
        <p v-for="line in taken" :key="line" class="as">{{ line }}</p>
        <p v-if="unread || words" class="wrong">
          <template v-if="words"
            >Not understood: <b>{{ words }}</b></template
          ><template v-else>{{ unread }}</template>
        </p>
        <p v-if="offers.length > 0" class="groups">
          <el-button v-for="(offer, i) in offers" :key="offer" link type="primary" @click="begin(offer)"
            ><kbd>Alt {{ i + 1 }}</kbd
            >{{ offer }}</el-button
          >
        </p>
        <p v-if="groups.length > 1" class="groups">
          <span v-for="(g, i) in groups" :key="i"
            >{{ g.words }} <b>{{ g.as }}</b></span
          >
        </p>
        <p v-if="comes"><FigureText :text="comes" /></p>
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
@media (max-width: 560px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .line b {
    display: none;
  }
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
kbd {
  margin-right: 8px;
  font: inherit;
  color: var(--ink-3);
}
.groups {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  color: var(--ink-3);
}
.groups b {
  font-weight: 500;
  color: var(--ink-2);
}
.wrong {
  color: var(--fail);
}
</style>
