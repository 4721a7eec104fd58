<script setup lang="ts">
import { Search } from "@element-plus/icons-vue";
import { computed, reactive } from "vue";
import { useDrafts } from "../../stores/drafts.js";
import { usePeople } from "../../stores/people.js";
import { type ShelfSystem, useShelf } from "../../stores/shelf.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import { type Coverage, coverage } from "./coverage.js";
import { fitsWish, schoolOf, type ShelfWish } from "./filter-shelf.js";
import SystemCard from "./SystemCard.vue";

const shelf = useShelf();
const people = usePeople();
const drafts = useDrafts();
const { ready, why, again } = useLoad(() => Promise.all([shelf.load(), people.load(), drafts.load()]));

const NOTHING = { words: "", garment: "", unit: "", school: "", measured: false } as const;
const wish = reactive<{ -readonly [K in keyof ShelfWish]: ShelfWish[K] }>({ ...NOTHING });
const UNITS = [
  { value: "", label: "any" },
  { value: "in", label: "inches" },
  { value: "cm", label: "cm" },
];
const title = (garment: string): string => garment.replace(/^./, (c) => c.toUpperCase());
const garments = computed(() => [...new Set(shelf.systems.map((s) => s.sheet.garment))].sort());
const schools = computed(() => [...new Set(shelf.systems.map((s) => schoolOf(s.sheet)))].sort());
const measured = computed(() => people.people.flatMap((person) => (person.sets[0] ? [{ person, set: person.sets[0] }] : [])));
/** How far the newest set of each of my bodies fills each system. */
const covers = computed(
  () => new Map(shelf.systems.map(({ sheet }) => [sheet.slug, measured.value.map(({ set }) => coverage(sheet.card?.needs ?? [], set))])),
);
const coversOf = ({ sheet }: ShelfSystem): readonly Coverage[] => covers.value.get(sheet.slug) ?? [];
const found = computed(() =>
  shelf.systems.filter((s) => fitsWish(s.sheet, coversOf(s), wish)).sort((a, b) => a.sheet.garment.localeCompare(b.sheet.garment)),
);

/** The best-filled newest set among my bodies. */
function mine(all: readonly Coverage[]): string {
  const filled = measured.value.flatMap(({ person }, i) => (all[i] ? [{ person, cover: all[i] }] : []));
  const [best] = filled.sort((a, b) => b.cover.there / b.cover.needed - a.cover.there / a.cover.needed);
  if (!best) return "Nobody is measured yet.";
  const whose = best.person.isSelf ? "You have" : `${best.person.name} has`;
  return best.cover.missing.length === 0
    ? `${whose} everything it needs.`
    : `${whose} ${best.cover.there} of the ${best.cover.needed} it needs.`;
}
const older = ({ sheet }: ShelfSystem): number =>
  drafts.drafts.filter((d) => d.slug === sheet.slug && d.systemVersion < sheet.version).length;
</script>

<template>
  <div class="page shelf">
    <h1>Shelf</h1>
    <p class="lead quiet">Drafting systems. Take one down to draft it on a body.</p>
    <LoadState v-if="!ready" what="the shelf" :why="why" @again="again" />
    <template v-else>
      <div class="wishes" role="search">
        <el-input
          v-model="wish.words"
          class="words"
          :prefix-icon="Search"
          clearable
          placeholder="lapel, sleeve, child …"
          aria-label="Search the shelf"
        />
        <el-select v-model="wish.garment" class="garment" clearable placeholder="every garment" aria-label="Garment">
          <el-option v-for="garment in garments" :key="garment" :value="garment" :label="title(garment)" />
        </el-select>
        <el-select v-if="schools.length > 1" v-model="wish.school" class="garment" clearable placeholder="every school" aria-label="School">
          <el-option v-for="school in schools" :key="school" :value="school" :label="title(school)" />
        </el-select>
        <el-segmented v-model="wish.unit" :options="UNITS" aria-label="Unit it is written in" />
        <el-checkbox v-model="wish.measured">I have the measurements</el-checkbox>
        <span class="small quiet" role="status">{{ found.length }} of {{ shelf.systems.length }}</span>
      </div>
      <div v-if="found.length" class="cards">
        <SystemCard v-for="s in found" :key="s.sheet.slug" :sheet="s.sheet" :mine="mine(coversOf(s))" :older="older(s)" />
      </div>
      <el-empty v-else description="No system here is like that. Look for fewer words, or for every garment.">
        <el-button @click="Object.assign(wish, NOTHING)">Show the whole shelf</el-button>
      </el-empty>
    </template>
  </div>
</template>

<style scoped>
.shelf {
  max-width: 1680px;
}
.lead {
  margin: 6px 0 16px;
}
.wishes {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin: 0 -28px 18px;
  padding: 8px 28px;
  background: var(--table);
}
.words {
  flex: 1 1 220px;
  max-width: 360px;
}
.garment {
  width: 210px;
}
@media (width < 620px) {
  .shelf {
    padding: 16px 12px 60px;
  }
  .wishes {
    position: static;
    margin: 0 0 14px;
    padding: 0;
  }
}
</style>
