<script setup lang="ts">
import { type Ask, assignmentRoutes } from "@lodrin/contract";
import { onMounted, ref, shallowRef } from "vue";
import { RouterLink } from "vue-router";
import { call } from "../../api/call.js";
import { useClasses } from "../../stores/classes.js";
import { dueSaid } from "../../ui/due-said.js";
import LiveNow from "../../live/LiveNow.vue";

/** What my classes ask of me: a lesson under way, what is to be handed in; for a teacher, what was handed in and not looked at. */
const classes = useClasses();
const asks = shallowRef<readonly Ask[]>([]);
const why = ref("");

onMounted(async () => {
  try {
    const [all] = await Promise.all([call(assignmentRoutes.asks, {}), classes.load()]);
    asks.value = all.filter((ask) => said(ask) !== "");
  } catch (error) {
    why.value = (error as Error).message;
  }
});

/** What is to be done about an assignment; empty when nothing is. */
function said({ mine, fresh, dueOn, last }: Ask): string {
  if (mine) return fresh === 0 ? "" : `${fresh} handed in and not looked at yet`;
  if (last === null) return dueSaid(dueOn);
  return last === "returned" ? "given back to you" : "";
}
</script>

<template>
  <p v-if="why" class="small quiet">Your classes cannot be shown just now. {{ why }}</p>
  <section v-if="classes.classes.length" class="asks">
    <LiveNow v-for="c in classes.classes" :key="c.id" :school-class="c" />
    <p class="small mine">
      My classes:
      <template v-for="(c, i) in classes.classes" :key="c.id"
        ><template v-if="i > 0">, </template><RouterLink :to="{ name: 'class', params: { id: c.id } }">{{ c.name }}</RouterLink></template
      >
    </p>
    <ul v-if="asks.length">
      <li v-for="ask in asks" :key="ask.id">
        <RouterLink class="card" :to="{ name: 'assignment', params: { classId: ask.classId, id: ask.id } }">
          <b>{{ ask.title }}</b>
          <span>{{ said(ask) }}</span>
          <span class="quiet small">{{ ask.className }}</span>
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
