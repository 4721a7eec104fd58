<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import type { System } from "@lodrin/core";
import { computed } from "vue";
import { additions, usualMeasurements } from "./additions.js";

/** What a system is made of, to be put in where it belongs and then filled in where it stands. */
const props = defineProps<{ system: System }>();
const emit = defineEmits<{ add: [lines: readonly string[]] }>();

const more = computed(() => additions(props.system));
const measures = computed(() => usualMeasurements(props.system));
</script>

<template>
  <el-dropdown trigger="click" max-height="420px" @command="emit('add', $event)">
    <el-button :icon="Plus">Add</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item v-for="a in more" :key="a.says" :command="a.lines">{{ a.says }}</el-dropdown-item>
        <el-dropdown-item v-for="(m, i) in measures" :key="m.key" :divided="i === 0" :command="m.lines">{{ m.says }}</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
