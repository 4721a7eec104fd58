<script setup lang="ts">
import { type CheckResult, isPointText, type Plan, pointOnPaper, type Run, type SewnEdges, stepName } from "@lodrin/core";
import { useEventListener, useStorage } from "@vueuse/core";
import { computed, defineAsyncComponent, ref, shallowRef, useTemplateRef, watch } from "vue";
import BoardPaper from "../../board/BoardPaper.vue";
import SeamWalkPaper from "../../board/SeamWalkPaper.vue";
import PiecesPaper from "../../board/PiecesPaper.vue";
import { useSession } from "../../stores/session.js";
import CollisionNotice from "../../ui/CollisionNotice.vue";
import { useRested } from "../../ui/use-rested.js";
import { useRest } from "../../ui/use-rest.js";
import { useKeys } from "../../ui/use-keys.js";
import TapeMeasure from "../../ui/TapeMeasure.vue";
import ChecksDrawer from "./ChecksDrawer.vue";
import DraftHeader from "./DraftHeader.vue";
import DrawerFrame from "../../drawers/DrawerFrame.vue";
import DrawerRail from "../../drawers/DrawerRail.vue";
import GhostNote from "./GhostNote.vue";
import HandoutList from "./HandoutList.vue";
import KeysHelp from "./KeysHelp.vue";
import StepControls from "../../handout/StepControls.vue";
import { DRAFT_FIELDS, type OpenDraft, useDrafting } from "../../drafting/use-draft.js";
import { useGhost } from "./use-ghost.js";
import { useShaping } from "./use-shaping.js";

// What is pulled out is fetched when it is: the table opens sooner.
const NewerVersion = defineAsyncComponent(() => import("./NewerVersion.vue"));
const BodyDrawer = defineAsyncComponent(() => import("./BodyDrawer.vue"));
const FilesDrawer = defineAsyncComponent(() => import("./FilesDrawer.vue"));
const NotesDrawer = defineAsyncComponent(() => import("./NotesDrawer.vue"));
const PiecesDrawer = defineAsyncComponent(() => import("./PiecesDrawer.vue"));
const SeamWalkPanel = defineAsyncComponent(() => import("./SeamWalkPanel.vue"));
const SettingsDrawer = defineAsyncComponent(() => import("./SettingsDrawer.vue"));
const ShapingList = defineAsyncComponent(() => import("./ShapingList.vue"));

/** The cutting table: handout on the left, paper in the middle, drawers on the right, the tape along the edge. */
const props = defineProps<{ open: OpenDraft }>();
defineEmits<{ moved: [] }>();
const session = useSession();
const rest = useRest();
const { autosave, system } = props.open;
const { plan } = system.loaded;
const { run, unit, mark, step, last, tape, playing, go, play } = useDrafting(props.open);
const drafted = { plan, run };
const shaping = useShaping(plan, run);
const { trial, ghost } = useGhost(plan, run, autosave);
/** The draft as another version of the system draws it. */
const newer = shallowRef<{ plan: Plan; run: Run }>();
const laid = computed(() => (ghost.value ? { plan, run: ghost.value.run } : newer.value));
/** Shows the step a difference is about. */
function goTo(name: string | undefined): void {
  const at = plan.steps.findIndex(({ source }) => (source.is === "point" ? source.id : source.key) === name);
  if (at >= 0) go(at);
}
/** What is laid over is seen on the construction. */
watch(trial, (on) => on && (pieces.value = false));

type Drawer = "body" | "settings" | "pieces" | "checks" | "files" | "notes";
const DRAWERS: readonly { key: Drawer; name: string }[] = [
  { key: "body", name: "Body" },
  { key: "settings", name: "Settings" },
  { key: "pieces", name: "Pieces" },
  { key: "checks", name: "Checks" },
  { key: "files", name: "Print, files" },
  { key: "notes", name: "Notes" },
];
const drawer = ref<Drawer | undefined>(run.value.missing.length > 0 ? "body" : undefined);
const pieces = ref(false);
const grid = useStorage("lodrin-grid", true);
/** The finished draft lies faintly under what is drawn so far. */
const ahead = useStorage("lodrin-ahead", true);
const keys = ref(false);
const only = ref<string>();
const edges = ref<readonly string[]>([]);
/** The seam being walked. */
const walking = shallowRef<SewnEdges>();
const walked = ref(0);
const shownCheck = ref<CheckResult>();
const paper = useTemplateRef<{ fit: () => void; zoomBy: (factor: number) => void }>("paper");

// Pieces and checks are made once the hand rests: a slider that is dragged redraws the steps alone.
const rested = useRested(run);
const misses = computed(() => rested.value.checks.filter((c) => c.status !== "pass").length);
const onBoard = (check: CheckResult): boolean => check.at !== undefined && !check.onPiece;
const marks = computed(() => {
  // While it is dragged, marks of before would stand where nothing is.
  const checks = rested.value === run.value ? rested.value.checks : [];
  const failing = checks.filter((c) => c.status === "fail" && onBoard(c) && c.edges.length === 0);
  const shown = shownCheck.value && onBoard(shownCheck.value) && shownCheck.value.edges.length === 0 ? [shownCheck.value] : [];
  return [...failing, ...shown].flatMap((c) => (c.at ? [{ name: c.name, at: c.at, board: c.board, status: c.status }] : []));
});
/** The drawers with what waits in them. */
const drawers = computed(() => {
  const waits: Partial<Record<Drawer, string>> = {
    ...(run.value.missing.length > 0 ? { body: `${run.value.missing.length} missing` } : {}),
    ...(misses.value > 0 ? { checks: `${misses.value} to look at` } : {}),
  };
  return DRAWERS.map((d) => ({ ...d, badge: waits[d.key] }));
});
const what = computed(() => {
  const planned = plan.steps[step.value];
  const name = planned ? stepName(planned) : "";
  return isPointText(name) ? `step ${pointOnPaper(name)}` : name.replace(/_/g, " ");
});

function toggle(key: Drawer): void {
  drawer.value = drawer.value === key ? undefined : key;
  if (drawer.value !== "checks") walking.value = undefined;
  if (key === "pieces" && drawer.value === "pieces") pieces.value = true;
}

function close(): void {
  drawer.value = undefined;
  walking.value = undefined;
}

function show(check: CheckResult): void {
  walking.value = undefined;
  shownCheck.value = check;
  edges.value = check.edges;
  if (check.edges.length > 0) {
    pieces.value = true;
    only.value = undefined;
  } else if (check.at) {
    pieces.value = false;
    if (step.value < last.value) go(last.value);
  }
}

const switchUnit = (): void => session.prefer({ unit: unit.value === "in" ? "cm" : "in" });

const ACTS: Readonly<Record<string, () => void>> = {
  ArrowRight: () => (pieces.value ? shaping.go(shaping.stage.value + 1) : go(step.value + 1)),
  ArrowLeft: () => (pieces.value ? shaping.go(shaping.stage.value - 1) : go(step.value - 1)),
  Home: () => go(0),
  End: () => go(last.value),
  " ": play,
  u: switchUnit,
  f: () => paper.value?.fit(),
  "+": () => paper.value?.zoomBy(1.3),
  "=": () => paper.value?.zoomBy(1.3),
  "-": () => paper.value?.zoomBy(1 / 1.3),
  g: () => (grid.value = !grid.value),
  o: () => (ahead.value = !ahead.value),
  b: () => toggle("body"),
  s: () => toggle("settings"),
  k: () => toggle("checks"),
  p: () => {
    pieces.value = !pieces.value;
    walking.value = undefined;
  },
  "?": () => (keys.value = true),
  Escape: () => (walking.value ? (walking.value = undefined) : close()),
};

useKeys(ACTS, () => keys.value);
useEventListener(window, "beforeunload", () => void autosave.flush());
</script>

<template>
  <div class="table">
    <DraftHeader class="head" :autosave="autosave" :system="system" @keys="keys = true" />

    <ShapingList
      v-if="pieces && !walking && shaping.stages.value.length > 0"
      v-model="shaping.share.value"
      class="handout"
      :plan="plan"
      :stages="shaping.stages.value"
      :stage="shaping.stage.value"
      @go="shaping.go"
    />
    <HandoutList
      v-else
      class="handout"
      :draft="drafted"
      :unit="unit"
      :mark="mark"
      :step="step"
      @go="((pieces = false), (walking = undefined), go($event))"
    />

    <div class="paper">
      <SeamWalkPaper v-if="walking" ref="paper" :plan="plan" :run="run" :unit="unit" :grid="grid" :seam="walking" :share="walked" />
      <BoardPaper
        v-else-if="!pieces"
        ref="paper"
        :plan="plan"
        :run="run"
        :ghost="laid"
        :step="step"
        :unit="unit"
        :grid="grid"
        :ahead="ahead"
        :marks="marks"
        @go="go"
      />
      <PiecesPaper
        v-else
        ref="paper"
        :pieces="shaping.pieces.value"
        :ghosts="shaping.ghosts.value"
        :unit="unit"
        :grid="grid"
        :only="only"
        :edges="edges"
      />
      <StepControls
        class="controls"
        :step="step"
        :last="last"
        :playing="playing"
        :pieces="pieces"
        :grid="grid"
        :ahead="ahead"
        @go="go"
        @play="play"
        @fit="paper?.fit()"
        @zoom="paper?.zoomBy($event)"
        @pieces="((pieces = $event), (walking = undefined))"
        @grid="grid = !grid"
        @ahead="ahead = !ahead"
      />
      <GhostNote v-if="ghost" class="ghost-note" :ghost="ghost" :unit="unit" />
      <NewerVersion
        v-if="rest"
        class="newer"
        :autosave="autosave"
        :system="system"
        @ghost="((newer = $event), $event && (pieces = false))"
        @go="goTo($event.step)"
        @moved="$emit('moved')"
      />
      <CollisionNotice class="collision" :autosave="autosave" what="draft" :fields="DRAFT_FIELDS" />
    </div>

    <DrawerFrame v-if="drawer" class="drawer" :name="DRAWERS.find((d) => d.key === drawer)?.name ?? ''" @close="close">
      <BodyDrawer v-if="drawer === 'body'" :autosave="autosave" :plan="plan" :missing="run.missing" />
      <SettingsDrawer v-else-if="drawer === 'settings'" v-model:trial="trial" :autosave="autosave" :draft="drafted" :unit="unit" />
      <PiecesDrawer
        v-else-if="drawer === 'pieces'"
        :pieces="run.pieces"
        :unit="unit"
        :only="only"
        :edges="edges"
        @only="((only = $event), (pieces = true))"
        @edge="((edges = [$event]), (pieces = true))"
      />
      <ChecksDrawer
        v-else-if="drawer === 'checks'"
        :checks="rested.checks"
        :warnings="rested.warnings"
        :unit="unit"
        :shown="shownCheck"
        @show="show"
        @walk="((walking = $event), (walked = 0), (pieces = true))"
      >
        <SeamWalkPanel v-if="walking" v-model="walked" :plan="plan" :run="run" :unit="unit" :seam="walking" @close="walking = undefined" />
      </ChecksDrawer>
      <FilesDrawer v-else-if="drawer === 'files'" :autosave="autosave" :plan="plan" :unit="unit" :missing="run.missing.length > 0" />
      <NotesDrawer v-else :autosave="autosave" :system="plan.system" />
    </DrawerFrame>

    <DrawerRail class="rail" :drawers="drawers" :open="drawer" @toggle="toggle" />

    <TapeMeasure class="tape-row" :mm="tape" :unit="unit" :what="what" />
    <KeysHelp v-model="keys" />
  </div>
</template>

<style scoped>
.table {
  display: grid;
  grid-template: 52px minmax(0, 1fr) 76px / 380px minmax(0, 1fr) auto 84px;
  height: 100%;
}
.head {
  grid-column: 1 / -1;
}
.handout {
  border-right: 1px solid var(--rule);
}
.paper {
  position: relative;
  background: var(--table);
  min-width: 0;
  container-type: inline-size;
}
.controls {
  position: absolute;
  inset: 0 0 0 24px;
  align-content: end;
}
.ghost-note {
  position: absolute;
  inset: 28px auto auto 30px;
}
.newer {
  position: absolute;
  inset: 28px 30px auto auto;
  z-index: 3;
}
.collision {
  position: absolute;
  inset: 44px 40px auto;
  z-index: 5;
  max-height: 80%;
  overflow: auto;
  box-shadow: var(--shadow);
}
.drawer {
  grid-column: 3;
  grid-row: 2;
}
.rail {
  grid-column: 4;
  grid-row: 2;
}
.tape-row {
  grid-column: 1 / -1;
}
@media (width < 1100px) {
  .table {
    grid-template: 52px minmax(0, 1fr) minmax(180px, 34%) 76px / minmax(0, 1fr) 84px;
  }
  .paper {
    grid-column: 1;
    grid-row: 2;
  }
  .rail {
    grid-column: 2;
    grid-row: 2 / 4;
  }
  .handout {
    grid-column: 1;
    grid-row: 3;
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
  .drawer {
    grid-column: 1;
    grid-row: 2 / 4;
    justify-self: end;
    z-index: 4;
    box-shadow: var(--shadow);
  }
}
/* On a telephone: the drawing above, the step with its figure below, the drawers along the foot; the tape is in the hand. */
@media (width < 620px) {
  .table {
    grid-template: 52px minmax(0, 1fr) minmax(220px, 46%) 56px / minmax(0, 1fr);
  }
  .rail {
    grid-column: 1;
    grid-row: 4;
  }
  .drawer {
    grid-row: 2 / 4;
    width: 100%;
  }
  .tape-row {
    display: none;
  }
}
</style>
