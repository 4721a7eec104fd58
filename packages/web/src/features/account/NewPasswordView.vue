<script setup lang="ts">
import { accountRoutes } from "@lodrin/contract";
import type { FormInstance } from "element-plus";
import { reactive, ref } from "vue";
import { useRoute } from "vue-router";
import { call } from "../../api/call.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { passwordRules } from "../../ui/password-rules.js";
import LetterPage from "../../ui/LetterPage.vue";
import LinkButton from "../../ui/LinkButton.vue";

/** Where the link for a forgotten password leads. Its token stands behind the #, which no server is sent and no log keeps. */
const token = useRoute().hash.slice(1);
const form = ref<FormInstance>();
const given = reactive({ password: "" });
const { why, attempt } = useAttempt();
const done = ref(false);

async function set(): Promise<void> {
  why.value = "";
  if (!(await form.value?.validate().catch(() => false))) return;
  await attempt(async () => {
    await call(accountRoutes.resetPassword, { body: { token, password: given.password } });
    done.value = true;
  });
}
</script>

<template>
  <LetterPage title="A new password">
    <template v-if="done">
      <el-alert title="Your new password is set." type="success" role="status" show-icon :closable="false" />
      <LinkButton type="primary" :to="{ name: 'sign-in' }">Sign in with it</LinkButton>
    </template>
    <el-form v-else ref="form" :model="given" :rules="{ password: passwordRules }" label-position="top" @submit.prevent="set">
      <el-form-item label="Ten letters or more" prop="password">
        <el-input v-model="given.password" type="password" show-password autocomplete="new-password" size="large" />
      </el-form-item>
      <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
      <el-button native-type="submit" type="primary" size="large">Set it</el-button>
    </el-form>
  </LetterPage>
</template>

<style scoped>
.el-alert {
  margin-bottom: 12px;
}
</style>
