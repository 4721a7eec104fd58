<script setup lang="ts">
import type { SystemSheet } from "@lodrin/contract";
import { RouterLink } from "vue-router";
import { systemPicturePath } from "../../api/pictures.js";
import CardPicture from "../../ui/CardPicture.vue";
import LinkButton from "../../ui/LinkButton.vue";
import { firstWords } from "./first-words.js";

/** A system on the shelf: what it makes, for whom, and whether it can be drafted at once. */
defineProps<{
  sheet: SystemSheet;
  /** How far my bodies fill it, in a sentence. */
  mine: string;
  /** My drafts that were made with an older version. */
  older: number;
}>();
const LONGEST = 165;
</script>

<template>
  <article class="card">
    <RouterLink class="picture" :to="{ name: 'start', params: { slug: sheet.slug } }" tabindex="-1" aria-hidden="true">
      <CardPicture :src="systemPicturePath(sheet)" />
    </RouterLink>
    <h2>{{ sheet.title }}</h2>
    <div class="tags">
      <el-tag type="info" size="small">{{ sheet.garment }}</el-tag>
      <el-tag v-if="sheet.card" type="info" size="small">{{ sheet.card.unit === "cm" ? "centimetres" : "inches" }}</el-tag>
      <el-tag v-if="sheet.by" size="small">{{ sheet.by }}</el-tag>
      <el-tag v-if="older" type="warning" size="small">newer than {{ older }} of your drafts</el-tag>
    </div>
    <template v-if="sheet.card">
      <p class="small">{{ firstWords(sheet.card.about, LONGEST) }}</p>
      <p class="small facts">{{ sheet.card.points }} points · version {{ sheet.version }}<br />{{ mine }}</p>
    </template>
    <LinkButton type="primary" :to="{ name: 'start', params: { slug: sheet.slug } }">Draft it</LinkButton>
  </article>
</template>

<style scoped>
article {
  display: flex;
  flex-direction: column;
  gap: 8px;
  height: 100%;
}
.picture {
  display: block;
  height: 160px;
  padding: 12px;
  margin: -18px -20px 4px;
  background: #fbf8f0;
  border-radius: var(--radius) var(--radius) 0 0;
}
h2 {
  font-size: 20px;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.facts {
  margin-top: auto;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.el-button {
  align-self: start;
}
</style>
