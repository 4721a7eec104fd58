<script setup lang="ts">
import { type Box, type HomeUnit, overlap, type Plan, type Point, pointText, type Run, stepDimension, tapeText } from "@lodrin/core";
import { watchDebounced } from "@vueuse/core";
import { computed, shallowRef, watch } from "vue";
import type { BoardMark } from "./board-mark.js";
import { besideCourse } from "./beside-course.js";
import DimensionMark from "./DimensionMark.vue";
import { placeLabels } from "./labels.js";
import PaperOnGlass from "./PaperOnGlass.vue";
import { sceneOf } from "./scene.js";
import { nearestOn, nearestTo } from "./nearest.js";
import type { Picked } from "./picked.js";
import type { Shift } from "./shift.js";
import { usePaper } from "./use-paper.js";
import { toScreen } from "./view.js";

/** The board as drafted up to the current step: what is earlier is quiet, what is later is not there yet. */
const props = defineProps<{
  plan: Plan;
  run: Run;
  /** Another draft laid over this one: of the same system, or of another version of it. */
  ghost?: { readonly plan: Plan; readonly run: Run } | undefined;
  step: number;
  unit: HomeUnit;
  grid: boolean;
  /** What is still to come lies faintly on the paper. */
  ahead: boolean;
  marks: readonly BoardMark[];
  /** The step is tried, not taken: it is drawn as a ghost. */
  tentative?: boolean;
  /** The point of the step, or its curve, may be pulled by the hand. */
  pullable?: boolean;
  /** All of the draft is on the paper, whichever its step is. */
  whole?: boolean;
  /** What is picked or stands in a sentence that is being made: lit as what a step leans on is. */
  lit?: readonly Picked[];
}>();
const emit = defineEmits<{ go: [step: number]; pick: [picked: Picked]; pull: [shift: Shift | undefined] }>();

const scene = computed(() => sceneOf(props.plan, props.run));
/** Where the point or the curve of the step was taken hold of, in screen pixels, and on its board. */
const hold = shallowRef<{ x: number; y: number; at: Point }>();
const paper = usePaper(
  computed(() => scene.value.bounds),
  () => props.unit,
  () => hold.value !== undefined,
);
const { view, fit, zoomBy } = paper;
defineExpose({ fit, zoomBy });

/** The other draft's lines, where they are not the same as here. */
const ghostly = computed(() => {
  if (!props.ghost) return "";
  const here = new Set(scene.value.paths.map((p) => p.data));
  return sceneOf(props.ghost.plan, props.ghost.run, scene.value.boards)
    .paths.filter((p) => !here.has(p.data))
    .map((p) => p.data)
    .join("");
});
const finished = computed(() =>
  props.ahead && !props.whole
    ? scene.value.paths
        .filter((p) => p.step > props.step)
        .map((p) => p.data)
        .join("")
    : "",
);
const isThere = ({ step }: { readonly step: number }): boolean => props.whole || step <= props.step;
const points = computed(() => scene.value.points.filter(isThere));
const paths = computed(() => scene.value.paths.filter(isThere));
const courses = computed(() =>
  scene.value.courses
    .filter(isThere)
    .map((c) => c.data)
    .join(""),
);
const planned = computed(() => props.plan.steps[props.step]);
const litNames = (kind: Picked["kind"]): readonly string[] => (props.lit ?? []).flatMap((p) => (p.kind === kind ? [p.name] : []));
const leaning = computed(() => new Set([...(planned.value?.dependsOn.points ?? []), ...litNames("point")]));
const leaningPaths = computed(() => new Set([...(planned.value?.dependsOn.paths ?? []), ...litNames("path")]));
const current = computed(() => points.value.find((p) => p.step === props.step));
/** What is quiet is drawn as a few long paths, so that a setting can be dragged without a stutter; what is lit stands by itself. */
const isLit = (p: { step: number; key: string }): boolean => p.step === props.step || leaningPaths.value.has(p.key);
const litPaths = computed(() => paths.value.filter(isLit));
const quietPaths = computed(() => {
  const by = new Map<string, string>();
  for (const p of paths.value) {
    if (isLit(p)) continue;
    const style = p.dashed ? `${p.kind} dashed` : p.kind;
    by.set(style, (by.get(style) ?? "") + p.data);
  }
  return [...by];
});
const spots = computed(() => points.value.map((p) => ({ ...toScreen(view.value, p.at), id: p.id, step: p.step })));
const litSpots = computed(() => spots.value.filter((p) => p.step === props.step || leaning.value.has(p.id)));
const cross = ({ x, y }: { x: number; y: number }): string => `M${(x - 4).toFixed(1)} ${y.toFixed(1)}h8m-4-4v8`;
const crosses = computed(() => spots.value.map(cross).join(""));

/** Where the hand is on the drawing, in screen pixels. */
function handAt(event: MouseEvent): Point {
  const box = (event.currentTarget as Element).getBoundingClientRect();
  return { x: event.clientX - box.left, y: event.clientY - box.top };
}
/** What lies under the hand: the number it is on, or else the point nearest to it, or else the line. */
const under = (event: MouseEvent): (Picked & { step: number }) | undefined => {
  const at = handAt(event);
  const named = labels.value.find((l) => at.x >= l.x && at.x <= l.x + l.w && at.y >= l.y && at.y <= l.y + l.h);
  const spot = named ?? nearestTo(at, spots.value);
  if (spot) return { kind: "point", name: spot.id, step: spot.step };
  const path = nearestOn(onPaper(at), paths.value, view.value.k);
  return path && { kind: "path", name: path.key, step: path.step };
};
/** The hand pulled since it was put down: where it lets go is no press. */
let pulled = false;
function take(event: PointerEvent): void {
  pulled = false;
  const at = handAt(event);
  if (!props.pullable || !onStep(at)) return;
  const { x, y } = onPaper(at);
  hold.value = { ...at, at: { x: x - (scene.value.boards.get(planned.value?.board ?? "")?.dx ?? 0), y } };
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}
/** A place of the screen as one of the paper. */
const onPaper = ({ x, y }: Point): Point => ({ x: (x - view.value.x) / view.value.k, y: (y - view.value.y) / view.value.k });
/** Whether a place of the screen is on the point of the step, or on its curve. */
function onStep(at: Point): boolean {
  if (current.value) return nearestTo(at, [toScreen(view.value, current.value.at)]) !== undefined;
  const { source } = planned.value ?? {};
  if (source?.is !== "path" || source.type !== "curve") return false;
  return (
    nearestOn(
      onPaper(at),
      litPaths.value.filter((p) => p.step === props.step),
      view.value.k,
    ) !== undefined
  );
}
function letGo(): void {
  hold.value = undefined;
}
function point(event: PointerEvent): void {
  if (hold.value) {
    const { k } = view.value;
    pulled = true;
    const [now, { x, y, at }] = [handAt(event), hold.value];
    emit("pull", { dx: (now.x - x) / k, dy: (now.y - y) / k, at });
    return;
  }
  (event.currentTarget as SVGElement).style.cursor = under(event) ? "pointer" : "";
}
function pick(event: MouseEvent): void {
  if (pulled) return;
  const spot = under(event);
  if (!spot) return;
  emit("pick", { kind: spot.kind, name: spot.name });
  emit("go", spot.step);
}
/** A place of a board, where that board lies on the paper. */
const laid = (p: Point, board: string | undefined): Point => ({ x: p.x + (scene.value.boards.get(board ?? "")?.dx ?? 0), y: p.y });
const laidMarks = computed(() => props.marks.map((m) => ({ ...m, ...toScreen(view.value, laid(m.at, m.board)) })));
const dimension = computed(() => {
  const d = stepDimension(props.plan, props.run, props.step);
  if (!d.from || !d.to || d.mm === undefined) return undefined;
  const board = planned.value?.board;
  return { a: toScreen(view.value, laid(d.from, board)), b: toScreen(view.value, laid(d.to, board)), text: tapeText(d.mm, props.unit) };
});

const levels = computed(() =>
  paths.value.flatMap((p) => {
    const a = p.places[0];
    const b = p.places[p.places.length - 1];
    if (p.label === undefined || !a || !b) return [];
    const [left, right] = [toScreen(view.value, a), toScreen(view.value, b)].sort((m, n) => m.x - n.x) as [
      { x: number; y: number },
      { x: number; y: number },
    ];
    const w = p.label.length * 7.2 + 8;
    return right.x - left.x < w ? [] : [{ key: p.key, text: p.label, x: (left.x + right.x) / 2 - w / 2, y: left.y - 18, w, h: 16 }];
  }),
);
const lines = computed(() =>
  paths.value.flatMap((p) =>
    p.places.slice(1).map((b, i) => [toScreen(view.value, p.places[i] as { x: number; y: number }), toScreen(view.value, b)] as const),
  ),
);
/** The dimension being shown: its arrow in short stretches, and its figure. Numbers keep off both. */
const STRETCH = 14;
const dimensionBoxes = computed((): Box[] => {
  if (!dimension.value) return [];
  const { a, b, text } = dimension.value;
  const { p, q, mid, width: w } = besideCourse(a, b, text);
  const count = Math.max(1, Math.ceil(Math.hypot(q.x - p.x, q.y - p.y) / STRETCH));
  const along = Array.from({ length: count + 1 }, (_, i) => ({
    x: p.x + ((q.x - p.x) * i) / count - STRETCH / 2,
    y: p.y + ((q.y - p.y) * i) / count - STRETCH / 2,
    w: STRETCH,
    h: STRETCH,
  }));
  return [...along, { x: mid.x - w / 2, y: mid.y - 14, w, h: 22 }];
});
const boardNames = computed(() =>
  [...scene.value.boards.values()]
    .map((b) => ({ key: b.key, title: b.title, ...toScreen(view.value, { x: b.bounds.minX, y: b.bounds.minY }) }))
    .map((b) => ({ ...b, y: b.y - 36, w: b.title.length * 9 + 6, h: 20 }))
    // The figure being shown comes first: the name makes way.
    .map((b) => (dimensionBoxes.value.some((box) => overlap(box, b)) ? { ...b, y: b.y - 26 } : b)),
);
// Numbers keep their side of their points while a setting moves, and are set again when the hand rests: they neither jump
// about nor hold the drawing up.
const RESTS_MS = 120;
const NUMBER_HEIGHT = 16;
const widthOf = (name: string): number => name.length * 9 + 3;
const sides = shallowRef<ReadonlyMap<string, { x: number; y: number }>>(new Map());
/** The step being done and what it leans on come first, then the newest. */
function setNumbers(): void {
  const rank = (p: (typeof points.value)[number]): number => (p.step === props.step ? 0 : leaning.value.has(p.id) ? 1 : 2);
  const order = [...points.value].sort((a, b) => rank(a) - rank(b) || b.step - a.step);
  const wishes = order.map((p) => ({ id: p.id, at: toScreen(view.value, p.at), width: widthOf(p.name) }));
  const at = new Map(wishes.map((w) => [w.id, w.at]));
  const set = placeLabels(wishes, lines.value, [...levels.value, ...boardNames.value, ...dimensionBoxes.value]);
  sides.value = new Map(set.map((l) => [l.id, { x: l.x - (at.get(l.id)?.x ?? 0), y: l.y - (at.get(l.id)?.y ?? 0) }]));
}
// By what the sources hold: a shallow ref given as it is would set the numbers again at every run.
watch([() => props.step, () => props.whole, () => props.lit, () => view.value, () => props.plan], setNumbers, { immediate: true });
watchDebounced(scene, setNumbers, { debounce: RESTS_MS });
const labels = computed(() =>
  spots.value.flatMap((p) => {
    const side = sides.value.get(p.id);
    return side ? [{ id: p.id, step: p.step, x: p.x + side.x, y: p.y + side.y, w: widthOf(nameOf(p.id)), h: NUMBER_HEIGHT }] : [];
  }),
);
const nameOf = (id: string): string => pointText(id).replace("#", "");
</script>

<template>
  <PaperOnGlass
    :paper="paper"
    :grid="grid"
    :unit="unit"
    what="The board"
    @pointerdown="take"
    @pointerup="letGo"
    @pointercancel="letGo"
    @pointermove="point"
    @click="pick"
  >
    <g :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
      <path v-if="finished" class="ahead" :d="finished" />
      <path class="course" :d="courses" />
      <path v-for="[style, data] in quietPaths" :key="style" :class="style" :d="data" />
      <path
        v-for="p in litPaths"
        :key="p.key"
        :d="p.data"
        :class="[p.kind, { now: p.step === step, leant: p.step !== step, dashed: p.dashed, tentative: tentative && p.step === step }]"
      />
      <path v-if="ghostly" class="ghost" :d="ghostly" />
    </g>
    <text v-for="l in levels" :key="l.key" class="level-name" :x="l.x + 4" :y="l.y + 13">{{ l.text }}</text>
    <path class="crosses" :d="crosses" />
    <template v-for="p in litSpots" :key="p.id">
      <circle class="halo" :class="{ now: p.step === step, tentative: tentative && p.step === step }" r="7" :cx="p.x" :cy="p.y" />
      <path class="crosses lit" :d="cross(p)" />
    </template>
    <text v-for="b in boardNames" :key="b.key" class="board-name" :x="b.x" :y="b.y + 16">{{ b.title }}</text>
    <DimensionMark v-if="dimension" v-bind="dimension" />
    <circle v-else-if="current" class="ring" r="11" :cx="current.at.x * view.k + view.x" :cy="current.at.y * view.k + view.y" />
    <g v-for="m in laidMarks" :key="m.name" class="mark" :class="m.status" :transform="`translate(${m.x} ${m.y})`">
      <circle r="13" />
      <text y="6">{{ m.status === "pass" ? "✓" : "!" }}</text>
      <title>{{ m.name }}</title>
    </g>
    <template #over>
      <!-- Numbers lie over the drawing as boxes that are only shifted: a text of the drawing is laid out again wherever it moves. -->
      <div class="numbers on-paper">
        <span
          v-for="l in labels"
          :key="l.id"
          class="number"
          :class="{ now: l.id === current?.id, leant: leaning.has(l.id) }"
          :style="{ transform: `translate(${l.x.toFixed(1)}px, ${l.y.toFixed(1)}px)` }"
          >{{ nameOf(l.id) }}</span
        >
      </div>
    </template>
  </PaperOnGlass>
</template>

<style scoped src="./paper.css"></style>
<style scoped>
.construction {
  stroke: #7c8084;
  stroke-width: 1.1;
}
.ahead {
  stroke: rgb(70 62 40 / 30%);
  stroke-width: 1.2;
}
.course {
  stroke: #a3a6a6;
  stroke-width: 0.9;
}
.level {
  stroke: #8a8e90;
  stroke-width: 1.1;
}
.curve {
  stroke: var(--ink);
  stroke-width: 2.4;
}
.dashed {
  stroke-dasharray: 8 5;
}
.ghost {
  stroke: var(--now);
  stroke-width: 1.8;
  stroke-dasharray: 7 5;
}
path.leant {
  stroke: var(--now);
}
path.now {
  stroke: var(--now);
  stroke-width: 3;
}
.tentative {
  stroke-dasharray: 6 5;
}
.crosses {
  stroke: var(--ink-2);
  stroke-width: 1.3;
}
.crosses.lit {
  stroke: var(--now);
  stroke-width: 2;
}
.halo {
  fill: transparent;
  stroke: var(--now);
  stroke-width: 1.4;
}
.halo.now {
  fill: var(--now-tint);
}
.ring {
  fill: none;
  stroke: var(--now);
  stroke-width: 2.4;
}
.numbers {
  position: absolute;
  inset: 0;
  contain: strict;
  pointer-events: none;
  will-change: transform;
}
.number {
  position: absolute;
  left: 1px;
  top: 0;
  font: 600 15px/16px var(--face);
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
.number.now {
  color: var(--now);
  font-weight: 800;
}
.number.leant {
  color: var(--now);
}
.board-name {
  font: 600 17px var(--face-title);
  fill: var(--ink-2);
  pointer-events: none;
}
.level-name {
  font: 500 14px var(--face);
  fill: var(--ink-3);
  pointer-events: none;
}
.mark circle {
  fill: #f5dcd3;
  stroke: var(--fail);
  stroke-width: 2;
}
.mark text {
  font: 800 16px var(--face);
  text-anchor: middle;
  fill: var(--fail);
}
.mark.pass circle {
  fill: #dfeadd;
  stroke: #2a6337;
}
.mark.pass text {
  fill: #2a6337;
}
</style>
