<script setup lang="ts">
import type { MeasurementSet, Person } from "@lodrin/contract";
import { CopyDocument, Delete, MoreFilled } from "@element-plus/icons-vue";
import { defineAsyncComponent } from "vue";
import { sayDay } from "../../ui/times.js";
import { useRest } from "../../ui/use-rest.js";

/** The dates on which a person was measured, newest first, and what changed from one to the next. */
const props = defineProps<{ person: Person; set: MeasurementSet | undefined; comparing: boolean; unit: "in" | "cm" }>();
const emit = defineEmits<{ open: [setId: string]; again: []; copy: [set: MeasurementSet]; compare: []; remove: [set: MeasurementSet] }>();
const rest = useRest();
/** Charts are heavy: fetched when there is something to draw, and after the fields. */
const ChangeChart = defineAsyncComponent(() => import("./ChangeChart.vue"));

function act(what: string): void {
  if (!props.set) return;
  if (what === "copy") emit("copy", props.set);
  if (what === "remove") emit("remove", props.set);
}
</script>

<template>
  <div class="sets" :class="{ charted: person.sets.length > 1 }">
    <div class="list">
      <nav aria-label="Dates of measuring">
        <ol>
          <li v-for="s in person.sets" :key="s.id">
            <button :aria-pressed="s.id === set?.id && !comparing" @click="emit('open', s.id)">
              <b>{{ sayDay(s.takenOn) }}</b>
              <span class="quiet small">{{ Object.keys(s.written).length }} figures, {{ s.unit === "in" ? "inches" : "cm" }}</span>
            </button>
          </li>
        </ol>
      </nav>
      <div class="acts">
        <el-button type="primary" @click="emit('again')">Measure again</el-button>
        <el-dropdown v-if="set" trigger="click" @command="act">
          <el-button :icon="MoreFilled">This set</el-button>
          <template #dropdown>
            <el-dropdown-menu>
              <el-dropdown-item command="copy" :icon="CopyDocument">Copy to today</el-dropdown-item>
              <el-dropdown-item command="remove" :icon="Delete">Delete this set</el-dropdown-item>
            </el-dropdown-menu>
          </template>
        </el-dropdown>
      </div>
    </div>
    <div v-if="person.sets.length > 1" class="chart">
      <ChangeChart v-if="rest" :sets="person.sets" :unit="unit" />
      <el-button :aria-pressed="comparing" :type="comparing ? 'primary' : ''" @click="emit('compare')">Compare two dates</el-button>
    </div>
  </div>
</template>

<style scoped>
.sets {
  display: grid;
  gap: 14px 28px;
  margin: 12px 0 20px;
}
.charted {
  grid-template-columns: minmax(240px, 320px) minmax(0, 1fr);
}
ol {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  max-height: 190px;
  overflow: auto;
}
li button {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 2px 12px;
  width: 100%;
  min-height: 44px;
  padding: 8px 14px;
  border: 0;
  border-radius: var(--radius);
  background: transparent;
  text-align: left;
  cursor: pointer;
}
li button:hover {
  background: var(--now-tint);
}
li button[aria-pressed="true"] {
  background: var(--panel);
  box-shadow: inset 4px 0 0 var(--now);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.chart {
  display: grid;
  align-content: end;
  min-height: 240px;
  gap: 8px;
  justify-items: start;
}
@media (width < 1000px) {
  .charted {
    grid-template-columns: 1fr;
  }
}
</style>
