<script setup lang="ts">
import { type CheckResult, checkWord, type HomeUnit, type SewnEdges, type Warning } from "@lodrin/core";
import { computed } from "vue";
import FigureText from "../../ui/FigureText.vue";
import { byWeight, figuresOf } from "./check-words.js";

/** Every check with its two figures; pressing one shows the place on the paper. */
const props = defineProps<{
  checks: readonly CheckResult[];
  warnings: readonly Warning[];
  unit: HomeUnit;
  shown: CheckResult | undefined;
}>();
defineEmits<{ show: [check: CheckResult]; walk: [seam: SewnEdges] }>();

const sorted = computed(() => [...props.checks].sort(byWeight));
const misses = computed(() => props.checks.filter((c) => c.status !== "pass").length);
</script>

<template>
  <div class="drawer-body">
    <slot />
    <el-alert
      :type="misses ? 'warning' : 'success'"
      :closable="false"
      show-icon
      :title="misses ? `${misses} of ${checks.length} checks want a look before cloth is cut.` : `All ${checks.length} checks hold.`"
    />
    <el-alert v-for="w in warnings" :key="w.text" type="warning" :closable="false" :title="w.text" />
    <ul>
      <li v-for="c in sorted" :key="c.id">
        <button :class="[c.status, { on: shown?.id === c.id }]" @click="$emit('show', c)">
          <span class="status">{{ checkWord(c) }}</span>
          <b>{{ c.name }}</b>
          <span v-if="figuresOf(c, unit)" class="figures small">
            <FigureText :text="figuresOf(c, unit)!.got" /> against <FigureText :text="figuresOf(c, unit)!.expected" /><template
              v-if="figuresOf(c, unit)!.difference"
            >
              · <FigureText :text="figuresOf(c, unit)!.difference!"
            /></template>
          </span>
          <span v-if="c.status !== 'pass' && c.cause" class="cause small">{{ c.cause }}</span>
        </button>
        <el-button v-if="c.seam" link type="primary" class="walk" @click="$emit('walk', c.seam)">Walk this seam</el-button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li > button:first-child {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  width: 100%;
  padding: 9px 12px;
  border: 1.5px solid transparent;
  border-radius: var(--radius);
  background: transparent;
  text-align: left;
  cursor: pointer;
}
li > button:first-child:hover,
button.on {
  border-color: var(--now);
}
.walk {
  margin-left: 12px;
}
.status {
  font-size: 14px;
  font-weight: 700;
}
.pass .status {
  color: var(--pass);
}
.warn {
  background: var(--warn-tint);
}
.warn .status {
  color: var(--warn);
}
.fail {
  background: var(--fail-tint);
}
.fail .status {
  color: var(--fail);
}
b {
  font-weight: 600;
}
.figures {
  color: var(--ink-2);
}
</style>
