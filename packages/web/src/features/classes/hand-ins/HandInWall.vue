<script setup lang="ts">
import type { HandIn } from "@lodrin/contract";
import { run } from "@lodrin/core";
import { drawPieces } from "@lodrin/formats";
import { computed } from "vue";
import type { ShelfSystem } from "../../../stores/shelf.js";
import PatternThumb from "./PatternThumb.vue";
import { pictureOf } from "./picture.js";

/** All drafts of an assignment as small papers, each with what is off on it. */
const props = defineProps<{ handIns: readonly HandIn[]; system: ShelfSystem }>();
defineEmits<{ open: [id: string] }>();
const papers = computed(() => {
  const { plan } = props.system.loaded;
  return props.handIns.map((h) => ({
    h,
    picture: pictureOf(drawPieces(run(plan, h.measurements, h.settings, h.unit))),
    off: h.readings.filter((r) => r.verdict === "off").length,
  }));
});
</script>

<template>
  <ul>
    <li v-for="{ h, picture, off } in papers" :key="h.id">
      <button @click="$emit('open', h.id)">
        <span class="paper"><PatternThumb :picture="picture" /></span>
        <b>{{ h.student }}</b>
        <span :class="off > 0 ? 'off' : 'pass'">{{ off > 0 ? `${off} off` : h.readings.length > 0 ? "all right" : "nothing read" }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 16px;
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 0 0 10px;
  border: 0;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
  cursor: pointer;
}
.paper {
  display: block;
  height: 170px;
  padding: 12px;
  border-radius: var(--radius) var(--radius) 0 0;
  background: #fbf8f0;
}
.off {
  color: var(--fail);
  font-weight: 600;
}
.pass {
  color: var(--pass);
}
</style>
