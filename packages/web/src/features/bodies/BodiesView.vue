<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { computed, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";
import { useShelf } from "../../stores/shelf.js";
import LoadState from "../../ui/LoadState.vue";
import { sayDay } from "../../ui/times.js";
import { useLoad } from "../../ui/use-load.js";
import { useAttempt } from "../../ui/use-attempt.js";
import AddPerson from "./AddPerson.vue";
import CompareSets from "./CompareSets.vue";
import SetEditor from "./SetEditor.vue";

const people = usePeople();
const shelf = useShelf();
const session = useSession();
const route = useRoute();
const router = useRouter();
const { ready, why, again } = useLoad(() => Promise.all([people.load(), shelf.load()]));

const person = computed(() => people.byId(String(route.params["personId"] ?? "")) ?? people.people[0]);
const set = computed(() => person.value?.sets.find((s) => s.id === route.params["setId"]) ?? person.value?.sets[0]);
const comparing = ref(false);
const beside = ref<string>();
const other = computed(
  () =>
    person.value?.sets.find((s) => s.id === beside.value && s.id !== set.value?.id) ??
    person.value?.sets.find((s) => s.id !== set.value?.id),
);
const pair = computed(
  () =>
    (set.value && other.value ? [set.value, other.value].sort((a, b) => a.takenOn.localeCompare(b.takenOn)) : []) as
      [MeasurementSet, MeasurementSet] | [],
);
const { why: failed, attempt } = useAttempt();

const open = (personId: string, setId?: string): Promise<unknown> =>
  router.push({ name: "bodies", params: setId ? { personId, setId } : { personId } });

async function newSet(copyOf?: MeasurementSet): Promise<void> {
  const whose = person.value;
  if (!whose) return;
  const made = copyOf ? await people.copySet(copyOf) : await people.addSet(whose, session.unit);
  await open(whose.id, made.id);
}
</script>

<template>
  <div class="page">
    <h1>Bodies</h1>
    <LoadState v-if="!ready" what="your bodies" :why="why" @again="again" />
    <div v-else class="rooms">
      <aside>
        <ul>
          <li v-for="p in people.people" :key="p.id">
            <RouterLink :to="{ name: 'bodies', params: { personId: p.id } }" :class="{ here: p.id === person?.id }">
              <b>{{ p.name }}</b><span class="small">{{ p.isSelf ? "me" : p.isChild ? "child" : "" }}</span>
            </RouterLink>
          </li>
        </ul>
        <AddPerson @added="open($event)" />
      </aside>
      <section v-if="person">
        <header>
          <h2>{{ person.name }}</h2>
          <el-button text @click="attempt(() => people.remove(person!))">Delete {{ person.name.split(" ")[0] }}</el-button>
        </header>
        <p v-if="person.note" class="quiet">{{ person.note }}</p>
        <p v-if="failed" class="callout fail" role="alert">{{ failed }}</p>
        <nav class="dates" aria-label="Dates of measuring">
          <el-button
            v-for="s in person.sets"
            :key="s.id"
            :type="s.id === set?.id && !comparing ? 'primary' : ''"
            :aria-pressed="s.id === set?.id"
            @click="((comparing = false), open(person!.id, s.id))"
          >
            {{ sayDay(s.takenOn) }}
          </el-button>
          <el-button @click="attempt(() => newSet())">Measure anew</el-button>
          <el-button v-if="set" @click="attempt(() => newSet(set))">Copy to today</el-button>
          <el-button
            v-if="person.sets.length > 1"
            :type="comparing ? 'primary' : ''"
            :aria-pressed="comparing"
            @click="comparing = !comparing"
          >
            Compare two dates
          </el-button>
          <el-button v-if="set && !comparing" text @click="attempt(() => people.removeSet(set!))">Delete this set</el-button>
        </nav>
        <template v-if="comparing && pair.length === 2">
          <label v-if="person.sets.length > 2" class="text-field beside">
            <span>Beside</span>
            <select v-model="beside">
              <option v-for="s in person.sets.filter((x) => x.id !== set?.id)" :key="s.id" :value="s.id">{{ sayDay(s.takenOn) }}</option>
            </select>
          </label>
          <CompareSets :older="pair[0]" :newer="pair[1]" :unit="session.unit" />
        </template>
        <SetEditor v-else-if="set" :key="set.id" :set="set" :child="person.isChild" />
        <p v-else class="callout">
          {{ person.name }} has not been measured yet. Press <b>Measure anew</b>, take the tape, and go down the list.
        </p>
      </section>
      <p v-else class="callout">Add yourself, or someone you draft for.</p>
    </div>
  </div>
</template>

<style scoped>
.page {
  max-width: 1240px;
}
.rooms {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 32px;
  margin-top: 18px;
}
ul {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
  display: grid;
  gap: 4px;
}
aside a {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 11px 14px;
  border-radius: var(--radius);
  color: var(--ink);
  text-decoration: none;
}
aside a.here {
  background: var(--panel);
  box-shadow: inset 4px 0 0 var(--now);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
h2 {
  font-size: 26px;
}
.dates {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 14px 0 20px;
}
.beside {
  max-width: 260px;
  margin-bottom: 14px;
}
@media (width < 860px) {
  .rooms {
    grid-template-columns: 1fr;
  }
  ul {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
