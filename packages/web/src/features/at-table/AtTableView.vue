<script setup lang="ts">
import { onBeforeUnmount } from "vue";
import { useRoute } from "vue-router";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { useOpenDraft } from "../../drafting/use-draft.js";
import TableStand from "./TableStand.vue";

/** A draft beside the paper: one step, very large. */
const route = useRoute();
const { open, load, close } = useOpenDraft(() => String(route.params["id"]));
const { ready, why, again } = useLoad(load);
onBeforeUnmount(close);
</script>

<template>
  <div v-if="!ready || !open" class="page"><LoadState what="the draft" :why="why" @again="again" /></div>
  <TableStand v-else :key="`${open.draft.id} ${open.draft.systemVersion}`" :open="open" />
</template>
