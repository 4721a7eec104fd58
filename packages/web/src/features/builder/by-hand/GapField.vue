<script setup lang="ts">
import { FORMULA_KINDS, type Gap, type LoadedSystem, MANY_KINDS, type Pressed, type Run, WORD_KINDS } from "@lodrin/core";
import { computed, nextTick, type Ref, useTemplateRef, watch } from "vue";
import LineField from "../text/LineField.vue";
import { optionsFor, PLACEHOLDER, typedLine } from "./gap-words.js";

/** A gap of a sentence: pressed on the paper, chosen, or typed. */
const props = defineProps<{
  gap: Gap;
  values: readonly string[];
  asked: boolean;
  locked?: boolean;
  loaded: LoadedSystem;
  run: Readonly<Ref<Run>>;
}>();
const emit = defineEmits<{ fill: [values: readonly string[]]; press: [pressed: Pressed]; ask: []; enter: [] }>();

const WAYS = ["plumb", "level", "along", "square to", "at"].map((value) => ({
  value,
  label: { along: "along …", "square to": "square to …", at: "at an angle" }[value] ?? value,
}));
const one = computed(() => props.values[0] ?? "");
const label = computed(() => PLACEHOLDER[props.gap.kind]);
/** What stands there but is no name of the system, like a line by its two ends, is offered as well. */
const options = computed(() => {
  const all = optionsFor(props.gap, props.loaded, props.run.value);
  const known = new Set(all.map(({ value }) => value));
  return [...props.values.filter((v) => v !== "" && !known.has(v)).map((value) => ({ value, label: value.replace(/#/g, "") })), ...all];
});
/** What is chosen behind the others is as good as pressed: a line goes on from where the one before it ends. */
function choose(now: readonly string[]): void {
  const added = now.length === props.values.length + 1 ? now.at(-1) : undefined;
  const name = added?.replace("#", "") ?? "";
  const { points, paths } = props.loaded.plan.scope;
  if (props.gap.kind === "walk" && points.has(name)) emit("press", { kind: "point", name });
  else if (props.gap.kind === "walk" && paths.has(name)) emit("press", { kind: "path", name });
  else emit("fill", now);
}
const field = useTemplateRef<{ focus: () => void }>("field");
// A gap that is typed takes the focus; one that is pressed leaves it on the paper.
watch(
  () => props.asked,
  async (now) => {
    if (!now || (!FORMULA_KINDS.has(props.gap.kind) && !WORD_KINDS.has(props.gap.kind))) return;
    await nextTick();
    field.value?.focus();
  },
  { immediate: true },
);
</script>

<template>
  <span :data-gap="gap.name" class="gap" :class="[gap.kind.replace(' ', '-'), { asked }]" @focusin="$emit('ask')" @click="$emit('ask')">
    <LineField
      v-if="FORMULA_KINDS.has(gap.kind)"
      ref="field"
      formula
      :label="label"
      :loaded="loaded"
      :placeholder="label"
      :model-value="one"
      @update:model-value="emit('fill', [$event])"
      @enter="$emit('enter')"
    />
    <el-input
      v-else-if="WORD_KINDS.has(gap.kind)"
      ref="field"
      :model-value="one"
      :placeholder="label"
      :aria-label="label"
      :disabled="locked"
      @update:model-value="emit('fill', [$event])"
      @keydown.enter="$emit('enter')"
    />
    <template v-else-if="gap.kind === 'direction'">
      <el-select-v2
        :model-value="one"
        :options="WAYS"
        :placeholder="label"
        :aria-label="`Way: ${gap.name}`"
        @change="emit('fill', [$event])"
      />
      <el-select-v2
        v-if="one === 'along' || one === 'square to'"
        :model-value="values[1] ?? ''"
        :options="optionsFor({ ...gap, kind: 'line' }, loaded, run.value)"
        filterable
        default-first-option
        allow-create
        placeholder="a line"
        aria-label="a line"
        @change="emit('fill', [one, typedLine(String($event))])"
      />
      <el-input
        v-else-if="one === 'at'"
        :model-value="values[1] ?? ''"
        placeholder="15°"
        aria-label="an angle"
        @update:model-value="emit('fill', [one, $event])"
      />
    </template>
    <el-select-v2
      v-else-if="MANY_KINDS.has(gap.kind)"
      :model-value="[...values]"
      :options="options"
      multiple
      filterable
      default-first-option
      :allow-create="gap.kind === 'walk'"
      :placeholder="label"
      :aria-label="label"
      @change="choose($event)"
    />
    <el-select-v2
      v-else
      :model-value="one"
      :options="options"
      filterable
      default-first-option
      :allow-create="gap.kind === 'line' || gap.kind === 'ends'"
      :placeholder="label"
      :aria-label="label"
      @change="emit('fill', [typedLine(String($event))])"
    />
  </span>
</template>

<style scoped>
.gap {
  display: inline-flex;
  gap: 4px;
  width: 104px;
  margin: 0 2px;
  line-height: 1.4;
  vertical-align: middle;
  border-radius: var(--radius);
}
.gap.length,
.gap.number,
.gap.condition,
.gap.one-of,
.gap.path,
.gap.piece,
.gap.dart,
.gap.newKey,
.gap.line {
  width: 150px;
}
.gap.points,
.gap.places,
.gap.walk,
.gap.edges,
.gap.paths,
.gap.edge,
.gap.text,
.gap.direction,
.gap.newPiece {
  width: 230px;
}
.gap.asked {
  outline: 3px solid var(--now);
  outline-offset: 1px;
}
.gap > * {
  flex: 1;
}
</style>
