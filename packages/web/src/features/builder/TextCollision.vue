<script setup lang="ts">
import { diffLines } from "diff";
import { computed } from "vue";
import type { WorkAutosave } from "./use-writing.js";

/** Two hands on one text: the lines that differ side by side, and which to keep. */
const props = defineProps<{ autosave: WorkAutosave }>();

/** Lines that stand here and not there, and the other way round, as they follow each other. */
const differing = computed(() =>
  diffLines(props.autosave.local.notation, props.autosave.theirs.value?.notation ?? "").flatMap(({ value, added, removed }, key) =>
    added || removed ? [{ key, text: value.trimEnd(), here: Boolean(removed) }] : [],
  ),
);
</script>

<template>
  <section class="notice" role="alertdialog" aria-labelledby="collision-title">
    <h2 id="collision-title">Another hand is in this text</h2>
    <p>It was saved elsewhere while you were writing here. Nothing is lost: both are shown.</p>
    <ul>
      <li v-for="d in differing" :key="d.key">
        <b class="small">{{ d.here ? "Here" : "Saved elsewhere" }}</b>
        <pre>{{ d.text }}</pre>
      </li>
    </ul>
    <div class="acts">
      <el-button type="primary" @click="autosave.keepMine()">Keep what is here</el-button>
      <el-button @click="autosave.takeTheirs()">Take what was saved elsewhere</el-button>
    </div>
  </section>
</template>

<style scoped>
.notice {
  display: grid;
  gap: 8px;
  max-height: 46vh;
  overflow: auto;
  padding: 12px 16px;
  border-bottom: 2px solid var(--warn);
  background: var(--warn-tint);
}
h2 {
  font-size: 19px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
pre {
  margin: 0 0 6px;
  white-space: pre-wrap;
  font-size: 15px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
