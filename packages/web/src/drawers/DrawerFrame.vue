<script setup lang="ts">
import { Close } from "@element-plus/icons-vue";

/** A drawer beside the paper: its name, the way to close it, and what lies in it. */
defineProps<{ name: string }>();
defineEmits<{ close: [] }>();
</script>

<template>
  <aside class="drawer" :aria-label="name">
    <div class="drawer-head">
      <h2>{{ name }}</h2>
      <el-button text :icon="Close" aria-label="Close the drawer (Esc)" title="Close (Esc)" @click="$emit('close')" />
    </div>
    <div class="drawer-scroll" tabindex="0" role="region" aria-label="Drawer"><slot /></div>
  </aside>
</template>

<style scoped>
.drawer {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  width: 352px;
  background: var(--panel);
  border-left: 1px solid var(--rule);
}
.drawer-head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 6px 8px 2px 18px;
}
h2 {
  font-size: 20px;
}
.drawer-scroll {
  overflow: auto;
  contain: strict;
  padding: 6px 18px 24px;
}
</style>
