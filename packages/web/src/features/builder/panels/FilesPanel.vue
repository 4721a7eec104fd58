<script setup lang="ts">
import { Document, Download } from "@element-plus/icons-vue";
import { type Work, workRoutes } from "@lodrin/contract";
import { computed, ref } from "vue";
import { useSession } from "../../../stores/session.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { pathOf } from "../../../api/call.js";
import { giveFile, takeFile } from "../../../ui/take-file.js";
import type { Writing, WorkAutosave } from "../use-writing.js";

/** What can be taken away: the booklet to print, and the system as notation or as JSON. */
const props = defineProps<{ work: Work; writing: Writing; autosave: WorkAutosave }>();
const session = useSession();
const { loaded, bodies, body } = props.writing;
const { why, attempt } = useAttempt();
const rules = ref(false);
const paper = ref<"A4" | "Letter">("A4");
const RULES = [
  { value: false, label: "Sums for this body" },
  { value: true, label: "Rules" },
];
const PAPERS = ["A4", "Letter"];
const whose = computed(() => bodies.value.find((b) => b.id === body.value)?.name ?? "");
const fileName = computed(() => loaded.value.system.title.replace(/[^\w]+/g, "-").toLowerCase());

const booklet = (): Promise<void> =>
  attempt(async () => {
    if (!(await props.autosave.flush())) throw new Error("The text is not saved yet. Wait for the connection, then print.");
    const { measurements, unit } = props.writing.given(loaded.value.plan);
    await takeFile(pathOf(workRoutes.booklet, { id: props.work.id }), `${fileName.value}-booklet.pdf`, {
      ...{ unit: session.unit, paper: paper.value, rules: rules.value, name: whose.value, writtenIn: unit },
      measurements: Object.fromEntries(Object.entries(measurements).map(([key, figure]) => [key, String(figure)])),
    });
  });
const notation = (): void => giveFile(loaded.value.read.source, "text/plain", `${fileName.value}.lodrin`);
const json = (): void => giveFile(JSON.stringify(loaded.value.system, null, 1), "application/json", `${fileName.value}.json`);
</script>

<template>
  <div class="drawer-body">
    <h3>Booklet</h3>
    <p class="small quiet">Cover, what to measure, every group of steps with its drawing, pieces and checks.</p>
    <el-segmented v-model="rules" :options="RULES" aria-label="Formulas as" />
    <el-segmented v-model="paper" :options="PAPERS" aria-label="Paper" />
    <p class="small">Drawn on: {{ whose }}</p>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
    <el-button type="primary" :icon="Document" @click="booklet">Make the booklet (PDF)</el-button>
    <h3>The system itself</h3>
    <el-button :icon="Download" @click="notation">As notation (.lodrin)</el-button>
    <el-button :icon="Download" @click="json">As JSON</el-button>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.drawer-body .el-button {
  margin: 0;
}
h3 {
  font-size: 17px;
}
</style>
