<script setup lang="ts">
import { type AccountEvent, accountRoutes } from "@lodrin/contract";
import { onMounted, ref } from "vue";
import { callAll } from "../../api/call.js";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** What was done about this account, and by whom. */
const events = ref<readonly AccountEvent[]>();
const { why, attempt } = useAttempt();
const WORDS: Readonly<Record<AccountEvent["what"], string>> = {
  "password-changed": "The password was changed",
  "password-reset": "A new password was set by a link",
  "reset-link-made": "A link for a new password was made",
  "reset-letter-sent": "A link for a new password was sent by e-mail",
  "role-changed": "The role was changed",
  "data-taken-out": "All data was downloaded",
  "figures-seen": "The figures of your drafts were looked at",
  "hand-in-seen": "What you handed in was looked at",
  "hand-in-judged": "What you handed in was judged",
  "results-taken-out": "Results with yours among them were downloaded",
  "reset-link-revoked": "A link for a new password was revoked",
  "password-taken-back": "The password was taken back with the one of before",
};

onMounted(() => attempt(async () => (events.value = await callAll(accountRoutes.events))));
</script>

<template>
  <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
  <p v-else-if="events?.length === 0" class="quiet">
    Nothing yet. When somebody changes your role or makes a link for a new password, you see it here.
  </p>
  <ol v-else>
    <li v-for="(e, i) in events" :key="i">
      {{ WORDS[e.what] }}<template v-if="e.detail"> ({{ e.detail }})</template>
      <span class="quiet small">by {{ e.by }}, {{ sayMoment(e.at) }}</span>
    </li>
  </ol>
</template>

<style scoped>
ol {
  display: grid;
  gap: 6px;
  max-height: 260px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}
</style>
