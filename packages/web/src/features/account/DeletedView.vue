<script setup lang="ts">
import {
  assignmentRoutes,
  bodyRoutes,
  chartRoutes,
  classRoutes,
  type DeletableKind,
  type DeletedThing,
  draftRoutes,
  lessonRoutes,
  placeRoutes,
  workRoutes,
} from "@lodrin/contract";
import { shallowRef } from "vue";
import { call } from "../../api/call.js";
import { eraseForGood } from "../../stores/deleting.js";
import LoadState from "../../ui/LoadState.vue";
import { sayDay, sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { useLoad } from "../../ui/use-load.js";

/** What was deleted and can still be restored, and deleting it for good. */
const things = shallowRef<readonly DeletedThing[]>([]);
const { ready, why, again } = useLoad(async () => (things.value = await call(placeRoutes.deleted, {})));
const { why: failed, attempt } = useAttempt();

const WORDS: Readonly<Record<DeletableKind, string>> = {
  ...{ class: "Class", lesson: "Lesson", assignment: "Assignment", work: "System" },
  ...{ chart: "Size chart", person: "Person", set: "Measurements", draft: "Draft" },
};
const RESTORE = {
  ...{ class: classRoutes.restoreClass, lesson: lessonRoutes.restoreLesson, assignment: assignmentRoutes.restoreAssignment },
  ...{ work: workRoutes.restoreWork, chart: chartRoutes.restoreChart, person: bodyRoutes.restorePerson },
  ...{ set: bodyRoutes.restoreSet, draft: draftRoutes.restoreDraft },
} as const;
const drop = ({ id }: DeletedThing): void => void (things.value = things.value.filter((thing) => thing.id !== id));
const restore = (thing: DeletedThing): Promise<void> =>
  attempt(async () => {
    await call(RESTORE[thing.kind], { params: { id: thing.id } });
    drop(thing);
  });
const erase = (thing: DeletedThing): Promise<void> => attempt(async () => void ((await eraseForGood(thing)) && drop(thing)));
</script>

<template>
  <div class="page">
    <h1>Deleted</h1>
    <p class="quiet">Everything you delete can be restored for 30 days. Then it is deleted for good.</p>
    <LoadState v-if="!ready" what="what you deleted" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" show-icon :closable="false" />
      <p v-if="things.length === 0">Nothing is deleted.</p>
      <ul class="things">
        <li v-for="thing in things" :key="thing.id" class="card">
          <div>
            <h2>{{ thing.title }}</h2>
            <p class="quiet">
              {{ WORDS[thing.kind] }}, deleted {{ sayMoment(thing.deletedAt) }}. It can be restored until
              {{ sayDay(thing.until.slice(0, 10)) }}.
            </p>
          </div>
          <el-button type="primary" :aria-label="`Restore ${thing.title}`" @click="restore(thing)">Restore</el-button>
          <el-button text :aria-label="`Delete ${thing.title} for good`" @click="erase(thing)">Delete for good</el-button>
        </li>
      </ul>
    </template>
  </div>
</template>
