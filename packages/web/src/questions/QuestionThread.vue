<script setup lang="ts">
import { type Question, questionRoutes } from "@lodrin/contract";
import { v4 as uuid } from "uuid";
import { computed, ref } from "vue";
import { call } from "../api/call.js";
import { useClasses } from "../stores/classes.js";
import { sayMoment } from "../ui/times.js";
import { useAttempt } from "../ui/use-attempt.js";
import { useKeptText } from "../ui/use-kept-text.js";
import { makeNote } from "./make-note.js";

/** A question with its answers, and room for one where it may be given. */
const props = defineProps<{ question: Question }>();
const emit = defineEmits<{ changed: [now: Question] }>();
const classes = useClasses();
const text = useKeptText(() => `answer-${props.question.id}`);
const { why, attempt } = useAttempt();
const may = computed(() => {
  const klass = classes.classes.find((c) => c.id === props.question.classId);
  return klass !== undefined && (klass.mine || klass.classmatesAnswer);
});
const teaches = computed(() => classes.taught.some((c) => c.id === props.question.classId));
const noted = ref("");
const note = (said: string): Promise<void> =>
  attempt(async () => {
    await makeNote(props.question.slug, props.question.step, said);
    noted.value = "It stands in your text now, as something to watch out for. With the next version you publish everyone reads it.";
  });
const answer = (): Promise<void> =>
  attempt(async () => {
    const body = { id: uuid(), text: text.value.trim() };
    emit("changed", await call(questionRoutes.answer, { params: { id: props.question.id }, body }));
    text.value = "";
  });
</script>

<template>
  <article>
    <p>
      <b>{{ question.by }}</b> <span class="quiet small">{{ sayMoment(question.at) }}</span><br />{{ question.text }}
    </p>
    <p v-for="a in question.answers" :key="a.id" class="answer">
      <b>{{ a.by }}</b><span v-if="a.teacher" class="small"> (teacher)</span> <span class="quiet small">{{ sayMoment(a.at) }}</span><br />{{
        a.text
      }}
      <el-button v-if="teaches" link type="primary" @click="note(a.text)">Make it a note of the system</el-button>
    </p>
    <p v-if="noted" class="small" role="status">{{ noted }}</p>
    <form v-if="may" @submit.prevent="answer">
      <el-input v-model="text" aria-label="Your answer" placeholder="Answer" />
      <el-button native-type="submit" :disabled="text.trim() === ''">Answer</el-button>
    </form>
    <p v-else-if="question.answers.length === 0" class="quiet small">Not answered yet.</p>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </article>
</template>

<style scoped>
article {
  display: grid;
  gap: 8px;
  width: 100%;
  padding: 10px 14px;
  border-left: 4px solid var(--now);
  background: var(--paper);
  border-radius: 0 var(--radius) var(--radius) 0;
  color: #22262a;
  --ink-2: #43484c;
}
.answer {
  margin-left: 18px;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
}
</style>
