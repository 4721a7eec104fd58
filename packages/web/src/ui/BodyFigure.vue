<script setup lang="ts">
import { measurementByKey, measurementName } from "@lodrin/core";
import { computed } from "vue";
import { FIGURE_LINES } from "./figure-lines.js";

/** Our own line drawing of a body, front or back, with the line along which the tape runs. */
const props = defineProps<{ keyName: string | undefined; how?: string | undefined }>();

const known = computed(() => (props.keyName === undefined ? undefined : measurementByKey(props.keyName)));
const line = computed(() => (props.keyName === undefined ? undefined : FIGURE_LINES[props.keyName]));
const back = computed(() => known.value?.view === "back");
const name = computed(() => (props.keyName === undefined ? "" : measurementName(props.keyName)));
</script>

<template>
  <figure class="on-paper">
    <svg
      viewBox="20 0 160 460"
      role="img"
      :aria-label="name ? `${name}: the tape on the ${back ? 'back' : 'front'} of the figure` : 'A figure, seen from the front'"
    >
      <g class="body">
        <path d="M100 12C88 12 82 22 83 36C84 50 92 59 100 59C108 59 116 50 117 36C118 22 112 12 100 12Z" />
        <path
          d="M92 56V64C91 71 78 73 66 80C56 86 52 100 49 122C46 142 45 160 43 176C41 194 38 210 36 222C34 232 33 242 36 250C40 254 44 248 46 238C47 226 50 212 53 196C57 176 60 152 64 128C65 140 68 152 70 164C71 172 71 178 69 188C64 204 60 218 61 236C62 268 68 298 71 330C73 360 75 392 78 424C77 432 70 440 68 446C74 450 86 448 90 442C91 412 91 368 92 332C94 300 98 268 100 246C102 268 106 300 108 332C109 368 109 412 110 442C114 448 126 450 132 446C130 440 123 432 122 424C125 392 127 360 129 330C132 298 138 268 139 236C140 218 136 204 131 188C129 178 129 172 130 164C132 152 135 140 136 128C140 152 143 176 147 196C150 212 153 226 154 238C156 248 160 254 164 250C167 242 166 232 164 222C162 210 159 194 157 176C155 160 154 142 151 122C148 100 144 86 134 80C122 73 109 71 108 64V56"
        />
      </g>
      <g v-if="back" class="detail"><path d="M100 68V236M82 96Q88 112 84 126M118 96Q112 112 116 126" /></g>
      <g v-else class="detail"><path d="M92 72Q100 79 108 72M78 132Q84 140 91 133M109 133Q116 140 122 132M99 188q1 2 2 0" /></g>
      <path v-if="line" class="tape-under" :d="line" />
      <path v-if="line" class="tape" :d="line" />
    </svg>
    <figcaption>
      <b v-if="name">{{ name }}</b><span v-if="name" class="side">{{ back ? "back" : "front" }}</span>
      <p v-if="how ?? known?.how">{{ how ?? known?.how }}</p>
      <p v-if="known?.iso" class="iso">ISO 8559-1: {{ known.iso }}</p>
      <p v-if="!keyName">
        Choose a field to see where the tape runs. Ask first, measure over light clothing, and let the person place the tape themselves.
      </p>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: 10px;
  padding: 16px;
  border-radius: var(--radius);
  background: #fbf8f0;
  color: var(--ink);
}
svg {
  height: min(46vh, 400px);
  width: 100%;
}
.body path {
  fill: #f3ecdd;
  stroke: #3d4348;
  stroke-width: 1.5;
  stroke-linejoin: round;
}
.detail path {
  fill: none;
  stroke: #9b968a;
  stroke-width: 1;
}
.tape-under {
  fill: none;
  stroke: #fffaf0;
  stroke-width: 7;
  stroke-linecap: round;
}
.tape {
  fill: none;
  stroke: var(--now);
  stroke-width: 3.4;
  stroke-linecap: round;
  stroke-dasharray: 7 2.4;
}
figcaption {
  font-size: 16px;
}
.side {
  margin-left: 8px;
  color: var(--ink-3);
}
.iso {
  color: var(--ink-3);
  font-size: 14px;
}
</style>
