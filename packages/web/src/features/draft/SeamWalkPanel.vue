<script setup lang="ts">
import { type HomeUnit, type Plan, type Run, type SewnEdges, tapeText, walkedAlong } from "@lodrin/core";
import { computed, useId } from "vue";
import { walkOf } from "../../board/walk-of.js";
import FigureText from "../../ui/FigureText.vue";

/** A seam walked mark by mark: how far along each edge it lies, and what the second has over. */
const props = defineProps<{ plan: Plan; run: Run; unit: HomeUnit; seam: SewnEdges }>();
defineEmits<{ close: [] }>();
/** How far of the seam has been walked, 0 to 1. */
const share = defineModel<number>({ required: true });

const id = useId();
const walk = computed(() => walkOf(props.plan, props.run, props.seam));
const names = (side: "first" | "second"): string => [...new Set(walk.value?.[side].segments.map((p) => p.piece.title))].join(" + ");
const longest = computed(() => Math.max(walk.value?.first.length ?? 0, walk.value?.second.length ?? 0));
const rows = computed(() =>
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
  <section v-if="walk" class="walk" aria-label="The seam, mark by mark">
    <header>
      <h2>{{ names("first") }} on {{ names("second") }}</h2>
      <button class="button plain" aria-label="Stop walking the seam (Esc)" @click="$emit('close')">✕</button>
    </header>
    <p v-if="walk.easedMm" class="small">
      Eased: the first is meant to be {{ tapeText(walk.easedMm, unit) }} longer; the ease is shared out between the notches.
    </p>
    <label :for="id" class="small quiet">Walk the seam: drag, or press a mark</label>
    <input :id="id" v-model.number="share" class="slide" type="range" min="0" max="1" step="0.005" />
    <table>
      <thead>
        <tr>
          <th scope="col">mark</th>
          <th scope="col">{{ names("first") }}</th>
          <th scope="col">{{ names("second") }}</th>
          <th scope="col">the second is</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">
            <button class="mark" @click="share = row.at">{{ row.name }}</button>
          </th>
          <td><FigureText :text="row.first" /></td>
          <td><FigureText :text="row.second" /></td>
          <td>{{ row.over }}</td>
        </tr>
      </tbody>
    </table>
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
  width: 100%;
  height: 40px;
  margin: 0;
  accent-color: var(--now);
}
table {
  border-collapse: collapse;
  font-size: 16px;
}
th,
td {
  padding: 3px 12px 3px 0;
  text-align: left;
  font-weight: 500;
  vertical-align: baseline;
}
thead th {
  color: var(--ink-2);
  font-size: 14px;
}
.mark {
  min-height: 36px;
  padding: 0 8px 0 0;
  border: 0;
  background: none;
  color: var(--now);
  font-weight: 700;
  cursor: pointer;
}
</style>
