<script setup lang="ts">
import { computed, ref } from "vue";
import { usePeople } from "../../stores/people.js";
import { useSession } from "../../stores/session.js";

/** Adds me, or someone I draft for. */
const emit = defineEmits<{ added: [id: string] }>();
const people = usePeople();
const session = useSession();
const open = ref(false);
const name = ref("");
const child = ref(false);
const why = ref("");
const haveMe = computed(() => people.people.some((p) => p.isSelf));

async function add(self: boolean): Promise<void> {
  const said = self ? (session.account?.name ?? "") : name.value.trim();
  why.value = said === "" ? "Write a name, even a working one like “tuba, third row”." : "";
  if (why.value) return;
  try {
    const person = await people.add(said, self, !self && child.value);
    name.value = "";
    open.value = false;
    emit("added", person.id);
  } catch (error) {
    why.value = (error as Error).message;
  }
}
</script>

<template>
  <div class="add">
    <el-button v-if="!haveMe" @click="add(true)">Add me</el-button>
    <el-button v-if="!open" @click="open = true">Add someone</el-button>
    <form v-else class="card" @submit.prevent="add(false)">
      <label class="text-field"><span>Name</span><input v-model="name" name="person" autocomplete="off" /></label>
      <label class="check"><input v-model="child" type="checkbox" /> a child</label>
      <el-button type="primary">Add</el-button>
      <el-button text native-type="button" @click="open = false">Leave it</el-button>
    </form>
    <p v-if="why" class="callout fail small" role="alert">{{ why }}</p>
  </div>
</template>

<style scoped>
.add,
form {
  display: grid;
  gap: 10px;
}
.check {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 40px;
}
.check input {
  width: 20px;
  height: 20px;
  accent-color: var(--now);
}
</style>
