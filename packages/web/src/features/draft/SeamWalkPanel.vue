<script setup lang="ts">
import { type HomeUnit, type Run, tapeText, walkSeam } from "@lodrin/core";
import { computed, useId } from "vue";
import FigureText from "../../ui/FigureText.vue";

/** A seam walked mark by mark: how far along each edge it lies, and what the second has over. */
const props = defineProps<{ run: Run; unit: HomeUnit; edges: readonly string[] }>();
defineEmits<{ close: [] }>();
/** How far of the seam has been walked, 0 to 1. */
const share = defineModel<number>({ required: true });

const id = useId();
const walk = computed(() => walkSeam(props.run.pieces, props.edges[0] ?? "", props.edges[1] ?? ""));
const longest = computed(() => Math.max(walk.value?.first.length ?? 0, walk.value?.second.length ?? 0));
const rows = computed(() =>
  (walk.value?.marks ?? []).map(({ name, first, second }) => {
    const over = first === undefined || second === undefined ? undefined : second - first;
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
      <h2>{{ walk.first.piece.title }} on {{ walk.second.piece.title }}</h2>
      <button class="button plain" aria-label="Stop walking the seam (Esc)" @click="$emit('close')">✕</button>
    </header>
    <label :for="id" class="small quiet">Walk the seam: drag, or press a mark</label>
    <input :id="id" v-model.number="share" class="slide" type="range" min="0" max="1" step="0.005" />
    <table>
      <thead>
        <tr>
          <th scope="col">mark</th>
          <th scope="col">{{ walk.first.piece.title }}</th>
          <th scope="col">{{ walk.second.piece.title }}</th>
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
