<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import { type HomeUnit, inWords, type Plan, type Run } from "@lodrin/core";
import { computed, onBeforeUnmount, type Ref, ref } from "vue";
import { useUndo } from "../../stores/undo.js";
import { withKey } from "../../ui/with-key.js";
import SettingsList from "../../handout/SettingsList.vue";
import type { DraftAutosave } from "../../drafting/use-draft.js";
import type { Trial } from "./use-ghost.js";

/** The choices and settings of a draft, which redraws at once, and what of them differs from the author's. */
const props = defineProps<{
  autosave: DraftAutosave;
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
}>();
/** The option laid over the draft as a ghost, before it is taken. */
const trial = defineModel<Trial | undefined>("trial");
const { local } = props.autosave;
/** An option laid over by its button stays there when the hand leaves it. */
const pinned = ref(false);
function set(key: string, value: string | undefined): void {
  // What is laid over is for the choice: it ends when one is made.
  if (props.draft.plan.choices.some(({ source }) => source.key === key)) {
    trial.value = undefined;
    pinned.value = false;
  }
  local.settings = withKey(local.settings, key, value);
}
const isTried = (key: string, option: string): boolean => trial.value?.key === key && trial.value.option === option;
function hover(key: string, option: string, on: boolean): void {
  if (pinned.value) return;
  if (on) trial.value = { key, option };
  else if (isTried(key, option)) trial.value = undefined;
}
function pin(key: string, option: string): void {
  pinned.value = !(pinned.value && isTried(key, option));
  trial.value = pinned.value ? { key, option } : undefined;
}
onBeforeUnmount(() => (trial.value = undefined));

/** What stands otherwise here than its author gave it. */
const differ = computed(() => Object.keys(local.settings));
function putBack(): void {
  const before = local.settings;
  local.settings = {};
  useUndo().offer("Everything stands as its author gave it.", () => Promise.resolve(void (local.settings = before)));
}
</script>

<template>
  <div class="drawer-body">
    <div v-if="differ.length" class="differ">
      <p class="small">
        <b>{{ differ.length }} {{ differ.length === 1 ? "differs" : "differ" }} from the system's own:</b>
        {{ inWords(differ.join(", ")) }}
      </p>
      <el-button :icon="RefreshLeft" @click="putBack">Put all back</el-button>
    </div>
    <SettingsList
      :draft="draft"
      :unit="unit"
      :set="local.settings"
      :tried="pinned ? trial : undefined"
      @set="set"
      @hover="hover"
      @pin="pin"
    />
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 14px;
}
.differ {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 10px 14px;
  border-radius: var(--radius);
  background: var(--now-tint);
}
</style>
