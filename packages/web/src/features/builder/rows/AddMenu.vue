<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import { type System, type Template, TEMPLATES } from "@lodrin/core";
import { computed, defineAsyncComponent, ref } from "vue";
import { additions } from "./additions.js";

// Fetched when a measurement is added.
const MeasureDialog = defineAsyncComponent(() => import("./MeasureDialog.vue"));

/** What a system is made of, to be put in where it belongs and then filled in where it stands. */
const props = defineProps<{ system: System }>();
const emit = defineEmits<{ add: [lines: readonly string[]]; begin: [template: Template] }>();

const MEASURE = "measure";
const more = computed(() => additions(props.system));
const measuring = defineModel<boolean>("measuring", { required: true });
/** The dialog stays once it was opened: what is half typed in it is there when it is opened again. */
const measured = ref(false);
const GIVEN = TEMPLATES.filter((t) => t.group === "given");
function add(what: readonly string[] | Template | typeof MEASURE): void {
  if (what === MEASURE) measure();
  else if (typeof what === "object" && "parts" in what) emit("begin", what);
  else emit("add", what as readonly string[]);
}
const measure = (): void => void (measuring.value = measured.value = true);
defineExpose({ measure });
</script>

<template>
  <el-dropdown trigger="click" max-height="420px" @command="add">
    <el-button :icon="Plus">Add</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item :command="MEASURE">A measurement …</el-dropdown-item>
        <el-dropdown-item v-for="t in GIVEN" :key="t.key" :command="t">{{ t.label }}</el-dropdown-item>
        <el-dropdown-item v-for="a in more" :key="a.says" :command="a.lines">{{ a.says }}</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
  <MeasureDialog v-if="measured" v-model="measuring" :system="system" @add="$emit('add', $event)" />
</template>
