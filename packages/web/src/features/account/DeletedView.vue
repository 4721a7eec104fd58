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
const rows = (row: unknown): DeletedThing => row as DeletedThing;
</script>

<template>
  <div class="page">
    <h1>Deleted</h1>
    <p class="quiet">Everything you delete can be restored for 30 days. Then it is deleted for good.</p>
    <LoadState v-if="!ready" what="what you deleted" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" show-icon :closable="false" />
      <el-table :data="[...things]" empty-text="Nothing is deleted.">
        <el-table-column prop="title" label="What" min-width="220" sortable />
        <el-table-column label="Kind" width="150">
          <template #default="{ row }">{{ WORDS[rows(row).kind] }}</template>
        </el-table-column>
        <el-table-column label="Deleted" width="160">
          <template #default="{ row }">{{ sayMoment(rows(row).deletedAt) }}</template>
        </el-table-column>
        <el-table-column label="Can be restored until" width="200">
          <template #default="{ row }">{{ sayDay(rows(row).until.slice(0, 10)) }}</template>
        </el-table-column>
        <el-table-column label="" min-width="260">
          <template #default="{ row }">
            <el-button type="primary" :aria-label="`Restore ${rows(row).title}`" @click="restore(rows(row))">Restore</el-button>
            <el-button text :aria-label="`Delete ${rows(row).title} for good`" @click="erase(rows(row))">Delete for good</el-button>
          </template>
        </el-table-column>
      </el-table>
    </template>
  </div>
</template>
