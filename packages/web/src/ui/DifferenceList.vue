<script setup lang="ts">
import type { Difference } from "@lodrin/core";

/** What is otherwise in another version, a sentence each. */
defineProps<{ differences: readonly Difference[] }>();
defineEmits<{ go: [difference: Difference] }>();
const WORDS = { new: "new", gone: "gone", changed: "changed", order: "order" } as const;
</script>

<template>
  <p v-if="differences.length === 0" class="quiet">They draft alike: nothing but comments differs.</p>
  <ul v-else class="differences">
    <li v-for="(d, i) in differences" :key="i">
      <el-tag size="small" :type="d.what === 'gone' ? 'danger' : d.what === 'new' ? 'success' : 'info'">{{ WORDS[d.what] }}</el-tag>
      <button v-if="d.step !== undefined" class="says" @click="$emit('go', d)">{{ d.says }}</button>
      <span v-else>{{ d.says }}</span>
    </li>
  </ul>
</template>

<style scoped>
.differences {
  list-style: none;
  margin: 6px 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  gap: 8px;
  align-items: start;
}
.says {
  padding: 0;
  border: 0;
  background: transparent;
  color: var(--now);
  text-align: left;
  cursor: pointer;
}
</style>
