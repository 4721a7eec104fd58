<script setup lang="ts">
import { classRoutes, type SlipCount } from "@lodrin/contract";
import { type LoadedSystem, stepName } from "@lodrin/core";
import { onMounted, ref, shallowRef } from "vue";
import { call } from "../../../api/call.js";
import { useClasses } from "../../../stores/classes.js";

/** Which steps of this system my classes got wrong, and by which slip: each leads to its line. */
const props = defineProps<{ slug: string; loaded: LoadedSystem }>();
defineEmits<{ go: [statement: number] }>();
const classes = useClasses();
const slips = shallowRef<readonly SlipCount[]>([]);
const why = ref("");
onMounted(async () => {
  try {
    await classes.load();
    const lists = await Promise.all(classes.taught.map(({ id }) => call(classRoutes.slips, { params: { id } })));
    slips.value = lists.flat().filter((s) => s.slug === props.slug);
  } catch (error) {
    why.value = (error as Error).message;
  }
});
const statementOf = (step: string): number | undefined => props.loaded.plan.steps.find((s) => stepName(s) === step)?.statement;
</script>

<template>
  <p v-if="why" class="small quiet">What your classes got wrong cannot be shown just now. {{ why }}</p>
  <section v-if="slips.length">
    <h3>What my classes got wrong</h3>
    <ul>
      <li v-for="s in slips" :key="`${s.step} ${s.code}`">
        <el-button v-if="statementOf(s.step) !== undefined" link type="primary" @click="$emit('go', statementOf(s.step) ?? 0)">{{
          s.says
        }}</el-button>
        <span v-else>{{ s.says }}</span>
        <span class="small quiet">{{ s.students }} {{ s.students === 1 ? "student" : "students" }}: a “watch” at this step may help.</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h3 {
  font-size: 17px;
}
ul {
  display: grid;
  gap: 8px;
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  justify-items: start;
}
li .el-button {
  white-space: normal;
  text-align: left;
}
</style>
