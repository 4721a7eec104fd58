<script setup lang="ts">
import { RouterLink, type RouteLocationRaw } from "vue-router";

/** The bar over a table that fills the window: the way back, what lies on the table, and what is done with it as a whole. */
defineProps<{ title: string; home: RouteLocationRaw; homeName: string }>();
</script>

<template>
  <header class="table-header">
    <RouterLink class="home" :to="home" :aria-label="homeName"><img src="/mark.svg" alt="" width="26" height="26" /></RouterLink>
    <h1 :title="title">{{ title }}</h1>
    <slot name="about" />
    <span class="room" />
    <slot />
  </header>
</template>

<style scoped>
.table-header {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 0 12px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
  min-width: 0;
}
.home {
  display: grid;
  flex: none;
  place-items: center;
  width: 40px;
  height: 40px;
}
h1 {
  font-size: 19px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.room {
  flex: 1;
}
@media (width < 620px) {
  .table-header {
    gap: 4px;
    padding: 0 2px;
  }
  h1 {
    font-size: 17px;
  }
}
</style>
