<script setup lang="ts">
import { PAPER_KEYS, type PaperKey, PAPERS } from "@lodrin/formats";

/** Sizes of paper as they look beside each other. */
const paper = defineModel<PaperKey>({ required: true });

const PX_PER_MM = 0.035;
/** How much of a roll is drawn, in mm. */
const ROLL_MM = 1_300;
const rows = PAPER_KEYS.map((key) => {
  const { name, width, height } = PAPERS[key];
  return { key, name, wide: width * PX_PER_MM, high: (height ?? ROLL_MM) * PX_PER_MM, roll: height === undefined };
});
</script>

<template>
  <el-radio-group v-model="paper" class="papers" aria-label="Paper">
    <el-radio v-for="p in rows" :key="p.key" :value="p.key" border>
      <svg class="sheet" width="36" height="48" viewBox="0 0 36 48" aria-hidden="true">
        <rect :x="(36 - p.wide) / 2" :y="47 - p.high" :width="p.wide" :height="p.high" :stroke-dasharray="p.roll ? '3 2' : undefined" />
      </svg>
      <span>{{ p.name }}</span>
    </el-radio>
  </el-radio-group>
</template>

<style scoped>
.papers {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
.papers .el-radio {
  height: auto;
  margin: 0;
  padding: 6px 8px;
  background: var(--panel);
}
.papers .el-radio.is-checked {
  background: var(--now-tint);
}
.papers :deep(.el-radio__label) {
  display: grid;
  justify-items: center;
  padding-left: 4px;
  color: var(--ink);
  font-size: 15px;
}
.sheet rect {
  fill: #fffdf6;
  stroke: #55524a;
  stroke-width: 1.2;
}
</style>
