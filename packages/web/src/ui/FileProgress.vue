<script setup lang="ts">
/** Inside a message: which file is being made, and a way to stop it. */
defineProps<{ name: string; ahead?: number | null }>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <div class="making">
    <p v-if="ahead" role="status">{{ name }} is waiting: {{ ahead }} {{ ahead === 1 ? "file" : "files" }} before yours.</p>
    <p v-else role="status">Making {{ name }} …</p>
    <el-progress :percentage="100" :indeterminate="true" :show-text="false" :aria-label="`Making ${name}`" />
    <el-button @click="$emit('stop')">Stop</el-button>
  </div>
</template>

<style scoped>
.making {
  display: grid;
  gap: 10px;
  justify-items: start;
  font: 17px/1.4 var(--face);
  color: var(--ink);
}
.el-progress {
  width: 100%;
}
</style>
