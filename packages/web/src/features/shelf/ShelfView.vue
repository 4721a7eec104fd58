<script setup lang="ts">
import { statementsOf } from "@lodrin/core";
import { computed } from "vue";
import { RouterLink } from "vue-router";
import { usePeople } from "../../stores/people.js";
import { type ShelfSystem, useShelf } from "../../stores/shelf.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { coverageOf } from "./coverage.js";
import PatternThumb from "./PatternThumb.vue";

const shelf = useShelf();
const people = usePeople();
const { ready, why, again } = useLoad(() => Promise.all([shelf.load(), people.load()]));

const garments = computed(() => [...new Set(shelf.systems.map((s) => s.sheet.garment))].sort());
const ofGarment = (garment: string): ShelfSystem[] => shelf.systems.filter((s) => s.sheet.garment === garment);
const title = (garment: string): string => garment.replace(/^./, (c) => c.toUpperCase());

/** The best-filled newest set among my bodies. */
function mine(system: ShelfSystem): string {
  const filled = people.people.flatMap((p) => (p.sets[0] ? [{ p, cover: coverageOf(system.loaded.plan, p.sets[0]) }] : []));
  const [best] = filled.sort((a, b) => b.cover.there - a.cover.there);
  if (!best) return "Nobody is measured yet.";
  const whose = best.p.isSelf ? "You have" : `${best.p.name} has`;
  return best.cover.missing.length === 0
    ? `${whose} everything it needs.`
    : `${whose} ${best.cover.there} of the ${best.cover.needed} it needs.`;
}

const steps = (s: ShelfSystem): number => statementsOf(s.loaded.system, "point").length;
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <p class="lead quiet">Drafting systems, by garment. Take one down to draft it on a body.</p>
    <LoadState v-if="!ready" what="the shelf" :why="why" @again="again" />
    <nav v-if="ready && garments.length > 1" class="garments" aria-label="Garments">
      <a v-for="garment in garments" :key="garment" :href="`#${garment}`"
        >{{ title(garment) }} <span class="quiet">{{ ofGarment(garment).length }}</span></a
      >
    </nav>
    <section v-for="garment in ready ? garments : []" :id="garment" :key="garment">
      <h2>{{ title(garment) }}</h2>
      <div class="cards">
        <article v-for="s in ofGarment(garment)" :key="s.sheet.slug" class="card">
          <RouterLink class="picture" :to="{ name: 'start', params: { slug: s.sheet.slug } }" tabindex="-1" aria-hidden="true"
            ><PatternThumb :plan="s.loaded.plan"
          /></RouterLink>
          <h3>{{ s.sheet.title }}</h3>
          <p class="small about">{{ s.loaded.system.about }}</p>
          <p v-if="s.loaded.system.suits" class="small quiet">{{ s.loaded.system.suits }}</p>
          <p class="small facts">
            {{ steps(s) }} points · {{ s.loaded.system.unit === "cm" ? "centimetres" : "inches" }} · version {{ s.sheet.version }}<br />
            {{ mine(s) }}
          </p>
          <RouterLink class="button main" :to="{ name: 'start', params: { slug: s.sheet.slug } }">Draft it</RouterLink>
        </article>
      </div>
    </section>
  </div>
</template>

<style scoped>
.lead {
  margin: 6px 0 22px;
}
h2 {
  margin: 22px 0 12px;
  font-size: 22px;
}
.garments {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 22px;
}
section {
  scroll-margin-top: 64px;
}
article {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
/* The whole of it stands on the system's own page. */
.about {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 4;
  line-clamp: 4;
}
.picture {
  display: block;
  height: 170px;
  padding: 12px;
  margin: -18px -20px 4px;
  background: #fbf8f0;
  border-radius: var(--radius) var(--radius) 0 0;
}
h3 {
  font-size: 20px;
}
.facts {
  margin-top: auto;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
</style>
