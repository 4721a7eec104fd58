<script setup lang="ts">
import { computed } from "vue";
import { fractionsIn } from "../ui/fractions.js";
import { besideCourse } from "./beside-course.js";

/** The distance being laid off: a line with arrows beside its course, and its figure in the tape's fractions. Screen pixels. */
const props = defineProps<{ a: { x: number; y: number }; b: { x: number; y: number }; text: string }>();

const parts = computed(() => fractionsIn(props.text));

const drawn = computed(() => {
  const { a, b, text } = props;
  const { p, q, u, n, mid, length } = besideCourse(a, b, text);
  if (length < 3) return undefined;
  const arrow = (tip: { x: number; y: number }, way: number): string => {
    const back = { x: tip.x - u.x * 9 * way, y: tip.y - u.y * 9 * way };
    return `M${back.x + n.x * 4} ${back.y + n.y * 4}L${tip.x} ${tip.y}L${back.x - n.x * 4} ${back.y - n.y * 4}`;
  };
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
    <text
      v-for="under in [true, false]"
      :key="String(under)"
      :class="{ under }"
      :x="drawn.mid.x"
      :y="drawn.mid.y"
      :dy="drawn.dy"
      :text-anchor="drawn.anchor"
    >
      <tspan v-for="(p, i) in parts" :key="i" :class="{ fraction: p.fraction }">{{ p.part }}</tspan>
    </text>
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
}
/* Only what is written as a fraction is set as one: in 19.2 the 2 would stand raised. */
.fraction {
  font-feature-settings: "tnum", "frac";
}
.under {
  stroke: var(--paper);
  stroke-width: 5;
  stroke-linejoin: round;
}
</style>
