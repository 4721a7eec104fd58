<script setup lang="ts">
import { explainStep, gapsOf, isWhole, type LoadedSystem, markFor, type Run, workedLines } from "@lodrin/core";
import { computed, type Ref, ref, watch } from "vue";
import { useSession } from "../../../stores/session.js";
import FigureText from "../../../ui/FigureText.vue";
import GapField from "./GapField.vue";
import { TO_DO } from "./gap-words.js";
import type { ByHand } from "./use-by-hand.js";

/** What is made by hand, as a sentence: its gaps are pressed on the paper, chosen or typed, and it is drawn while it grows. It stands where the next step is said. */
const props = defineProps<{ hand: ByHand; loaded: LoadedSystem; run: Readonly<Ref<Run>> }>();
const session = useSession();
const { filling, trial, refused } = props.hand;
/** Parts that may be left out are opened by their button. */
const opened = ref<ReadonlySet<number>>(new Set());
watch(
  () => filling.value?.template,
  () => (opened.value = new Set()),
);
function openPart(index: number, gap: string): void {
  opened.value = new Set([...opened.value, index]);
  props.hand.ask(gap);
}
function closePart(index: number): void {
  const part = filling.value?.template.parts[index];
  opened.value = new Set([...opened.value].filter((i) => i !== index));
  if (part && "optional" in part) for (const { gap } of gapsOf(part.optional)) props.hand.put(gap, []);
}
const parts = computed(() =>
  (filling.value?.template.parts ?? []).map((part, index) => {
    if (!("optional" in part)) return { index, optional: false, open: true, label: "", parts: [part] };
    const gaps = gapsOf(part.optional).map(({ gap }) => gap);
    const words = part.optional.map((p) => ("words" in p ? p.words : "")).join(" ");
    const label = words.replace(/[,\s]+/g, " ").trim() || (gaps[0]?.options.map(({ says }) => says).join(" or ") ?? "");
    const filled = gaps.some((gap) => (filling.value?.filled[gap.name] ?? []).length > 0);
    return { index, optional: true, open: filled || opened.value.has(index), label, first: gaps[0]?.name ?? "", parts: part.optional };
  }),
);
const asked = computed(() => {
  const gaps = gapsOf(filling.value?.template.parts ?? []);
  return gaps.find(({ gap }) => gap.name === filling.value?.asked)?.gap;
});
/** What to do now, and what is wrong. */
const hint = computed(() => {
  if (refused.value) return { says: refused.value, wrong: true };
  const [wrong] = [...(trial.value?.problems ?? []), ...(trial.value?.failures ?? [])];
  if (wrong !== undefined) return { says: wrong.replace(/^./, (c) => c.toUpperCase()), wrong: true };
  if (asked.value && !isWhole(asked.value, filling.value?.filled[asked.value.name])) return { says: TO_DO[asked.value.kind], wrong: false };
  return { says: trial.value ? comes.value : "", wrong: false };
});
/** What the step would come to on this body. */
const comes = computed(() => {
  const { trial: now } = { trial: trial.value };
  if (now?.step === undefined) return "";
  const { plan } = now.loaded;
  const { sums } = explainStep(plan, now.drafted, now.step, { mark: markFor(plan.system, session.unit) });
  return sums.map((s) => [s.said, ...workedLines(s), s.reading ?? s.result].join(" = ")).join(" · ");
});
function enter(): void {
  if (trial.value && trial.value.problems.length === 0) props.hand.insert();
  else {
    const next = gapsOf(filling.value?.template.parts ?? []).find(
      ({ gap, must }) => must && !isWhole(gap, filling.value?.filled[gap.name]),
    );
    if (next) props.hand.ask(next.gap.name);
  }
}
</script>

<template>
  <form v-if="filling" id="hand-sentence" class="sentence" :aria-label="filling.template.label" @submit.prevent="enter">
    <div class="said">
      <template v-for="p in parts" :key="p.index">
        <el-button v-if="!p.open" size="small" class="more" @click="openPart(p.index, p.first ?? '')">+ {{ p.label }}</el-button>
        <template v-else>
          <template v-for="(part, i) in p.parts" :key="i">
            <span v-if="'words' in part">{{ part.words }}</span>
            <GapField
              v-else
              :gap="part.gap"
              :values="filling.filled[part.gap.name] ?? []"
              :locked="hand.changing.value && part.gap.kind === 'newKey'"
              :asked="filling.asked === part.gap.name"
              :loaded="loaded"
              :run="run"
              @ask="hand.ask(part.gap.name)"
              @fill="hand.put(part.gap, $event)"
              @press="hand.press($event)"
              @enter="enter"
            />
          </template>
          <el-button v-if="p.optional" size="small" text class="less" :aria-label="`Without: ${p.label}`" @click="closePart(p.index)"
            >×</el-button
          >
        </template>
      </template>
    </div>
    <p class="hint small" :class="{ wrong: hint.wrong }" role="status"><FigureText :text="hint.says" /></p>
    <div class="acts">
      <el-button type="primary" native-type="submit" :disabled="!trial || trial.problems.length > 0">{{
        hand.changing.value ? "Change" : "Insert"
      }}</el-button>
      <el-button text @click="hand.back()">Back</el-button>
      <el-button text @click="hand.leave()">Leave</el-button>
    </div>
  </form>
</template>

<style scoped>
.sentence {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 10px;
  align-items: center;
  max-height: 46vh;
  overflow: auto;
  padding: 10px 12px 8px;
  background: var(--now-tint);
  border-top: 2px solid var(--now);
}
.said {
  grid-column: 1 / -1;
  font-size: 17px;
  line-height: 3;
}
.said .el-button {
  margin: 0 4px;
}
.less {
  padding: 0 6px;
}
.acts {
  position: sticky;
  bottom: -8px;
  grid-column: 1 / -1;
  display: flex;
  background: var(--now-tint);
  gap: 8px;
}
.acts .el-button {
  margin: 0;
}
.hint {
  grid-column: 1 / -1;
  min-height: 1.4em;
  overflow-wrap: anywhere;
}
.wrong {
  color: var(--fail);
}
</style>
