<script setup lang="ts">
import { type HomeUnit, type PieceResult, tapeText } from "@lodrin/core";
import FigureText from "../../ui/FigureText.vue";

/** The pieces with their edges: how long each is, and what allowance lies outside it. */
defineProps<{ pieces: readonly PieceResult[]; unit: HomeUnit; only: string | undefined; edges: readonly string[] }>();
defineEmits<{ only: [key: string | undefined]; edge: [name: string] }>();

const words = (role: string): string => role.replace(/_/g, " ");
const finishes = { seam: "", fold: "on the fold", finished: "finished edge" } as const;
</script>

<template>
  <div class="drawer-body">
    <div class="picks" role="group" aria-label="Which pieces lie on the paper">
      <button class="button" :aria-pressed="only === undefined" :class="{ main: only === undefined }" @click="$emit('only', undefined)">
        All
      </button>
      <button
        v-for="p in pieces"
        :key="p.key"
        class="button"
        :aria-pressed="only === p.key"
        :class="{ main: only === p.key }"
        @click="$emit('only', p.key)"
      >
        {{ p.title }}
      </button>
    </div>
    <section v-for="p in pieces" :key="p.key">
      <h3>{{ p.title }}</h3>
      <p class="small quiet">cut {{ p.cut }}{{ p.onFold ? " on the fold" : p.mirrored ? ", mirrored" : "" }}</p>
      <table>
        <thead>
          <tr>
            <th scope="col">Edge</th>
            <th scope="col">Length</th>
            <th scope="col">Allowance</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="e in p.edges" :key="e.name">
            <th scope="row">
              <button :aria-pressed="edges.includes(e.name)" @click="$emit('edge', e.name)">{{ words(e.role) }}</button>
            </th>
            <td><FigureText :text="tapeText(e.length, unit)" /></td>
            <td>
              {{ finishes[e.finish]
              }}<FigureText v-if="e.finish === 'seam'" :text="e.allowance === 0 ? 'net' : tapeText(e.allowance, unit)" />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-for="note in p.notes" :key="note" class="small quiet">{{ note }}</p>
    </section>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 16px;
}
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 3px 8px 3px 0;
  text-align: left;
  font-weight: 400;
  border-bottom: 1px solid var(--rule);
}
thead th {
  font-size: 14px;
  color: var(--ink-2);
}
th button {
  min-height: 38px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--now);
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
th button[aria-pressed="true"] {
  font-weight: 700;
}
</style>
