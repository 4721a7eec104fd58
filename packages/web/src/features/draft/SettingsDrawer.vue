<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import { type HomeUnit, inWords, type Plan, type Run } from "@lodrin/core";
import { computed, onBeforeUnmount, type Ref, ref } from "vue";
import { useUndo } from "../../stores/undo.js";
import { withKey } from "../../ui/with-key.js";
import ChoiceField from "../../handout/ChoiceField.vue";
import SettingField from "../../handout/SettingField.vue";
import type { DraftAutosave } from "../../drafting/use-draft.js";
import type { Trial } from "./use-ghost.js";

/**
 * Choices with their reasons, and settings with their ranges. The draft redraws at once. It is given where the run is kept,
 * not the run: while a setting is dragged, only what changes is laid out again.
 */
const props = defineProps<{
  autosave: DraftAutosave;
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
}>();
/** The option laid over the draft as a ghost, before it is taken. */
const trial = defineModel<Trial | undefined>("trial");
const { local } = props.autosave;
const { plan } = props.draft;

function set(key: string, value: string | undefined): void {
  local.settings = withKey(local.settings, key, value);
}
type Choice = Plan["choices"][number];
const ownOf = ({ source }: Choice): string => source.options[0]?.name ?? "";

/** An option laid over by its button stays there when the hand leaves it. */
const pinned = ref(false);
function take(choice: Choice, option: string): void {
  trial.value = undefined;
  pinned.value = false;
  set(choice.source.key, option === ownOf(choice) ? undefined : option);
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
    <ChoiceField
      v-for="choice in plan.choices"
      :key="choice.source.key"
      :choice="choice"
      :taken="local.settings[choice.source.key] ?? ownOf(choice)"
      :tried="pinned && trial?.key === choice.source.key ? trial.option : undefined"
      @take="take(choice, $event)"
      @hover="(option, on) => hover(choice.source.key, option, on)"
      @pin="pin(choice.source.key, $event)"
    />
    <SettingField
      v-for="s in plan.settings"
      :key="s.source.key"
      :setting="s"
      :draft="draft"
      :unit="unit"
      :model-value="local.settings[s.source.key]"
      @update:model-value="set(s.source.key, $event)"
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
