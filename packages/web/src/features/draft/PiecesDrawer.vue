<script setup lang="ts">
import { type HomeUnit, inWords, type PieceEdge, type PieceResult, tapeText } from "@lodrin/core";
import FigureText from "../../ui/FigureText.vue";

/** The pieces with their edges: how long each is, and what allowance lies outside it. */
defineProps<{ pieces: readonly PieceResult[]; unit: HomeUnit; only: string | undefined; edges: readonly string[] }>();
defineEmits<{ only: [key: string | undefined]; edge: [name: string] }>();

const finishes = { seam: "", fold: "on the fold", finished: "finished edge" } as const;
</script>

<template>
  <div class="drawer-body">
    <div class="picks" role="group" aria-label="Which pieces lie on the paper">
      <el-button :aria-pressed="only === undefined" :type="only === undefined ? 'primary' : ''" @click="$emit('only', undefined)">
        All
      </el-button>
      <el-button
        v-for="p in pieces"
        :key="p.key"
        :aria-pressed="only === p.key"
        :type="only === p.key ? 'primary' : ''"
        @click="$emit('only', p.key)"
      >
        {{ p.title }}
      </el-button>
    </div>
    <section v-for="p in pieces" :key="p.key">
      <h3>{{ p.title }}</h3>
      <p class="small quiet">cut {{ p.cut }}{{ p.onFold ? " on the fold" : p.mirrored ? ", mirrored" : "" }}</p>
      <el-table :data="[...p.edges]" size="small">
        <el-table-column label="Edge" min-width="120">
          <template #default="{ row: e }: { row: PieceEdge }">
            <el-button link type="primary" :aria-pressed="edges.includes(e.name)" @click="$emit('edge', e.name)">{{
              inWords(e.role)
            }}</el-button>
          </template>
        </el-table-column>
        <el-table-column label="Length" width="100">
          <template #default="{ row: e }: { row: PieceEdge }"><FigureText :text="tapeText(e.length, unit)" /></template>
        </el-table-column>
        <el-table-column label="Allowance" width="104">
          <template #default="{ row: e }: { row: PieceEdge }"
            >{{ finishes[e.finish] }}<FigureText v-if="e.finish === 'seam'" :text="e.allowance === 0 ? 'net' : tapeText(e.allowance, unit)"
          /></template>
        </el-table-column>
      </el-table>
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
.picks .el-button {
  margin: 0;
}
[aria-pressed="true"] {
  font-weight: 700;
}
</style>
