<script setup lang="ts">
import { defaultMark, exactFigure, fromMm, type HomeUnit, plainFigure, readTape, toMm } from "@lodrin/core";
import { useElementSize } from "@vueuse/core";
import { computed, ref, watch } from "vue";
import FigureText from "./FigureText.vue";

/** A drawn tape measure, moved so that the value stands under the pointer: eighths on one side, millimetres on the other. */
const props = defineProps<{ mm: number | undefined; unit: HomeUnit; what: string }>();

const PX_PER_MM = 2.6;
const holder = ref<HTMLElement | null>(null);
const { width } = useElementSize(holder);
/** When nothing is measured the tape stays, greyed, where it last was. */
const last = ref(0);
watch(
  () => props.mm,
  (mm) => mm !== undefined && (last.value = Math.abs(mm)),
  { immediate: true },
);
const value = computed(() => (props.mm === undefined ? last.value : Math.abs(props.mm)));

const shift = computed(() => width.value / 2 - value.value * PX_PER_MM);
/** The stretch of tape drawn, in whole steps of what is seen: while a value moves a little, the tape only slides. */
const seen = computed(() => Math.max(1, Math.ceil(width.value / PX_PER_MM)));
const place = computed(() => Math.floor(value.value / seen.value));
const range = computed(() => ({ from: Math.max(0, (place.value - 1) * seen.value), to: (place.value + 2) * seen.value }));

/** Marks and figures of one side: from tape's start, never below zero. */
function side(unit: HomeUnit): { ticks: string; figures: { x: number; text: string }[] } {
  const inch = unit === "in";
  const perUnit = inch ? 8 : 10;
  const first = Math.floor(fromMm(range.value.from, unit)) * perUnit;
  const last = Math.ceil(fromMm(range.value.to, unit)) * perUnit;
  const ticks: string[] = [];
  const figures: { x: number; text: string }[] = [];
  for (let i = first; i <= last; i++) {
    const x = toMm(i / perUnit, unit) * PX_PER_MM;
    const size = i % perUnit === 0 ? 21 : inch ? (i % 4 === 0 ? 15 : i % 2 === 0 ? 11 : 7) : i % 5 === 0 ? 12 : 7;
    const top = unit === props.unit;
    ticks.push(top ? `M${x.toFixed(2)} 0V${size}` : `M${x.toFixed(2)} 52V${52 - size * 0.62}`);
    if (i % perUnit === 0 && i > 0) figures.push({ x, text: String(i / perUnit) });
  }
  return { ticks: ticks.join(""), figures };
}

const near = computed(() => side(props.unit));
const far = computed(() => side(props.unit === "in" ? "cm" : "in"));
const reading = computed(() => readTape(value.value, defaultMark(props.unit)));
const left = computed(() => {
  const mm = reading.value.left;
  return Math.abs(mm) < 0.05
    ? "exactly on the mark"
    : `${plainFigure(Math.round(Math.abs(mm) * 10) / 10)} mm ${mm > 0 ? "past" : "short of"} the mark`;
});
</script>

<template>
  <section class="tape" :class="{ still: mm === undefined }" aria-label="The tape">
    <div class="reads">
      <span class="big"><FigureText :text="`${reading.figure}\u00a0${reading.unit}`" /></span>
      <span class="fine"
        >{{ mm === undefined ? "last read" : what }} · <FigureText :text="`${exactFigure(value, unit)}\u00a0${unit}`" />, {{ left }}</span
      >
    </div>
    <div ref="holder" class="band" aria-hidden="true">
      <!-- A box is slid, not the drawing itself: sliding that would lay out all its figures again. -->
      <div class="moved" :style="{ transform: `translateX(${shift}px)` }">
        <svg width="1" height="52">
          <path class="ticks" :d="near.ticks" />
          <path class="ticks thin" :d="far.ticks" />
          <text v-for="f in near.figures" :key="`n${f.text}`" class="near" :x="f.x + 4" y="23">{{ f.text }}</text>
          <text v-for="f in far.figures" :key="`f${f.text}`" class="far" :x="f.x + 3" y="49">{{ f.text }}</text>
        </svg>
      </div>
      <svg class="over" :width="width" height="52">
        <path class="pointer" :d="`M${width / 2} 0V52M${width / 2 - 7} 0h14l-7 10z`" />
      </svg>
    </div>
  </section>
</template>

<style scoped>
.tape {
  contain: strict;
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  height: 76px;
  background: var(--panel);
  border-top: 1px solid var(--rule);
}
.reads {
  display: grid;
  align-content: center;
  padding: 0 18px;
  overflow: hidden;
}
.big {
  font-size: 30px;
  font-weight: 700;
  line-height: 1.1;
  color: var(--ink);
}
.fine {
  font-size: 14px;
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.band {
  position: relative;
  align-self: center;
  height: 52px;
  overflow: hidden;
  background: var(--tape);
  box-shadow:
    inset 0 1px 0 #fff6,
    inset 0 -1px 0 #0003;
}
.moved,
.over {
  position: absolute;
  inset: 0 auto auto 0;
}
.moved {
  will-change: transform;
  transition: transform 160ms ease-out;
}
.moved svg {
  display: block;
  overflow: visible;
}
.ticks {
  stroke: var(--tape-ink);
  stroke-width: 1.3;
}
.thin {
  stroke-width: 0.9;
  opacity: 0.7;
}
text {
  fill: var(--tape-ink);
  font-family: var(--face);
  font-variant-numeric: tabular-nums;
}
.near {
  font-size: 17px;
  font-weight: 700;
}
.far {
  font-size: 12px;
}
.pointer {
  stroke: #8a2c6b;
  fill: #8a2c6b;
  stroke-width: 2.4;
}
.still .big,
.still .band {
  opacity: 0.55;
}
@media (width < 900px) {
  .tape {
    contain: strict;
    grid-template-columns: 190px minmax(0, 1fr);
  }
  .fine {
    white-space: normal;
    font-size: 13px;
    line-height: 1.2;
  }
}
</style>
