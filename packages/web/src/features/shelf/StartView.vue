<script setup lang="ts">
import type { MeasurementSet, Person } from "@lodrin/contract";
import { askedName, filledFrom, statementsOf } from "@lodrin/core";
import { computed, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { useCharts } from "../../stores/charts.js";
import { useDrafts } from "../../stores/drafts.js";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";
import { useShelf } from "../../stores/shelf.js";
import { systemPicturePath } from "../../api/pictures.js";
import CardPicture from "../../ui/CardPicture.vue";
import LinkButton from "../../ui/LinkButton.vue";
import LoadState from "../../ui/LoadState.vue";
import { sayDay } from "../../ui/times.js";
import { useLoad } from "../../ui/use-load.js";
import { sizeWritten } from "../../measures/size-body.js";
import { coverage } from "./coverage.js";
import { draftName, firstDrawn } from "../../drafting/new-draft.js";

const route = useRoute();
const router = useRouter();
const shelf = useShelf();
const people = usePeople();
const drafts = useDrafts();
const session = useSession();
const charts = useCharts();
const { ready, why, again } = useLoad(() => Promise.all([shelf.load(), people.load(), charts.load()]));

const system = computed(() => shelf.bySlug(String(route.params["slug"])));
/** Those who have most of what the system needs come first. */
const choices = computed(() =>
  people.people
    .flatMap((person) =>
      person.sets.map((set) => ({
        person,
        set,
        cover: coverage(system.value?.sheet.card?.needs ?? [], set),
      })),
    )
    .sort((a, b) => b.cover.there - a.cover.there),
);
/** Its measurements, each with how the tape runs. */
const asks = computed(() =>
  (system.value?.loaded.plan.measures ?? []).map((measure) => ({
    key: measure.key,
    name: askedName(measure),
    how: measure.source.how,
    note: measure.source.checkOnly
      ? "Only for a check."
      : measure.source.when !== undefined
        ? "Asked for by one of the choices."
        : measure.source.fallback !== undefined
          ? "Worked out when it is not there."
          : "",
  })),
);
const nameOf = (key: string): string => asks.value.find((one) => one.key === key)?.name ?? key;
/** The systems it is drafted on: their steps come first in it. */
const buildsOn = computed(() =>
  system.value
    ? statementsOf(system.value.loaded.system, "uses").map(({ base, text }) => ({
        slug: base,
        title: shelf.bySlug(base)?.sheet.title ?? base,
        text: text ?? "",
      }))
    : [],
);
const failed = ref("");
const busy = ref(false);

/** A size as it is chosen: its chart, and its place in it. */
const size = ref<[chart: string, size: string]>();
const sizeOptions = computed(() =>
  charts.charts.map((chart) => ({
    value: chart.id,
    label: chart.name,
    children: chart.sizes.map(({ name }) => ({ value: name, label: name })),
  })),
);
function beginOnSize(): void {
  const chart = charts.charts.find((c) => c.id === size.value?.[0]);
  const chosen = chart?.sizes.find((s) => s.name === size.value?.[1]);
  if (!chart || !chosen) return;
  const unit = chart.columns[0]?.unit ?? session.unit;
  void begin({ id: null, name: `${chart.name}, ${chosen.name}` }, { id: null, unit, written: sizeWritten(chart, chosen) });
}

async function begin(
  person: (Pick<Person, "name"> & { id: string | null }) | undefined,
  set: (Pick<MeasurementSet, "unit" | "written"> & { id: string | null }) | undefined,
): Promise<void> {
  const taken = system.value;
  if (!taken || busy.value) return;
  busy.value = true;
  failed.value = "";
  const measurements = filledFrom(set?.written ?? {}, taken.loaded.plan.measures);
  try {
    const draft = await drafts.add({
      name: draftName(taken.sheet.title, person?.name, person?.id === null),
      note: "",
      slug: taken.sheet.slug,
      personId: person?.id ?? null,
      personName: person?.name ?? "",
      setId: set?.id ?? null,
      unit: set?.unit ?? session.unit,
      measurements,
      settings: {},
      step: firstDrawn(taken.loaded.plan),
    });
    await router.push({ name: "draft", params: { id: draft.id } });
  } catch (error) {
    failed.value = (error as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page">
    <LoadState v-if="!ready" what="the system and your bodies" :why="why" @again="again" />
    <el-result v-else-if="!system" icon="info" sub-title="There is no such system on the shelf.">
      <template #extra><LinkButton type="primary" :to="{ name: 'shelf' }">Back to the shelf</LinkButton></template>
    </el-result>
    <div v-else class="start">
      <div>
        <h1>{{ system.sheet.title }}</h1>
        <p class="about">{{ system.loaded.system.about }}</p>
        <p v-if="system.sheet.by" class="builds">
          {{ system.sheet.by }}, version {{ system.sheet.version }}.<template v-if="system.sheet.note"> {{ system.sheet.note }}</template>
        </p>
        <p v-for="base in buildsOn" :key="base.slug" class="builds">
          Builds on the <RouterLink :to="{ name: 'start', params: { slug: base.slug } }">{{ base.title }}</RouterLink>. {{ base.text }}
        </p>
        <h2>On whose body?</h2>
        <el-alert v-if="failed" :title="failed" type="error" role="alert" show-icon :closable="false" />
        <ul>
          <li v-for="c in choices" :key="c.set.id">
            <button class="body" :disabled="busy" @click="begin(c.person, c.set)">
              <b>{{ c.person.isSelf ? `${c.person.name} (me)` : c.person.name }}</b>
              <span class="quiet">{{ sayDay(c.set.takenOn) }}</span>
              <span v-if="c.cover.missing.length === 0" class="ok">everything it needs</span>
              <span v-else class="lacks"
                >{{ c.cover.there }} of {{ c.cover.needed }}; asks for {{ c.cover.missing.map(nameOf).join(", ").toLowerCase() }}</span
              >
            </button>
          </li>
          <li v-if="charts.charts.length" class="body on-size">
            <b>A size</b>
            <el-cascader v-model="size" :options="sizeOptions" placeholder="chart and size" aria-label="A size of a chart" />
            <el-button type="primary" :disabled="busy || !size" @click="beginOnSize">Draft it on this size</el-button>
          </li>
          <li>
            <button class="body" :disabled="busy" @click="begin(undefined, undefined)">
              <b>Nobody yet</b><span class="quiet wide">type the measurements into the draft</span>
            </button>
          </li>
        </ul>
        <el-collapse class="needs">
          <el-collapse-item :title="`What it asks for: ${asks.length} figures`">
            <dl>
              <template v-for="a in asks" :key="a.key">
                <dt>{{ a.name }}</dt>
                <dd>
                  {{ a.how }}<template v-if="a.note"> {{ a.note }}</template>
                </dd>
              </template>
            </dl>
          </el-collapse-item>
        </el-collapse>
        <p class="small quiet">
          Someone not here? <RouterLink :to="{ name: 'bodies' }">Measure them first</RouterLink>: their figures can then be used again.
        </p>
      </div>
      <div class="picture"><CardPicture :src="systemPicturePath(system.sheet)" /></div>
    </div>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 36px;
}
.about {
  margin: 10px 0 24px;
  max-width: 60ch;
}
.builds {
  margin: -12px 0 24px;
  max-width: 60ch;
}
.needs {
  margin: 0 0 16px;
  max-width: 66ch;
}
.needs dl {
  display: grid;
  grid-template-columns: 11em minmax(0, 1fr);
  gap: 8px 16px;
  margin: 4px 0 8px;
}
.needs dt {
  font-weight: 600;
}
.needs dd {
  margin: 0;
}
h2 {
  font-size: 22px;
  margin-bottom: 12px;
}
ul {
  list-style: none;
  margin: 0 0 16px;
  padding: 0;
  display: grid;
  gap: 10px;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 12px;
  align-items: baseline;
  width: 100%;
  min-height: 56px;
  padding: 10px 18px;
  text-align: left;
  border: 1.5px solid transparent;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
  cursor: pointer;
}
.body:hover {
  border-color: var(--now);
}
.on-size {
  align-items: center;
  cursor: default;
}
.wide {
  grid-column: 2 / -1;
}
.ok {
  color: var(--pass);
}
.lacks {
  color: var(--warn);
}
.picture {
  background: #fbf8f0;
  border-radius: var(--radius);
  padding: 18px;
  max-height: 460px;
  box-shadow: var(--shadow);
}
@media (width < 900px) {
  .start {
    grid-template-columns: 1fr;
  }
  .picture {
    display: none;
  }
}
</style>
