<script setup lang="ts">
import type { LoadedSystem } from "@lodrin/core";
import { computed } from "vue";
import LineField from "../text/LineField.vue";
import type { Governing } from "./governing.js";
import { rowWords } from "./row-words.js";

/** When several lines are there at all: the condition chosen or typed, the lines it governs pressed in the handout. */
const props = defineProps<{ governing: Governing; loaded: LoadedSystem }>();
defineEmits<{ when: [text: string]; put: []; leave: [] }>();

/** What a student chooses is the usual condition. */
const options = computed(() =>
  props.loaded.plan.system.statements.flatMap((s) =>
    s.is === "choose"
      ? s.options.map(({ name }) => ({
          says: `${s.key.replace(/_/g, " ")}: ${name}`,
          when: `${s.key} == ${/^[a-z_]\w*$/i.test(name) ? name : `"${name}"`}`,
        }))
      : [],
  ),
);
const named = computed(() =>
  [...props.governing.lines]
    .sort((a, b) => a - b)
    .flatMap((i) => {
      const statement = props.loaded.read.system.statements[i];
      if (!statement) return [];
      const { margin, says } = rowWords(statement);
      return [statement.is === "point" ? margin : says.replace(/\.$/, "")];
    }),
);
</script>

<template>
  <form class="condition" aria-label="Only when" @submit.prevent="$emit('put')">
    <p><b>Only when</b></p>
    <LineField
      formula
      label="Only when"
      :loaded="loaded"
      placeholder="bust > 100"
      :model-value="governing.when"
      @update:model-value="$emit('when', $event)"
      @enter="$emit('put')"
    />
    <div v-if="options.length" class="options">
      <el-button
        v-for="o in options"
        :key="o.when"
        size="small"
        :type="o.when === governing.when ? 'primary' : ''"
        @click="$emit('when', o.when)"
        >{{ o.says }}</el-button
      >
    </div>
    <p class="small" role="status">
      Press the lines it governs in the handout, again to let one go. Now: {{ named.length === 0 ? "none" : named.join(", ") }}.
    </p>
    <div class="options">
      <el-button type="primary" native-type="submit">{{ governing.when.trim() === "" ? "Always" : "Insert" }}</el-button>
      <el-button text @click="$emit('leave')">Leave</el-button>
    </div>
  </form>
</template>

<style scoped>
.condition {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  background: var(--now-tint);
  border-top: 2px solid var(--now);
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.options .el-button {
  margin: 0;
}
</style>
