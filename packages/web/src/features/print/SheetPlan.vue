<script setup lang="ts">
import { type Drawing, strokeData, type TilePlan } from "@lodrin/formats";
import { computed } from "vue";

/** The sheets with the drawing over them, numbered in the order in which they are joined. */
const props = defineProps<{ tiles: TilePlan; drawing: Drawing; joins: boolean }>();

const strokes = computed(() => props.drawing.marks.flatMap((m) => (m.kind === "stroke" ? [{ layer: m.layer, d: strokeData(m) }] : [])));
const box = computed(() => {
  const last = props.tiles.tiles[props.tiles.tiles.length - 1];
  const { minX, minY } = props.drawing.bounds;
  const { maxX, maxY } = last?.window ?? props.drawing.bounds;
  return { x: minX - 6, y: minY - 6, w: maxX - minX + 12, h: maxY - minY + 12 };
});
const printed = computed(() => props.tiles.tiles.filter((t) => !t.blank));
const middle = ({ window: w }: TilePlan["tiles"][number]): { x: number; y: number } => ({
  x: (w.minX + w.maxX) / 2,
  y: (w.minY + w.maxY) / 2,
});
/** From sheet to sheet along each row, and from row to row. */
const order = computed(() =>
  printed.value.slice(1).map((tile, i) => {
    const [a, b] = [middle(printed.value[i] as TilePlan["tiles"][number]), middle(tile)];
    return { d: `M${a.x} ${a.y}L${b.x} ${b.y}`, row: printed.value[i]?.row !== tile.row };
  }),
);
const size = computed(() => Math.min(44, box.value.w / 40));
</script>

<template>
  <svg
    class="plan on-paper"
    :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
    role="img"
    :aria-label="`${printed.length} sheets of ${tiles.paper.name} with the drawing over them`"
  >
    <g v-for="t in tiles.tiles" :key="`${t.row}-${t.column}`" :class="{ blank: t.blank }">
      <rect :x="t.window.minX" :y="t.window.minY" :width="t.window.maxX - t.window.minX" :height="t.window.maxY - t.window.minY" />
      <text :x="t.window.minX + 14" :y="t.window.minY + 34">{{ t.row }}-{{ t.column }}{{ t.blank ? " blank" : "" }}</text>
    </g>
    <path v-for="(s, i) in strokes" :key="i" class="stroke" :d="s.d" :class="s.layer" />
    <g v-if="joins" class="joins">
      <path v-for="o in order" :key="o.d" :d="o.d" :class="{ row: o.row }" />
      <g v-for="(t, i) in printed" :key="i" :transform="`translate(${middle(t).x} ${middle(t).y})`">
        <circle :r="size" />
        <text :style="{ fontSize: `${size * 1.1}px` }" :y="size * 0.38">{{ i + 1 }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.plan {
  position: sticky;
  top: 12px;
  width: 100%;
  max-height: calc(100vh - 100px);
  padding: 14px;
  background: var(--table-deep);
  border-radius: var(--radius);
}
rect {
  fill: #fffdf6;
  fill-opacity: 0.72;
  stroke: #6f6b5e;
  stroke-width: 1.4;
  stroke-dasharray: 8 5;
}
.blank rect {
  fill: none;
}
text {
  font: 700 24px var(--face);
  fill: #6b6557;
}
.stroke {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.levels,
.construction,
.grain {
  stroke: #8a8e90;
  stroke-width: 1;
}
.fold {
  stroke-dasharray: 10 4 2 4;
}
.joins path {
  fill: none;
  stroke: var(--now);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.joins path.row {
  stroke-dasharray: 4 5;
}
.joins circle {
  fill: #fffdf6;
  stroke: var(--now);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.joins text {
  fill: var(--now);
  text-anchor: middle;
}
</style>
