<script setup lang="ts">
import { RefreshLeft } from "@element-plus/icons-vue";
import { type HomeUnit, inWords, type Plan, type Run, wordComesTo } from "@lodrin/core";
import { computed, onBeforeUnmount, ref } from "vue";
import { useUndo } from "../../stores/undo.js";
import SettingField from "./SettingField.vue";
import type { DraftAutosave } from "./use-draft.js";
import type { Trial } from "./use-ghost.js";

/** Choices with their reasons, and settings with their ranges. The draft redraws at once. */
const props = defineProps<{ autosave: DraftAutosave; plan: Plan; run: Run; unit: HomeUnit }>();
/** The option laid over the draft as a ghost, before it is taken. */
const trial = defineModel<Trial | undefined>("trial");
const { local } = props.autosave;

function set(key: string, value: string | undefined): void {
  const { [key]: _, ...rest } = local.settings;
  local.settings = value === undefined ? rest : { ...rest, [key]: value };
}
const words = (key: string): string => inWords(key).replace(/^./, (c) => c.toUpperCase());
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
/** What stands otherwise here than its author gave it. */
const differ = computed(() => Object.keys(local.settings));
function putBack(): void {
  const before = local.settings;
  local.settings = {};
  useUndo().offer("Everything stands as its author gave it.", () => Promise.resolve(void (local.settings = before)));
}
/** What a setting's word comes to on this body, while it stands on one. */
function comesTo(s: Plan["settings"][number]): number | undefined {
  const text = local.settings[s.key] ?? (s.defaultWord > 0 ? s.source.default : "");
  return s.words.slice(1).includes(text) ? wordComesTo(props.plan, props.run, s.key, text) : undefined;
}
onBeforeUnmount(() => (trial.value = undefined));
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
    <fieldset v-for="choice in plan.choices" :key="choice.source.key">
      <legend>{{ words(choice.source.key) }}</legend>
      <p class="small quiet">{{ choice.source.decides }}</p>
      <el-radio-group
        class="options"
        :model-value="local.settings[choice.source.key] ?? choice.source.options[0]?.name ?? ''"
        :aria-label="words(choice.source.key)"
        @update:model-value="take(choice.source.key, String($event), $event === choice.source.options[0]?.name)"
      >
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
          <el-radio :value="option.name">
            <b>{{ words(option.name) }}</b>
            <span v-if="option.reason" class="small">{{ option.reason }}</span>
            <span v-if="option.suits" class="small quiet">Suits: {{ option.suits }}</span>
          </el-radio>
          <el-button
            v-if="!isOn(choice.source.key, option.name, i === 0)"
            link
            type="primary"
            class="over"
            :aria-pressed="pinned && tried(choice.source.key, option.name)"
            :aria-label="`Lay ${words(option.name)} over the draft`"
            @click="pin(choice.source.key, option.name)"
          >
            Lay over
          </el-button>
        </div>
      </el-radio-group>
    </fieldset>
    <SettingField
      v-for="s in plan.settings"
      :key="s.source.key"
      :setting="s"
      :home-unit="plan.system.unit"
      :unit="unit"
      :comes-to="comesTo(s)"
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
fieldset {
  margin: 0;
  padding: 0 0 10px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  min-width: 0;
}
legend {
  padding: 0;
  font-weight: 600;
}
.options {
  display: grid;
  width: 100%;
}
.option {
  display: flex;
  align-items: start;
  min-height: 44px;
  padding-left: 10px;
  border-radius: var(--radius);
}
.option.on {
  background: var(--now-tint);
}
.option .el-radio {
  flex: 1;
  height: auto;
  margin: 0;
  padding: 8px 8px 8px 0;
  align-items: start;
  white-space: normal;
  font-size: 17px;
}
.option :deep(.el-radio__label) {
  display: grid;
  color: var(--ink);
  font-size: 17px;
  line-height: 1.4;
}
.option :deep(.el-radio__input) {
  margin-top: 5px;
}
.over {
  flex: none;
  min-height: 42px;
  padding: 0 10px;
}
.over[aria-pressed="true"] {
  background: var(--now-tint);
  text-decoration: underline dashed;
}
</style>
