<script setup lang="ts">
import type { HomeUnit, Plan } from "@lodrin/core";
import { TEXT_FORMATS } from "@lodrin/formats";
import LinkButton from "../../ui/LinkButton.vue";
import BringIn from "./BringIn.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import { takeFile } from "../../ui/take-file.js";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** Print and files: what can be taken away. Everything waits until the draft is saved, so that the file is the draft. */
const props = defineProps<{ autosave: DraftAutosave; plan: Plan; unit: HomeUnit; missing: boolean }>();
const { why, attempt } = useAttempt();

const inGroup = (group: string): { file: string; name: string }[] =>
  TEXT_FORMATS.filter((f) => f.group === group).map(({ file, name }) => ({ file, name }));
const FILES = [
  { title: "To read", files: [{ file: "handout.pdf", name: "Handout with worked sums (PDF)" }] },
  {
    title: "To cut or draw on, true size",
    files: [...inGroup("cut"), { file: "pattern.svg?what=board", name: "Construction (SVG in millimetres)" }],
  },
  { title: "To reckon with", files: inGroup("reckon") },
  { title: "Figures of this draft", files: inGroup("answers") },
];

async function take(file: string): Promise<void> {
  why.value = "";
  if (!(await props.autosave.flush())) {
    why.value = "The draft is not saved yet, so the file would be an older one. Wait for the connection, then try again.";
    return;
  }
  await attempt(() =>
    takeFile(
      `/api/drafts/${props.autosave.local.id}/files/${file}${file.includes("?") ? "&" : "?"}unit=${props.unit}`,
      file.replace(/\?.*$/, ""),
    ),
  );
}
</script>

<template>
  <div class="drawer-body">
    <el-alert
      v-if="missing"
      type="warning"
      :closable="false"
      show-icon
      title="Some measurements are still missing: what is printed now is not the whole draft."
    />
    <LinkButton type="primary" :to="{ name: 'print', params: { id: autosave.local.id } }">Print the pattern …</LinkButton>
    <p class="small quiet">See the sheets first, choose the paper, then print true to size with a test square.</p>
    <template v-for="group in FILES" :key="group.title">
      <h3>{{ group.title }}</h3>
      <el-button v-for="f in group.files" :key="f.file" @click="take(f.file)">{{ f.name }}</el-button>
    </template>
    <BringIn :autosave="autosave" :plan="plan" />
    <el-alert v-if="why" type="error" role="alert" :closable="false" :title="why" />
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
}
h3 {
  margin-top: 12px;
  font-size: 17px;
}
.button {
  justify-content: start;
  text-align: left;
}
</style>
