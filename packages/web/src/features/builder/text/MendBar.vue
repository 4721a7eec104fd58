<script setup lang="ts">
import { failuresOf, markFor, problemText } from "@lodrin/core";
import { computed } from "vue";
import { useSession } from "../../../stores/session.js";
import HandoutStep from "../../../handout/HandoutStep.vue";
import type { Writing } from "../use-writing.js";

/** What is wrong with the text, and what cannot be drawn on this body; beside the text, what the open step comes to. */
const props = defineProps<{
  writing: Writing;
  /** The step to be worked out here; undefined where it stands in the handout. */
  step: number | undefined;
  /** The problems are listed: the handout shows them at their lines. */
  listed: boolean;
  /** Lines whose likely meaning is known. */
  proposed: number;
  /** Lines are still being read. */
  reading: boolean;
  /** Why the sentences could not be read at all; empty when they were. */
  failed: string;
  sum: string;
}>();
const told = defineModel<string>("told", { required: true });
const refused = defineModel<string>("refused", { required: true });
defineEmits<{ go: [line: number, column: number]; statement: [index: number]; all: [] }>();
const session = useSession();
const { loaded, drafted } = props.writing;
/** Where the run is kept, for the one row that is shown. */
const drafting = { run: drafted };
const mark = computed(() => markFor(loaded.value.plan.system, session.unit));
const problems = computed(() => loaded.value.problems);
/** What the text asks for and this body cannot have. */
const undrawn = computed(() =>
  failuresOf(loaded.value.plan, drafted.value).map(({ says, source }) => ({
    says,
    statement: loaded.value.system.statements.indexOf(source),
  })),
);
const SHOWN = 20;
</script>

<template>
  <div class="mend" role="status">
    <el-alert v-if="told" :title="told" type="success" show-icon @close="told = ''" />
    <el-alert v-if="failed" :title="failed" type="warning" show-icon :closable="false" />
    <el-alert v-if="refused" :title="refused" type="warning" show-icon @close="refused = ''" />
    <HandoutStep
      v-if="step !== undefined && loaded.plan.steps[step]"
      :key="step"
      :plan="loaded.plan"
      :source="drafting.run"
      :index="step"
      :unit="session.unit"
      :mark="mark"
      state="now"
    />
    <p v-if="problems.length === 0 && undrawn.length === 0" class="small">No errors. {{ sum }}</p>
    <template v-else-if="problems.length === 0">
      <p class="small">
        <b>{{ undrawn.length }} {{ undrawn.length === 1 ? "thing" : "things" }} cannot be drawn on this body.</b> {{ sum }}
      </p>
      <ul>
        <li v-for="{ says, statement } in undrawn.slice(0, SHOWN)" :key="says">
          <el-button v-if="statement >= 0" link type="primary" @click="$emit('statement', statement)">{{ says }}</el-button>
          <template v-else>{{ says }}</template>
        </li>
      </ul>
    </template>
    <template v-else>
      <p class="small">
        <b>{{ problems.length }} {{ problems.length === 1 ? "line needs" : "lines need" }} fixing.</b> The rest is drawn all the same.
        <span v-if="reading">Reading …</span>
        <el-button v-if="proposed > 1" type="primary" size="small" :disabled="reading" @click="$emit('all')"
          >Insert all {{ proposed }} that are understood</el-button
        >
      </p>
      <ul v-if="listed">
        <li v-for="(p, i) in problems.slice(0, SHOWN)" :key="i">
          <el-button link type="primary" @click="$emit('go', p.line, p.column)">{{ problemText(p) }}</el-button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.mend {
  max-height: 34vh;
  overflow: auto;
  padding: 6px 16px;
  background: var(--panel);
  border-top: 1px solid var(--rule);
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li .el-button {
  height: auto;
  min-height: 32px;
  line-height: 1.35;
  text-align: left;
  white-space: normal;
  font-weight: 500;
}
</style>
