<script setup lang="ts">
import { assignmentRoutes, type OwnHandIn } from "@lodrin/contract";
import { ElMessageBox } from "element-plus/es/components/message-box/index";
import "element-plus/es/components/message-box/style/css";
import { shallowRef } from "vue";
import { RouterLink } from "vue-router";
import { call, callAll } from "../../api/call.js";
import LoadState from "../../ui/LoadState.vue";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { useLoad } from "../../ui/use-load.js";

/** Everything I handed in, also in classes that I have left, and withdrawing it. */
const handIns = shallowRef<readonly OwnHandIn[]>([]);
const load = async (): Promise<void> => void (handIns.value = await callAll(assignmentRoutes.ownHandIns));
const { ready, why, again } = useLoad(load);
const { why: failed, attempt } = useAttempt();

const STATES: Readonly<Record<OwnHandIn["state"], string>> = {
  handed: "handed in",
  seen: "seen by your teacher",
  returned: "returned for changes",
  done: "finished",
};
const stateSaid = ({ state, erasedAt }: OwnHandIn): string => (erasedAt ? "withdrawn; only an unnamed mark is left" : STATES[state]);
const withdraw = ({ id, title, attempt: nth, marked }: OwnHandIn): Promise<void> =>
  attempt(async () => {
    const what = marked
      ? "Your figures, readings, note, picture and the comments are deleted for good. Your teacher keeps the marks, without a name on the draft."
      : "It is deleted for good, with its readings, note, picture and comments.";
    const agreed = await ElMessageBox.confirm(what, `Withdraw “${title}”, attempt ${nth}?`, {
      ...{ confirmButtonText: "Withdraw", cancelButtonText: "Cancel", type: "warning", autofocus: false },
    }).then(
      () => true,
      () => false,
    );
    if (!agreed) return;
    await call(assignmentRoutes.withdraw, { params: { id } });
    await load();
  });
const rows = (row: unknown): OwnHandIn => row as OwnHandIn;
</script>

<template>
  <div class="page">
    <h1>My hand-ins</h1>
    <p class="quiet">Everything you handed in, also in classes you have left. What you withdraw is deleted for good.</p>
    <LoadState v-if="!ready" what="your hand-ins" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" show-icon :closable="false" />
      <el-table :data="[...handIns]" empty-text="You have not handed anything in yet.">
        <el-table-column label="Assignment" min-width="220">
          <template #default="{ row }">
            <RouterLink v-if="rows(row).open" :to="`/assignments/${rows(row).classId}/${rows(row).assignmentId}`">{{
              rows(row).title
            }}</RouterLink>
            <template v-else>{{ rows(row).title }}</template>
            <span class="quiet small"> {{ rows(row).className }}{{ rows(row).open ? "" : " (you are no longer in it)" }}</span>
          </template>
        </el-table-column>
        <el-table-column label="Attempt" prop="attempt" width="100" />
        <el-table-column label="For" prop="personName" min-width="120" />
        <el-table-column label="Handed in" width="160">
          <template #default="{ row }">{{ sayMoment(rows(row).handedAt) }}</template>
        </el-table-column>
        <el-table-column label="State" min-width="180">
          <template #default="{ row }">{{ stateSaid(rows(row)) }}</template>
        </el-table-column>
        <el-table-column label="" width="150">
          <template #default="{ row }">
            <el-button v-if="!rows(row).erasedAt" :aria-label="`Withdraw ${rows(row).title}`" @click="withdraw(rows(row))"
              >Withdraw</el-button
            >
          </template>
        </el-table-column>
      </el-table>
    </template>
  </div>
</template>
