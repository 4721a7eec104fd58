<script setup lang="ts">
import { onBeforeUnmount } from "vue";
import { onBeforeRouteLeave, useRoute } from "vue-router";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import DraftTable from "./DraftTable.vue";
import { useOpenDraft } from "../../drafting/use-draft.js";

const route = useRoute();
const { open, load, close } = useOpenDraft(() => String(route.params["id"]));
const { ready, why, again } = useLoad(load);

onBeforeRouteLeave(async () => {
  await open.value?.autosave.flush();
});
onBeforeUnmount(close);
</script>

<template>
  <div v-if="!ready || !open" class="page"><LoadState what="the draft" :why="why" @again="again" /></div>
  <DraftTable v-else :key="`${open.draft.id} ${open.draft.systemVersion}`" :open="open" @moved="again" />
</template>
