<script setup lang="ts">
import { type ControlReading, type HomeUnit, type Plan, type Run, sheetsFor, statementsOf, tapeText, toolsFor } from "@lodrin/core";
import { computed } from "vue";
import FigureText from "../../ui/FigureText.vue";
import { readingSaid } from "../../review/cause-words.js";

/** What to have ready before the first line: tools, paper, cautions, and what to measure on the way. */
const props = defineProps<{ plan: Plan; run: Run; unit: HomeUnit; controls: readonly ControlReading[] }>();
defineEmits<{ begin: [] }>();
const tools = computed(() => toolsFor(props.plan, props.run));
const sheets = computed(() => sheetsFor(props.plan, props.run));
const cautions = computed(() => statementsOf(props.plan.system, "caution").map((c) => c.text));
/** A sheet is cut on the full inch or centimetre. */
const upTo = (mm: number): string =>
  tapeText(Math.ceil(mm / (props.unit === "in" ? 25.4 : 10)) * (props.unit === "in" ? 25.4 : 10), props.unit);
</script>

<template>
  <div class="ready">
    <h1>Have ready</h1>
    <div class="parts">
      <section>
        <h2>On the table</h2>
        <ul>
          <li v-for="tool in tools" :key="tool">{{ tool }}</li>
        </ul>
      </section>
      <section>
        <h2>Paper</h2>
        <p v-for="sheet in sheets" :key="sheet.board">
          <b>{{ sheet.board }}</b>: <FigureText :text="upTo(sheet.width)" /> wide, <FigureText :text="upTo(sheet.height)" /> high
        </p>
        <p class="quiet small">With a hand's breadth round the draft.</p>
      </section>
      <section v-if="controls.length">
        <h2>Measure on the way</h2>
        <ul>
          <li v-for="c in controls" :key="c.name">
            {{ c.says ?? readingSaid(c.name) }}<span v-if="c.says" class="quiet"> ({{ readingSaid(c.name) }})</span>:
            <FigureText :text="tapeText(c.expected, unit)" />
          </li>
        </ul>
        <p class="quiet small">These few readings show most slips. Type what your tape reads when you are there.</p>
      </section>
    </div>
    <el-alert
      v-if="run.missing.length"
      type="warning"
      show-icon
      :closable="false"
      title="Some measurements are still missing: add them on the draft first."
    />
    <ul class="cautions">
      <li v-for="text in cautions" :key="text">{{ text }}</li>
    </ul>
    <el-button type="primary" size="large" class="begin" @click="$emit('begin')">Begin (space)</el-button>
  </div>
</template>

<style scoped>
.ready {
  overflow: auto;
  padding: 22px 32px 32px;
  background: var(--panel);
  font-size: 20px;
}
h1 {
  margin-bottom: 14px;
  font-size: 36px;
}
h2 {
  margin-bottom: 6px;
  font-size: 24px;
}
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 28px;
}
ul {
  display: grid;
  gap: 4px;
  margin: 0;
  padding-left: 22px;
}
.cautions {
  margin: 22px 0;
  padding: 12px 12px 12px 34px;
  border-radius: var(--radius);
  background: var(--warn-tint);
  font-size: 17px;
}
.begin {
  min-width: 260px;
  min-height: 60px;
  font-size: 22px;
}
</style>
