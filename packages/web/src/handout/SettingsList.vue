<script setup lang="ts">
import type { HomeUnit, Plan, Run } from "@lodrin/core";
import type { Ref } from "vue";
import ChoiceField from "./ChoiceField.vue";
import SettingField from "./SettingField.vue";

/**
 * The choices of a system with their reasons, and its settings with their ranges. It is given where the run is kept, not the run:
 * while a setting is dragged, only what changes is laid out again.
 */
defineProps<{
  draft: { readonly plan: Plan; readonly run: Readonly<Ref<Run>> };
  unit: HomeUnit;
  /** What is set otherwise than its author gave it. */
  set: Readonly<Record<string, string>>;
  /** The option that is laid over the draft by its button. */
  tried?: { readonly key: string; readonly option: string } | undefined;
}>();
const emit = defineEmits<{
  set: [key: string, value: string | undefined];
  hover: [key: string, option: string, on: boolean];
  pin: [key: string, option: string];
}>();
type Choice = Plan["choices"][number];
const ownOf = ({ source }: Choice): string => source.options[0]?.name ?? "";
/** The author's own option is set by setting nothing. */
const take = (choice: Choice, option: string): void => emit("set", choice.source.key, option === ownOf(choice) ? undefined : option);
</script>

<template>
  <ChoiceField
    v-for="choice in draft.plan.choices"
    :key="choice.source.key"
    :choice="choice"
    :taken="set[choice.source.key] ?? ownOf(choice)"
    :tried="tried?.key === choice.source.key ? tried.option : undefined"
    @take="take(choice, $event)"
    @hover="(option, on) => emit('hover', choice.source.key, option, on)"
    @pin="emit('pin', choice.source.key, $event)"
  />
  <SettingField
    v-for="s in draft.plan.settings"
    :key="s.source.key"
    :setting="s"
    :draft="draft"
    :unit="unit"
    :model-value="set[s.source.key]"
    @update:model-value="emit('set', s.source.key, $event)"
  />
</template>
