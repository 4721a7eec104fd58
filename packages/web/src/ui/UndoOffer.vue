<script setup lang="ts">
import { ref } from "vue";

/** Inside a message: what was done, bring it back, or be rid of it at once. */
const props = defineProps<{ text: string; undo: () => Promise<void>; forGood: (() => Promise<unknown>) | undefined }>();
const emit = defineEmits<{ done: [] }>();
const why = ref("");

async function attempt(act: () => Promise<unknown>, told: string): Promise<void> {
  try {
    // What was asked about and not agreed to is not done.
    if ((await act()) !== false) emit("done");
  } catch (error) {
    why.value = `${told}: ${(error as Error).message}`;
  }
}
</script>

<template>
  <div class="offer">
    <p>{{ text }}</p>
    <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
    <div class="acts">
      <el-button type="primary" @click="attempt(props.undo, 'It could not be restored')">Restore</el-button>
      <el-button v-if="props.forGood" text @click="attempt(props.forGood, 'It could not be deleted for good')">Delete for good</el-button>
    </div>
  </div>
</template>

<style scoped>
.offer {
  display: grid;
  gap: 10px;
  font: 17px/1.4 var(--face);
  color: var(--ink);
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
