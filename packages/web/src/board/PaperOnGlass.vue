<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";
import { onMounted, useTemplateRef } from "vue";
import PaperFrame from "./PaperFrame.vue";
import PaperSheet from "./PaperSheet.vue";
import type { Paper } from "./use-paper.js";

/** A paper that is moved and zoomed: the sheet with its grid, what is drawn on it, what lies over the drawing, and the rules along its edges. */
defineOptions({ inheritAttrs: false });
const props = defineProps<{ paper: Paper; grid: boolean; unit: HomeUnit; what: string }>();
const { width, height, ruled } = props.paper;
const holder = useTemplateRef<HTMLElement>("holder");
const svg = useTemplateRef<SVGSVGElement>("svg");
onMounted(() => props.paper.attach(holder.value, svg.value));
</script>

<template>
  <div ref="holder" class="holder">
    <PaperSheet :width="width" :height="height" :grid="grid" :ruled="ruled" />
    <svg
      ref="svg"
      class="drawing on-paper"
      role="group"
      :aria-label="`${what}: drag to move, wheel or pinch to zoom`"
      :width="width"
      :height="height"
      v-bind="$attrs"
    >
      <slot />
    </svg>
    <slot name="over" />
    <PaperFrame :width="width" :height="height" :ruled="ruled" :unit="unit" />
    <slot name="says" />
  </div>
</template>

<style scoped>
.holder {
  position: absolute;
  inset: 0;
  overflow: hidden;
  contain: strict;
}
.drawing {
  position: absolute;
  inset: 0 auto auto 0;
  display: block;
  will-change: transform;
  touch-action: none;
  cursor: grab;
}
</style>
