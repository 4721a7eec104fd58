<script setup lang="ts">
import { defaultMark, type HomeUnit, measurementName, otherUnit, parseTape, plainFigure, readTape, tapeText } from "@lodrin/core";
import { computed, useId } from "vue";
import FigureText from "./FigureText.vue";

/**
 * A field that takes what people write for a length and never changes it. Beneath it: the tape reading, and the
 * same length in the other unit; beside it, in words, whatever is doubtful.
 */
const props = defineProps<{
  keyName: string;
  label?: string;
  unit: HomeUnit;
  /** Doubts about the figure, in words. */
  doubts?: readonly string[];
  /** A plain number, like an age, instead of a length. */
  plain?: boolean;
  needed?: boolean;
}>();
const written = defineModel<string>({ required: true });
const emit = defineEmits<{ focus: []; done: [] }>();

const id = useId();
const read = computed(() => {
  if (props.plain) {
    const value = Number(written.value.trim().replace(",", "."));
    return Number.isFinite(value) && value >= 0
      ? { ok: true as const, mm: Number.NaN }
      : { ok: false as const, why: `“${written.value.trim()}” is not a number.` };
  }
  return parseTape(written.value, props.unit);
});
/** Enter goes on to the next figure, as the hand does down the list. */
function toNextField(event: KeyboardEvent): void {
  emit("done");
  const here = event.target as HTMLInputElement;
  const all = [...document.querySelectorAll<HTMLInputElement>("input[data-tape]")];
  const next = all[all.indexOf(here) + 1];
  next?.focus();
  next?.select();
}
const empty = computed(() => written.value.trim() === "");
const error = computed(() => (empty.value || read.value.ok ? "" : read.value.why));
const echo = computed(() => {
  if (empty.value || !read.value.ok || props.plain) return undefined;
  const { mm } = read.value;
  const reading = readTape(mm, defaultMark(props.unit));
  const left =
    Math.abs(reading.left) > 0.05 ? `${reading.left > 0 ? "+" : "−"} ${plainFigure(Math.abs(Math.round(reading.left * 10) / 10))} mm` : "";
  return { tape: `${reading.figure}\u00a0${reading.unit}`, left, other: tapeText(mm, otherUnit(props.unit)) };
});
</script>

<template>
  <div class="tape-field" :class="{ wrong: error, doubted: doubts?.length, missing: needed && empty }">
    <label :for="id">{{ label ?? measurementName(keyName) }}<span v-if="needed && empty" class="needed"> needed</span></label>
    <el-input
      :id="id"
      v-model="written"
      data-tape
      :name="keyName"
      inputmode="text"
      autocomplete="off"
      spellcheck="false"
      :aria-invalid="error !== ''"
      :aria-describedby="`${id}-help`"
      @focus="$emit('focus')"
      @keydown.enter.prevent="toNextField"
    >
      <template #suffix
        ><span aria-hidden="true">{{ plain ? "" : unit }}</span></template
      >
    </el-input>
    <div :id="`${id}-help`" class="below">
      <p v-if="echo" class="echo">
        <FigureText :text="echo.tape" /> on the tape<template v-if="echo.left"> ({{ echo.left }})</template> ·
        <FigureText :text="echo.other" />
      </p>
      <p v-if="error" class="fail-text">{{ error }}</p>
      <p v-for="doubt in doubts ?? []" :key="doubt" class="look-text"><b>Look:</b> {{ doubt }}</p>
    </div>
  </div>
</template>

<style scoped>
.tape-field {
  display: grid;
  gap: 3px;
}
label {
  font-weight: 600;
}
.needed {
  color: var(--warn);
  font-weight: 600;
  font-size: 15px;
}
.tape-field :deep(input) {
  font-size: 21px;
  font-variant-numeric: tabular-nums;
}
.wrong :deep(.el-input__wrapper) {
  box-shadow: inset 0 0 0 1.5px var(--fail);
}
.doubted :deep(.el-input__wrapper),
.missing :deep(.el-input__wrapper) {
  box-shadow: inset 0 0 0 1.5px var(--warn);
}
.below {
  font-size: 15px;
  min-height: 1.4em;
}
.echo {
  color: var(--ink-2);
}
.fail-text {
  color: var(--fail);
}
.look-text {
  color: var(--warn);
}
</style>
