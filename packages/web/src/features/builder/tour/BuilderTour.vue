<script setup lang="ts">
import { ref, watch } from "vue";
import { STOPS } from "./tour-stops.js";

/** Led from an empty frame to a drawn back neck: going on past a stop does what it says. */
const emit = defineEmits<{ line: [line: string]; close: [] }>();
const open = ref(true);
const at = ref(0);
const done = new Set<number>();
watch(at, (to, from) => {
  // What a stop says is done on leaving it, once, and only on the way forward.
  const line = STOPS[from]?.line;
  if (to < from || line === undefined || done.has(from)) return;
  done.add(from);
  emit("line", line);
});
</script>

<template>
  <el-tour v-model="open" v-model:current="at" @close="$emit('close')" @finish="$emit('close')">
    <el-tour-step v-for="{ target, title, description } in STOPS" :key="title" :target="target" :title="title" :description="description" />
  </el-tour>
</template>
