<script setup lang="ts">
import { type Assignment, assignmentRoutes, type HandIn, type SchoolClass } from "@lodrin/contract";
import { onMounted, shallowRef } from "vue";
import { RouterLink } from "vue-router";
import { call } from "../../api/call.js";
import { useClasses } from "../../stores/classes.js";
import { dueSaid } from "../classes/due-said.js";
import LiveNow from "../classes/LiveNow.vue";

/** What my classes ask of me: a lesson under way, what is to be handed in; for a teacher, what was handed in and not looked at. */
const classes = useClasses();
interface Ask {
  readonly klass: SchoolClass;
  readonly assignment: Assignment;
  readonly handed: readonly HandIn[];
}
const asks = shallowRef<readonly Ask[]>([]);

onMounted(async () => {
  try {
    await classes.load();
    const lists = await Promise.all(
      classes.classes.map(async (klass) => {
        const all = await call(assignmentRoutes.assignments, { params: { id: klass.id } });
        return Promise.all(
          all.map(async (assignment) => ({
            klass,
            assignment,
            handed: await call(assignmentRoutes.handIns, { params: { id: assignment.id } }),
          })),
        );
      }),
    );
    asks.value = lists.flat().filter((ask) => said(ask) !== "");
  } catch {
    // The workroom is whole without it; the classes say themselves when they cannot be reached.
  }
});

/** What is to be done about an assignment; empty when nothing is. */
function said({ klass, assignment, handed }: Ask): string {
  if (klass.mine) {
    const fresh = handed.filter((h) => h.state === "handed").length;
    return fresh === 0 ? "" : `${fresh} handed in and not looked at yet`;
  }
  const last = handed.at(-1);
  if (!last) return dueSaid(assignment.dueOn);
  return last.state === "returned" ? "given back to you" : "";
}
</script>

<template>
  <section v-if="classes.classes.length" class="asks">
    <LiveNow v-for="c in classes.classes" :key="c.id" :school-class="c" />
    <p class="small mine">
      My classes:
      <template v-for="(c, i) in classes.classes" :key="c.id"
        ><template v-if="i > 0">, </template><RouterLink :to="{ name: 'class', params: { id: c.id } }">{{ c.name }}</RouterLink></template
      >
    </p>
    <ul v-if="asks.length">
      <li v-for="ask in asks" :key="ask.assignment.id">
        <RouterLink class="card" :to="{ name: 'assignment', params: { classId: ask.klass.id, id: ask.assignment.id } }">
          <b>{{ ask.assignment.title }}</b>
          <span>{{ said(ask) }}</span>
          <span class="quiet small">{{ ask.klass.name }}</span>
        </RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.asks {
  margin-top: 18px;
}
.mine {
  margin-top: 10px;
}
ul {
  display: grid;
  gap: 10px;
  margin: 14px 0 0;
  padding: 0;
  list-style: none;
}
.card {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  padding: 14px 20px;
  color: var(--ink);
  text-decoration: none;
}
</style>
