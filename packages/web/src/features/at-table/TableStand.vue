<script setup lang="ts">
import { Back, Check, Microphone, Right } from "@element-plus/icons-vue";
import { assignmentRoutes } from "@lodrin/contract";
import { explainStep, stepName, tapeText } from "@lodrin/core";
import { useWakeLock } from "@vueuse/core";
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef, watch } from "vue";
import { call } from "../../api/call.js";
import BoardPaper from "../../board/BoardPaper.vue";
import { useClasses } from "../../stores/classes.js";
import { reportFault } from "../../ui/faults.js";
import LinkButton from "../../ui/LinkButton.vue";
import { useRest } from "../../ui/use-rest.js";
import TapeMeasure from "../../ui/TapeMeasure.vue";
import UnitSwitch from "../../ui/UnitSwitch.vue";
import { useKeys } from "../../ui/use-keys.js";
import { useLoad } from "../../ui/use-load.js";
import { type OpenDraft, useDrafting } from "../../drafting/use-draft.js";
import BigStep from "../../handout/BigStep.vue";
import { keptReading } from "../../review/cause-words.js";
import { timeLeft } from "../../ui/minutes-said.js";
import ReadingPanel from "./ReadingPanel.vue";
import ReadyList from "./ReadyList.vue";
import { useAtTable } from "./use-at-table.js";
import { useReview } from "../../review/use-review.js";
import { useVoice } from "./use-voice.js";

// Whoever is in no class has none to follow.
const FollowBar = defineAsyncComponent(() => import("../../live/FollowBar.vue"));
const StepQuestions = defineAsyncComponent(() => import("../../questions/StepQuestions.vue"));

/** The table by hand: the step large on the left, the drawing of it beside, one key to go on. */
const props = defineProps<{ open: OpenDraft }>();
const { autosave, system, draft } = props.open;
const { plan, run, unit, mark, step, tape, go } = useDrafting(props.open);
const { local } = autosave;
const table = useAtTable(draft.id);
const { ready, why, again } = useLoad(table.load);
/** How far a hand may be off, where an assignment says so. */
const tolerance = ref<number>();
/** What was read and is not judged yet: the oldest first, also from an earlier visit. */
const pending = computed(() => table.typed.value[0]);
const refused = ref("");
const { review, controls, asking, failed } = useReview(system, () => ({
  measurements: local.measurements,
  settings: local.settings,
  writtenIn: local.unit,
  unit: unit.value,
  toleranceMm: tolerance.value,
  readings: table.readings.value,
}));
// A reading is stored the moment it is typed, and sent with what was said of it.
watch([asking, review], () => {
  const judged = pending.value && review.value.readings.find((r) => r.name === pending.value?.name);
  if (asking.value || !pending.value || !judged) return;
  const kept = keptReading(judged, pending.value.written);
  refused.value = kept ? "" : `${pending.value.written}: ${judged.why ?? ""} ${judged.fix ?? ""}`;
  table.judged(pending.value, kept);
});
const voice = useVoice();
const rest = useRest();
const classes = useClasses();

const names = plan.steps.map(stepName);
/** The steps of this body: what a choice leaves out is passed over. */
const order = computed(() => plan.steps.flatMap((_, i) => (run.value.outcomes[i]?.status === "skipped" ? [] : [i])));
const entry = computed(() => explainStep(plan, run.value, step.value, { mark: mark.value }));
const name = computed(() => entry.value.step);
const isTicked = computed(() => table.ticked.value.has(name.value));
const done = computed(() => order.value.filter((i) => table.ticked.value.has(names[i] ?? "")).length);
const left = computed(() => order.value.length - done.value);
const leftSaid = computed(() => {
  const time = timeLeft(left.value, done.value, table.seconds.value);
  if (left.value === 0) return "every step is drawn";
  return `${left.value} ${left.value === 1 ? "step" : "steps"} left${time === "" ? "" : `, ${time} at your pace`}`;
});

const readying = ref(true);
const reading = useTemplateRef<{ focus: () => void }>("reading");
/** Whoever has begun is not led back, even when what was ticked before comes later than the press. */
let begun = false;
watch(ready, (on) => {
  if (on && !begun) readying.value = table.ticked.value.size === 0;
});
function begin(): void {
  begun = true;
  readying.value = false;
}

const neighbour = (by: 1 | -1): number => {
  const list = by > 0 ? order.value : [...order.value].reverse();
  return list.find((i) => (by > 0 ? i > step.value : i < step.value)) ?? step.value;
};
/** Done with this step, and on to the next. */
function goOn(): void {
  if (readying.value) return begin();
  if (!isTicked.value) table.tick(name.value);
  go(neighbour(1));
}
function back(): void {
  if (step.value === order.value[0]) readying.value = true;
  else go(neighbour(-1));
}
const goTo = (step: string): void => {
  const at = names.indexOf(step);
  if (at >= 0) {
    begin();
    go(at);
  }
};

/** The step as it is said aloud: its figure first, for who has the tape in the hand. */
const spoken = computed(() => {
  const figure = tape.value === undefined ? "" : `${tapeText(tape.value, unit.value)}. `;
  return `${figure}${entry.value.text}`.replace(/\bin\b\./, "inches.").replace(/\bcm\b\./, "centimetres.");
});
watch([spoken, voice.on, readying], () => voice.say(readying.value ? "" : spoken.value));

useKeys(
  {
    " ": goOn,
    ArrowRight: goOn,
    PageDown: goOn,
    Enter: goOn,
    ArrowLeft: back,
    PageUp: back,
    t: () => (isTicked.value ? table.untick(name.value) : table.tick(name.value)),
    r: () => reading.value?.focus(),
    v: () => (voice.on.value = !voice.on.value),
  },
  () => false,
);
/** What was pressed by hand keeps no key: the space bar, or a pedal, always goes on. */
function letGo(event: MouseEvent): void {
  if (event.detail === 0) return;
  // A label hands its press on: what it belongs to is held only afterwards.
  requestAnimationFrame(() => {
    const held = document.activeElement as HTMLElement | null;
    if (held?.closest("button, a, .el-checkbox")) held.blur();
  });
}
// The screen stays awake while the hands are busy; a browser that cannot says nothing.
const awake = useWakeLock();
onMounted(() => awake.request("screen").catch(() => undefined));
onMounted(async () => {
  try {
    await classes.load();
    const asked = await Promise.all(classes.joined.map(({ id }) => call(assignmentRoutes.assignments, { params: { id } })));
    tolerance.value = asked.flat().find((a) => a.slug === draft.slug && a.systemVersion === draft.systemVersion)?.toleranceMm;
  } catch (error) {
    // Without its classes a draft is judged by the usual tolerance.
    reportFault(error, "the assignments of a draft");
  }
});
</script>

<template>
  <div class="stand" @click="letGo">
    <h1 class="visually-hidden">{{ local.name }}, at the table</h1>
    <header>
      <LinkButton text :icon="Back" :to="{ name: 'draft', params: { id: draft.id } }">{{ local.name }}</LinkButton>
      <span class="room" />
      <span class="left" aria-live="polite">{{ leftSaid }}</span>
      <el-button
        v-if="voice.can"
        text
        :icon="Microphone"
        :class="{ on: voice.on.value }"
        :aria-pressed="voice.on.value"
        title="Read each step aloud (V)"
        @click="voice.on.value = !voice.on.value"
        >{{ voice.on.value ? "Voice on" : "Voice off" }}</el-button
      >
      <UnitSwitch />
    </header>
    <el-alert v-if="why || table.why.value" class="why" type="warning" show-icon :closable="false" :title="why || table.why.value">
      <el-button v-if="why" text @click="again">Try again</el-button>
    </el-alert>
    <el-alert
      v-if="failed || table.refused.value.length"
      class="why"
      type="error"
      role="alert"
      show-icon
      title="Not everything could be checked or saved."
      @close="table.refused.value = []"
    >
      <p v-if="failed">Your readings are saved, but could not be checked just now: {{ failed }} They are checked with the next one.</p>
      <p v-for="line in table.refused.value" :key="line">{{ line }}</p>
    </el-alert>
    <FollowBar
      v-if="rest && classes.joined.length > 0"
      class="follow"
      :draft="draft"
      :step="name"
      :ticked="isTicked"
      :review="review"
      @go="goTo"
    />

    <ReadyList v-if="readying" class="ready" :plan="plan" :run="run" :unit="unit" :controls="controls" @begin="begin" />
    <template v-else>
      <section class="words">
        <BigStep :entry="entry" :unit="unit" :place="order.indexOf(step) + 1" :of="order.length" :ticked="isTicked" />
        <ReadingPanel
          ref="reading"
          :plan="plan"
          :draft-id="draft.id"
          :step="name"
          :unit="unit"
          :review="review"
          :controls="controls"
          :asking="pending !== undefined && asking"
          :refused="refused"
          :readings="table.readings.value"
          :history="table.history.value"
          @read="(what, written) => table.type({ name: what, written })"
          @go="goTo"
        />
        <StepQuestions v-if="rest && classes.joined.length + classes.taught.length > 0" :slug="draft.slug" :step="name" />
      </section>
      <div class="paper">
        <BoardPaper :plan="plan" :run="run" :step="step" :unit="unit" :grid="false" :ahead="false" :marks="[]" @go="go" />
      </div>
      <footer>
        <el-button size="large" :icon="Back" title="One step back (left arrow, Page up)" @click="back">Back</el-button>
        <TapeMeasure class="tape" :mm="tape" :unit="unit" :what="name.replace('#', 'step ')" />
        <el-button
          class="on-we-go"
          type="primary"
          size="large"
          :icon="isTicked ? Right : Check"
          title="Space, right arrow or Page down"
          @click="goOn"
          >{{ isTicked ? "Next" : "Drawn, next" }}</el-button
        >
      </footer>
    </template>
  </div>
</template>

<style scoped>
.stand {
  display: grid;
  grid-template: auto auto auto minmax(0, 1fr) 84px / minmax(360px, 46%) minmax(0, 1fr);
  height: 100%;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  grid-column: 1 / -1;
  min-height: 56px;
  padding: 4px 12px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
}
.room {
  flex: 1;
}
.left {
  font-size: 18px;
  font-weight: 600;
}
.on {
  color: var(--now);
}
.why {
  grid-column: 1 / -1;
  grid-row: 2;
}
.follow {
  grid-column: 1 / -1;
  grid-row: 3;
}
.ready {
  grid-column: 1 / -1;
  grid-row: 4 / 6;
}
.words {
  grid-row: 4;
  overflow: auto;
  background: var(--panel);
  border-right: 1px solid var(--rule);
}
.paper {
  position: relative;
  grid-column: 2;
  grid-row: 4;
  background: var(--table);
  min-width: 0;
}
footer {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) minmax(200px, 46vw);
  grid-column: 1 / -1;
  grid-row: 5;
  align-items: stretch;
  background: var(--panel);
  border-top: 1px solid var(--rule);
}
footer > .el-button {
  height: 100%;
  border-radius: 0;
  font-size: 20px;
}
.tape {
  min-width: 0;
  overflow: hidden;
}
@media (width < 900px) {
  .stand {
    grid-template: auto auto auto minmax(0, 1fr) minmax(180px, 34%) 76px / minmax(0, 1fr);
  }
  .paper {
    grid-column: 1;
    grid-row: 5;
  }
  .ready {
    grid-row: 4 / 7;
  }
  footer {
    grid-row: 6;
    grid-template-columns: auto minmax(0, 1fr);
  }
  .tape {
    display: none;
  }
}
@media (width < 620px) {
  .stand {
    grid-template-columns: minmax(0, 1fr);
  }
  header {
    flex-wrap: wrap;
    gap: 0 6px;
  }
  .left {
    order: 1;
    width: 100%;
    font-size: 16px;
  }
}
</style>
