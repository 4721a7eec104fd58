<script setup lang="ts">
import type { HandIn } from "@lodrin/contract";
import { type HomeUnit, type Plan, type Run, seenLine, tapeText } from "@lodrin/core";
import { computed, ref } from "vue";
import FigureText from "../../../ui/FigureText.vue";
import { placesOnBoards } from "../leading/board-places.js";
import type { MarkedPicture } from "./picture-file.js";
import { cornerPoints, judgeMarks, LEAST_SURE } from "../hand-ins/judge-marks.js";

/**
 * The picture of the paper with the true draft laid over it: from four marked points on the perspective is known, what is
 * left over is told, and each further point is judged with the tolerance of a photograph.
 */
const props = defineProps<{ picture: MarkedPicture; plan: Plan; run: Run; unit: HomeUnit; readonly?: boolean }>();
const emit = defineEmits<{ marks: [marks: HandIn["marksOnPicture"]] }>();

const places = computed(() => placesOnBoards(props.plan, props.run));
const marks = computed(() => props.picture.marks);
/** The corners first: from them the perspective is found best. */
const order = computed(() => [...new Set([...cornerPoints(places.value.points), ...places.value.points.map((p) => p.name)])]);
const next = ref(order.value.find((name) => !marks.value.some((m) => m.point === name)) ?? "");
const judged = computed(() => judgeMarks(places.value.points, marks.value));
const camera = computed(() => judged.value.camera);
const overlay = computed(() =>
  camera.value
    ? places.value.lines.map((line) =>
        seenLine(camera.value?.toPicture ?? IDENTITY, line)
          .map((p) => `${p.x},${p.y}`)
          .join(" "),
      )
    : [],
);
const IDENTITY = [1, 0, 0, 0, 1, 0, 0, 0, 1] as const;

const sure = computed(() => marks.value.filter((m) => m.sure).length);
/** Whether what is marked next is sure, or to be judged. */
const MODES = [
  { value: true, label: "I am sure of it" },
  { value: false, label: "To be judged" },
];
const isSure = ref(sure.value < LEAST_SURE);

function mark(event: MouseEvent): void {
  if (props.readonly || next.value === "") return;
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const at = {
    x: ((event.clientX - box.left) * props.picture.width) / box.width,
    y: ((event.clientY - box.top) * props.picture.height) / box.height,
  };
  emit("marks", [...marks.value.filter((m) => m.point !== next.value), { point: next.value, ...at, sure: isSure.value }]);
  const unmarked = order.value.filter((n) => n !== next.value && !marks.value.some((m) => m.point === n));
  next.value = unmarked.find((n) => order.value.indexOf(n) > order.value.indexOf(next.value)) ?? unmarked[0] ?? "";
}
const drop = (point: string): void =>
  emit(
    "marks",
    marks.value.filter((m) => m.point !== point),
  );
</script>

<template>
  <div class="overlay">
    <div v-if="!readonly" class="line">
      <span v-if="sure < LEAST_SURE">Mark four points you are sure of, best at the corners ({{ LEAST_SURE - sure }} to go). Now</span>
      <span v-else>More sure points make it surer; others are judged. Now</span>
      <el-select v-model="next" filterable aria-label="Point to mark">
        <el-option v-for="p in places.points" :key="p.name" :value="p.name" :label="p.name.replace('#', '')" />
      </el-select>
      <el-segmented v-model="isSure" :options="MODES" :disabled="sure < LEAST_SURE" aria-label="What is marked next" />
    </div>
    <div class="frame">
      <img :src="picture.data" alt="The paper" />
      <svg :viewBox="`0 0 ${picture.width} ${picture.height}`" :class="{ readonly }" @click="mark">
        <polyline v-for="(line, i) in overlay" :key="i" :points="line" />
        <g v-for="m in marks" :key="m.point" :class="judged.verdicts.get(m.point)?.verdict">
          <circle :cx="m.x" :cy="m.y" r="9" />
          <text :x="m.x + 13" :y="m.y - 9">{{ m.point.replace("#", "") }}</text>
        </g>
      </svg>
    </div>
    <p v-if="camera" class="small">
      The marked points agree to {{ judged.leftMm.toFixed(1) }} mm; a point is judged within
      <FigureText :text="tapeText(judged.toleranceMm, unit)" />.
    </p>
    <p v-else-if="sure >= LEAST_SURE" class="small off">Three of these points lie in one line: mark another.</p>
    <ul>
      <li v-for="m in marks" :key="m.point">
        <b>{{ m.point.replace("#", "") }}</b> {{ judged.verdicts.get(m.point)?.says }}
        <el-button v-if="!readonly" link @click="drop(m.point)">take it back</el-button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.overlay {
  display: grid;
  gap: 8px;
}
.line {
  display: grid;
  grid-template-columns: auto 160px auto;
  justify-content: start;
  gap: 10px;
  align-items: center;
}
.frame {
  position: relative;
}
img {
  display: block;
  width: 100%;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  cursor: crosshair;
}
svg.readonly {
  cursor: default;
}
polyline {
  fill: none;
  stroke: #8a2c6b;
  stroke-width: 2.5;
}
circle {
  fill: none;
  stroke: #22262a;
  stroke-width: 3;
}
text {
  font: 600 24px var(--face);
  fill: #22262a;
  paint-order: stroke;
  stroke: #fff;
  stroke-width: 5px;
}
.off circle {
  stroke: #9c2f1c;
  stroke-width: 5;
}
.right circle {
  stroke: #2a6337;
}
ul {
  columns: 2;
  margin: 0;
  padding-left: 18px;
}
p.off {
  color: var(--fail);
}
</style>
