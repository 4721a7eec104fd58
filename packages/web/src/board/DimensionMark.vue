<script setup lang="ts">
import { computed } from "vue";

/** The distance being laid off: a line with arrows beside its course, and its figure in the tape's fractions. Screen pixels. */
const props = defineProps<{ a: { x: number; y: number }; b: { x: number; y: number }; text: string }>();

const OFF = 13;

const drawn = computed(() => {
  const { a, b } = props;
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 3) return undefined;
  const u = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  const n = u.y < -0.01 || (Math.abs(u.y) <= 0.01 && u.x > 0) ? { x: u.y, y: -u.x } : { x: -u.y, y: u.x };
  const shift = (p: { x: number; y: number }): { x: number; y: number } => ({ x: p.x + n.x * OFF, y: p.y + n.y * OFF });
  const [p, q] = [shift(a), shift(b)];
  const arrow = (tip: { x: number; y: number }, way: number): string => {
    const back = { x: tip.x - u.x * 9 * way, y: tip.y - u.y * 9 * way };
    return `M${back.x + n.x * 4} ${back.y + n.y * 4}L${tip.x} ${tip.y}L${back.x - n.x * 4} ${back.y - n.y * 4}`;
  };
  const mid = { x: (p.x + q.x) / 2 + n.x * 8, y: (p.y + q.y) / 2 + n.y * 8 };
  return {
    course: `M${a.x} ${a.y}L${b.x} ${b.y}`,
    line: `M${p.x} ${p.y}L${q.x} ${q.y}${arrow(q, 1)}${length > 30 ? arrow(p, -1) : ""}M${a.x} ${a.y}L${p.x} ${p.y}M${b.x} ${b.y}L${q.x} ${q.y}`,
    mid,
    anchor: n.x > 0.5 ? "start" : n.x < -0.5 ? "end" : "middle",
    dy: n.y > 0.5 ? 14 : n.y < -0.5 ? -2 : 6,
  };
});
</script>

<template>
  <g v-if="drawn" class="dimension">
    <path class="course" :d="drawn.course" />
    <path :d="drawn.line" />
    <text class="under" :x="drawn.mid.x" :y="drawn.mid.y" :dy="drawn.dy" :text-anchor="drawn.anchor">{{ text }}</text>
    <text :x="drawn.mid.x" :y="drawn.mid.y" :dy="drawn.dy" :text-anchor="drawn.anchor">{{ text }}</text>
  </g>
</template>

<style scoped>
.dimension {
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--now);
  stroke-width: 1.5;
}
.course {
  stroke-width: 3;
}
text {
  font: 700 18px var(--face);
  fill: var(--now);
  font-variant-numeric: tabular-nums;
  font-feature-settings: "tnum", "frac";
}
.under {
  stroke: var(--paper);
  stroke-width: 5;
  stroke-linejoin: round;
}
</style>
