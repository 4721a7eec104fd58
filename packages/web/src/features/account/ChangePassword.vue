<script setup lang="ts">
import { accountRoutes } from "@lodrin/contract";
import type { FormInstance, FormRules } from "element-plus";
import { reactive, ref } from "vue";
import { call } from "../../api/call.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { passwordRules } from "../../ui/password-rules.js";

/** A new password, on showing that one knows the old. */
const form = ref<FormInstance>();
const given = reactive({ old: "", password: "" });
const { why, attempt } = useAttempt();
const done = ref(false);
const rules: FormRules<typeof given> = {
  old: [{ required: true, message: "Write the password you have now.", trigger: "blur" }],
  password: passwordRules,
};

async function change(): Promise<void> {
  why.value = "";
  done.value = false;
  if (!(await form.value?.validate().catch(() => false))) return;
  await attempt(async () => {
    await call(accountRoutes.changePassword, { body: given });
    form.value?.resetFields();
    done.value = true;
  });
}
</script>

<template>
  <el-form ref="form" :model="given" :rules="rules" label-position="top" class="password" @submit.prevent="change">
    <el-form-item label="The one you have" prop="old">
      <el-input v-model="given.old" type="password" show-password autocomplete="current-password" size="large" />
    </el-form-item>
    <el-form-item label="A new one, ten letters or more" prop="password">
      <el-input v-model="given.password" type="password" show-password autocomplete="new-password" size="large" />
    </el-form-item>
    <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
    <el-alert
      v-if="done"
      title="Your password is changed. Everywhere else you are signed out."
      type="success"
      role="status"
      show-icon
      :closable="false"
    />
    <el-button native-type="submit" type="primary" size="large">Change the password</el-button>
  </el-form>
</template>

<style scoped>
.password {
  width: 100%;
}
.el-alert {
  margin-bottom: 12px;
}
</style>
