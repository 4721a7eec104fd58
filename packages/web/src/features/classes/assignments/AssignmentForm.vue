<script setup lang="ts">
import { Delete, Plus } from "@element-plus/icons-vue";
import { type Assignment, assignmentRoutes, type BodyOf } from "@lodrin/contract";
import { controlsOf, filledFrom, fromMm, handTolerance, plainFigure, review, run, sampleBody, toMm } from "@lodrin/core";
import type { FormInstance, FormRules } from "element-plus";
import { v4 as uuid } from "uuid";
import { computed, ref, watch } from "vue";
import { call } from "../../../api/call.js";
import { useCharts } from "../../../stores/charts.js";
import { useSession } from "../../../stores/session.js";
import { useShelf } from "../../../stores/shelf.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useKeptForm } from "../../../ui/use-kept-form.js";
import { useLoad } from "../../../ui/use-load.js";
import { sizeWritten } from "../../../measures/size-body.js";

/** Sets an assignment, or changes one: which system, on whose body, what is handed in, by when, and what is looked at. */
const props = defineProps<{
  classId: string;
  /** The one to change, and whether something was handed in for it. */
  assignment?: Assignment | undefined;
  handed?: boolean;
}>();
const emit = defineEmits<{ made: [assignment: Assignment]; close: [] }>();
const shelf = useShelf();
const charts = useCharts();
const session = useSession();
useLoad(() => Promise.all([shelf.load(), charts.load()]));
const { why, attempt } = useAttempt();
// The browser's own checks are off (novalidate): they take a figure between two steps of its field for wrong, and nothing is sent.
const form = ref<FormInstance>();
const was = props.assignment;
const OWN = "";
/** The body as it was given, where it is none of today's sizes. */
const AS_IT_IS = "as it is";
const { given, forget } = useKeptForm(`assignment-${was?.id ?? props.classId}`, {
  title: was?.title ?? "",
  text: was?.text ?? "",
  slug: was?.slug ?? "",
  size: was?.body.kind === "given" ? AS_IT_IS : OWN,
  free: [...(was?.free ?? [])],
  readings: [...(was?.readings ?? [])],
  picture: was?.picture ?? false,
  note: was?.note ?? true,
  dueOn: was?.dueOn ?? null,
  tolerance: Number(fromMm(was?.toleranceMm ?? handTolerance(session.unit), session.unit).toFixed(4)),
  rubric: (was?.rubric ?? [{ text: "Figures right within the tolerance", marks: 10 }]).map((r) => ({ ...r })),
});
/** Marks are given point by point: those that stand may be worded again, not taken out. */
const standing = props.handed ? given.rubric.length : 0;
const rules: FormRules = {
  title: [{ required: true, whitespace: true, message: "Write what it is called." }],
  slug: [{ required: true, message: "Choose the system." }],
  readings: [{ validator: (_, names: readonly string[], done) => done(unreadable(names)) }],
};
/** Why a reading cannot be taken on this system; undefined where all can. */
function unreadable(names: readonly string[]): Error | undefined {
  if (!sample.value) return undefined;
  const { readings } = review(sample.value.plan, sample.value.drafted, Object.fromEntries(names.map((name) => [name, 1])));
  const wrong = readings.find((r) => r.verdict === "unread");
  return wrong && new Error(`“${wrong.name}”: ${wrong.why ?? ""} ${wrong.fix ?? ""}`);
}
const system = computed(() => shelf.bySlug(given.slug));
/** The system on a body from within its own ranges: what can be read on it can be asked for. */
const sample = computed(() => {
  const plan = system.value?.loaded.plan;
  return plan && { plan, drafted: run(plan, sampleBody(plan)) };
});
const settable = computed(() => {
  const plan = system.value?.loaded.plan;
  return plan ? [...plan.settings, ...plan.choices].map((s) => s.key) : [];
});
const sizes = computed(() =>
  charts.charts.flatMap((chart) => chart.sizes.map((size) => ({ chart, size, key: `${chart.name}, ${size.name}` }))),
);
// The readings its author names, or those that catch most slips, are proposed; the teacher chooses.
watch(system, (now) => {
  if (!now || was) return;
  if (sample.value) given.readings = controlsOf(sample.value.plan, sample.value.drafted).map((c) => c.name);
  if (given.title === "") given.title = now.sheet.title.slice(0, 120);
});

function bodyAsked(): Assignment["body"] {
  const one = sizes.value.find((s) => s.key === given.size);
  const measures = system.value?.loaded.plan.measures ?? [];
  if (one)
    return { kind: "given", name: one.key.slice(0, 120), unit: "cm", measurements: filledFrom(sizeWritten(one.chart, one.size), measures) };
  return given.size === AS_IT_IS && was ? was.body : { kind: "own" };
}

async function make(): Promise<void> {
  if (!(await form.value?.validate().catch(() => false))) return;
  const asked = {
    ...{ title: given.title.trim(), text: given.text, free: given.free, body: bodyAsked() },
    ...{ readings: given.readings.slice(0, 60), picture: given.picture, note: given.note, dueOn: given.dueOn },
    toleranceMm: Math.max(0.5, toMm(given.tolerance, session.unit)),
    rubric: given.rubric.filter((r, i) => i < standing || r.text.trim() !== ""),
  };
  await attempt(async () => {
    const made = was ? await change(was, asked) : await add(asked);
    forget();
    emit("made", made);
  });
}
function close(): void {
  forget();
  emit("close");
}
type Asked = Omit<BodyOf<typeof assignmentRoutes.addAssignment>, "id" | "slug" | "systemVersion" | "settings">;
const change = ({ id, version }: Assignment, asked: Asked): Promise<Assignment> =>
  call(assignmentRoutes.changeAssignment, { params: { id }, body: { version, ...asked } });
function add(asked: Asked): Promise<Assignment> {
  if (!system.value) throw new Error("Choose the system.");
  const { slug, version: systemVersion } = system.value.sheet;
  return call(assignmentRoutes.addAssignment, {
    params: { id: props.classId },
    body: { id: uuid(), slug, systemVersion, settings: {}, ...asked },
  });
}
const usual = computed(() => plainFigure(fromMm(handTolerance(session.unit), session.unit)));
</script>

<template>
  <el-form
    ref="form"
    class="card"
    novalidate
    :model="given"
    :rules="rules"
    label-position="top"
    hide-required-asterisk
    @submit.prevent="make"
  >
    <el-form-item label="System" prop="slug">
      <!-- What was asked for stays the version it was asked for with. -->
      <p v-if="was">{{ was.systemTitle }}, version {{ was.systemVersion }}</p>
      <el-select v-else v-model="given.slug" filterable placeholder="Which system">
        <el-option
          v-for="s in shelf.systems"
          :key="s.sheet.slug"
          :value="s.sheet.slug"
          :label="`${s.sheet.title}, version ${s.sheet.version}`"
        />
      </el-select>
    </el-form-item>
    <el-form-item label="What it is called" prop="title"><el-input v-model="given.title" maxlength="120" /></el-form-item>
    <el-form-item label="What to say about it"
      ><el-input v-model="given.text" type="textarea" :autosize="{ minRows: 2 }" maxlength="4000"
    /></el-form-item>
    <el-form-item label="On whose body">
      <el-select v-model="given.size" filterable clearable :value-on-clear="OWN" :empty-values="[OWN]" placeholder="each on their own">
        <el-option v-if="was?.body.kind === 'given'" :value="AS_IT_IS" :label="`${was.body.name}, as it is`" />
        <el-option v-for="s in sizes" :key="s.key" :value="s.key" :label="`the size ${s.key}`" />
      </el-select>
    </el-form-item>
    <el-form-item label="What students may set themselves">
      <el-select v-model="given.free" multiple filterable placeholder="nothing: settings as the system has them">
        <el-option v-for="key in settable" :key="key" :value="key" :label="key.replaceAll('_', ' ')" />
      </el-select>
    </el-form-item>
    <el-form-item label="Readings to hand in (these catch most slips)" prop="readings">
      <el-select v-model="given.readings" multiple filterable allow-create default-first-option placeholder="a step, or dist(F3, F9)" />
    </el-form-item>
    <div class="two">
      <el-checkbox v-model="given.picture">A picture of the paper</el-checkbox>
      <el-checkbox v-model="given.note">A note</el-checkbox>
    </div>
    <div class="two">
      <el-form-item label="Due"><el-date-picker v-model="given.dueOn" value-format="YYYY-MM-DD" placeholder="no date" /></el-form-item>
      <el-form-item :label="`Right within (${session.unit}); usual is ${usual}`">
        <el-input-number v-model="given.tolerance" :min="0.02" :max="2" :step="session.unit === 'in' ? 0.0625 : 0.1" />
      </el-form-item>
    </div>
    <el-form-item label="What is looked at, and the marks for it">
      <div v-for="(point, i) in given.rubric" :key="i" class="point">
        <el-input v-model="point.text" :aria-label="`Point ${i + 1}`" maxlength="120" />
        <el-input-number v-model="point.marks" :min="1" :max="100" :aria-label="`Marks for point ${i + 1}`" />
        <el-button v-if="i >= standing" text :icon="Delete" :aria-label="`Take point ${i + 1} out`" @click="given.rubric.splice(i, 1)" />
      </div>
      <el-button text :icon="Plus" @click="given.rubric.push({ text: '', marks: 5 })">Another point</el-button>
    </el-form-item>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
    <p>
      <el-button type="primary" native-type="submit">{{ was ? "Keep it so" : "Set it" }}</el-button>
      <el-button text @click="close">Cancel</el-button>
    </p>
  </el-form>
</template>

<style scoped>
.card {
  max-width: 820px;
}
.two {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
}
.point {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px auto;
  gap: 8px;
  width: 100%;
  margin-bottom: 6px;
}
</style>
