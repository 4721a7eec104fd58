<script setup lang="ts">
import { Back, Right } from "@element-plus/icons-vue";
import { liveRoutes } from "@lodrin/contract";
import { computed, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { call } from "../../../api/call.js";
import BoardPaper from "../../../board/BoardPaper.vue";
import { useSession } from "../../../stores/session.js";
import LinkButton from "../../../ui/LinkButton.vue";
import LoadState from "../../../ui/LoadState.vue";
import UnitSwitch from "../../../ui/UnitSwitch.vue";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useKeys } from "../../../ui/use-keys.js";
import { useLoad } from "../../../ui/use-load.js";
import { readingSaid } from "../../../review/cause-words.js";
import BigStep from "../../../handout/BigStep.vue";
import { lead, useShown } from "./use-lead.js";
import { useLive } from "../../../live/use-live.js";

/** The teacher leads: one step after another; beside it, live, who has drawn it and whose reading is off. */
const route = useRoute();
const router = useRouter();
const session = useSession();
const { classId, system, drafted, step, name, entry, at, load } = useShown();
const { live, followers, connected, known } = useLive(classId);
const { why: failed, attempt } = useAttempt();
/** Longer nobody waits to learn where the class is. */
const LONGEST_MS = 3_000;
const { ready, why, again } = useLoad(async () => {
  await Promise.all([load(), Promise.race([known, new Promise((resolve) => setTimeout(resolve, LONGEST_MS))])]);
  // A lesson under way is gone on with; else it begins where its page says.
  const begin = live.value && live.value.slug === system.value?.sheet.slug ? live.value.step : String(route.query["step"] ?? "");
  step.value = Math.max(0, at(begin));
  await tell();
});
const tell = (): Promise<void> => attempt(async () => void (system.value && (await lead(classId, system.value, name.value))));
const unit = computed(() => session.unit);
const last = computed(() => (system.value?.loaded.plan.steps.length ?? 1) - 1);
const go = (to: number): void => void (step.value = Math.min(last.value, Math.max(0, to)));
watch(step, () => ready.value && void tell());

const here = computed(() => followers.value.filter((f) => f.step === name.value));
const drawn = computed(() => here.value.filter((f) => f.ticked).length);
const sorted = computed(() => [...followers.value].sort((a, b) => b.off.length - a.off.length || a.name.localeCompare(b.name)));
const end = (): Promise<void> =>
  attempt(async () => {
    await call(liveRoutes.endLive, { params: { id: classId } });
    await router.push({ name: "class", params: { id: classId } });
  });
useKeys(
  {
    " ": () => go(step.value + 1),
    ArrowRight: () => go(step.value + 1),
    PageDown: () => go(step.value + 1),
    ArrowLeft: () => go(step.value - 1),
    PageUp: () => go(step.value - 1),
    Home: () => go(0),
  },
  () => false,
);
</script>

<template>
  <div v-if="!ready || !system || !drafted || !entry" class="page"><LoadState what="the lesson" :why="why" @again="again" /></div>
  <div v-else class="lead">
    <header>
      <LinkButton text :icon="Back" :to="{ name: 'class', params: { id: classId } }">The class</LinkButton>
      <h1>{{ system.sheet.title }}</h1>
      <span class="room" />
      <span v-if="!connected" class="small">Not connected just now; it comes back by itself.</span>
      <LinkButton text :to="{ name: 'board', params: route.params }" target="_blank">For the projector</LinkButton>
      <UnitSwitch />
      <el-button @click="end">End the lesson</el-button>
    </header>
    <section class="words"><BigStep :entry="entry" :unit="unit" :place="step + 1" :of="last + 1" :ticked="false" /></section>
    <div class="paper">
      <BoardPaper :plan="system.loaded.plan" :run="drafted" :step="step" :unit="unit" :grid="false" :ahead="false" :marks="[]" @go="go" />
    </div>
    <aside>
      <h2>Who follows</h2>
      <p v-if="followers.length === 0" class="quiet">Nobody yet. Students open their draft of this system at the table.</p>
      <p v-else>
        <b>{{ drawn }} of {{ followers.length }}</b> have drawn this step.
      </p>
      <ul>
        <li v-for="f in sorted" :key="f.accountId" :class="{ off: f.off.length }">
          <b>{{ f.name }}</b>
          <span v-if="f.step !== name" class="quiet"> at {{ f.step.replace("#", "") }}</span>
          <span v-else-if="f.ticked" class="pass"> ✓</span>
          <span v-if="f.off.length"> {{ f.off.map(readingSaid).join(", ") }} off</span>
        </li>
      </ul>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
    </aside>
    <footer>
      <el-button size="large" :icon="Back" :disabled="step === 0" title="Left arrow, Page up" @click="go(step - 1)">Back</el-button>
      <el-button
        type="primary"
        size="large"
        :icon="Right"
        :disabled="step === last"
        title="Space, right arrow, Page down"
        @click="go(step + 1)"
        >Next step for everyone</el-button
      >
    </footer>
  </div>
</template>

<style scoped>
.lead {
  display: grid;
  grid-template: auto minmax(0, 1fr) 76px / minmax(320px, 36%) minmax(0, 1fr) 280px;
  height: 100%;
}
header,
footer {
  display: flex;
  gap: 12px;
  align-items: center;
  grid-column: 1 / -1;
  padding: 4px 12px;
  background: var(--panel);
}
header {
  min-height: 56px;
  border-bottom: 1px solid var(--rule);
}
h1 {
  overflow: hidden;
  font-size: 19px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.room {
  flex: 1;
}
.words,
aside {
  overflow: auto;
  background: var(--panel);
}
aside {
  display: grid;
  gap: 8px;
  align-content: start;
  padding: 14px 16px;
  border-left: 1px solid var(--rule);
}
h2 {
  font-size: 20px;
}
ul {
  display: grid;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li.off {
  color: var(--fail);
}
.pass {
  color: var(--pass);
}
.paper {
  position: relative;
  background: var(--table);
  min-width: 0;
}
footer {
  border-top: 1px solid var(--rule);
}
footer .el-button {
  flex: 0 1 220px;
  height: 60px;
  font-size: 20px;
}
footer .el-button--primary {
  flex: 1;
}
@media (width < 900px) {
  .lead {
    grid-template: auto minmax(0, 1fr) minmax(160px, 30%) minmax(90px, 20%) 76px / minmax(0, 1fr);
  }
}
</style>
