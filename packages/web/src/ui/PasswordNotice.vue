<script setup lang="ts">
import type { PasswordNotice } from "@lodrin/contract";
import { useSession } from "../stores/session.js";
import { sayMoment } from "./times.js";
import { useAttempt } from "./use-attempt.js";

/** Somebody else helped to a new password: by whom and when, and what to do about it. Until that is said, the account is locked. */
defineProps<{ notice: PasswordNotice }>();
const session = useSession();
const { why, attempt } = useAttempt();
const revoke = (): Promise<void> => attempt(session.revokeLink);
const agree = (): Promise<void> => attempt(session.agreeToPassword);
const signOut = (): Promise<void> => attempt(session.signOut);
</script>

<template>
  <el-alert v-if="notice.kind === 'link-made'" class="made" type="warning" show-icon role="status" :closable="false">
    <template #title>{{ notice.by }} made a link for a new password for your account ({{ sayMoment(notice.at) }}).</template>
    <p>If you asked for it, open the link. If not, revoke it: it then stops working.</p>
    <el-button @click="revoke">Revoke the link</el-button>
    <span v-if="why" role="alert"> {{ why }}</span>
  </el-alert>
  <div v-else class="page narrow">
    <section class="card">
      <h1>Is this your new password?</h1>
      <p>
        A new password was chosen for this account ({{ sayMoment(notice.at) }}), by a link that <b>{{ notice.by }}</b> made. Until you
        confirm that it was you, nobody can open this account.
      </p>
      <p>
        If it was not you, sign out and sign in with your old password: you can then take your account back, and whoever used the link is
        signed out.
      </p>
      <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
      <p class="acts">
        <el-button type="primary" @click="agree">Yes, I chose it</el-button>
        <el-button @click="signOut">Sign out</el-button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.made {
  border-radius: 0;
}
.card {
  display: grid;
  gap: 14px;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
