<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import { askedName, figuresBetween, type Given, type HomeUnit, type Plan, run, type Run, tapeText, measured } from "@lodrin/core";
import { computed, type Ref, ref, watch } from "vue";
import { withKey } from "../../../ui/with-key.js";
import SettingsList from "../../../handout/SettingsList.vue";
import type { TryBody } from "../use-writing.js";

/** Any measurement or setting under the hand: the draft follows as it moves. Nothing here is kept with the system. */
const props = defineProps<{
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
  /** The bodies a system can be tried on, and the one it is. */
  bodies: readonly TryBody[];
  body: string;
}>();
/** Another body, whose draft is shown behind this one. */
const beside = defineModel<string | undefined>("beside", { required: true });
const figures = defineModel<Given>("figures", { required: true });
const settings = defineModel<Readonly<Record<string, string>>>("settings", { required: true });

const orElse = (mm: number, otherwise: number): number => (Number.isFinite(mm) ? mm : otherwise);
/** Measurements on a slider, in mm within their range. */
const measures = computed(() =>
  props.draft.plan.measures
    .filter((m) => m.source.kind !== "number")
    .map((m) => ({ key: m.key, name: askedName(m), from: m.from, to: m.to, mm: orElse(measured(props.draft.run.value, m), m.from) })),
);
function pull(key: string, mm: number): void {
  figures.value = { ...figures.value, [key]: `${mm} mm` };
}
function set(key: string, value: string | undefined): void {
  settings.value = withKey(settings.value, key, value);
}
/** A body between the one that is tried and another: a slider moves it from size to size. */
const other = ref<string>();
const share = ref(0);
const runOf = (id: string): Run | undefined => {
  const { plan } = props.draft;
  const given = props.bodies.find((b) => b.id === id)?.given(plan);
  return given && run(plan, given.measurements, {}, given.unit);
};
function move(to: number): void {
  share.value = to;
  const [a, b] = [runOf(props.body), other.value === undefined ? undefined : runOf(other.value)];
  if (a && b) figures.value = { ...figures.value, ...figuresBetween(props.draft.plan, a, b, to / 100) };
}
watch(
  () => props.body,
  () => (share.value = 0),
);
const nameOf = (id: string): string => props.bodies.find((b) => b.id === id)?.name ?? "";
const tried = computed(() => Object.keys(figures.value).length + Object.keys(settings.value).length);
function putBack(): void {
  figures.value = {};
  settings.value = {};
  share.value = 0;
}
</script>

<template>
  <div class="drawer-body">
    <el-button :icon="RefreshLeft" :disabled="tried === 0" @click="putBack">Put all back</el-button>
    <section class="between" aria-label="Between two bodies">
      <b>From {{ nameOf(body) }} to</b>
      <el-select
        v-model="other"
        filterable
        clearable
        placeholder="another size or person"
        aria-label="To another body"
        @change="move(share)"
      >
        <el-option v-for="b in bodies.filter(({ id }) => id !== body)" :key="b.id" :value="b.id" :label="b.name" />
      </el-select>
      <el-slider
        :model-value="share"
        :disabled="other === undefined"
        :step="1"
        :format-tooltip="(at: number) => `${at} % of the way`"
        aria-label="How far between the two"
        @update:model-value="move(Number($event))"
      />
      <b>Another body behind it</b>
      <el-select v-model="beside" filterable clearable placeholder="none" aria-label="Another body behind it">
        <el-option v-for="b in bodies.filter(({ id }) => id !== body)" :key="b.id" :value="b.id" :label="b.name" />
      </el-select>
    </section>
    <div v-for="m in measures" :key="m.key" class="measure">
      <span class="said"
        ><b>{{ m.name }}</b> <span>{{ tapeText(m.mm, unit) }}</span></span
      >
      <el-slider
        :model-value="m.mm"
        :min="Math.floor(m.from)"
        :max="Math.ceil(m.to)"
        :step="1"
        :show-tooltip="false"
        :aria-label="m.name"
        @update:model-value="pull(m.key, Number($event))"
      />
    </div>
    <SettingsList :draft="draft" :unit="unit" :set="settings" @set="set" />
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
.between {
  display: grid;
  gap: 6px;
  padding-bottom: 12px;
  border-bottom: 1px solid var(--rule);
}
.between :deep(.el-slider) {
  padding: 0 10px;
}
.said {
  display: flex;
  justify-content: space-between;
}
.measure :deep(.el-slider) {
  padding: 0 10px;
}
</style>
