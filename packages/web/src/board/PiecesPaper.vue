<script setup lang="ts">
import {
  boundsOf,
  growBounds,
  type HomeUnit,
  type PieceEdge,
  type PieceResult,
  type Point,
  pointText,
  svgRing,
  tapeText,
} from "@lodrin/core";
import { collector, drawPiece, layInRows, layPieces, type Stroke, strokeData } from "@lodrin/formats";
import { computed, ref, watch } from "vue";
import { fitWords, linesAt } from "./fit-title.js";
import { placeLabels } from "./labels.js";
import { nearestOn, nearestTo } from "./nearest.js";
import PaperOnGlass from "./PaperOnGlass.vue";
import type { Picked } from "./picked.js";
import { usePaper } from "./use-paper.js";
import { usePieceDrag } from "./use-piece-drag.js";
import { toScreen } from "./view.js";

/** The pieces taken off the board and laid apart: net and cutting line, fold, grain, level lines, notches, names. */
const props = defineProps<{
  pieces: readonly PieceResult[];
  /** How they were before the shaping being watched. */
  ghosts: readonly PieceResult[];
  unit: HomeUnit;
  grid: boolean;
  only: string | undefined;
  edges: readonly string[];
  /** Pieces and their edges may be picked, and of each piece these points. */
  pickable?: (piece: PieceResult) => readonly { readonly name: string; readonly at: Point }[];
}>();
const emit = defineEmits<{ pick: [picked: Picked] }>();

/** Width of the paper to its height, in steps, so that pieces do not jump while a drawer opens by a hair. */
const ratio = ref(4 / 3);
const { moved, drag } = usePieceDrag(() => view.value.k);
const shown = computed(() => props.pieces.filter((p) => props.only === undefined || p.key === props.only));
/** Apart from what a hand moves: the others are not laid again while one is dragged. */
const inRows = computed(() => layInRows(shown.value, ratio.value));
const laid = computed(() => {
  const [ghost] = layPieces(props.ghosts);
  if (!ghost)
    return inRows.value.map((place) => {
      const { x, y } = moved.value.get(place.piece.key) ?? { x: 0, y: 0 };
      return { ...place, dx: place.dx + x, dy: place.dy + y };
    });
  // What a shaping changes lies where it lay before, so that the part that stays lies still.
  return shown.value.map((piece) => ({ piece, dx: ghost.dx, dy: ghost.dy }));
});
const behind = computed(() => {
  const [first] = layPieces(props.ghosts);
  return props.ghosts.map((piece) => ({ piece, dx: first?.dx ?? 0, dy: first?.dy ?? 0 }));
});
const bounds = computed(() => {
  const places = [...laid.value, ...behind.value].flatMap(({ piece, dx, dy }) => piece.cutting.map((p) => ({ x: p.x + dx, y: p.y + dy })));
  return growBounds(boundsOf(places) ?? { minX: 0, minY: 0, maxX: 300, maxY: 300 }, 8);
});
const paper = usePaper(bounds, () => props.unit);
const { width, height, view, fit, zoomBy } = paper;
watch([width, height], ([w, h]) => w > 0 && h > 0 && (ratio.value = Math.round((w / h) * 5) / 5));
watch([() => props.only, () => props.ghosts.map((g) => g.key).join()], fit);
defineExpose({ fit, zoomBy });

const GRAIN_WORD_AT = 0.74;
/** A fold shorter than this on the glass is known by its mark alone, in pixels. */
const SHORTEST_NAMED_FOLD = 70;

/** Room on the pieces is looked for again when they are drawn larger or smaller, not while they are moved. */
const scale = computed(() => view.value.k);
const rooms = computed(() => laid.value.map(({ piece }) => fitWords(piece, scale.value)));

/** Words on a piece, in screen pixels. */
const words = computed(() =>
  laid.value.map(({ piece, dx, dy }, i) => {
    const at = (p: { x: number; y: number }): { x: number; y: number } => toScreen(view.value, { x: p.x + dx, y: p.y + dy });
    const box = boundsOf(piece.net) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };
    const wide = (box.maxX - box.minX) * view.value.k;
    const { grain, title } = rooms.value[i] as (typeof rooms.value)[number];
    const { x, y } = at(title.middle);
    return {
      key: piece.key,
      title: { ...title, x, ...linesAt(title, y), turn: title.upward ? `rotate(-90 ${x} ${y})` : undefined },
      levels: wide > 130 ? piece.levels.map((l) => ({ label: l.label, ...overLevel(at(l.a), at(l.b), l.label) })) : [],
      fold: piece.edges.filter((e) => e.finish === "fold").map((e) => foldMark(e, at)),
      grain: grain && grainMark(at(grain[0]), at(grain[1])),
      edges: piece.edges
        .filter((e) => props.edges.includes(e.name))
        .map((e) => ({
          name: e.name,
          text: tapeText(e.length, props.unit),
          ...at(e.places[Math.floor(e.places.length / 2)] ?? { x: 0, y: 0 }),
        })),
    };
  }),
);

/** Where the name of a level stands: over its middle, and clear of it where it slopes. */
function overLevel(a: { x: number; y: number }, b: { x: number; y: number }, label: string): { x: number; y: number } {
  const slope = Math.abs((b.y - a.y) / (b.x - a.x || 1));
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 - 5 - Math.min(12, slope * label.length * 3.6) };
}

/** What is drawn on a piece, but for what the glass sets by its own measure: brackets and arrows, which keep their size when the paper is zoomed. */
function strokesOf(piece: PieceResult): Stroke[] {
  const { marks, ...sink } = collector();
  drawPiece(piece, sink);
  return marks.filter((m): m is Stroke => m.kind === "stroke" && m.layer !== "grain" && !(m.sign === true && m.layer === "fold"));
}

/** What can be pressed by its number, by piece: looked for when the pieces change, not while they are moved. */
const pressable = computed(() => new Map(shown.value.map((piece) => [piece.key, props.pickable?.(piece) ?? []])));
/** The same in screen pixels. */
const spots = computed(() =>
  laid.value.flatMap(({ piece, dx, dy }) =>
    (pressable.value.get(piece.key) ?? []).map(({ name, at }) => ({
      name,
      piece: piece.key,
      ...toScreen(view.value, { x: at.x + dx, y: at.y + dy }),
    })),
  ),
);
const outlines = computed(() =>
  laid.value.flatMap(({ piece, dx, dy }) =>
    piece.edges.flatMap(({ places }) => {
      const at = places.map((p) => toScreen(view.value, { x: p.x + dx, y: p.y + dy }));
      return at.slice(1).map((b, i) => [at[i] as Point, b] as const);
    }),
  ),
);
/** What is written on the pieces already: numbers keep off it. */
const wordBoxes = computed(() => words.value.flatMap((w) => w.fold.map(({ x, y }) => ({ x: x - 14, y: y - 22, w: 28, h: 44 }))));
const numbers = computed(() => {
  if (spots.value.length === 0) return [];
  const wishes = spots.value.map((s) => ({ id: `${s.piece} ${s.name}`, at: s, width: s.name.length * 9 + 3 }));
  const names = new Map(spots.value.map((s) => [`${s.piece} ${s.name}`, pointText(s.name).replace("#", "")]));
  return placeLabels(wishes, outlines.value, wordBoxes.value).map((l) => ({ ...l, text: names.get(l.id) ?? "" }));
});
const crosses = computed(() => spots.value.map(({ x, y }) => `M${(x - 4).toFixed(1)} ${y.toFixed(1)}h8m-4-4v8`).join(""));
/** A hand that moves a piece presses nothing. */
const SLIP = 4;
let down: Point | undefined;
const hold = ({ clientX, clientY }: PointerEvent): void => void (down = { x: clientX, y: clientY });
function press(event: MouseEvent): void {
  if (!props.pickable || !down || Math.hypot(event.clientX - down.x, event.clientY - down.y) > SLIP) return;
  const box = (event.currentTarget as Element).getBoundingClientRect();
  const at = { x: event.clientX - box.left, y: event.clientY - box.top };
  const number = numbers.value.find((l) => at.x >= l.x && at.x <= l.x + l.w && at.y >= l.y && at.y <= l.y + l.h);
  const spot = number ? { name: number.id.split(" ")[1] ?? "" } : nearestTo(at, spots.value);
  if (spot) return emit("pick", { kind: "point", name: spot.name });
  const { x, y, k } = view.value;
  const on = { x: (at.x - x) / k, y: (at.y - y) / k };
  const edges = laid.value.flatMap(({ piece, dx, dy }) =>
    piece.edges.map((e) => ({ name: e.name, places: e.places.map((p) => ({ x: p.x + dx, y: p.y + dy })) })),
  );
  const edge = nearestOn(on, edges, k);
  if (edge) return emit("pick", { kind: "edge", name: edge.name });
  const key = (event.target as Element).closest("[data-piece]")?.getAttribute("data-piece");
  if (key) emit("pick", { kind: "piece", name: key });
}

type ToScreen = (p: { x: number; y: number }) => { x: number; y: number };

function foldMark(edge: PieceEdge, at: ToScreen): { d: string; x: number; y: number; named: boolean } {
  const a = at(edge.places[0] as { x: number; y: number });
  const b = at(edge.places[edge.places.length - 1] as { x: number; y: number });
  const mix = (t: number): { x: number; y: number } => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const n = { x: -(b.y - a.y) / length, y: (b.x - a.x) / length };
  const [p, q] = [mix(0.3), mix(0.7)];
  const inside = (m: { x: number; y: number }, d: number): string => `${m.x + n.x * d} ${m.y + n.y * d}`;
  const mid = mix(0.5);
  return {
    d: `M${inside(p, 3)}L${inside(p, 12)}L${inside(q, 12)}L${inside(q, 3)}`,
    x: mid.x + n.x * 17,
    y: mid.y + n.y * 17,
    named: length >= SHORTEST_NAMED_FOLD,
  };
}

function grainMark(a: { x: number; y: number }, b: { x: number; y: number }): { d: string; x: number; y: number; turn: number } {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const off = (p: { x: number; y: number }, along: number, aside: number): string =>
    `${p.x + u.x * along - u.y * aside} ${p.y + u.y * along + u.x * aside}`;
  const head = (p: { x: number; y: number }, way: number): string => `M${off(p, -way * 10, 5)}L${p.x} ${p.y}L${off(p, -way * 10, -5)}`;
  const slope = (Math.atan2(u.y, u.x) * 180) / Math.PI;
  // The word reads upward or to the right, never upside down, on the left of the arrow.
  const turn = slope > 45 ? slope - 180 : slope < -135 ? slope + 180 : slope;
  const side = turn === slope ? -5 : 5;
  // Toward the foot, where fewer levels are named.
  const mid = { x: a.x + (b.x - a.x) * GRAIN_WORD_AT, y: a.y + (b.y - a.y) * GRAIN_WORD_AT };
  return {
    d: `M${a.x} ${a.y}L${b.x} ${b.y}${head(a, -1)}${head(b, 1)}`,
    x: mid.x - u.y * side,
    y: mid.y + u.x * side,
    turn,
  };
}
</script>

<template>
  <PaperOnGlass :paper="paper" :grid="grid" :unit="unit" what="The pieces" @pointerdown.capture="hold" @click="press">
    <g :transform="`translate(${view.x} ${view.y}) scale(${view.k})`">
      <g
        v-for="{ piece, dx, dy } in laid"
        :key="piece.key"
        class="piece"
        :data-piece="piece.key"
        :transform="`translate(${dx} ${dy})`"
        @pointerdown="drag(piece.key, $event)"
        @mousedown.stop
        @touchstart.stop
      >
        <path class="cloth" :d="svgRing(piece.cutting)" />
        <path
          v-for="(s, i) in strokesOf(piece)"
          :key="i"
          :class="[s.layer, { shown: s.edge !== undefined && edges.includes(s.edge), 'of-piece': s.edge !== undefined }]"
          :d="strokeData(s)"
        />
      </g>
      <path
        v-for="{ piece, dx, dy } in behind"
        :key="piece.key"
        class="ghost"
        :transform="`translate(${dx} ${dy})`"
        :d="svgRing(piece.net)"
      />
    </g>
    <g v-for="w in words" :key="w.key">
      <text
        v-for="(line, i) in w.title.lines"
        :key="line"
        class="name"
        :style="{ fontSize: `${w.title.size}px` }"
        :x="w.title.x"
        :y="w.title.name[i]"
        :transform="w.title.turn"
      >
        {{ line }}
      </text>
      <text v-for="(line, i) in w.title.below" :key="line" class="cut" :x="w.title.x" :y="w.title.small[i]">{{ line }}</text>
      <text v-for="l in w.levels" :key="l.label" class="level-name" :x="l.x" :y="l.y">{{ l.label }}</text>
      <template v-for="f in w.fold" :key="f.d">
        <path class="bracket" :d="f.d" />
        <text v-if="f.named" class="small" :transform="`translate(${f.x + 4} ${f.y}) rotate(-90)`">fold</text>
      </template>
      <template v-if="w.grain">
        <path class="grain" :d="w.grain.d" />
        <text class="small" :transform="`translate(${w.grain.x} ${w.grain.y}) rotate(${w.grain.turn})`">grain</text>
      </template>
      <g v-for="e in w.edges" :key="e.name">
        <text class="edge under" :x="e.x" :y="e.y">{{ e.text }}</text>
        <text class="edge" :x="e.x" :y="e.y">{{ e.text }}</text>
      </g>
    </g>
    <path v-if="pickable" class="crosses" :d="crosses" />
    <text v-for="l in numbers" :key="l.id" class="number" :x="l.x" :y="l.y + 13">{{ l.text }}</text>
    <template #says>
      <el-alert
        v-if="laid.length === 0"
        class="empty"
        type="warning"
        role="status"
        show-icon
        :closable="false"
        title="No piece can be taken off the board yet. Fill in what the draft still needs."
      />
    </template>
  </PaperOnGlass>
</template>

<style scoped src="./paper.css"></style>
<style scoped>
.piece {
  cursor: grab;
  touch-action: none;
}
.piece:active {
  cursor: grabbing;
}
.cloth {
  fill: #fffdf7;
}
.ghost {
  stroke: var(--now);
  stroke-width: 1.4;
  stroke-dasharray: 6 5;
}
.allowance {
  stroke: #5d6266;
  stroke-width: 1.2;
}
.net {
  stroke: var(--ink);
  stroke-width: 2.6;
}
.fold {
  stroke: var(--ink-2);
  stroke-width: 1.5;
  stroke-dasharray: 9 4 2 4;
}
.fold.of-piece {
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-dasharray: 16 5 3 5;
}
.of-piece.shown {
  stroke: var(--now);
  stroke-width: 5;
}
.levels {
  stroke: #8a8e90;
  stroke-width: 1;
}
.inside {
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.marks {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.notches {
  stroke: var(--ink);
  stroke-width: 2.2;
}
.bracket,
.grain {
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
text {
  font: 500 14px var(--face);
  text-anchor: middle;
  fill: var(--ink-2);
  pointer-events: none;
}
.name {
  font: 600 24px var(--face-title);
  fill: var(--ink);
}
.cut {
  font-size: 16px;
}
.level-name {
  fill: var(--ink-3);
}
.edge {
  font: 700 18px var(--face);
  fill: var(--now);
}
.edge.under {
  stroke: var(--paper);
  stroke-width: 6;
  stroke-linejoin: round;
}
.crosses {
  stroke: var(--ink-2);
  stroke-width: 1.3;
  fill: none;
}
.number {
  font: 600 15px var(--face);
  text-anchor: start;
}
.empty {
  position: absolute;
  inset: auto 40px 40px;
  width: auto;
}
</style>
