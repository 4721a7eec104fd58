<script setup lang="ts">
import { Back, Edit } from "@element-plus/icons-vue";
import { type Assignment, assignmentRoutes, classRoutes, type HandIn } from "@lodrin/contract";
import { computed, ref, shallowRef } from "vue";
import { useRoute, useRouter } from "vue-router";
import { call } from "../../../api/call.js";
import { useClasses } from "../../../stores/classes.js";
import { type ShelfSystem, useShelf } from "../../../stores/shelf.js";
import { mayDelete } from "../../../stores/deleting.js";
import { useUndo } from "../../../stores/undo.js";
import LinkButton from "../../../ui/LinkButton.vue";
import LoadState from "../../../ui/LoadState.vue";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useLoad } from "../../../ui/use-load.js";
import AssignmentForm from "./AssignmentForm.vue";
import { dueSaid } from "../../../ui/due-said.js";
import HandInForm from "../hand-ins/HandInForm.vue";
import HandInPage from "../hand-ins/HandInPage.vue";
import LookThrough from "../hand-ins/LookThrough.vue";
import { useList } from "../use-list.js";

/** One assignment: for a student what is asked and what was handed in, for the teacher everyone's. */
const route = useRoute();
const classes = useClasses();
const shelf = useShelf();
const classId = String(route.params["classId"]);
const id = String(route.params["id"]);
const assignment = shallowRef<Assignment>();
const system = shallowRef<ShelfSystem>();
const { items, put } = useList<HandIn>();
const { ready, why, again } = useLoad(async () => {
  const params = { id: classId };
  const [klass, all, handed] = await Promise.all([
    call(classRoutes.aClass, { params }),
    call(assignmentRoutes.assignments, { params }),
    call(assignmentRoutes.handIns, { params: { id } }),
  ]);
  classes.refresh(klass);
  assignment.value = all.find((a) => a.id === id);
  if (!assignment.value) throw new Error("This assignment is not there any more.");
  system.value = await shelf.version(assignment.value.slug, assignment.value.systemVersion);
  items.value = handed;
});
const klass = computed(() => classes.classes.find((c) => c.id === classId));
const changing = ref(false);
const router = useRouter();
const { why: failed, attempt } = useAttempt();
const remove = ({ title }: Assignment): Promise<void> =>
  attempt(async () => {
    if (!(await mayDelete({ kind: "assignment", id, title }))) return;
    await call(assignmentRoutes.removeAssignment, { params: { id } });
    useUndo().offer(`“${title}” is deleted.`, async () => {
      await call(assignmentRoutes.restoreAssignment, { params: { id } });
      await router.push({ name: "assignment", params: { classId, id } });
    });
    await router.push({ name: "class", params: { id: classId, part: "assignments" } });
  });
</script>

<template>
  <div class="page">
    <LoadState v-if="!ready || !assignment || !klass || !system" what="the assignment" :why="why" @again="again" />
    <template v-else>
      <p>
        <LinkButton text :icon="Back" :to="{ name: 'class', params: { id: classId, part: 'assignments' } }">{{ klass.name }}</LinkButton>
      </p>
      <h1>{{ assignment.title }}</h1>
      <p class="quiet">
        {{ assignment.systemTitle }}, version {{ assignment.systemVersion }} ·
        {{ assignment.body.kind === "own" ? "each on their own body" : `on ${assignment.body.name}` }} · {{ dueSaid(assignment.dueOn) }}
      </p>
      <p v-if="klass.mine && !changing">
        <el-button text :icon="Edit" @click="changing = true">Edit</el-button>
        <el-button text @click="remove(assignment)">Delete</el-button>
      </p>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
      <AssignmentForm
        v-if="changing"
        :class-id="classId"
        :assignment="assignment"
        :handed="items.length > 0"
        @made="((assignment = $event), (changing = false))"
        @close="changing = false"
      />
      <p v-if="assignment.text" class="text">{{ assignment.text }}</p>
      <LookThrough v-if="klass.mine" :assignment="assignment" :school-class="klass" :system="system" :hand-ins="items" @changed="put" />
      <template v-else>
        <HandInForm :assignment="assignment" :hand-ins="items" :system="system" @handed="put" />
        <HandInPage
          v-for="h in [...items].reverse()"
          :key="h.id"
          class="own"
          :hand-in="h"
          :assignment="assignment"
          :system="system"
          :teaches="false"
          @changed="put"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.page {
  max-width: 1240px;
}
h1 {
  font-size: 32px;
}
.text {
  max-width: 760px;
  margin: 10px 0;
  white-space: pre-wrap;
}
.own {
  margin-top: 24px;
}
</style>
