<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import { measureLine, measurementByKey, MEASUREMENTS, type System } from "@lodrin/core";
import { computed } from "vue";

/** What a system is made of, to be put in where it belongs and then filled in where it stands. */
const props = defineProps<{ system: System }>();
const emit = defineEmits<{ add: [lines: readonly string[]] }>();

const has = computed(() => new Set(props.system.statements.flatMap((s) => ("key" in s && typeof s.key === "string" ? [s.key] : []))));
const measures = computed(() => MEASUREMENTS.filter((m) => !has.value.has(m.key)));
const free = (base: string): string => {
  for (let n = 1; ; n++) if (!has.value.has(`${base}_${n}`)) return `${base}_${n}`;
};
const letter = (): string => [..."ABCDEFGHJKLMNPQRSTUVWXYZ"].find((c) => !has.value.has(c)) ?? "A";

function measure(key: string): void {
  const iso = measurementByKey(key)?.iso;
  emit("add", [`${measureLine(key, props.system.unit)}${iso === undefined ? "" : `  iso "${iso}"`}`]);
}
const OTHERS: readonly { readonly says: string; readonly lines: () => readonly string[] }[] = [
  { says: "A measurement of my own", lines: () => [`measure ${free("measure")} length 1..50  "From where to where the tape runs."`] },
  { says: "A setting", lines: () => [`set ${free("setting")} = 1 from 0 to 2  "What it decides."`] },
  { says: "A choice", lines: () => [`choose ${free("choice")}  "What is chosen."`, '  first  "Suits most."', '  second  "Suits some."'] },
  { says: "A table", lines: () => [`table ${free("table")} by ${firstMeasure()}, steps: up to 90 -> 1 · above -> 2`] },
  { says: "A figure worked out", lines: () => [`value ${free("figure")} = ${firstMeasure()}/4  "What it is."`] },
  { says: "A heading", lines: () => ['part "New part"'] },
  { says: "A board", lines: () => [`board ${letter()} "New board" · centre fold`] },
  { says: "A check", lines: () => [`check "What must hold": ${firstMeasure()} between 1 and 200`] },
  { says: "A control measurement", lines: () => ['control dist(#0, #1)  "What it keeps watch over."'] },
  { says: "A caution", lines: () => ['caution "What can hurt, and what to do about it."'] },
  { says: "A lesson", lines: () => ['lesson "What a student should know before the first line."'] },
];
const firstMeasure = (): string => props.system.statements.find((s) => s.is === "measure")?.key ?? "chest";
function take(command: string | number): void {
  if (typeof command === "string") measure(command);
  else emit("add", OTHERS[command]?.lines() ?? []);
}
</script>

<template>
  <el-dropdown trigger="click" max-height="420px" @command="take">
    <el-button :icon="Plus">Add</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item v-for="(o, i) in OTHERS" :key="o.says" :command="i">{{ o.says }}</el-dropdown-item>
        <el-dropdown-item v-for="(m, i) in measures" :key="m.key" :divided="i === 0" :command="m.key">{{ m.name }}</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
