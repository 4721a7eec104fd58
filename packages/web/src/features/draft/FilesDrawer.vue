<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";
import { ref } from "vue";
import { RouterLink } from "vue-router";
import type { DraftKeeper } from "./use-draft.js";

/** Print and files: what can be taken away. Everything waits until the draft is saved, so that the file is the draft. */
const props = defineProps<{ keeper: DraftKeeper; unit: HomeUnit; missing: boolean }>();
const why = ref("");

const FILES = [
  { file: "handout.pdf", name: "Handout with worked sums (PDF)" },
  { file: "pattern.svg", name: "Pieces, true size (SVG in millimetres)" },
  { file: "pattern.svg?what=board", name: "Construction, true size (SVG in millimetres)" },
  { file: "run.json", name: "Everything worked out (JSON)" },
];

async function take(file: string): Promise<void> {
  why.value = "";
  if (!(await props.keeper.flush())) {
    why.value = "The draft is not saved yet, so the file would be an older one. Wait for the connection, then try again.";
    return;
  }
  const link = document.createElement("a");
  link.href = `/api/drafts/${props.keeper.local.id}/files/${file}${file.includes("?") ? "&" : "?"}unit=${props.unit}`;
  link.target = "_blank";
  link.rel = "noopener";
  link.click();
}
</script>

<template>
  <div class="drawer-body">
    <p v-if="missing" class="says look">Some measurements are still missing: what is printed now is not the whole draft.</p>
    <RouterLink class="button main" :to="{ name: 'print', params: { id: keeper.local.id } }">Print the pattern …</RouterLink>
    <p class="small quiet">See the sheets first, choose the paper, then print true to size with a test square.</p>
    <h3>Files</h3>
    <button v-for="f in FILES" :key="f.file" class="button" @click="take(f.file)">{{ f.name }}</button>
    <p v-if="why" class="says fail small" role="alert">{{ why }}</p>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
}
h3 {
  margin-top: 12px;
  font-size: 18px;
}
.button {
  justify-content: start;
  text-align: left;
}
</style>
