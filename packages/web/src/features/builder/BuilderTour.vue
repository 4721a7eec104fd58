<script setup lang="ts">
import { ref } from "vue";
import { STOPS } from "./tour-stops.js";

/** Led from an empty frame to a drawn back neck: going on past a stop does what it says. */
const emit = defineEmits<{ line: [line: string]; close: [] }>();
const open = ref(true);
const at = ref(0);
function onChange(to: number): void {
  // What a stop says is done on leaving it, once, and only on the way forward.
  const left = STOPS[to - 1];
  if (to > at.value && left?.line !== undefined && !done.has(left.title)) {
    done.add(left.title);
    emit("line", left.line);
  }
  at.value = to;
}
const done = new Set<string>();
</script>

<template>
  <el-tour v-model="open" :current="at" @change="onChange" @close="$emit('close')" @finish="$emit('close')">
    <el-tour-step v-for="{ target, title, description } in STOPS" :key="title" :target="target" :title="title" :description="description" />
  </el-tour>
</template>
