<script setup lang="ts">
import { type Question, questionRoutes } from "@lodrin/contract";
import { v4 as uuid } from "uuid";
import { computed, onMounted, ref, shallowRef } from "vue";
import { call, callAll } from "../api/call.js";
import { useClasses } from "../stores/classes.js";
import { useAttempt } from "../ui/use-attempt.js";
import { useKeptText } from "../ui/use-kept-text.js";
import QuestionThread from "./QuestionThread.vue";

/** What was asked at this step in my classes, and a question of my own. */
const props = defineProps<{ slug: string; step: string }>();
const classes = useClasses();
const all = shallowRef<readonly Question[]>([]);
const { why, attempt } = useAttempt();
const text = useKeptText(() => `question-${props.slug}-${props.step}`);
const opened = ref(false);
/** A question that is half typed is open, wherever one comes back to it. */
const asking = computed({ get: () => opened.value || text.value !== "", set: (on) => (opened.value = on) });
/** Where a new question goes. */
const klass = computed(() => classes.joined[0] ?? classes.taught[0]);
const here = computed(() => all.value.filter((q) => q.slug === props.slug && q.step === props.step));

onMounted(() =>
  attempt(async () => {
    const lists = await Promise.all(classes.classes.map(({ id }) => callAll(questionRoutes.questions, { id })));
    all.value = lists.flat().reverse();
  }),
);
const replace = (now: Question): void => void (all.value = [...all.value.filter((q) => q.id !== now.id), now]);
const ask = (): Promise<void> =>
  attempt(async () => {
    if (!klass.value || text.value.trim() === "") return;
    const body = { id: uuid(), slug: props.slug, step: props.step, text: text.value.trim() };
    replace(await call(questionRoutes.ask, { params: { id: klass.value.id }, body }));
    text.value = "";
    asking.value = false;
  });
</script>

<template>
  <section class="questions">
    <QuestionThread v-for="q in here" :key="q.id" :question="q" @changed="replace" />
    <form v-if="asking" @submit.prevent="ask">
      <el-input
        v-model="text"
        type="textarea"
        :rows="3"
        :aria-label="`Your question at ${step}`"
        placeholder="What is it about this step?"
      />
      <el-button type="primary" native-type="submit" :disabled="text.trim() === ''">Ask in {{ klass?.name }}</el-button>
      <el-button text @click="((text = ''), (asking = false))">Cancel</el-button>
    </form>
    <el-button v-else-if="klass" text @click="asking = true">Ask at this step</el-button>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </section>
</template>

<style scoped>
.questions {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 0 24px 24px;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
  width: 100%;
}
</style>
