<script setup lang="ts">
import { type Audience, type ReplyOf, type Work, workRoutes } from "@lodrin/contract";
import { type Difference, differencesOf, type LoadedSystem } from "@lodrin/core";
import { computed, ref, shallowRef, watch } from "vue";
import { call } from "../../../api/call.js";
import { type ShelfSystem, useShelf } from "../../../stores/shelf.js";
import DifferenceList from "../../../ui/DifferenceList.vue";
import LoadState from "../../../ui/LoadState.vue";
import { sayMoment } from "../../../ui/times.js";
import { withDisclosure } from "../../../ui/confirm-disclosure.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useLoad } from "../../../ui/use-load.js";

/** The history of a system: each version with its line and how many drafts keep it, the difference of any two, and who may see it. */
const props = defineProps<{ work: Work; loaded: LoadedSystem; published: number }>();
const emit = defineEmits<{ ghost: [system: LoadedSystem | undefined]; go: [difference: Difference]; placed: [work: Work] }>();
const shelf = useShelf();
const lines = shallowRef<ReplyOf<typeof workRoutes.workVersions>>([]);
const { ready, why, again } = useLoad(async () => {
  lines.value = await call(workRoutes.workVersions, { params: { id: props.work.id } });
});
watch(
  () => props.published,
  () => void again(),
);
const { why: failed, attempt } = useAttempt();

/** The text as it stands is the newest of all: it is called 0. */
const NOW = 0;
const older = ref<number>();
const newer = ref(NOW);
const options = computed(() => [
  { value: NOW, label: "The text as it stands" },
  ...lines.value.map((l) => ({ value: l.version, label: `Version ${l.version}` })),
]);
watch(lines, ([first]) => (older.value ??= first?.version));
const fetched = shallowRef<ReadonlyMap<number, ShelfSystem>>(new Map());
watch(
  [older, newer],
  async (wanted) => {
    for (const version of wanted)
      if (version !== undefined && version !== NOW && !fetched.value.has(version)) {
        const system = await shelf.version(props.work.slug, version);
        fetched.value = new Map(fetched.value).set(version, system);
      }
  },
  { immediate: true },
);
const systemOf = (version: number | undefined): LoadedSystem | undefined =>
  version === NOW ? props.loaded : fetched.value.get(version ?? -1)?.loaded;
const differences = computed(() => {
  const [a, b] = [systemOf(older.value), systemOf(newer.value)];
  return a && b ? differencesOf(a.system, b.system) : undefined;
});
const ghostly = ref(false);
watch([ghostly, older, fetched], () => emit("ghost", ghostly.value ? systemOf(older.value) : undefined));

const withdraw = (version: number, withdrawn: boolean): Promise<void> =>
  attempt(async () => {
    await call(workRoutes.withdrawVersion, { params: { id: props.work.id, number: String(version) }, body: { withdrawn } });
    await again();
    await shelf.reload();
  });
const place = (audience: Audience): Promise<void> =>
  attempt(async () => {
    const params = { id: props.work.id };
    const work = await withDisclosure((discloses) => call(workRoutes.placeWork, { params, body: { audience, ...discloses } }));
    if (!work) return;
    emit("placed", work);
    await shelf.reload();
  });
</script>

<template>
  <div class="drawer-body">
    <LoadState v-if="!ready" what="its versions" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
      <el-form-item label="Who may see it on the shelf" label-position="top">
        <el-radio-group :model-value="work.audience" @update:model-value="place($event as Audience)">
          <el-radio value="me">Only me</el-radio>
          <el-radio value="classes">My classes</el-radio>
          <el-radio value="everyone">Everyone here</el-radio>
        </el-radio-group>
      </el-form-item>
      <p v-if="lines.length === 0" class="quiet">
        Nothing is published yet. A version is never changed once it is: students who began with it keep it.
      </p>
      <ol class="versions">
        <li v-for="l in lines" :key="l.version">
          <b>Version {{ l.version }}</b>
          <span class="small quiet"
            >{{ sayMoment(l.publishedAt) }} · {{ l.drafts }} {{ l.drafts === 1 ? "draft keeps" : "drafts keep" }} it</span
          >
          <span v-if="l.note">{{ l.note }}</span>
          <el-button link type="primary" @click="withdraw(l.version, !l.withdrawn)">{{
            l.withdrawn ? "Put it back on the shelf" : "Take it off the shelf"
          }}</el-button>
        </li>
      </ol>
      <template v-if="lines.length">
        <h3>What changed</h3>
        <div class="pair">
          <el-select v-model="older" aria-label="From"><el-option v-for="o in options" :key="o.value" v-bind="o" /></el-select>
          <el-select v-model="newer" aria-label="To"><el-option v-for="o in options" :key="o.value" v-bind="o" /></el-select>
        </div>
        <el-checkbox v-model="ghostly">Lay the first over the paper as a ghost</el-checkbox>
        <DifferenceList v-if="differences" :differences="differences" @go="$emit('go', $event)" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
}
.versions {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
.versions li {
  display: grid;
  justify-items: start;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
h3 {
  font-size: 17px;
}
</style>
