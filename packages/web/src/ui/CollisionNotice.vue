<script setup lang="ts" generic="T extends Saveable, F extends keyof T & string">
import { inWords } from "@lodrin/core";
import same from "fast-deep-equal";
import { computed } from "vue";
import type { Saveable, Autosave } from "../api/autosave.js";

/** Two versions of one thing: shows both where they differ, and asks which to keep. */
const props = defineProps<{ autosave: Autosave<T, F>; what: string; fields: readonly F[] }>();

const rows = computed(() => {
  const theirs = props.autosave.theirs.value;
  if (!theirs) return [];
  return props.fields.flatMap((field) => differences(field, props.autosave.local[field], theirs[field]));
});

function differences(name: string, mine: unknown, theirs: unknown): { name: string; mine: string; theirs: string }[] {
  if (same(mine, theirs)) return [];
  if (typeof mine === "object" && typeof theirs === "object" && mine !== null && theirs !== null) {
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])];
    return keys.flatMap((key) => differences(key, (mine as Record<string, unknown>)[key], (theirs as Record<string, unknown>)[key]));
  }
  const say = (value: unknown): string =>
    value === undefined || value === null || value === "" ? "nothing" : String(value as string | number);
  return [{ name: inWords(name), mine: say(mine), theirs: say(theirs) }];
}
</script>

<template>
  <section v-if="autosave.state.value === 'collision'" class="notice" role="alertdialog" aria-labelledby="collision-title">
    <h2 id="collision-title">This {{ what }} was changed elsewhere</h2>
    <p>Another tab or another person saved it while you were working here. Nothing is lost: both are shown.</p>
    <el-table v-if="rows.length" :data="rows" size="small">
      <el-table-column label="What" prop="name" />
      <el-table-column label="Here" prop="mine" />
      <el-table-column label="Saved elsewhere" prop="theirs" />
    </el-table>
    <div class="acts">
      <el-button type="primary" @click="autosave.keepMine()">Keep what is here</el-button>
      <el-button @click="autosave.takeTheirs()">Take what was saved elsewhere</el-button>
    </div>
  </section>
</template>

<style scoped>
.notice {
  display: grid;
  gap: 12px;
  padding: 18px 22px;
  border: 2px solid var(--warn);
  border-radius: var(--radius);
  background: var(--warn-tint);
}
h2 {
  font-size: 20px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
