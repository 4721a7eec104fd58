<script setup lang="ts">
import { draftRoutes, systemRoutes, type VersionLine } from "@lodrin/contract";
import { type Difference, differencesOf, type LoadedSystem, type Plan, run, type Run } from "@lodrin/core";
import { useStorage } from "@vueuse/core";
import { computed, onBeforeUnmount, ref, shallowRef, watch } from "vue";
import { call } from "../../api/call.js";
import { type ShelfSystem, useShelf } from "../../stores/shelf.js";
import DifferenceList from "../../ui/DifferenceList.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** Told when the system has a newer version than the draft: what is otherwise, drawn over the draft, before it goes over. */
const props = defineProps<{ autosave: DraftAutosave; system: ShelfSystem }>();
const emit = defineEmits<{ ghost: [ghost: { plan: Plan; run: Run } | undefined]; go: [difference: Difference]; moved: [] }>();
const shelf = useShelf();
const { slug, version } = props.system.sheet;
const newest = ref<VersionLine>();
/** Put off by whoever does not want to think of it now, version by version. */
const later = useStorage<string[]>("lodrin-later", []);
const called = computed(() => `${props.autosave.local.id} ${newest.value?.version ?? 0}`);
const newer = shallowRef<LoadedSystem>();
const open = ref(false);
const { why: failed, attempt } = useAttempt();
// Whether there is a newer one is no more than a word on the side: out of reach, nothing is said.
void call(systemRoutes.versions, { params: { slug } })
  .then(([first]) => (newest.value = first && first.version > version ? first : undefined))
  .catch(() => undefined);

const look = (): Promise<void> =>
  attempt(async () => {
    open.value = !open.value;
    if (newest.value && !newer.value) newer.value = (await shelf.version(slug, newest.value.version)).loaded;
  });
const differences = computed(() => newer.value && differencesOf(props.system.loaded.system, newer.value.system));
/** The draft as the newer version would draw it, with the same figures and settings. */
const ghost = computed(() => {
  if (!open.value || !newer.value) return undefined;
  const { measurements, settings, unit } = props.autosave.local;
  const { plan } = newer.value;
  return { plan, run: run(plan, measurements, settings, unit) };
});
watch(ghost, (now) => emit("ghost", now));
onBeforeUnmount(() => emit("ghost", undefined));

const move = (): Promise<void> =>
  attempt(async () => {
    if (!newest.value) return;
    if (!(await props.autosave.flush())) throw new Error("The draft is not saved yet. Wait for the connection, then go over.");
    const { id } = props.autosave.local;
    await call(draftRoutes.moveDraft, { params: { id }, body: { version: props.autosave.version(), systemVersion: newest.value.version } });
    emit("moved");
  });
</script>

<template>
  <aside v-if="newest && !later.includes(called)" class="newer" aria-label="A newer version">
    <p>
      <b>Version {{ newest.version }} of this system is out.</b> <span v-if="newest.note">{{ newest.note }}</span> This draft keeps version
      {{ version }} until you say otherwise.
      <el-button link type="primary" :aria-expanded="open" @click="look">{{
        open ? "Put the comparison away" : "What is otherwise?"
      }}</el-button>
      <el-button v-if="!open" link @click="later = [...later, called]">Later</el-button>
    </p>
    <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
    <template v-if="open && differences">
      <p class="small quiet">Dashed on the paper: your draft as version {{ newest.version }} draws it.</p>
      <div class="list"><DifferenceList :differences="differences" @go="$emit('go', $event)" /></div>
      <el-button type="primary" @click="move">Go over to version {{ newest.version }}</el-button>
      <el-button text @click="open = false">Stay with version {{ version }}</el-button>
    </template>
  </aside>
</template>

<style scoped>
.newer {
  max-width: 560px;
  padding: 10px 14px;
  border-radius: var(--radius);
  border-left: 4px solid var(--now);
  background: var(--panel);
  box-shadow: var(--shadow);
}
.list {
  max-height: 38vh;
  overflow: auto;
}
</style>
