<script setup lang="ts">
import { type Plan, pointText } from "@lodrin/core";
import { computed } from "vue";
import type { Picked } from "../../../board/picked.js";

/** What can be done from the point or line that was picked on the paper: each puts its sentence into the quick line, with the gaps still to be picked or typed. */
const props = defineProps<{ picked: readonly Picked[]; plan: Plan }>();
const emit = defineEmits<{ begin: [sentence: string]; put: [lines: readonly string[]]; clear: [] }>();

const last = computed(() => props.picked.at(-1));
const name = computed(() => (last.value?.kind === "point" ? pointText(last.value.name) : (last.value?.name ?? "")));
const FROM_POINT: readonly (readonly [string, (p: string) => string])[] = [
  ["down", (p) => `down … from ${p}`],
  ["up", (p) => `up … from ${p}`],
  ["out", (p) => `out … from ${p}`],
  ["in", (p) => `in … from ${p}`],
  ["midway", (p) => `midway ${p} to …`],
  ["square to a line", (p) => `square from ${p} to …`],
  ["across to", (p) => `across from ${p} to …`],
  ["toward", (p) => `toward …, … from ${p}`],
  ["mirror", (p) => `mirror ${p} in …`],
];
const FROM_PATH: readonly (readonly [string, (p: string) => string])[] = [
  ["a share along it", (p) => `along ${p}, … of the way`],
  ["so far along it", (p) => `along ${p} from …, …`],
  ["square off it", (p) => `off ${p} at …, … in`],
  ["where it crosses", (p) => `cross ${p} with …`],
];
/** A new line takes a name that is free. */
const free = (base: string): string => {
  let n = 1;
  while (props.plan.scope.paths.has(`${base}_${n}`)) n++;
  return `${base}_${n}`;
};
const whole: readonly (readonly [string, (p: string) => string])[] = [
  ["line to", (p) => `line ${free("line")}: ${p} > …`],
  ["curve through", (p) => `curve ${free("curve")}: ${p} > … > …`],
  ["dart here", (p) => `dart ${free("dart")} "Dart": at ${p}, intake … to …`],
];
const acts = computed(() => (last.value?.kind === "path" ? FROM_PATH : [...FROM_POINT, ...whole]));
const lines = computed(() => props.picked.filter((p) => p.kind === "path"));

function piece(): void {
  const step = props.plan.steps.find((s) => s.source.is === "path" && s.source.key === lines.value[0]?.name);
  let n = 1;
  while (props.plan.pieces.some((p) => p.source.key === `Piece${n}`)) n++;
  emit("put", [
    `piece Piece${n} "Piece ${n}" on ${step?.board ?? "A"} · cut 1`,
    ...lines.value.map(({ name: key }) => `  edge ${key}: ${key}`),
  ]);
}
/** Two lines that are to come to the same. */
function agree(): void {
  const [a = "", b = ""] = lines.value.map((line) => line.name);
  const said = (line: string): string => line.replace(/_/g, " ");
  emit("put", [`check "${said(a)} and ${said(b)}": len(${a}) = len(${b})`]);
}
</script>

<template>
  <div v-if="last" class="picks" role="toolbar" :aria-label="`From ${name}`">
    <b>{{ last.kind === "point" ? "From" : "With" }} {{ name.replace("#", "").replace(/_/g, " ") }}</b>
    <el-button v-for="[says, sentence] in acts" :key="says" size="small" @click="$emit('begin', sentence(name))">{{ says }}</el-button>
    <el-button v-if="lines.length > 1" size="small" type="primary" @click="piece">a piece of these {{ lines.length }} lines</el-button>
    <el-button v-if="lines.length === 2" size="small" type="primary" @click="agree">check that these two agree</el-button>
    <el-button size="small" text @click="$emit('clear')">Leave</el-button>
  </div>
</template>

<style scoped>
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  padding: 8px 12px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
.picks .el-button {
  margin: 0;
}
</style>
