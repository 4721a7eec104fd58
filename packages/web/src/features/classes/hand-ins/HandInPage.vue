<script setup lang="ts">
import { Close } from "@element-plus/icons-vue";
import { type Assignment, assignmentRoutes, type BodyOf, type HandIn } from "@lodrin/contract";
import { asDrawn, type Given, run, stepName } from "@lodrin/core";
import { v4 as uuid } from "uuid";
import { computed, onMounted, ref, shallowRef } from "vue";
import { call } from "../../../api/call.js";
import BoardPaper from "../../../board/BoardPaper.vue";
import { useSession } from "../../../stores/session.js";
import type { ShelfSystem } from "../../../stores/shelf.js";
import FigureText from "../../../ui/FigureText.vue";
import { sayMoment } from "../../../ui/times.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useKeptText } from "../../../ui/use-kept-text.js";
import { howSure, offSaid, readingSaid } from "../../../review/cause-words.js";
import { useReview } from "../../../review/use-review.js";
import { marksAt } from "../paper-picture/pinned-marks.js";
import { type MarkedPicture } from "../paper-picture/picture-file.js";
import PictureOverlay from "../paper-picture/PictureOverlay.vue";

/** One handed-in draft: the right one with the student's over it, what was read and why it is off, the picture, the talk and the marks. */
const props = defineProps<{
  handIn: HandIn;
  attempts?: readonly HandIn[];
  assignment: Assignment;
  system: ShelfSystem;
  teaches: boolean;
}>();
const emit = defineEmits<{ changed: [handIn: HandIn]; attempt: [id: string]; close: [] }>();
const session = useSession();
const unit = computed(() => session.unit);
const { why, attempt } = useAttempt();
const { plan } = props.system.loaded;
const readings = computed<Given>(() => Object.fromEntries(props.handIn.readings.map((r) => [r.name, r.written])));
const options = computed(() => ({ unit: props.handIn.unit, toleranceMm: props.assignment.toleranceMm }));
const right = computed(() => run(plan, props.handIn.measurements, props.handIn.settings, props.handIn.unit));
/** The draft as it likely lies on the student's paper. */
const likely = computed(() => ({ plan, run: asDrawn(plan, right.value, readings.value, options.value) }));
const { review, asking } = useReview(props.system, () => ({
  ...{ measurements: props.handIn.measurements, settings: props.handIn.settings, writtenIn: props.handIn.unit },
  ...{ unit: props.handIn.unit, readings: readings.value as Record<string, string>, toleranceMm: props.assignment.toleranceMm },
}));
const off = computed(() => review.value.readings.filter((r) => r.verdict === "off"));
const missing = computed(() => props.assignment.readings.filter((name) => !props.handIn.readings.some((r) => r.name === name)));
const last = plan.steps.length - 1;
const step = ref(last);

// The picture is large: it is fetched when there is one.
const data = shallowRef<MarkedPicture>();
onMounted(() =>
  attempt(async () => {
    if (props.handIn.picture) {
      const { picture } = await call(assignmentRoutes.picture, { params: { id: props.handIn.id } });
      const image = new Image();
      image.src = picture;
      await image.decode();
      data.value = { data: picture, width: image.naturalWidth, height: image.naturalHeight, marks: props.handIn.marksOnPicture };
    }
    if (props.teaches && props.handIn.state === "handed") await judge({ state: "seen" });
  }),
);

const judge = (body: BodyOf<typeof assignmentRoutes.judge>): Promise<void> =>
  attempt(async () => emit("changed", await call(assignmentRoutes.judge, { params: { id: props.handIn.id }, body })));
const mark = (i: number, value: number | null): Promise<void> =>
  judge({ marks: props.assignment.rubric.map((_, k) => (k === i ? value : (props.handIn.marks[k] ?? null))) });

const text = useKeptText(() => `comment-${props.handIn.id}`);
const place = ref("");
/** What a word may be pinned to: what was read first, then every step, point and edge. */
const pins = computed(() => [
  "",
  ...new Set([...off.value.map((r) => r.name), ...props.handIn.readings.map((r) => r.name), ...plan.steps.map(stepName)]),
]);
/** What is pressed on the paper is what the next word is about. */
function pinAt(index: number): void {
  const planned = plan.steps[index];
  if (!planned) return;
  step.value = index;
  place.value = stepName(planned);
}
/** Shows on the paper what a word is about. */
function show(name: string): void {
  const index = plan.steps.findIndex((s) => stepName(s) === name);
  step.value = index < 0 ? last : index;
}
const pinned = computed(() => marksAt(plan, right.value, new Set(props.handIn.comments.map((c) => c.place))));
const say = (): Promise<void> =>
  attempt(async () => {
    const body = { id: uuid(), place: place.value, text: text.value.trim() };
    emit("changed", await call(assignmentRoutes.comment, { params: { id: props.handIn.id }, body }));
    text.value = "";
  });
const STATES: Readonly<Record<HandIn["state"], string>> = {
  handed: "handed in",
  seen: "your teacher has seen it",
  returned: "given back: look at it once more and hand it in again",
  done: "done",
};
</script>

<template>
  <article class="card">
    <header>
      <h2>{{ teaches ? handIn.student : `Attempt ${handIn.attempt}` }}</h2>
      <p class="quiet">
        {{ sayMoment(handIn.handedAt) }} · {{ handIn.personName || "no name"
        }}<template v-if="!teaches"> · {{ STATES[handIn.state] }}</template>
      </p>
      <span class="room" />
      <el-select
        v-if="(attempts?.length ?? 0) > 1"
        class="attempt"
        :model-value="handIn.id"
        aria-label="Attempt"
        @update:model-value="$emit('attempt', $event)"
      >
        <el-option v-for="a in attempts" :key="a.id" :value="a.id" :label="`attempt ${a.attempt}`" />
      </el-select>
      <el-button v-if="teaches" text :icon="Close" @click="$emit('close')">To the class</el-button>
    </header>
    <div class="halves">
      <div class="paper">
        <BoardPaper
          :plan="plan"
          :run="right"
          :ghost="off.length > 0 ? likely : undefined"
          :step="step"
          :unit="unit"
          :grid="false"
          ahead
          :marks="pinned"
          @go="pinAt($event)"
        />
      </div>
      <div class="words">
        <p v-if="off.length" class="small quiet">Dashed: the draft as it likely lies on the paper.</p>
        <section v-for="r in off" :key="r.name" class="off">
          <p>
            <b>{{ readingSaid(r.name) }}</b> <FigureText :text="offSaid(r, unit, teaches ? 'reads' : 'Your tape read')" />
          </p>
          <p v-for="cause in r.causes.slice(0, 2)" :key="cause.says">
            <b>{{ howSure(cause) }}</b> {{ cause.says }}
          </p>
        </section>
        <p v-if="!asking && off.length === 0 && handIn.readings.length > 0" class="pass">
          All {{ handIn.readings.length }} readings are right.
        </p>
        <p v-if="missing.length" class="quiet">Not read: {{ missing.map(readingSaid).join(", ") }}.</p>
        <p v-if="handIn.note" class="note">{{ handIn.note }}</p>
        <PictureOverlay v-if="data" :picture="data" :plan="plan" :run="right" :unit="unit" readonly />

        <section v-if="assignment.rubric.length && (teaches || handIn.marks.some((m) => m !== null))" class="marks">
          <div v-for="(point, i) in assignment.rubric" :key="point.text">
            <span>{{ point.text }}</span>
            <el-input-number
              v-if="teaches"
              :model-value="handIn.marks[i] ?? undefined"
              :min="0"
              :max="point.marks"
              :aria-label="point.text"
              @change="mark(i, $event ?? null)"
            />
            <b>{{ teaches ? "" : (handIn.marks[i] ?? "–") }} / {{ point.marks }}</b>
          </div>
        </section>
        <ul v-if="handIn.comments.length" class="talk">
          <li v-for="c in handIn.comments" :key="c.id" :class="{ mine: c.mine }">
            <b>{{ c.by }}</b> <el-button v-if="c.place" link type="primary" @click="show(c.place)">at {{ readingSaid(c.place) }}</el-button>
            <span class="quiet small"> {{ sayMoment(c.at) }}</span><br />{{ c.text }}
          </li>
        </ul>
        <p class="small quiet">A word may be about the whole, or about a place: press it on the paper, or choose it.</p>
        <form @submit.prevent="say">
          <el-select v-model="place" filterable aria-label="What it is about" placeholder="the whole" @change="show">
            <el-option v-for="p in pins" :key="p" :value="p" :label="p === '' ? 'the whole' : readingSaid(p)" />
          </el-select>
          <el-input v-model="text" aria-label="A word about it" placeholder="A word about it" />
          <el-button native-type="submit" :disabled="text.trim() === ''">Say it</el-button>
        </form>
        <p v-if="teaches" class="acts">
          <el-button :disabled="handIn.state === 'returned'" @click="judge({ state: 'returned' })">Give it back</el-button>
          <el-button type="primary" :disabled="handIn.state === 'done'" @click="judge({ state: 'done' })">It is done</el-button>
        </p>
        <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
      </div>
    </div>
  </article>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  margin-bottom: 12px;
}
h2 {
  font-size: 23px;
}
.room {
  flex: 1;
}
.attempt {
  width: 150px;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 44%);
  gap: 20px;
}
.paper {
  position: relative;
  min-height: 440px;
  background: var(--table);
}
.words {
  display: grid;
  gap: 12px;
  align-content: start;
}
.off {
  padding: 10px 14px;
  border-radius: var(--radius);
  background: var(--fail-tint);
}
.off :deep(.fig) {
  white-space: normal;
}
.pass {
  color: var(--pass);
}
.note {
  padding: 8px 12px;
  border-left: 4px solid var(--rule);
  white-space: pre-wrap;
}
.marks {
  display: grid;
  gap: 6px;
}
.marks > div {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px 52px;
  gap: 12px;
  align-items: center;
}
.talk {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.talk li {
  padding-left: 12px;
  border-left: 4px solid var(--rule);
}
.talk .mine {
  border-color: var(--now);
}
form {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr) auto;
  gap: 8px;
}
.acts {
  display: flex;
  gap: 10px;
}
@media (width < 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
