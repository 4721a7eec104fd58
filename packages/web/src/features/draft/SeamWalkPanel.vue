<script setup lang="ts">
import { Close } from "@element-plus/icons-vue";
import { type HomeUnit, type Plan, type Run, type SewnEdges, tapeText, walkedAlong } from "@lodrin/core";
import { computed, onMounted, useTemplateRef } from "vue";
import { walkOf } from "../../board/walk-of.js";
import FigureText from "../../ui/FigureText.vue";

/** A seam walked mark by mark: how far along each edge it lies, and what the second has over. */
const props = defineProps<{ plan: Plan; run: Run; unit: HomeUnit; seam: SewnEdges }>();
defineEmits<{ close: [] }>();
/** How far of the seam has been walked, 0 to 1. */
const share = defineModel<number>({ required: true });

const panel = useTemplateRef<HTMLElement>("panel");
// A seam is chosen far down the list of checks; its walk stands above it.
onMounted(() => panel.value?.scrollIntoView({ block: "nearest" }));

const walk = computed(() => walkOf(props.plan, props.run, props.seam));
const names = (side: "first" | "second"): string => [...new Set(walk.value?.[side].segments.map((p) => p.piece.title))].join(" + ");
const longest = computed(() => Math.max(walk.value?.first.length ?? 0, walk.value?.second.length ?? 0));
/** One mark of the seam, as its row reads. */
interface WalkRow {
  readonly name: string;
  readonly first: string;
  readonly second: string;
  readonly over: string;
  readonly at: number;
}
const rows = computed((): WalkRow[] =>
  (walk.value?.marks ?? []).map(({ name, first, second }) => {
    // What the first has over on purpose is no miss.
    const over = first === undefined || second === undefined || !walk.value ? undefined : second - walkedAlong(walk.value, first);
    return {
      name,
      first: first === undefined ? "–" : tapeText(first, props.unit),
      second: second === undefined ? "–" : tapeText(second, props.unit),
      over:
        over === undefined
          ? "no mark across"
          : Math.abs(over) < 0.05
            ? "meets"
            : `${(Math.round(Math.abs(over) * 10) / 10).toString()} mm ${over > 0 ? "longer" : "shorter"}`,
      at: (first ?? second ?? 0) / (longest.value || 1),
    };
  }),
);
</script>

<template>
  <section v-if="walk" ref="panel" class="walk" aria-label="The seam, mark by mark">
    <header>
      <h2>{{ names("first") }} on {{ names("second") }}</h2>
      <el-button text :icon="Close" aria-label="Stop walking the seam (Esc)" title="Stop (Esc)" @click="$emit('close')" />
    </header>
    <p v-if="walk.easedMm" class="small">
      Eased: the first is meant to be {{ tapeText(walk.easedMm, unit) }} longer; the ease is shared out between the notches.
    </p>
    <p class="small quiet">Walk the seam: drag, or press a mark</p>
    <el-slider v-model="share" class="slide" aria-label="Walk the seam" :min="0" :max="1" :step="0.005" :show-tooltip="false" />
    <el-table :data="rows" size="small">
      <el-table-column label="mark" min-width="56">
        <template #default="{ row }: { row: WalkRow }">
          <el-button link type="primary" @click="share = row.at">{{ row.name }}</el-button>
        </template>
      </el-table-column>
      <el-table-column :label="names('first')" min-width="70">
        <template #default="{ row }: { row: WalkRow }"><FigureText :text="row.first" /></template>
      </el-table-column>
      <el-table-column :label="names('second')" min-width="70">
        <template #default="{ row }: { row: WalkRow }"><FigureText :text="row.second" /></template>
      </el-table-column>
      <el-table-column label="the second is" prop="over" min-width="84" />
    </el-table>
  </section>
</template>

<style scoped>
.walk {
  display: grid;
  gap: 6px;
  padding: 10px 12px 12px;
  border: 1.5px solid var(--now);
  border-radius: var(--radius);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
h2 {
  font-size: 19px;
}
.slide {
  padding: 0 10px;
}
</style>
