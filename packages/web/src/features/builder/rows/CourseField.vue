<script setup lang="ts">
import { Close } from "@element-plus/icons-vue";
import { type Course, courseOnFigure, GIRTH_LEVELS, LANDMARKS, type Statement } from "@lodrin/core";
import { computed, ref } from "vue";
import FigureDrawing from "../../../ui/FigureDrawing.vue";

/** Where the tape of a new measurement runs, pressed on the figure: a level it goes round at, or two places it runs between. */
type Measure = Extract<Statement, { is: "measure" }>;
const props = defineProps<{ statement: Measure }>();
const emit = defineEmits<{ change: [statement: Statement] }>();

const course = computed(() => props.statement.course);
const shown = computed(() => course.value && courseOnFigure(course.value));
const round = computed(() => props.statement.kind === "girth");
const SIDES = [
  { value: "front", label: "Front" },
  { value: "back", label: "Back" },
];
const side = ref<"front" | "back">(shown.value?.view ?? "front");
/** The first of two places, until the second is pressed. */
const begun = ref<string>();
const places = computed(() => Object.entries(LANDMARKS).filter(([, { view }]) => view === "both" || view === side.value));
const levels = Object.entries(GIRTH_LEVELS).map(([key, line]) => ({ key, line, name: key.replace(/_/g, " ") }));

function put(to: Course | undefined): void {
  const { course: _, ...rest } = props.statement;
  emit("change", to ? { ...rest, course: to } : rest);
}
function press(key: string): void {
  if (begun.value === undefined || begun.value === key) {
    begun.value = begun.value === key ? undefined : key;
    return;
  }
  put({ from: begun.value, to: key });
  begun.value = undefined;
}
const isEnd = (key: string): boolean =>
  key === begun.value || (course.value !== undefined && "from" in course.value && (course.value.from === key || course.value.to === key));
</script>

<template>
  <div class="course">
    <FigureDrawing
      class="figure"
      :back="side === 'back'"
      :tape="shown && shown.view === (round ? 'front' : side) ? shown.line : undefined"
      role="group"
      label="The figure: press where the tape runs"
    >
      <template v-if="round">
        <g
          v-for="l in levels"
          :key="l.key"
          class="level"
          role="button"
          tabindex="0"
          :aria-label="`Round the ${l.name}`"
          :aria-pressed="course !== undefined && 'round' in course && course.round === l.key"
          @click="put({ round: l.key })"
          @keydown.enter.prevent="put({ round: l.key })"
          @keydown.space.prevent="put({ round: l.key })"
        >
          <title>round the {{ l.name }}</title>
          <path class="reach" :d="l.line" />
          <path class="line" :d="l.line" />
        </g>
      </template>
      <template v-else>
        <g
          v-for="[key, p] in places"
          :key="key"
          class="place"
          :class="{ end: isEnd(key) }"
          role="button"
          tabindex="0"
          :aria-label="p.name"
          :aria-pressed="isEnd(key)"
          @click="press(key)"
          @keydown.enter.prevent="press(key)"
          @keydown.space.prevent="press(key)"
        >
          <title>{{ p.name }}</title>
          <circle class="reach" :cx="p.x" :cy="p.y" r="9" />
          <circle class="dot" :cx="p.x" :cy="p.y" r="3.4" />
        </g>
      </template>
    </FigureDrawing>
    <div class="words">
      <b>Where its tape runs</b>
      <el-segmented v-if="!round" v-model="side" :options="SIDES" aria-label="Side of the figure" />
      <p class="small" aria-live="polite">
        <template v-if="begun">From the {{ LANDMARKS[begun]?.name }} to …: press the other place.</template>
        <template v-else-if="shown">{{ shown.says }} Students see it on their figure.</template>
        <template v-else>{{ round ? "Press the level it goes round at." : "Press two places of the figure." }}</template>
      </p>
      <el-button v-if="course" text :icon="Close" @click="put(undefined)">Leave it open</el-button>
    </div>
  </div>
</template>

<style scoped>
.course {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 14px;
}
.figure {
  width: 150px;
  height: 340px;
  border-radius: var(--radius);
  background: #fbf8f0;
}
.words {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
.place,
.level {
  cursor: pointer;
}
.reach {
  fill: transparent;
  stroke: transparent;
}
.level .reach {
  fill: none;
  stroke-width: 14;
}
.level .line {
  fill: none;
  stroke: #6a6f74;
  stroke-width: 1.4;
  stroke-dasharray: 3 3;
}
.level:hover .line,
.level:focus-visible .line,
.level[aria-pressed="true"] .line {
  stroke: var(--now);
  stroke-width: 3;
}
.dot {
  fill: #fbf8f0;
  stroke: #3d4348;
  stroke-width: 1.6;
}
.place:hover .dot,
.place:focus-visible .dot,
.end .dot {
  fill: var(--now);
  stroke: var(--now);
}
</style>
