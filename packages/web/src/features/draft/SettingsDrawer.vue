<script setup lang="ts">
import type { HomeUnit, Plan } from "@lodrin/core";
import SettingField from "./SettingField.vue";
import type { DraftKeeper } from "./use-draft.js";

/** Choices with their reasons, and settings with their ranges. The draft redraws at once. */
const props = defineProps<{ keeper: DraftKeeper; plan: Plan; unit: HomeUnit }>();
const { local } = props.keeper;

function set(key: string, value: string | undefined): void {
  const { [key]: _, ...rest } = local.settings;
  local.settings = value === undefined ? rest : { ...rest, [key]: value };
}
const words = (key: string): string => key.replace(/_/g, " ").replace(/^./, (c) => c.toUpperCase());
const picked = (key: string): string | undefined => local.settings[key];
</script>

<template>
  <div class="drawer-body">
    <fieldset v-for="choice in plan.choices" :key="choice.source.key">
      <legend>{{ words(choice.source.key) }}</legend>
      <p class="small quiet">{{ choice.source.decides }}</p>
      <label
        v-for="(option, i) in choice.source.options"
        :key="option.name"
        class="option"
        :class="{ on: picked(choice.source.key) === option.name || (i === 0 && !picked(choice.source.key)) }"
      >
        <input
          type="radio"
          :name="choice.source.key"
          :checked="picked(choice.source.key) === option.name || (i === 0 && !picked(choice.source.key))"
          @change="set(choice.source.key, i === 0 ? undefined : option.name)"
        />
        <span>
          <b>{{ words(option.name) }}</b>
          <span v-if="option.reason" class="small">{{ option.reason }}</span>
          <span v-if="option.suits" class="small quiet">Suits: {{ option.suits }}</span>
        </span>
      </label>
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
  gap: 10px;
  align-items: start;
  min-height: 44px;
  padding: 8px 10px;
  border-radius: var(--radius);
  cursor: pointer;
}
.option > span {
  display: grid;
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
