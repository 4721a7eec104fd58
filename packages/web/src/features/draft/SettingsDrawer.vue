<script setup lang="ts">
import type { HomeUnit, Plan } from "@lodrin/core";
import { onBeforeUnmount, ref } from "vue";
import SettingField from "./SettingField.vue";
import type { DraftAutosave } from "./use-draft.js";
import type { Trial } from "./use-ghost.js";

/** Choices with their reasons, and settings with their ranges. The draft redraws at once. */
const props = defineProps<{ autosave: DraftAutosave; plan: Plan; unit: HomeUnit }>();
/** The option laid over the draft as a ghost, before it is taken. */
const trial = defineModel<Trial | undefined>("trial");
const { local } = props.autosave;

function set(key: string, value: string | undefined): void {
  const { [key]: _, ...rest } = local.settings;
  local.settings = value === undefined ? rest : { ...rest, [key]: value };
}
const words = (key: string): string => key.replace(/_/g, " ").replace(/^./, (c) => c.toUpperCase());
const isOn = (key: string, option: string, first: boolean): boolean =>
  local.settings[key] === undefined ? first : local.settings[key] === option;
const tried = (key: string, option: string): boolean => trial.value?.key === key && trial.value.option === option;

/** An option laid over by its button stays there when the hand leaves it. */
const pinned = ref(false);
function take(key: string, option: string, first: boolean): void {
  trial.value = undefined;
  pinned.value = false;
  set(key, first ? undefined : option);
}
function hover(key: string, option: string, on: boolean): void {
  if (pinned.value) return;
  if (on) trial.value = { key, option };
  else if (tried(key, option)) trial.value = undefined;
}
function pin(key: string, option: string): void {
  pinned.value = !(pinned.value && tried(key, option));
  trial.value = pinned.value ? { key, option } : undefined;
}
onBeforeUnmount(() => (trial.value = undefined));
</script>

<template>
  <div class="drawer-body">
    <fieldset v-for="choice in plan.choices" :key="choice.source.key">
      <legend>{{ words(choice.source.key) }}</legend>
      <p class="small quiet">{{ choice.source.decides }}</p>
      <div
        v-for="(option, i) in choice.source.options"
        :key="option.name"
        class="option"
        :class="{ on: isOn(choice.source.key, option.name, i === 0) }"
        @pointerenter="
          $event.pointerType === 'mouse' && hover(choice.source.key, option.name, !isOn(choice.source.key, option.name, i === 0))
        "
        @pointerleave="$event.pointerType === 'mouse' && hover(choice.source.key, option.name, false)"
      >
        <label>
          <input
            type="radio"
            :name="choice.source.key"
            :checked="isOn(choice.source.key, option.name, i === 0)"
            @change="take(choice.source.key, option.name, i === 0)"
          />
          <span>
            <b>{{ words(option.name) }}</b>
            <span v-if="option.reason" class="small">{{ option.reason }}</span>
            <span v-if="option.suits" class="small quiet">Suits: {{ option.suits }}</span>
          </span>
        </label>
        <button
          v-if="!isOn(choice.source.key, option.name, i === 0)"
          class="over"
          :aria-pressed="pinned && tried(choice.source.key, option.name)"
          :aria-label="`Lay ${words(option.name)} over the draft`"
          @click="pin(choice.source.key, option.name)"
        >
          Lay over
        </button>
      </div>
    </fieldset>
    <SettingField
      v-for="s in plan.settings"
      :key="s.source.key"
      :setting="s"
      :home-unit="plan.system.unit"
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
fieldset {
  margin: 0;
  padding: 0 0 10px;
  border: 0;
  border-bottom: 1px solid var(--rule);
}
legend {
  padding: 0;
  font-weight: 600;
}
.option {
  display: flex;
  align-items: start;
  min-height: 44px;
  border-radius: var(--radius);
}
label {
  display: flex;
  flex: 1;
  gap: 10px;
  align-items: start;
  padding: 8px 10px;
  cursor: pointer;
}
label > span {
  display: grid;
}
.over {
  flex: none;
  min-height: 42px;
  padding: 0 10px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--now);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
.over[aria-pressed="true"] {
  background: var(--now-tint);
  text-decoration: underline dashed;
}
.option.on {
  background: var(--now-tint);
}
.option input {
  width: 20px;
  height: 20px;
  margin-top: 2px;
  accent-color: var(--now);
}
</style>
