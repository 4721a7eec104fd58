<script setup lang="ts">
import { Plus } from "@element-plus/icons-vue";
import { reactive, ref } from "vue";
import { RouterLink, useRoute, useRouter } from "vue-router";
import { useClasses } from "../../stores/classes.js";
import { useSession } from "../../stores/session.js";
import LoadState from "../../ui/LoadState.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import { useLoad } from "../../ui/use-load.js";

/** The classes I teach or am in; joining by a code, making a new one. */
const classes = useClasses();
const session = useSession();
const router = useRouter();
const { ready, why, again } = useLoad(classes.load);
// Whoever comes by the link has the code with them.
const code = ref(String(useRoute().query["code"] ?? ""));
const making = ref(false);
const given = reactive({ name: "", term: "", meets: "" });
const { why: failed, attempt } = useAttempt();

const enter = (id: string): Promise<unknown> => router.push({ name: "class", params: { id } });
const join = (): Promise<void> => attempt(async () => void (await enter((await classes.join(code.value)).id)));
const make = (): Promise<void> =>
  attempt(async () => void (await enter((await classes.add({ ...given, name: given.name.trim(), note: "", classmatesAnswer: false })).id)));
</script>

<template>
  <div class="page">
    <h1>Classes</h1>
    <LoadState v-if="!ready" what="your classes" :why="why" @again="again" />
    <template v-else>
      <ul v-if="classes.classes.length" class="cards plain">
        <li v-for="c in classes.classes" :key="c.id">
          <RouterLink class="card one" :to="{ name: 'class', params: { id: c.id } }">
            <h2>{{ c.name }}</h2>
            <p>{{ [c.term, c.meets].filter(Boolean).join(" · ") }}</p>
            <p class="quiet small">
              {{ c.mine ? `${c.members.length} ${c.members.length === 1 ? "student" : "students"}; you teach it` : `with ${c.teacher}` }}
            </p>
          </RouterLink>
        </li>
      </ul>
      <p v-else class="quiet">
        In a class you draft the same system as the others, each on their own figures; the teacher sees what you hand in, and your figures
        only when you share them.
      </p>
      <div class="below">
        <form class="card" @submit.prevent="join">
          <h2>Join a class</h2>
          <p class="small">Your teacher gives you its code.</p>
          <div class="row">
            <el-input v-model="code" aria-label="Code of the class" placeholder="Code, like K7MWP2Q" autocomplete="off" maxlength="14" />
            <el-button native-type="submit" :disabled="code.trim().length < 4">Join</el-button>
          </div>
        </form>
        <form v-if="session.account?.role !== 'student'" class="card" @submit.prevent="make">
          <h2>Make a class</h2>
          <el-button v-if="!making" :icon="Plus" @click="making = true">A new class</el-button>
          <template v-else>
            <el-input v-model="given.name" aria-label="Name" placeholder="Name, like Monday evening" maxlength="120" />
            <el-input v-model="given.term" aria-label="Term" placeholder="Term, like Autumn" maxlength="60" />
            <el-input v-model="given.meets" aria-label="When it meets" placeholder="When it meets" maxlength="200" />
            <el-button type="primary" native-type="submit" :disabled="given.name.trim() === ''">Make it</el-button>
          </template>
        </form>
      </div>
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
    </template>
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: 18px;
  font-size: 32px;
}
h2 {
  font-size: 22px;
}
.plain {
  margin: 0;
  padding: 0;
  list-style: none;
}
.one {
  display: grid;
  gap: 4px;
  height: 100%;
  color: var(--ink);
  text-decoration: none;
}
.below {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 18px;
  align-items: start;
  margin: 26px 0;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  width: 100%;
}
</style>
