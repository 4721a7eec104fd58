<script setup lang="ts">
import { type DraftProgress, tableRoutes } from "@lodrin/contract";
import { computed, defineAsyncComponent, shallowRef } from "vue";
import { RouterLink } from "vue-router";
import { call } from "../../api/call.js";
import LinkButton from "../../ui/LinkButton.vue";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { minutesSaid } from "../../ui/minutes-said.js";
import { byDay, slipLines } from "../../review/slip-words.js";

const PlotLines = defineAsyncComponent(() => import("../../ui/PlotLines.vue"));

/** Where I stand: my drafts at the table, the time at it, and the slips I made and do not make any more. */
const drafts = shallowRef<readonly DraftProgress[]>([]);
const { ready, why, again } = useLoad(async () => (drafts.value = await call(tableRoutes.progress, {})));
const lines = computed(() => slipLines(drafts.value));
const days = computed(() => byDay(drafts.value));
const courses = computed(() => [
  { name: "readings", x: days.value.days, y: days.value.taken },
  { name: "of them off", x: days.value.days, y: days.value.off },
]);
const sum = computed(() => drafts.value.reduce((all, d) => all + d.seconds, 0));
const taken = computed(() => days.value.taken.reduce((all, n) => all + n, 0));
const off = computed(() => days.value.off.reduce((all, n) => all + n, 0));
</script>

<template>
  <div class="page">
    <h1>At the table so far</h1>
    <LoadState v-if="!ready" what="your drafts" :why="why" @again="again" />
    <template v-else-if="drafts.length === 0">
      <p>
        Nothing yet. Draw a draft at the table, tick its steps and type what your tape reads: then it stands here what went wrong, and what
        does no more.
      </p>
      <p><LinkButton type="primary" :to="{ name: 'workroom' }">To the workroom</LinkButton></p>
    </template>
    <template v-else>
      <p class="lead">
        {{ drafts.length }} {{ drafts.length === 1 ? "draft" : "drafts" }}, {{ minutesSaid(sum / 60) }} at the table, {{ taken }}
        {{ taken === 1 ? "reading" : "readings" }}, {{ off }} of them off.
      </p>
      <div class="halves">
        <section>
          <h2>Slips</h2>
          <p v-if="lines.length === 0" class="quiet">None was found.</p>
          <ul>
            <li v-for="line in lines" :key="line.code" :class="line.again ? 'again' : 'gone'">
              {{ line.says }} <b v-if="!line.again">✓ gone</b>
            </li>
          </ul>
          <PlotLines
            v-if="days.days.length > 1"
            :courses="courses"
            :said="`Readings taken and readings off on ${days.days.length} days: ${taken} and ${off} in all.`"
            y-title="readings"
            kind="date"
            :height="260"
          />
        </section>
        <section>
          <h2>Drafts</h2>
          <ul>
            <li v-for="d in drafts" :key="d.draftId">
              <RouterLink :to="{ name: 'at-table', params: { id: d.draftId } }">{{ d.name }}</RouterLink>
              <span class="quiet small">
                · {{ d.ticked }} steps drawn<template v-if="d.seconds > 0">, {{ minutesSaid(d.seconds / 60) }}</template
                >, {{ d.readings.length }} readings</span
              >
            </li>
          </ul>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: 14px;
  font-size: 32px;
}
h2 {
  margin-bottom: 8px;
  font-size: 22px;
}
.lead {
  font-size: 20px;
}
.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 36px;
  margin-top: 22px;
}
ul {
  display: grid;
  gap: 8px;
  margin: 0 0 18px;
  padding: 0;
  list-style: none;
}
.again,
.gone {
  padding: 8px 12px;
  border-radius: var(--radius);
}
.again {
  background: var(--warn-tint);
}
.gone {
  background: var(--pass-tint);
}
</style>
