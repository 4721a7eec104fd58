<script setup lang="ts">
import type { MeasurementSet } from "@lodrin/contract";
import { computed, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";
import BodyFigure from "../../ui/BodyFigure.vue";
import LoadState from "../../ui/LoadState.vue";
import { sayDay } from "../../ui/times.js";
import { useLoad } from "../../ui/use-load.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { Delete, User } from "@element-plus/icons-vue";
import AddPerson from "./AddPerson.vue";
import CompareSets from "./CompareSets.vue";
import NearestSize from "./NearestSize.vue";
import SetEditor from "./SetEditor.vue";
import SetList from "./SetList.vue";

const people = usePeople();
const session = useSession();
const route = useRoute();
const router = useRouter();
const { ready, why, again } = useLoad(() => people.load());

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
              <b>{{ p.name }}</b><el-tag v-if="p.isSelf || p.isChild" size="small" type="info">{{ p.isSelf ? "me" : "child" }}</el-tag>
            </RouterLink>
          </li>
        </ul>
        <AddPerson @added="open($event)" />
      </aside>
      <section v-if="person">
        <header>
          <h2>{{ person.name }}</h2>
          <el-button text :icon="Delete" @click="attempt(() => people.remove(person!))">Delete {{ person.name.split(" ")[0] }}</el-button>
        </header>
        <p v-if="person.consentAt" class="quiet">
          A parent or guardian agreed, as was said on {{ sayDay(person.consentAt.slice(0, 10)) }}.
        </p>
        <p v-if="person.note" class="quiet">{{ person.note }}</p>
        <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
        <SetList
          :person="person"
          :set="set"
          :comparing="comparing"
          :unit="session.unit"
          @open="((comparing = false), open(person!.id, $event))"
          @again="attempt(() => newSet())"
          @copy="attempt(() => newSet($event))"
          @compare="comparing = !comparing"
          @remove="attempt(() => people.removeSet($event))"
        />
        <template v-if="comparing && pair.length === 2">
          <el-form-item v-if="person.sets.length > 2" class="beside" label="Beside" label-position="top">
            <el-select v-model="beside" :placeholder="sayDay(other?.takenOn ?? '')">
              <el-option v-for="s in person.sets.filter((x) => x.id !== set?.id)" :key="s.id" :value="s.id" :label="sayDay(s.takenOn)" />
            </el-select>
          </el-form-item>
          <CompareSets :older="pair[0]" :newer="pair[1]" :unit="session.unit" />
        </template>
        <template v-else-if="set">
          <NearestSize :set="set" :unit="session.unit" />
          <SetEditor :key="set.id" :set="set" :child="person.isChild" />
        </template>
        <el-empty
          v-else
          :description="`${person.name} has not been measured yet. Press Measure again, take the tape, and go down the list.`"
        >
          <template #image><BodyFigure class="still" :key-name="undefined" /></template>
        </el-empty>
      </section>
      <el-empty v-else description="Add yourself, or someone you draft for. Each measuring is kept with its date, and none is overwritten.">
        <template #image
          ><el-icon :size="72"><User /></el-icon
        ></template>
      </el-empty>
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
  align-items: center;
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
.beside {
  max-width: 260px;
}
.still {
  max-width: 300px;
  margin: 0 auto;
  text-align: left;
}
@media (width < 860px) {
  .page {
    padding: 16px 12px 60px;
  }
  .rooms {
    grid-template-columns: minmax(0, 1fr);
    gap: 16px;
  }
  ul {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
