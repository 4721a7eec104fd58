<script setup lang="ts">
import { FIGURE_LINES, measurementByKey, printStatement, type System, type TapeRun } from "@lodrin/core";
import { computed, ref, watch } from "vue";
import { sizeWritten } from "../../../measures/size-body.js";
import { useCharts } from "../../../stores/charts.js";
import { usePeople } from "../../../stores/people.js";
import FigureDrawing from "../../../ui/FigureDrawing.vue";
import { usualMeasurements } from "./additions.js";
import { measureKey, ownStatement, proposedRange, type Written } from "./own-measure.js";

/** A measurement the system asks for: one of the usual ones, pressed on the figure or chosen from the list and taken whole; or one of the author's own. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ system: System }>();
const emit = defineEmits<{ add: [lines: readonly string[]] }>();

const WAYS = [
  { label: "A usual one", value: "usual" },
  { label: "My own", value: "own" },
];
const way = ref<"usual" | "own">("usual");
const SIDES = [
  { value: false, label: "Front" },
  { value: true, label: "Back" },
];
const back = ref(false);
const sought = ref("");
const usual = computed(() => usualMeasurements(props.system));
const listed = computed(() => usual.value.filter(({ says }) => says.toLowerCase().includes(sought.value.trim().toLowerCase())));
const key = ref<string>();
const known = computed(() => (key.value === undefined ? undefined : measurementByKey(key.value)));
const chosen = computed(() => usual.value.find((m) => m.key === key.value));
const drawn = computed(() =>
  usual.value.flatMap((m) => {
    const line = FIGURE_LINES[m.key];
    return line !== undefined && (measurementByKey(m.key)?.view === "back") === back.value ? [{ ...m, line }] : [];
  }),
);
function choose(to: string): void {
  key.value = to;
  back.value = measurementByKey(to)?.view === "back";
}
const added = ref("");
function put(lines: readonly string[], says: string): void {
  emit("add", lines);
  added.value = `${says} is in the system.`;
  key.value = undefined;
}

const name = ref("");
const kind = ref<TapeRun>("length");
const KINDS: readonly { readonly value: TapeRun; readonly label: string }[] = [
  { value: "girth", label: "round the body" },
  { value: "length", label: "along it" },
  { value: "width", label: "straight across" },
  { value: "number", label: "a number" },
];
const how = ref("");
const from = ref("");
const to = ref("");
const taken = computed(() => new Set(props.system.statements.flatMap((s) => ("key" in s && typeof s.key === "string" ? [s.key] : []))));
const ownKey = computed(() => measureKey(name.value, taken.value));
const people = usePeople();
const charts = useCharts();
const bodies = computed((): Written[] => [
  ...people.people.flatMap((p) => p.sets.map((set) => ({ unit: set.unit, figures: set.written }))),
  ...charts.charts.flatMap((chart) => chart.sizes.map((size) => ({ unit: "cm" as const, figures: sizeWritten(chart, size) }))),
]);
// What is proposed gives way to what is typed.
watch(
  [ownKey, kind, open],
  () => ([from.value, to.value] = proposedRange(ownKey.value ?? "", kind.value, props.system.unit, bodies.value)),
  { immediate: true },
);
const wrong = computed(() => {
  if (name.value.trim() === "") return "It needs a name.";
  if (ownKey.value === undefined) return "The system has one of that name, or the name has no letter in it.";
  if (how.value.trim() === "") return "Say from where to where the tape runs.";
  return Number(from.value) < Number(to.value) || Number.isNaN(Number(from.value))
    ? ""
    : "The range goes from the smallest to the largest.";
});
function putOwn(): void {
  if (ownKey.value === undefined || wrong.value !== "") return;
  const statement = ownStatement(ownKey.value, { name: name.value, kind: kind.value, how: how.value, from: from.value, to: to.value });
  emit("add", printStatement(statement));
  // Where its tape runs is drawn on the figure of its line, which is open now.
  open.value = false;
  name.value = how.value = "";
}
watch(open, () => (added.value = ""));
</script>

<template>
  <el-dialog v-model="open" title="A measurement" width="min(760px, 96vw)">
    <el-segmented v-model="way" :options="WAYS" aria-label="Which kind" />
    <div v-if="way === 'usual'" class="usual">
      <div class="figure-side">
        <el-segmented v-model="back" :options="SIDES" aria-label="Side of the figure" />
        <FigureDrawing
          class="figure"
          :back="back"
          :tape="key === undefined ? undefined : FIGURE_LINES[key]"
          role="group"
          label="The figure: press where the tape runs"
        >
          <g
            v-for="m in drawn"
            :key="m.key"
            class="tape-line"
            role="button"
            tabindex="0"
            :aria-label="m.says"
            :aria-pressed="m.key === key"
            @click="choose(m.key)"
            @keydown.enter.prevent="choose(m.key)"
            @keydown.space.prevent="choose(m.key)"
          >
            <title>{{ m.says }}</title>
            <path class="reach" :d="m.line" />
            <path class="line" :d="m.line" />
          </g>
        </FigureDrawing>
      </div>
      <div class="list-side">
        <el-input v-model="sought" placeholder="Find a measurement" aria-label="Find a measurement" clearable />
        <ul aria-label="Usual measurements">
          <li v-for="m in listed" :key="m.key">
            <button :class="{ on: m.key === key }" :aria-pressed="m.key === key" @click="choose(m.key)">{{ m.says }}</button>
          </li>
          <li v-if="listed.length === 0" class="quiet small">None of that name is left. It may be one of your own.</li>
        </ul>
        <div class="about" role="status">
          <template v-if="chosen && known">
            <b>{{ chosen.says }}</b>
            <p class="small">{{ known.how }}</p>
            <p v-if="known.iso" class="small quiet">ISO 8559-1: {{ known.iso }}</p>
            <el-button type="primary" @click="put(chosen.lines, chosen.says)">Insert</el-button>
          </template>
          <p v-else class="small quiet">{{ added || "Press a tape on the figure, or a name." }}</p>
        </div>
      </div>
    </div>
    <el-form v-else label-position="top" class="own" @submit.prevent="putOwn">
      <el-form-item label="What it is called"><el-input v-model="name" placeholder="Nape to waist over the pack" /></el-form-item>
      <el-form-item label="How the tape runs">
        <el-radio-group v-model="kind" aria-label="How the tape runs">
          <el-radio v-for="k in KINDS" :key="k.value" :value="k.value">{{ k.label }}</el-radio>
        </el-radio-group>
      </el-form-item>
      <el-form-item label="How it is taken">
        <el-input v-model="how" type="textarea" :autosize="{ minRows: 1, maxRows: 4 }" placeholder="From where to where, and how tight." />
      </el-form-item>
      <div class="range">
        <el-form-item :label="`From (${kind === 'number' ? 'a number' : system.unit})`"
          ><el-input v-model="from" inputmode="decimal"
        /></el-form-item>
        <el-form-item :label="`To (${kind === 'number' ? 'a number' : system.unit})`"
          ><el-input v-model="to" inputmode="decimal"
        /></el-form-item>
      </div>
      <p class="small" :class="{ quiet: wrong === '' }" role="status">
        {{ wrong || "The range is proposed from the bodies and sizes at hand. Where the tape runs is drawn on the figure next." }}
      </p>
      <el-button type="primary" native-type="submit" :disabled="wrong !== ''">Insert</el-button>
    </el-form>
  </el-dialog>
</template>

<style scoped>
.usual {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  gap: 16px;
  margin-top: 12px;
}
.figure-side {
  display: grid;
  gap: 8px;
  align-content: start;
}
.figure {
  width: 200px;
  height: 400px;
  border-radius: var(--radius);
  background: #fbf8f0;
}
.tape-line {
  cursor: pointer;
}
.reach {
  fill: none;
  stroke: transparent;
  stroke-width: 11;
}
.line {
  fill: none;
  stroke: #6a6f74;
  stroke-width: 1.6;
  stroke-dasharray: 4 3;
}
.tape-line:hover .line,
.tape-line:focus-visible .line,
.tape-line[aria-pressed="true"] .line {
  stroke: var(--now);
  stroke-width: 3.2;
}
.list-side {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
  max-height: 450px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
}
li button {
  width: 100%;
  min-height: 40px;
  padding: 6px 10px;
  border: 0;
  border-radius: var(--radius);
  background: transparent;
  text-align: left;
  cursor: pointer;
}
li .on {
  background: var(--now-tint);
  color: var(--now);
  font-weight: 600;
}
.about {
  display: grid;
  gap: 4px;
  min-height: 112px;
  justify-items: start;
}
.own {
  margin-top: 14px;
}
.range {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}
@media (width < 620px) {
  .usual {
    grid-template-columns: 1fr;
  }
  .figure {
    height: 260px;
  }
}
</style>
