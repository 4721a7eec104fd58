<script setup lang="ts">
import type { Finding } from "@lodrin/core";
import { computed } from "vue";

/** Every problem of a system, the most pressing first; each leads to its line. */
const props = defineProps<{ findings: readonly Finding[]; sum: string }>();
defineEmits<{ go: [statement: number] }>();

const GROUPS: readonly { readonly title: string; readonly codes: readonly Finding["code"][] }[] = [
  { title: "To fix first", codes: ["unread", "breaks", "never-holds", "wrong-number", "says-otherwise"] },
  { title: "To look at", codes: ["looks", "never-fails"] },
  { title: "Pieces and seams", codes: ["no-grain", "unchecked-seam"] },
  { title: "On the tape", codes: ["off-tape"] },
  { title: "Used by nothing", codes: ["unused"] },
];
const groups = computed(() =>
  GROUPS.map(({ title, codes }) => ({ title, found: props.findings.filter((f) => codes.includes(f.code)) })).filter(
    (g) => g.found.length > 0,
  ),
);
</script>

<template>
  <div class="drawer-body">
    <p class="small quiet">{{ sum }}</p>
    <el-result
      v-if="groups.length === 0"
      icon="success"
      sub-title="No problems: every line is read and used, every seam is sewn to something, and every check holds on this body and over the range."
    />
    <section v-for="g in groups" :key="g.title">
      <h3>{{ g.title }}</h3>
      <ul>
        <li v-for="(f, i) in g.found" :key="i">
          <el-button v-if="f.statement !== undefined" link type="primary" @click="$emit('go', f.statement)">{{ f.says }}</el-button>
          <span v-else>{{ f.says }}</span>
          <span class="small quiet">{{ f.fix }}</span>
        </li>
      </ul>
    </section>
    <slot />
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
h3 {
  font-size: 17px;
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  justify-items: start;
}
.el-button {
  height: auto;
  white-space: normal;
  text-align: left;
  line-height: 1.35;
}
</style>
