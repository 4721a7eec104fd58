<script setup lang="ts">
import { Camera, Delete } from "@element-plus/icons-vue";
import { type ChosenSlip, drawnWithSlips, type HomeUnit, type Plan, type Run, slipsAt, stepName } from "@lodrin/core";
import { computed, ref, shallowRef } from "vue";
import { readingSaid } from "../../../review/cause-words.js";
import type { MarkedPicture } from "./picture-file.js";
import { simulatePicture } from "./simulated-camera.js";

/** Makes a picture of a hand draft for who has no camera: with slips of one's choice, held askew, grainy. */
const props = defineProps<{ plan: Plan; run: Run; unit: HomeUnit }>();
const emit = defineEmits<{ taken: [picture: MarkedPicture] }>();

const steps = computed(() =>
  props.plan.steps.flatMap((s, i) =>
    s.source.is !== "path" && props.run.outcomes[i]?.status === "drawn" ? [{ i, name: readingSaid(stepName(s)) }] : [],
  ),
);
const step = ref<number>();
/** What may go wrong at the chosen step; as many as a list is read for. */
const MOST = 40;
const offered = computed(() => (step.value === undefined ? [] : slipsAt(props.plan, props.run, step.value, props.unit).slice(0, MOST)));
const slips = shallowRef<readonly ChosenSlip[]>([]);
const tilt = ref(12);
const grain = ref(0.4);
const RADIANS = Math.PI / 180;

const idOf = ({ step, code, place }: ChosenSlip): string => `${step} ${code} ${place}`;
function choose(id: string): void {
  const slip = offered.value.find((s) => idOf(s) === id);
  if (slip) slips.value = [...slips.value.filter((s) => s.step !== slip.step), slip];
  step.value = undefined;
}
function take(): void {
  const drawn = drawnWithSlips(props.plan, props.run, slips.value, props.unit);
  const angle = tilt.value * RADIANS;
  const { camera: _, ...made } = simulatePicture(props.plan, drawn, { pitch: angle, yaw: -angle / 2, roll: angle / 4, grain: grain.value });
  emit("taken", { ...made, marks: [] });
}
</script>

<template>
  <div class="camera">
    <p class="small quiet">A made-up photograph of this draft, for trying it: right, or with slips that you choose.</p>
    <ul v-if="slips.length">
      <li v-for="s in slips" :key="idOf(s)">
        {{ s.says }}
        <el-button text :icon="Delete" :aria-label="`Without: ${s.says}`" @click="slips = slips.filter((o) => o !== s)" />
      </li>
    </ul>
    <div class="two">
      <el-select v-model="step" filterable clearable placeholder="a slip at step …" aria-label="Step of a slip">
        <el-option v-for="s in steps" :key="s.i" :value="s.i" :label="s.name" />
      </el-select>
      <el-select
        v-if="step !== undefined"
        :model-value="undefined"
        filterable
        placeholder="what goes wrong there"
        no-data-text="Nothing that can be told apart goes wrong there."
        aria-label="What goes wrong"
        @update:model-value="choose"
      >
        <el-option v-for="s in offered" :key="idOf(s)" :value="idOf(s)" :label="s.says" />
      </el-select>
    </div>
    <div class="two">
      <el-form-item :label="`Held askew by ${tilt}°`"
        ><el-slider v-model="tilt" :min="0" :max="30" aria-label="Held askew, degrees"
      /></el-form-item>
      <el-form-item label="Grain"><el-slider v-model="grain" :min="0" :max="1" :step="0.1" aria-label="Grain" /></el-form-item>
    </div>
    <el-button :icon="Camera" @click="take">Take it</el-button>
  </div>
</template>

<style scoped>
.camera {
  display: grid;
  gap: 10px;
  padding: 12px 16px;
  border: 1px solid var(--rule);
  border-radius: var(--radius);
}
.camera > .el-button {
  justify-self: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 180px) minmax(0, 1fr);
  gap: 12px;
}
.two .el-form-item {
  flex-direction: column;
  margin: 0;
}
.el-slider {
  padding: 0 10px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
