<script setup lang="ts">
import { DCaret, MoreFilled } from "@element-plus/icons-vue";
import type { LineToMend, Statement } from "@lodrin/core";
import { computed, ref } from "vue";
import RowMenu from "./RowMenu.vue";
import { rowWords } from "./row-words.js";

/** One line of the handout. There are hundreds: it is given nothing but what it shows, so that a keystroke reaches only the rows it changes. */
const props = defineProps<{
  statement: Statement;
  open: boolean;
  /** More is said of it in lines under it. */
  long: boolean;
  /** What is wrong in it, in a sentence; empty when nothing is. */
  problem: string;
  mend: LineToMend | undefined;
}>();
defineEmits<{ open: []; act: [what: string]; mend: [mend: LineToMend]; carry: []; laid: [] }>();

const words = computed(() => rowWords(props.statement));
const label = computed(() => `Do something with ${words.value.margin || "this line"}`);
/** What a sentence means, without the sentence. */
const meant = computed(() => props.mend?.puts?.flatMap(({ lines }) => lines).map((line) => line.replace(/\s+"[^"]*"$/, "")) ?? []);
const watches = computed(() => ("watch" in props.statement ? (props.statement.watch ?? []) : []));
/** A menu is made for a row when it is needed: one for each of hundreds would hold up every keystroke. */
const asked = ref(false);
</script>

<template>
  <div>
    <div class="head">
      <span class="grip" draggable="true" title="Carry it to another place" @dragstart="$emit('carry')" @dragend="$emit('laid')"
        ><el-icon><DCaret /></el-icon
      ></span>
      <button class="line" :aria-expanded="open" @click="$emit('open')">
        <h3 v-if="statement.is === 'part'">{{ statement.title }}</h3>
        <h2 v-else-if="statement.is === 'board'">{{ statement.key }} · {{ statement.title }}</h2>
        <template v-else>
          <span class="margin">{{ statement.is === "unread" ? "?" : words.margin }}</span>
          <span class="said"
            ><span>{{ statement.is === "unread" ? statement.text : words.says }}</span>
            <code v-if="words.rule && statement.is !== 'unread'" class="rule" :class="{ second: words.says !== '' }"
              >{{ words.rule }}{{ long ? " …" : "" }}</code
            ></span
          >
        </template>
      </button>
      <RowMenu v-if="asked" :label="label" :board="statement.is === 'board'" @act="$emit('act', $event)" />
      <button v-else class="more" :aria-label="label" aria-haspopup="menu" @click="asked = true">
        <el-icon><MoreFilled /></el-icon>
      </button>
    </div>
    <p v-for="text in watches" :key="text" class="note small"><b>Watch out</b> {{ text }}</p>
    <div v-if="problem" class="mend">
      <template v-if="mend?.puts">
        <code v-for="l in meant" :key="l">{{ l }}</code>
        <el-button type="primary" size="default" @click="$emit('mend', mend)">Put this in (Alt+Enter)</el-button>
      </template>
      <p v-else-if="mend" class="small">
        <template v-if="mend.leftover.length > 0"
          >Not understood: <b>{{ mend.leftover.join(", ") }}</b></template
        ><template v-else>{{ mend.said }}</template>
      </p>
      <p v-else class="small">{{ problem }}</p>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  align-items: center;
}
.grip {
  display: grid;
  place-items: center;
  height: 100%;
  color: var(--ink-3);
  cursor: grab;
}
.line {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: 8px;
  min-height: 44px;
  padding: 7px 0;
  border: 0;
  background: transparent;
  text-align: left;
  cursor: pointer;
}
.line h2,
.line h3 {
  grid-column: 1 / -1;
}
.line h2 {
  padding-top: 8px;
  font-size: 20px;
}
.line h3 {
  font-size: 17px;
}
.margin {
  font-weight: 700;
  text-align: right;
  color: var(--ink-2);
}
.said {
  display: grid;
  gap: 2px;
}
.more {
  display: grid;
  place-items: center;
  width: 46px;
  height: 44px;
  border: 0;
  background: transparent;
  cursor: pointer;
}
code {
  font:
    14px/1.4 ui-monospace,
    "DejaVu Sans Mono",
    monospace;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}
.note,
.mend {
  padding: 2px 16px 6px 92px;
}
.mend {
  display: grid;
  gap: 6px;
  justify-items: start;
  color: var(--fail);
}
.mend code {
  color: var(--ink);
}
</style>
