<script setup lang="ts">
import { type Work, workRoutes } from "@lodrin/contract";
import { ElMessage } from "element-plus";
import { onBeforeUnmount, shallowRef, watch } from "vue";
import { onBeforeRouteLeave, useRoute } from "vue-router";
import { startAutosave } from "../../api/autosave.js";
import { call } from "../../api/call.js";
import { useCharts } from "../../stores/charts.js";
import { usePeople } from "../../stores/people.js";
import { useShelf } from "../../stores/shelf.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { mergedCleanly } from "./text/hunks.js";
import type { WorkAutosave } from "./use-writing.js";
import WritingTable from "./WritingTable.vue";

const route = useRoute();
const people = usePeople();
const shelf = useShelf();
const charts = useCharts();
const open = shallowRef<{ work: Work; autosave: WorkAutosave }>();
const { ready, why, again } = useLoad(async () => {
  const [work] = await Promise.all([
    call(workRoutes.work, { params: { id: String(route.params["id"]) } }),
    shelf.load(),
    people.load(),
    charts.load(),
  ]);
  const autosave = startAutosave<Work, "notation">(work, {
    what: "system",
    fields: ["notation"],
    merge: (began, mine, theirs) => {
      const notation = mergedCleanly(mine.notation, began.notation, theirs.notation);
      return notation === undefined ? undefined : { notation };
    },
    send: (id, version, { notation = "" }) => call(workRoutes.changeWork, { params: { id }, body: { version, notation } }),
  });
  watch(autosave.merges, () =>
    ElMessage({ type: "info", message: "What was saved elsewhere was merged into this text.", showClose: true, duration: 8_000 }),
  );
  open.value = { work, autosave };
});

onBeforeRouteLeave(async () => {
  await open.value?.autosave.flush();
});
onBeforeUnmount(() => open.value?.autosave.stop());
</script>

<template>
  <div v-if="!ready || !open" class="page"><LoadState what="the system" :why="why" @again="again" /></div>
  <WritingTable v-else :key="open.work.id" :work="open.work" :autosave="open.autosave" />
</template>
