<script setup lang="ts">
import { Promotion } from "@element-plus/icons-vue";
import { type Work, workRoutes } from "@lodrin/contract";
import { markFor, problemText } from "@lodrin/core";
import { useStorage } from "@vueuse/core";
import { computed, ref, useTemplateRef } from "vue";
import { RouterLink } from "vue-router";
import { call } from "../../api/call.js";
import BoardPaper from "../../board/BoardPaper.vue";
import PiecesPaper from "../../board/PiecesPaper.vue";
import { useSession } from "../../stores/session.js";
import { useShelf } from "../../stores/shelf.js";
import SaveState from "../../ui/SaveState.vue";
import UnitSwitch from "../../ui/UnitSwitch.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import HandoutStep from "../draft/HandoutStep.vue";
import StepControls from "../draft/StepControls.vue";
import NotationEditor from "./NotationEditor.vue";
import TextCollision from "./TextCollision.vue";
import { useWriting, type WorkAutosave } from "./use-writing.js";

/** The writing table: the text on the left, its draft on a body in the middle of the page, what wants mending below. */
const props = defineProps<{ work: Work; autosave: WorkAutosave }>();
const session = useSession();
const shelf = useShelf();
const { local, state, savedAt, why } = props.autosave;
const { loaded, drafted, bodies, body, step, line, lineOf } = useWriting(props.autosave);

/** Where the run is kept, for the one row of the handout that is shown. */
const drafting = { run: drafted };
const mark = computed(() => markFor(loaded.value.plan.system, session.unit));
const sum = computed(() => {
  const { checks, pieces: made } = drafted.value;
  const held =
    checks.length === 0
      ? "no checks yet"
      : misses.value.length === 0
        ? `all ${checks.length} checks hold`
        : `${misses.value.length} of ${checks.length} checks want a look`;
  return `${loaded.value.plan.steps.length} steps, ${made.length} ${made.length === 1 ? "piece" : "pieces"}, ${held} on this body.`;
});

const published = ref(props.work.published);
const note = ref("");
const asking = ref(false);
const told = ref("");
const { why: refused, attempt } = useAttempt();
const editor = useTemplateRef<{ goTo: (line: number, column?: number) => void }>("editor");
const paper = useTemplateRef<{ fit: () => void; zoomBy: (factor: number) => void }>("paper");
const pieces = ref(false);
const grid = useStorage("lodrin-grid", true);
const ahead = useStorage("lodrin-ahead", true);
const last = computed(() => Math.max(0, loaded.value.plan.steps.length - 1));
const shownStep = computed(() => Math.min(step.value, last.value));
const title = computed(() => loaded.value.system.title);
const problems = computed(() => loaded.value.problems);
const misses = computed(() => drafted.value.checks.filter((c) => c.status !== "pass"));

/** A step chosen on the paper or by its button is the line the cursor stands on. */
function go(to: number): void {
  step.value = Math.min(Math.max(0, to), last.value);
  const at = lineOf(step.value);
  if (at !== undefined) editor.value?.goTo(at);
}

const publish = (): Promise<void> =>
  attempt(async () => {
    if (!(await props.autosave.flush())) throw new Error("The text is not saved yet. Wait for the connection, then publish.");
    const version = props.autosave.version();
    const work = await call(workRoutes.publishWork, { params: { id: local.id }, body: { version, note: note.value } });
    published.value = work.published;
    told.value = `Version ${work.published} is on the shelf.`;
    note.value = "";
    asking.value = false;
    await shelf.reload();
  });
</script>

<template>
  <div class="writing">
    <header>
      <RouterLink class="home" :to="{ name: 'builder' }" aria-label="To my systems"
        ><img src="/mark.svg" alt="" width="26" height="26"
      /></RouterLink>
      <h1>{{ title }}</h1>
      <el-tag type="info">{{ published ? `version ${published} published` : "not published yet" }}</el-tag>
      <span class="room" />
      <SaveState :state="state" :saved-at="savedAt" :why="why" />
      <el-select v-model="body" class="body" aria-label="Tried on">
        <el-option v-for="b in bodies" :key="b.id" :value="b.id" :label="b.name" />
      </el-select>
      <UnitSwitch />
      <el-button type="primary" :icon="Promotion" :disabled="problems.length > 0" @click="((asking = true), (told = ''))"
        >Publish</el-button
      >
    </header>
    <section class="text" aria-label="The text">
      <TextCollision v-if="state === 'collision'" :autosave="autosave" />
      <NotationEditor ref="editor" v-model="local.notation" :loaded="loaded" class="face" @line="line = $event" />
      <div class="mend" role="status">
        <el-alert v-if="told" :title="told" type="success" show-icon @close="told = ''" />
        <HandoutStep
          v-if="loaded.plan.steps[shownStep]"
          :key="shownStep"
          :plan="loaded.plan"
          :source="drafting.run"
          :index="shownStep"
          :unit="session.unit"
          :mark="mark"
          state="now"
        />
        <p v-if="problems.length === 0" class="small">Every line is understood. {{ sum }}</p>
        <template v-else>
          <p class="small">
            <b>{{ problems.length }} {{ problems.length === 1 ? "line wants" : "lines want" }} mending.</b> The rest is drawn all the same.
          </p>
          <ul>
            <li v-for="(p, i) in problems.slice(0, 20)" :key="i">
              <el-button link type="primary" @click="editor?.goTo(p.line, p.column)">{{ problemText(p) }}</el-button>
            </li>
          </ul>
        </template>
      </div>
    </section>
    <section class="paper" aria-label="The draft">
      <BoardPaper
        v-if="!pieces"
        ref="paper"
        :plan="loaded.plan"
        :run="drafted"
        :ghost="undefined"
        :step="shownStep"
        :unit="session.unit"
        :grid="grid"
        :ahead="ahead"
        :marks="[]"
        @go="go"
      />
      <PiecesPaper
        v-else
        ref="paper"
        :pieces="drafted.pieces"
        :ghosts="[]"
        :unit="session.unit"
        :grid="grid"
        :only="undefined"
        :edges="[]"
      />
      <StepControls
        class="controls"
        :step="shownStep"
        :last="last"
        :playing="false"
        :pieces="pieces"
        :grid="grid"
        :ahead="ahead"
        still
        @go="go"
        @fit="paper?.fit()"
        @zoom="paper?.zoomBy($event)"
        @pieces="pieces = $event"
        @grid="grid = !grid"
        @ahead="ahead = !ahead"
      />
    </section>
    <el-dialog v-model="asking" title="Publish this text" width="480px" append-to-body>
      <p>
        It goes on the shelf as version {{ published + 1 }}, for everyone here. A version is never changed: drafts that were begun with an
        earlier one keep it.
      </p>
      <el-alert
        v-if="misses.length"
        type="warning"
        show-icon
        :closable="false"
        :title="`On this body ${misses.length} ${misses.length === 1 ? 'check wants' : 'checks want'} a look: ${misses[0]?.name ?? ''}`"
      />
      <el-form label-position="top" @submit.prevent="publish">
        <el-form-item label="What changed, for those who draft with it">
          <el-input v-model="note" maxlength="400" type="textarea" :rows="2" />
        </el-form-item>
        <el-alert v-if="refused" :title="refused" type="error" role="alert" :closable="false" />
        <div class="acts">
          <el-button type="primary" native-type="submit">Publish version {{ published + 1 }}</el-button>
          <el-button text @click="asking = false">Not yet</el-button>
        </div>
      </el-form>
    </el-dialog>
  </div>
</template>

<style scoped>
.writing {
  display: grid;
  grid-template: 52px minmax(0, 1fr) / minmax(0, 1fr) minmax(0, 1fr);
  height: 100%;
}
header {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 12px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
  min-width: 0;
}
.home {
  display: grid;
  flex: none;
  place-items: center;
  width: 40px;
  height: 40px;
}
h1 {
  font-size: 19px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.room {
  flex: 1;
}
.text {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-width: 0;
  border-right: 1px solid var(--rule);
}
.face {
  grid-row: 2;
}
.mend {
  grid-row: 3;
  max-height: 44vh;
  overflow: auto;
  padding: 10px 16px;
  background: var(--panel);
  border-top: 1px solid var(--rule);
}
.mend ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
.mend .el-button {
  height: auto;
  min-height: 32px;
  line-height: 1.35;
  text-align: left;
  white-space: normal;
  font-weight: 500;
}
.paper {
  position: relative;
  min-width: 0;
  container-type: inline-size;
}
.body {
  flex: none;
  width: 230px;
}
.controls {
  position: absolute;
  inset: 0 0 0 24px;
  align-content: end;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
@media (width < 900px) {
  .body {
    width: 150px;
  }
  .writing {
    grid-template: 52px minmax(0, 1fr) minmax(0, 1fr) / minmax(0, 1fr);
  }
  .paper {
    grid-row: 2;
  }
  .text {
    grid-row: 3;
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
}
</style>
