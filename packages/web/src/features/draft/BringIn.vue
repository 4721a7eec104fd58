<script setup lang="ts">
import { Upload } from "@element-plus/icons-vue";
import type { Plan } from "@lodrin/core";
import { readAnswers } from "@lodrin/formats";
import type { UploadFile } from "element-plus";
import { ref } from "vue";
import { useUndo } from "../../stores/undo.js";
import { fitAnswers } from "./fit-answers.js";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** Measurements and settings brought back in from a CSV file; what the file does not name stays as it is. */
const props = defineProps<{ autosave: DraftAutosave; plan: Plan }>();
const undo = useUndo();
const messages = ref<string[]>([]);
const LARGEST_BYTES = 200_000;

async function bring({ raw: file }: UploadFile): Promise<void> {
  if (!file) return;
  if (file.size > LARGEST_BYTES) {
    messages.value = [`${file.name} is too long for a list of measurements. Choose the CSV file that was taken from a draft.`];
    return;
  }
  const { answers, problems } = readAnswers(await file.text());
  const { local } = props.autosave;
  const fit = fitAnswers(props.plan, answers);
  const before = { measurements: local.measurements, settings: local.settings };
  const taken = Object.keys(fit.measurements).length + Object.keys(fit.settings).length;
  if (taken > 0) {
    local.measurements = { ...local.measurements, ...fit.measurements };
    local.settings = { ...local.settings, ...fit.settings };
    undo.offer(`${taken} figures taken from ${file.name}.`, () => Promise.resolve(void Object.assign(local, before)));
  }
  messages.value = [
    taken > 0 ? `${taken} figures taken from ${file.name}.` : `Nothing in ${file.name} fits this draft.`,
    ...(fit.unknown.length > 0 ? [`Not asked for by this system: ${fit.unknown.join(", ")}.`] : []),
    ...problems.map((p) => `Line ${p.line}: ${p.why} ${p.fix}`),
  ];
}
</script>

<template>
  <div class="bring">
    <el-upload action="" accept=".csv,text/csv" :auto-upload="false" :show-file-list="false" :on-change="bring">
      <!-- The upload itself is what is pressed: a button within it would be two. -->
      <span class="el-button"
        ><el-icon><Upload /></el-icon><span>Bring figures in from a CSV file …</span></span
      >
    </el-upload>
    <div v-if="messages.length" class="small" role="status">
      <p v-for="line in messages" :key="line">{{ line }}</p>
    </div>
  </div>
</template>

<style scoped>
.bring {
  display: grid;
  gap: 8px;
}
</style>
