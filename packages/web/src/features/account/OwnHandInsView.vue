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
</script>

<template>
  <div class="page">
    <h1>My hand-ins</h1>
    <p class="quiet">Everything you handed in, also in classes you have left. What you withdraw is deleted for good.</p>
    <LoadState v-if="!ready" what="your hand-ins" :why="why" @again="again" />
    <template v-else>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" show-icon :closable="false" />
      <p v-if="handIns.length === 0">You have not handed anything in yet.</p>
      <ul class="things">
        <li v-for="h in handIns" :key="h.id" class="card">
          <div>
            <h2>
              <RouterLink v-if="h.open" :to="{ name: 'assignment', params: { classId: h.classId, id: h.assignmentId } }">{{
                h.title
              }}</RouterLink>
              <template v-else>{{ h.title }}</template>
            </h2>
            <p>
              Attempt {{ h.attempt }}<template v-if="h.personName"> for {{ h.personName }}</template> · {{ sayMoment(h.handedAt) }} ·
              {{ stateSaid(h) }}
            </p>
            <p class="quiet small">{{ h.className }}{{ h.open ? "" : " (you are no longer in it)" }}</p>
          </div>
          <el-button v-if="!h.erasedAt" :aria-label="`Withdraw ${h.title}, attempt ${h.attempt}`" @click="withdraw(h)">Withdraw</el-button>
        </li>
      </ul>
    </template>
  </div>
</template>
