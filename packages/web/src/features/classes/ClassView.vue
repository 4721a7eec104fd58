<script setup lang="ts">
import { classRoutes } from "@lodrin/contract";
import { computed } from "vue";
import { useRoute, useRouter } from "vue-router";
import { call } from "../../api/call.js";
import { useClasses } from "../../stores/classes.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import AssignmentList from "./assignments/AssignmentList.vue";
import ClassHead from "./ClassHead.vue";
import ClassSlips from "./ClassSlips.vue";
import LessonList from "./lessons/LessonList.vue";
import LiveNow from "../../live/LiveNow.vue";
import QuestionList from "./QuestionList.vue";
import StandingTable from "./StandingTable.vue";
import StudentTable from "./StudentTable.vue";

/** One class: its lessons, what is asked, who is in it and where each stands. */
const route = useRoute();
const router = useRouter();
const classes = useClasses();
const id = String(route.params["id"]);
const { ready, why, again } = useLoad(async () => void classes.refresh(await call(classRoutes.aClass, { params: { id } })));
const klass = computed(() => classes.classes.find((c) => c.id === id));
const PARTS = [
  { value: "lessons", label: "Lessons", teacher: false },
  { value: "assignments", label: "Assignments", teacher: false },
  { value: "questions", label: "Questions", teacher: false },
  { value: "students", label: "Students", teacher: true },
  { value: "standing", label: "Where each stands", teacher: true },
  { value: "slips", label: "Slips", teacher: true },
];
const parts = computed(() => PARTS.filter((p) => !p.teacher || klass.value?.mine === true));
const part = computed({
  get: () => parts.value.find((p) => p.value === route.params["part"])?.value ?? "lessons",
  set: (value) => void router.replace({ name: "class", params: { id, part: value } }),
});
</script>

<template>
  <div class="page">
    <LoadState v-if="!ready || !klass" what="the class" :why="why" @again="again" />
    <template v-else>
      <ClassHead :school-class="klass" />
      <LiveNow :school-class="klass" />
      <el-segmented v-model="part" class="parts" :options="parts" aria-label="Parts of the class" />
      <LessonList v-if="part === 'lessons'" :school-class="klass" />
      <AssignmentList v-else-if="part === 'assignments'" :school-class="klass" />
      <QuestionList v-else-if="part === 'questions'" :school-class="klass" />
      <StudentTable v-else-if="part === 'students'" :school-class="klass" />
      <StandingTable v-else-if="part === 'standing'" :school-class="klass" />
      <ClassSlips v-else :school-class="klass" />
    </template>
  </div>
</template>

<style scoped>
.parts {
  max-width: 100%;
  margin: 18px 0;
  overflow-x: auto;
}
</style>
