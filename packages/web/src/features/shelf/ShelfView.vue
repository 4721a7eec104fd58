<script setup lang="ts">
import { computed, watch } from "vue";
import { RouterLink } from "vue-router";
import { usePeople } from "../../stores/people.js";
import { type ShelfSystem, useShelf } from "../../stores/shelf.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import type { CardFacts } from "./card-facts.js";
import PatternThumb from "./PatternThumb.vue";
import { useCardFacts } from "./use-card-facts.js";

const shelf = useShelf();
const people = usePeople();
const { ready, why, again } = useLoad(() => Promise.all([shelf.load(), people.load()]));
const { facts, ask } = useCardFacts();

const garments = computed(() => [...new Set(shelf.systems.map((s) => s.sheet.garment))].sort());
const ofGarment = (garment: string): ShelfSystem[] => shelf.systems.filter((s) => s.sheet.garment === garment);
const title = (garment: string): string => garment.replace(/^./, (c) => c.toUpperCase());

const measured = computed(() => people.people.flatMap((person) => (person.sets[0] ? [{ person, set: person.sets[0] }] : [])));
watch(
  ready,
  (now) =>
    now &&
    ask({
      systems: garments.value.flatMap(ofGarment).map(({ sheet }) => ({ slug: sheet.slug, notation: sheet.notation, bases: sheet.bases })),
      sets: measured.value.map(({ set }) => ({ written: { ...set.written }, unit: set.unit })),
    }),
);

/** The best-filled newest set among my bodies. */
function mine({ covers }: CardFacts): string {
  const filled = measured.value.flatMap(({ person }, i) => (covers[i] ? [{ person, cover: covers[i] }] : []));
  const [best] = filled.sort((a, b) => b.cover.there / b.cover.needed - a.cover.there / a.cover.needed);
  if (!best) return "Nobody is measured yet.";
  const whose = best.person.isSelf ? "You have" : `${best.person.name} has`;
  return best.cover.missing.length === 0
    ? `${whose} everything it needs.`
    : `${whose} ${best.cover.there} of the ${best.cover.needed} it needs.`;
}
const factsOf = (s: ShelfSystem): CardFacts | undefined => facts.value.get(s.sheet.slug);
import LinkButton from "../../ui/LinkButton.vue";
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
        <article v-for="s in ofGarment(garment)" :key="s.sheet.slug" class="card" :aria-busy="!factsOf(s)">
          <RouterLink class="picture" :to="{ name: 'start', params: { slug: s.sheet.slug } }" tabindex="-1" aria-hidden="true"
            ><PatternThumb v-if="factsOf(s)" :picture="factsOf(s)!.picture"
          /></RouterLink>
          <h3>{{ s.sheet.title }}</h3>
          <p class="small about">{{ factsOf(s)?.about }}</p>
          <p v-if="factsOf(s)?.suits" class="small quiet">{{ factsOf(s)?.suits }}</p>
          <p class="small facts">
            <template v-if="factsOf(s)">
              {{ factsOf(s)!.points }} points · {{ factsOf(s)!.unit === "cm" ? "centimetres" : "inches" }} · version {{ s.sheet.version
              }}<br />
              {{ mine(factsOf(s)!) }}
            </template>
            <template v-else>Reading it …<br />&nbsp;</template>
          </p>
          <LinkButton type="primary" :to="{ name: 'start', params: { slug: s.sheet.slug } }">Draft it</LinkButton>
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
  min-height: 4lh;
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
