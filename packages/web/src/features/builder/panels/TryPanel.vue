<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import { askedName, type Given, type HomeUnit, type Plan, type Run, tapeText, measured } from "@lodrin/core";
import { computed, type Ref } from "vue";
import { withKey } from "../../../ui/with-key.js";
import SettingsList from "../../../handout/SettingsList.vue";

/** Any measurement or setting under the hand: the draft follows as it moves. Nothing here is kept with the system. */
const props = defineProps<{ draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> }; unit: HomeUnit }>();
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
const tried = computed(() => Object.keys(figures.value).length + Object.keys(settings.value).length);
function putBack(): void {
  figures.value = {};
  settings.value = {};
}
</script>

<template>
  <div class="drawer-body">
    <el-button :icon="RefreshLeft" :disabled="tried === 0" @click="putBack">Put all back</el-button>
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
.said {
  display: flex;
  justify-content: space-between;
}
.measure :deep(.el-slider) {
  padding: 0 10px;
}
</style>
