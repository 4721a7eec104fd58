<script setup lang="ts">
import { inWords, type Plan } from "@lodrin/core";

/** One choice: its options with their reasons, and each of those not taken to be laid over the draft. */
const props = defineProps<{
  choice: Plan["choices"][number];
  /** The option that is taken. */
  taken: string;
  /** The option laid over, when it is one of this choice. */
  tried: string | undefined;
}>();
defineEmits<{ take: [option: string]; hover: [option: string, on: boolean]; pin: [option: string] }>();
const words = (key: string): string => inWords(key).replace(/^./, (c) => c.toUpperCase());
const isTaken = (option: string): boolean => option === props.taken;
</script>

<template>
  <fieldset>
    <legend>{{ words(choice.source.key) }}</legend>
    <p class="small quiet">{{ inWords(choice.source.decides ?? "") }}</p>
    <el-radio-group
      class="options"
      :model-value="taken"
      :aria-label="words(choice.source.key)"
      @update:model-value="$emit('take', String($event))"
    >
      <div
        v-for="option in choice.source.options"
        :key="option.name"
        class="option"
        :class="{ on: isTaken(option.name) }"
        @pointerenter="$event.pointerType === 'mouse' && $emit('hover', option.name, !isTaken(option.name))"
        @pointerleave="$event.pointerType === 'mouse' && $emit('hover', option.name, false)"
      >
        <el-radio :value="option.name">
          <b>{{ words(option.name) }}</b>
          <span v-if="option.reason" class="small">{{ inWords(option.reason) }}</span>
          <span v-if="option.suits" class="small quiet">Suits: {{ inWords(option.suits) }}</span>
        </el-radio>
        <el-button
          v-if="!isTaken(option.name)"
          link
          type="primary"
          class="over"
          :aria-pressed="tried === option.name"
          :aria-label="`Lay ${words(option.name)} over the draft`"
          @click="$emit('pin', option.name)"
        >
          Lay over
        </el-button>
      </div>
    </el-radio-group>
  </fieldset>
</template>

<style scoped>
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
