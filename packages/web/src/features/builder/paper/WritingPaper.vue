<script setup lang="ts">
import { gapsOf, type PieceResult, type Plan, type Run } from "@lodrin/core";
import { useStorage } from "@vueuse/core";
import { computed, defineAsyncComponent, useTemplateRef } from "vue";
import BoardPaper from "../../../board/BoardPaper.vue";
import type { BoardMark } from "../../../board/board-mark.js";
import type { Picked } from "../../../board/picked.js";
import type { Shift } from "../../../board/shift.js";
import PiecesPaper from "../../../board/PiecesPaper.vue";
import { pointsOnPiece } from "../../../board/points-on-pieces.js";
import { useSession } from "../../../stores/session.js";
import StepControls from "../../../handout/StepControls.vue";
import HandTools from "../by-hand/HandTools.vue";
import type { ByHand } from "../by-hand/use-by-hand.js";
import type { Range } from "../range/use-range.js";
import type { Trial } from "./use-trial.js";
import type { Writing } from "../use-writing.js";

// Fetched when it is first looked at.
const RangeView = defineAsyncComponent(() => import("../range/RangeView.vue"));

/** The page: the draft on one body with what is tried as a ghost, its pieces, or a whole range of sizes on each other. */
const props = defineProps<{
  writing: Writing;
  range: Range;
  /** What is typed or pulled, drawn before it is taken. */
  trial: Pick<Trial, "loaded" | "drafted" | "step"> | undefined;
  /** What is tried is a handout as it is understood, of which nothing is put in yet. */
  foreseen: boolean;
  /** Another version of the system, on the same body. */
  ghost: { readonly plan: Plan; readonly run: Run } | undefined;
  step: number;
  /** What pulling the point of the step would make of its rule. */
  pulled: string | undefined;
  marks: readonly BoardMark[];
  /** What is made by hand. */
  hand: ByHand;
}>();
const ranging = defineModel<boolean>("ranging", { required: true });
const pieces = defineModel<boolean>("pieces", { required: true });
const picked = defineModel<readonly Picked[]>("picked", { required: true });
defineEmits<{
  go: [step: number];
  pick: [picked: Picked];
  size: [index: number];
  light: [statement: number];
  problems: [];
  pull: [shift: Shift | undefined];
  taken: [];
}>();
const session = useSession();
const { loaded, drafted } = props.writing;
const grid = useStorage("lodrin-grid", true);
const ahead = useStorage("lodrin-ahead", true);
const paper = useTemplateRef<{ fit: () => void; zoomBy: (factor: number) => void }>("paper");
const tools = useTemplateRef<{ focus: () => void }>("tools");
const last = computed(() => Math.max(0, loaded.value.plan.steps.length - 1));
const drafting = { run: drafted };
/** What is picked, or named in the sentence that is being made, is lit on the paper. */
const lit = computed((): readonly Picked[] => {
  const filling = props.hand.filling.value;
  return filling ? Object.values(filling.filled).flatMap((values) => values.flatMap((v) => namedBy(v))) : picked.value;
});
function namedBy(value: string): Picked[] {
  const { points, paths } = loaded.value.plan.scope;
  return value.split(/[-> ]+/).flatMap((word): Picked[] => {
    const name = word.replace("#", "");
    return points.has(name)
      ? [{ kind: "point", name }]
      : paths.has(name)
        ? [{ kind: "path", name }]
        : name.includes(".")
          ? [{ kind: "edge", name }]
          : [];
  });
}
/** The points of a piece are shown while the current gap needs one. */
const PLACES: ReadonlySet<string> = new Set(["point", "points", "places", "line", "ends", "length"]);
const asksForPoint = computed(() => {
  const filling = props.hand.filling.value;
  const gap = filling && gapsOf(filling.template.parts).find(({ gap: { name } }) => name === filling.asked)?.gap;
  return gap !== undefined && PLACES.has(gap.kind);
});
const pointsToPress = computed(() => {
  const [{ plan }, run, shown] = [loaded.value, drafted.value, asksForPoint.value];
  return (piece: PieceResult) => (shown ? pointsOnPiece(piece, plan, run) : []);
});
const litEdges = computed(() => lit.value.flatMap(({ kind, name }) => (kind === "edge" ? [name] : [])));
defineExpose({
  fit: () => paper.value?.fit(),
  zoomBy: (factor: number) => paper.value?.zoomBy(factor),
  grid: () => (grid.value = !grid.value),
  ahead: () => (ahead.value = !ahead.value),
  tools: () => tools.value?.focus(),
});
</script>

<template>
  <section id="writing-paper" class="paper" :aria-label="ranging ? 'Over a range of sizes' : 'The draft'">
    <RangeView
      v-if="ranging"
      :range="range"
      :loaded="loaded"
      :unit="session.unit"
      @size="$emit('size', $event)"
      @light="$emit('light', $event)"
      @problems="$emit('problems')"
    />
    <template v-else>
      <HandTools v-model:pieces="pieces" :hand="hand" :picked="picked" :loaded="loaded" :run="drafting.run" @clear="picked = []" />
      <div class="sheet">
        <BoardPaper
          v-if="!pieces"
          ref="paper"
          :plan="trial?.loaded.plan ?? loaded.plan"
          :run="trial?.drafted ?? drafted"
          :ghost="ghost"
          :step="trial?.step ?? step"
          :tentative="trial !== undefined"
          :pullable="!hand.filling.value"
          :whole="ahead"
          :lit="lit"
          :unit="session.unit"
          :grid="grid"
          :ahead="ahead"
          :marks="marks"
          @go="$emit('go', $event)"
          @pick="$emit('pick', $event)"
          @pull="$emit('pull', $event)"
        />
        <PiecesPaper
          v-else
          ref="paper"
          :pieces="(trial?.drafted ?? drafted).pieces"
          :ghosts="[]"
          :unit="session.unit"
          :grid="grid"
          :only="undefined"
          :edges="litEdges"
          :pickable="pointsToPress"
          @pick="$emit('pick', $event)"
        />
        <p v-if="foreseen" class="picks foreseen small" role="status">Preview of what is understood so far. Nothing is inserted yet.</p>
        <div v-if="pulled && !pieces" class="picks pulled" role="alertdialog" aria-label="The rule would be">
          <span>{{ pulled }}</span>
          <el-button type="primary" size="small" @click="$emit('taken')">Take it</el-button>
          <el-button size="small" text @click="$emit('pull', undefined)">Leave it</el-button>
        </div>
        <StepControls
          class="controls"
          :step="step"
          :last="last"
          :playing="false"
          :pieces="pieces"
          :grid="grid"
          :ahead="ahead"
          still
          @go="$emit('go', $event)"
          @fit="paper?.fit()"
          @zoom="paper?.zoomBy($event)"
          @pieces="pieces = $event"
          @grid="grid = !grid"
          @ahead="ahead = !ahead"
        />
      </div>
    </template>
  </section>
</template>

<style scoped>
.paper {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  min-width: 0;
  min-height: 0;
  container-type: inline-size;
}
.paper > :only-child {
  grid-row: 1 / -1;
}
.sheet {
  position: relative;
  min-height: 0;
}
.picks {
  position: absolute;
  inset: 12px 12px auto 40px;
}
.foreseen {
  width: fit-content;
  padding: 6px 12px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
/* At the foot: what is pulled may lie at the head of the paper. */
.pulled {
  inset: auto 12px 108px 40px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 8px 12px;
  border-radius: var(--radius);
  background: var(--panel);
  box-shadow: var(--shadow);
}
.controls {
  position: absolute;
  inset: 0 0 0 24px;
  align-content: end;
}
</style>
