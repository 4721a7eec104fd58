<script setup lang="ts">
import { Aim, EditPen } from "@element-plus/icons-vue";
import {
  explainStep,
  fillingOfStatement,
  type LoadedSystem,
  markFor,
  measurementByKey,
  type Run,
  type Statement,
  workedLines,
} from "@lodrin/core";
import { computed, defineAsyncComponent, type Ref, ref, watch } from "vue";
import { useSession } from "../../../stores/session.js";
import FigureText from "../../../ui/FigureText.vue";
import ChoiceRows from "./ChoiceRows.vue";
import LineField from "../text/LineField.vue";
import SettledInput from "../../../ui/SettledInput.vue";
import SourceLines from "../text/SourceLines.vue";
import { fieldText, rowFields, unquoted, withField } from "./row-fields.js";

/** Tables are drawn as well: fetched when one is opened. */
/** Pieces come late in a handout. */
const PieceForm = defineAsyncComponent(() => import("./PieceForm.vue"));
const CourseField = defineAsyncComponent(() => import("./CourseField.vue"));
const TableRows = defineAsyncComponent(() => import("./TableRows.vue"));

/** The open line of the handout: its name, the gaps of its sentence and its notes as fields, and what it comes to on this body. */
const props = defineProps<{
  statement: Statement;
  index: number;
  loaded: LoadedSystem;
  run: Readonly<Ref<Run>>;
  named: string | undefined;
}>();
const emit = defineEmits<{
  change: [statement: Statement];
  call: [name: string];
  text: [];
  hand: [];
  line: [row: number, text: string | undefined];
  detail: [text: string];
}>();
const session = useSession();

const fields = computed(() => rowFields(props.statement));
const shown = (optional: boolean | undefined, path: string): boolean => !optional || fieldText(props.statement, path) !== "" || more.value;
const more = ref(false);
/** What has no form is edited line by line; what has one, when more of it is asked for. */
const byLine = computed(() => {
  const { is } = props.statement;
  if (is === "piece" || is === "path" || is === "shape") return more.value || (is !== "piece" && fields.value.length === 0);
  return fields.value.length === 0;
});
const called = ref(props.named ?? "");
watch(
  () => props.named,
  (now) => (called.value = now ?? ""),
);
function put(path: string, text: string): void {
  const field = fields.value.find((f) => f.path === path);
  if (!field || fieldText(props.statement, path) === text) return;
  const changed = withField(props.statement, field, text);
  if (changed) emit("change", changed);
}

/** It has a sentence whose gaps are pressed on the paper. */
const byHand = computed(() => fillingOfStatement(props.statement) !== undefined);
const comes = computed(() => {
  const { plan } = props.loaded;
  const step = plan.steps.findIndex((s) => (s.source as unknown) === props.statement);
  if (step < 0) return [];
  const { sums, outcome } = explainStep(plan, props.run.value, step, { mark: markFor(plan.system, session.unit) });
  if (outcome.status === "failed") return [`Not drawn. ${outcome.why} ${outcome.fix}`];
  return sums.map((s) => [s.said, ...workedLines(s), s.reading ?? s.result].join(" = "));
});
</script>

<template>
  <div class="form">
    <div v-if="named !== undefined" class="field">
      <span class="label small">Name</span>
      <el-input
        v-model="called"
        aria-label="Name"
        @keydown.enter="$emit('call', called)"
        @blur="called !== named && $emit('call', called)"
      />
    </div>
    <div v-for="f in fields" v-show="shown(f.optional, f.path)" :key="f.path" class="field" :class="f.type">
      <span class="label small">{{ f.label }}</span>
      <LineField
        v-if="f.type === 'formula'"
        formula
        :label="f.label"
        :loaded="loaded"
        :model-value="fieldText(statement, f.path)"
        @update:model-value="put(f.path, $event)"
      />
      <el-radio-group
        v-else-if="f.type === 'one of'"
        :model-value="fieldText(statement, f.path)"
        :aria-label="f.label"
        @update:model-value="put(f.path, String($event))"
      >
        <el-radio v-for="o in f.options" :key="o" :value="o">{{ o }}</el-radio>
      </el-radio-group>
      <SettledInput v-else-if="f.type === 'points'" :text="fieldText(statement, f.path)" :label="f.label" @put="put(f.path, $event)" />
      <el-input
        v-else
        :type="f.type === 'long' ? 'textarea' : 'text'"
        :autosize="{ minRows: 1, maxRows: 6 }"
        :aria-label="f.label"
        :model-value="fieldText(statement, f.path)"
        @update:model-value="put(f.path, unquoted($event))"
      />
    </div>
    <CourseField
      v-if="statement.is === 'measure' && !measurementByKey(statement.key)"
      :statement="statement"
      @change="$emit('change', $event)"
    />
    <PieceForm v-if="statement.is === 'piece'" :statement="statement" :loaded="loaded" :run="run" @change="$emit('change', $event)" />
    <SourceLines
      v-if="byLine"
      :index="index"
      :statement="statement"
      :loaded="loaded"
      @line="(row, text) => $emit('line', row, text)"
      @add="$emit('detail', $event)"
    />
    <ChoiceRows v-if="statement.is === 'choose'" :statement="statement" :loaded="loaded" @change="$emit('change', $event)" />
    <TableRows v-if="statement.is === 'table'" :statement="statement" @change="$emit('change', $event)" />
    <p v-for="line in comes" :key="line" class="comes"><FigureText :text="line" /></p>
    <div class="acts">
      <el-button v-if="statement.is === 'piece'" link type="primary" @click="more = !more">{{
        more ? "Without its lines" : "Line by line"
      }}</el-button>
      <el-button v-if="fields.some((f) => f.optional)" link type="primary" @click="more = !more">{{
        more ? "Fewer fields" : "Notes and conditions"
      }}</el-button>
      <el-button v-if="byHand" link type="primary" :icon="Aim" @click="$emit('hand')">Change on the paper</el-button>
      <el-button link type="primary" :icon="EditPen" @click="$emit('text')">{{
        fields.length ? "In the text" : "Write it in the text"
      }}</el-button>
    </div>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px 12px;
  padding: 0 16px 10px 30px;
}
.field {
  display: grid;
  gap: 2px;
  align-content: start;
}
.long,
.comes,
.acts,
.field:has(.el-radio-group) {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.label {
  font-weight: 600;
}
.comes {
  font-variant-numeric: tabular-nums;
}
</style>
