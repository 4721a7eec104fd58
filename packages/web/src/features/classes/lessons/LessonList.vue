<script setup lang="ts">
import { Edit, Plus } from "@element-plus/icons-vue";
import { type Lesson, lessonRoutes, type SchoolClass } from "@lodrin/contract";
import dayjs from "dayjs";
import { v4 as uuid } from "uuid";
import { computed, ref } from "vue";
import { call } from "../../../api/call.js";
import { mayDelete } from "../../../stores/deleting.js";
import { useUndo } from "../../../stores/undo.js";
import LoadState from "../../../ui/LoadState.vue";
import { sayDay } from "../../../ui/times.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useLoad } from "../../../ui/use-load.js";
import { minutesSaid } from "../../../ui/minutes-said.js";
import LessonEditor from "./LessonEditor.vue";
import LessonReader from "./LessonReader.vue";
import { useList } from "../use-list.js";

/** The timetable of the class: each lesson with its day and how long it takes, opened where it stands. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const { items, put, drop } = useList<Lesson>();
const { ready, why, again } = useLoad(
  async () => (items.value = await call(lessonRoutes.lessons, { params: { id: props.schoolClass.id } })),
);
const { why: failed, attempt } = useAttempt();
const sorted = computed(() => [...items.value].sort((a, b) => a.place - b.place));
const open = ref<string>();
const editing = ref<string>();

const today = dayjs().format("YYYY-MM-DD");
const isLate = ({ on, done }: Lesson): boolean => !done && on !== null && on < today;
/** The lesson whose turn it is. */
const next = computed(() => sorted.value.find((l) => !l.done)?.id);

const add = (): Promise<void> =>
  attempt(async () => {
    const place = Math.max(-1, ...items.value.map((l) => l.place)) + 1;
    const body = {
      id: uuid(),
      title: `Lesson ${place + 1}`,
      place,
      on: null,
      minutes: 90,
      done: false,
      pages: [{ kind: "text" as const, text: "" }],
    };
    const lesson = await call(lessonRoutes.addLesson, { params: { id: props.schoolClass.id }, body });
    put(lesson);
    open.value = editing.value = lesson.id;
  });
const finish = (lesson: Lesson, done: boolean): Promise<void> =>
  attempt(async () => put(await call(lessonRoutes.changeLesson, { params: { id: lesson.id }, body: { version: lesson.version, done } })));
const remove = (lesson: Lesson): Promise<void> =>
  attempt(async () => {
    if (!(await mayDelete({ kind: "lesson", id: lesson.id, title: lesson.title }))) return;
    await call(lessonRoutes.removeLesson, { params: { id: lesson.id } });
    drop(lesson.id);
    useUndo().offer(`“${lesson.title}” is deleted.`, async () =>
      put(await call(lessonRoutes.restoreLesson, { params: { id: lesson.id } })),
    );
  });
</script>

<template>
  <LoadState v-if="!ready" what="the lessons" :why="why" @again="again" />
  <template v-else>
    <p v-if="sorted.length === 0" class="quiet">
      {{
        schoolClass.mine
          ? "A lesson is a few pages in order: words of yours, steps to draw, words of the trade, materials, cautions. Led live, every student stands at your step with their own figure."
          : "No lesson has been put here yet."
      }}
    </p>
    <ol class="plain">
      <li v-for="lesson in sorted" :key="lesson.id" class="card" :class="{ next: lesson.id === next }">
        <div class="line">
          <button class="title" :aria-expanded="open === lesson.id" @click="open = open === lesson.id ? undefined : lesson.id">
            <h2>{{ lesson.title }}</h2>
            <span class="quiet">
              <template v-if="lesson.on">{{ sayDay(lesson.on) }} · </template>{{ lesson.minutes > 0 ? minutesSaid(lesson.minutes) : "" }}
            </span>
          </button>
          <b v-if="lesson.done" class="pass">held ✓</b>
          <b v-else-if="isLate(lesson)" class="late">late</b>
          <b v-else-if="lesson.id === next" class="now">next</b>
          <template v-if="schoolClass.mine">
            <el-button text @click="finish(lesson, !lesson.done)">{{ lesson.done ? "Not held yet" : "Held" }}</el-button>
            <el-button text :icon="Edit" @click="((open = lesson.id), (editing = editing === lesson.id ? undefined : lesson.id))"
              >Write</el-button
            >
            <el-button text @click="remove(lesson)">Delete</el-button>
          </template>
        </div>
        <LessonEditor v-if="editing === lesson.id" :lesson="lesson" @saved="put" @close="editing = undefined" />
        <LessonReader v-else-if="open === lesson.id" :lesson="lesson" :school-class="schoolClass" />
      </li>
    </ol>
    <el-button v-if="schoolClass.mine" :icon="Plus" @click="add">Add a lesson</el-button>
    <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
  </template>
</template>

<style scoped>
.plain {
  display: grid;
  gap: 12px;
  margin: 0 0 16px;
  padding: 0;
  list-style: none;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
.title {
  flex: 1;
  display: grid;
  min-width: 220px;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
h2 {
  font-size: 21px;
}
.next {
  box-shadow:
    inset 5px 0 0 var(--now),
    var(--shadow);
}
.pass {
  color: var(--pass);
}
.late {
  color: var(--fail);
}
.now {
  color: var(--now);
}
</style>
