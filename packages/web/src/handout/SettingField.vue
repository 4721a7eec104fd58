<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import {
  exactFigure,
  fromMm,
  type HomeUnit,
  inWords,
  parseTape,
  plainFigure,
  type Plan,
  type Run,
  tapeText,
  wordComesTo,
} from "@lodrin/core";
import { computed, type Ref, ref, useId, watch } from "vue";
import FigureText from "../ui/FigureText.vue";

/** One setting: what it decides, a slider over its range and a field for an exact figure. Stored as written, with its unit. */
const props = defineProps<{
  setting: Plan["settings"][number];
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
}>();
/** The stored text; undefined while the author's default stands. */
const stored = defineModel<string | undefined>({ required: true });

const id = useId();
const homeUnit = props.draft.plan.system.unit;
const source = computed(() => props.setting.source);
const isLength = computed(() => source.value.kind === "length");
const name = computed(() => inWords(source.value.key).replace(/^./, (c) => c.toUpperCase()));

/** A word stands instead of a figure, like “auto”. */
const words = computed(() => props.setting.words.slice(1));
const word = computed(() => {
  const text = stored.value ?? (props.setting.defaultWord > 0 ? source.value.default : undefined);
  return text !== undefined && words.value.includes(text) ? text : undefined;
});

/** What that word comes to on this body, in mm (radians, plain). */
const comesTo = computed(() =>
  word.value === undefined ? undefined : wordComesTo(props.draft.plan, props.draft.run.value, source.value.key, word.value),
);

/** Angles are kept in radians and read in degrees. */
const perShown = computed(() => (source.value.kind === "angle" ? Math.PI / 180 : 1));
const figure = (v: number): string => (isLength.value ? exactFigure(v, props.unit) : plainFigure(v / perShown.value));
/** mm for lengths, radians for angles, plain otherwise; the middle of the range while a word stands. */
const value = computed(() => {
  const text = stored.value;
  if (word.value !== undefined) return (props.setting.from + props.setting.to) / 2;
  if (text === undefined) return props.setting.default;
  if (!isLength.value) return Number(text) * perShown.value;
  const read = parseTape(text, homeUnit);
  return read.ok ? read.mm : props.setting.default;
});
const shown = computed(() => word.value ?? figure(value.value));
const byAuthor = computed(() => (props.setting.defaultWord > 0 ? source.value.default : figure(props.setting.default)));
const typed = ref(shown.value);
const why = ref("");
watch(shown, (text) => {
  typed.value = text;
  why.value = "";
});

/** The slider works in the system's own unit, in the steps its tape has. */
const scale = computed(() => (isLength.value ? fromMm(1, homeUnit) : 1 / perShown.value));
const stepSize = computed(() => (isLength.value ? (homeUnit === "in" ? 1 / 16 : 0.1) : source.value.kind === "angle" ? 1 : 0.1));
const slider = computed({
  get: () => value.value * scale.value,
  set: (v: number | number[]) => typeof v === "number" && keep(v),
});
const keep = (v: number): string =>
  (stored.value = isLength.value ? `${plainFigure(Math.round(v * 1e4) / 1e4)} ${homeUnit}` : plainFigure(v));

/** A figure of one's own in place of the word, beginning with what the word comes to. */
function takeOwn(): void {
  keep((comesTo.value ?? value.value) * scale.value);
}

/** The slider reaches as far as a figure that was typed outside the range: one that did not would put the figure at its end. */
const reach = ref({ from: props.setting.from * scale.value, to: props.setting.to * scale.value });
watch(slider, (v) => (reach.value = { from: Math.min(reach.value.from, v), to: Math.max(reach.value.to, v) }), {
  immediate: true,
  flush: "sync",
});

const outside = computed(() => value.value < props.setting.from - 1e-6 || value.value > props.setting.to + 1e-6);
const range = computed(() =>
  isLength.value
    ? `${tapeText(props.setting.from, props.unit)} to ${tapeText(props.setting.to, props.unit)}`
    : `${figure(props.setting.from)} to ${figure(props.setting.to)}${source.value.kind === "angle" ? " degrees" : ""}`,
);

function write(): void {
  const text = typed.value.trim();
  if (text === "") {
    stored.value = undefined;
    typed.value = shown.value;
    return;
  }
  const said = words.value.find((w) => w === text.toLowerCase().replace(/ /g, "_"));
  if (said !== undefined) {
    stored.value = said === source.value.default ? undefined : said;
    typed.value = shown.value;
  } else if (isLength.value) {
    const read = parseTape(text, props.unit);
    why.value = read.ok ? "" : read.why;
    if (read.ok) stored.value = /[a-z"″”']\s*\.?$/i.test(text) ? text : `${text} ${props.unit}`;
  } else {
    const number = Number(text.replace(",", "."));
    why.value = Number.isFinite(number) ? "" : `“${text}” is not a number.`;
    if (Number.isFinite(number)) stored.value = plainFigure(number);
  }
}
</script>

<template>
  <div class="setting" :class="{ changed: stored !== undefined }">
    <div class="head">
      <label :for="id">{{ name }}</label>
      <el-button
        v-if="stored !== undefined"
        link
        type="primary"
        :icon="RefreshLeft"
        :aria-label="`${name}: back to the author's figure`"
        @click="stored = undefined"
      >
        back to <FigureText :text="inWords(byAuthor)" />
      </el-button>
    </div>
    <p class="small quiet">{{ inWords(source.decides ?? "") }}</p>
    <div class="row">
      <p v-if="word !== undefined" class="comes-to small">
        <template v-if="comesTo !== undefined"
          >{{ inWords(word) }} comes to <b><FigureText :text="isLength ? tapeText(comesTo, unit) : figure(comesTo)" /></b> on this
          body.</template
        ><template v-else>{{ inWords(word) }}: the rule decides.</template>
        <el-button link type="primary" :aria-label="`${name}: a figure of my own`" @click="takeOwn">Set my own</el-button>
      </p>
      <el-slider
        v-else
        v-model="slider"
        :min="reach.from"
        :max="reach.to"
        :step="stepSize"
        :show-tooltip="false"
        :aria-label="`${name}, slider`"
      />
      <el-input :id="id" v-model="typed" class="figure" autocomplete="off" @change="write" @keydown.enter="write">
        <template #suffix>{{ word !== undefined ? "" : isLength ? unit : source.kind === "angle" ? "°" : "" }}</template>
      </el-input>
    </div>
    <p v-if="why" class="small fail-text" role="alert">{{ why }}</p>
    <p v-else class="small" :class="outside ? 'look-text' : 'quiet'">
      {{ outside ? "Outside the author's range, " : "" }}<FigureText :text="range" />{{
        words.length > 0 ? `, or ${inWords(words.join(", "))}` : ""
      }}
    </p>
  </div>
</template>

<style scoped>
.setting {
  padding-bottom: 10px;
  border-bottom: 1px solid var(--rule);
}
.changed {
  box-shadow: -10px 0 0 -7px var(--now);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
label {
  font-weight: 600;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 112px;
  gap: 18px;
  align-items: center;
  padding-left: 10px;
}
.comes-to {
  margin-left: -10px;
}
.figure :deep(input) {
  font-size: 19px;
  font-variant-numeric: tabular-nums;
}
.fail-text {
  color: var(--fail);
}
.look-text {
  color: var(--warn);
}
</style>
