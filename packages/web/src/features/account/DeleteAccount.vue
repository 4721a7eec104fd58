<script setup lang="ts">
import { accountRoutes } from "@lodrin/contract";
import { ref } from "vue";
import { call } from "../../api/call.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** The account and everything in it, gone at once: asked for twice, and with the password. */
const asking = ref(false);
const password = ref("");
const { why, attempt } = useAttempt();

const remove = (): Promise<void> =>
  attempt(async () => {
    await call(accountRoutes.removeAccount, { body: { password: password.value } });
    localStorage.clear();
    location.assign("/sign-in");
  });
</script>

<template>
  <p>
    Your people, their measurements and all your drafts are deleted with it, at once and for good. Download them first if you may want them.
  </p>
  <el-button size="large" type="danger" plain @click="asking = true">Delete my account …</el-button>
  <el-dialog v-model="asking" title="Delete everything?" width="min(460px, 92vw)" @closed="((password = ''), (why = ''))">
    <form @submit.prevent="remove">
      <p>Nobody can bring it back. Write your password to go on.</p>
      <el-input v-model="password" type="password" show-password autocomplete="current-password" size="large" aria-label="Password" />
      <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
      <div class="acts">
        <el-button size="large" @click="asking = false">Keep it</el-button>
        <el-button size="large" type="danger" native-type="submit" :disabled="password === ''">Delete it for good</el-button>
      </div>
    </form>
  </el-dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
.acts {
  display: flex;
  justify-content: flex-end;
}
</style>
