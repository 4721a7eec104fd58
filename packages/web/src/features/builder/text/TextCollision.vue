<script setup lang="ts">
import { computed, ref, watch } from "vue";
import { type Hunk, hunksOf, merged } from "./hunks.js";
import type { WorkAutosave } from "../use-writing.js";

/** Two hands on one text: the lines that both changed side by side, and which of the two is kept, stretch by stretch. */
const props = defineProps<{ autosave: WorkAutosave }>();
const hunks = computed(() =>
  hunksOf(props.autosave.local.notation, props.autosave.began().notation, props.autosave.theirs.value?.notation ?? ""),
);
const differing = computed(() => hunks.value.filter((h): h is Extract<Hunk, { here: string }> => "here" in h));
const sides = ref<("here" | "there")[]>([]);
watch(differing, (all) => (sides.value = all.map((_, i) => sides.value[i] ?? "here")), { immediate: true });
const SIDES = [
  { value: "here", label: "what is here" },
  { value: "there", label: "what was saved elsewhere" },
];

function take(): void {
  const { local, keepMine } = props.autosave;
  local.notation = merged(hunks.value, sides.value);
  void keepMine();
}
</script>

<template>
  <section class="notice" role="alertdialog" aria-labelledby="collision-title">
    <h2 id="collision-title">This text was changed elsewhere</h2>
    <p>It was saved elsewhere while you were writing here. Nothing is lost: what both changed is shown, the rest is merged.</p>
    <ul>
      <li v-for="(d, i) in differing" :key="i">
        <div class="both">
          <div>
            <b class="small">Here</b>
            <pre>{{ d.here.trimEnd() || "nothing" }}</pre>
          </div>
          <div>
            <b class="small">Saved elsewhere</b>
            <pre>{{ d.there.trimEnd() || "nothing" }}</pre>
          </div>
        </div>
        <el-segmented v-if="differing.length > 1" v-model="sides[i]" :options="SIDES" :aria-label="`Difference ${i + 1}: keep`" />
      </li>
    </ul>
    <div class="acts">
      <el-button v-if="differing.length > 1" type="primary" @click="take">Keep them as chosen</el-button>
      <el-button @click="autosave.keepMine()">Keep what is here</el-button>
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
  display: grid;
  gap: 10px;
}
.both {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
pre {
  margin: 0 0 6px;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  font-size: 15px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.acts .el-button {
  margin: 0;
}
</style>
