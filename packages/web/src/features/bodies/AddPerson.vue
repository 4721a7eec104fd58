<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import type { FormInstance, FormRules } from "element-plus";
import { computed, reactive, ref } from "vue";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** Adds me, or someone I draft for. */
const emit = defineEmits<{ added: [id: string] }>();
const people = usePeople();
const session = useSession();
const open = ref(false);
const form = ref<FormInstance>();
const given = reactive({ name: "", child: false, consent: false });
const { why, attempt } = useAttempt();
const haveMe = computed(() => people.people.some((p) => p.isSelf));
const rules: FormRules = {
  name: [{ required: true, whitespace: true, message: "Write a name, even a working one like “tuba, third row”." }],
  consent: [
    {
      validator: (_, value: boolean, done) =>
        given.child && !value ? done(new Error("Ask the parent or guardian first: without their word nothing is measured.")) : done(),
    },
  ],
};

const add = (name: string, self: boolean, child: boolean): Promise<void> =>
  attempt(async () => {
    const person = await people.add(name, self, child);
    Object.assign(given, { name: "", child: false, consent: false });
    open.value = false;
    emit("added", person.id);
  });

async function addSomeone(): Promise<void> {
  if (await form.value?.validate().catch(() => false)) await add(given.name.trim(), false, given.child);
}
</script>

<template>
  <div class="add">
    <el-button v-if="!haveMe" :icon="Plus" @click="add(session.account?.name ?? '', true, false)">Add me</el-button>
    <el-button v-if="!open" :icon="Plus" @click="open = true">Add someone</el-button>
    <el-form
      v-else
      ref="form"
      class="card"
      :model="given"
      :rules="rules"
      label-position="top"
      hide-required-asterisk
      @submit.prevent="addSomeone"
    >
      <el-form-item label="Name" prop="name"><el-input v-model="given.name" name="person" autocomplete="off" /></el-form-item>
      <el-checkbox v-model="given.child">a child</el-checkbox>
      <el-form-item v-if="given.child" prop="consent">
        <el-checkbox v-model="given.consent">A parent or guardian agrees that these measurements are kept here.</el-checkbox>
      </el-form-item>
      <div class="acts">
        <el-button type="primary" native-type="submit">Add</el-button>
        <el-button text @click="open = false">Leave it</el-button>
      </div>
    </el-form>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </div>
</template>

<style scoped>
.add {
  display: grid;
  gap: 10px;
}
.acts {
  display: flex;
  gap: 6px;
  margin-top: 10px;
}
.el-checkbox {
  height: auto;
  min-height: 40px;
  white-space: normal;
  font-size: 16px;
  line-height: 1.3;
}
</style>
