<script setup lang="ts">
import { type Question, questionRoutes, type SchoolClass } from "@lodrin/contract";
import { computed } from "vue";
import { call } from "../../api/call.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";
import QuestionThread from "../../questions/QuestionThread.vue";
import { useList } from "./use-list.js";

/** Everything asked in the class, what is not answered first. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const { items, put } = useList<Question>();
const { ready, why, again } = useLoad(
  async () => (items.value = await call(questionRoutes.questions, { params: { id: props.schoolClass.id } })),
);
const sorted = computed(() =>
  [...items.value].sort((a, b) => Math.min(1, a.answers.length) - Math.min(1, b.answers.length) || b.at.localeCompare(a.at)),
);
</script>

<template>
  <LoadState v-if="!ready" what="the questions" :why="why" @again="again" />
  <el-empty
    v-else-if="sorted.length === 0"
    description="Nobody has asked anything. A question is asked at a step, in the view at the table."
  />
  <div v-else class="list">
    <section v-for="q in sorted" :key="q.id">
      <h2>{{ q.slug.replace(/^\d+-/, "").replaceAll("-", " ") }}, {{ q.step.replace("#", "step ") }}</h2>
      <QuestionThread :question="q" @changed="put" />
    </section>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 16px;
  max-width: 760px;
}
h2 {
  margin-bottom: 4px;
  font-size: 18px;
}
</style>
