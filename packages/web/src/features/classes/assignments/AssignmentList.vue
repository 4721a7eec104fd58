<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import { type Assignment, assignmentRoutes, type SchoolClass } from "@lodrin/contract";
import { ref } from "vue";
import { RouterLink } from "vue-router";
import { call } from "../../../api/call.js";
import LoadState from "../../../ui/LoadState.vue";
import { useLoad } from "../../../ui/use-load.js";
import AssignmentForm from "./AssignmentForm.vue";
import { dueSaid } from "../../../ui/due-said.js";
import { useList } from "../use-list.js";

/** What the class is asked to draft and hand in. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const { items, put } = useList<Assignment>();
const { ready, why, again } = useLoad(
  async () => (items.value = await call(assignmentRoutes.assignments, { params: { id: props.schoolClass.id } })),
);
const making = ref(false);
</script>

<template>
  <LoadState v-if="!ready" what="the assignments" :why="why" @again="again" />
  <template v-else>
    <p v-if="items.length === 0" class="quiet">
      {{
        schoolClass.mine
          ? "An assignment is one version of a system, on each student's own body or on one you give. Handed in is the draft as it stood, with what was read on the paper."
          : "Nothing is asked of you just now."
      }}
    </p>
    <ul class="plain">
      <li v-for="a in items" :key="a.id">
        <RouterLink class="card one" :to="{ name: 'assignment', params: { classId: schoolClass.id, id: a.id } }">
          <h2>{{ a.title }}</h2>
          <p>{{ a.systemTitle }}, {{ a.body.kind === "own" ? "on your own body" : `on ${a.body.name}` }}</p>
          <p class="quiet">{{ dueSaid(a.dueOn) }}</p>
        </RouterLink>
      </li>
    </ul>
    <template v-if="schoolClass.mine">
      <el-button v-if="!making" :icon="Plus" @click="making = true">Set an assignment</el-button>
      <AssignmentForm v-else :class-id="schoolClass.id" @made="(put($event), (making = false))" @close="making = false" />
    </template>
  </template>
</template>

<style scoped>
.plain {
  display: grid;
  gap: 12px;
  margin: 0 0 16px;
  padding: 0;
  list-style: none;
}
.one {
  display: block;
  color: var(--ink);
  text-decoration: none;
}
h2 {
  font-size: 21px;
}
</style>
