<script setup lang="ts" generic="K extends string">
/** The names of the drawers down the edge of the table, each with what waits in it. */
defineProps<{ drawers: readonly { readonly key: K; readonly name: string; readonly badge: string | undefined }[]; open: K | undefined }>();
defineEmits<{ toggle: [key: K] }>();
</script>

<template>
  <nav class="rail" aria-label="Drawers">
    <button v-for="d in drawers" :key="d.key" :aria-expanded="open === d.key" @click="$emit('toggle', d.key)">
      {{ d.name }}
      <el-tag v-if="d.badge" type="warning" size="small" round>{{ d.badge }}</el-tag>
    </button>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 6px 4px;
  background: var(--panel);
  border-left: 1px solid var(--rule);
}
button {
  display: grid;
  justify-items: center;
  gap: 4px;
  min-height: 58px;
  padding: 6px 2px;
  border: 0;
  border-radius: var(--radius);
  background: transparent;
  color: var(--ink);
  font-weight: 600;
  font-size: 15px;
  line-height: 1.15;
  align-content: center;
  cursor: pointer;
}
button:hover {
  background: var(--now-tint);
}
button[aria-expanded="true"] {
  background: var(--now-tint);
  color: var(--now);
}
.el-tag {
  height: auto;
  padding: 1px 5px;
  white-space: normal;
}
@media (width < 620px) {
  .rail {
    flex-direction: row;
    overflow-x: auto;
    padding: 4px;
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
  button {
    flex: none;
    min-height: 44px;
    padding: 2px 12px;
  }
}
</style>
