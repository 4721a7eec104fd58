<script setup lang="ts">
import { type Work, workRoutes } from "@lodrin/contract";
import type { Finding } from "@lodrin/core";
import { ref } from "vue";
import { call } from "../../../api/call.js";
import { useShelf } from "../../../stores/shelf.js";
import { withDisclosure } from "../../../ui/confirm-disclosure.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import type { WorkAutosave } from "../use-writing.js";

/** Puts the text on the shelf as its next version, with what changed; its problems are shown before, each leading to its line. */
const props = defineProps<{ autosave: WorkAutosave; published: number; problems: readonly Finding[]; breaks: boolean }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ published: [work: Work]; go: [statement: number]; all: [] }>();
const SHOWN = 6;
const shelf = useShelf();
const note = ref("");
const { why: refused, attempt } = useAttempt();

const publish = (): Promise<void> =>
  attempt(async () => {
    if (!(await props.autosave.flush())) throw new Error("The text is not saved yet. Wait for the connection, then publish.");
    if (props.breaks && note.value.trim() === "") throw new Error("Say why it is published all the same: students see it.");
    const version = props.autosave.version();
    const params = { id: props.autosave.local.id };
    const work = await withDisclosure((discloses) =>
      call(workRoutes.publishWork, { params, body: { version, note: note.value, ...discloses } }),
    );
    if (!work) return;
    note.value = "";
    open.value = false;
    emit("published", work);
    await shelf.reload();
  });
</script>

<template>
  <el-dialog v-model="open" title="Publish this text" width="520px" append-to-body>
    <p>
      It goes on the shelf as version {{ published + 1 }}. A version is never changed: drafts that were begun with an earlier one keep it.
    </p>
    <el-alert
      v-if="problems.length"
      type="warning"
      show-icon
      :closable="false"
      :title="problems.length === 1 ? 'There is one problem:' : `There are ${problems.length} problems:`"
    >
      <ul>
        <li v-for="{ says, statement } in problems.slice(0, SHOWN)" :key="says">
          <el-button v-if="statement !== undefined" link type="primary" @click="$emit('go', statement)">{{ says }}</el-button>
          <template v-else>{{ says }}</template>
        </li>
      </ul>
      <el-button v-if="problems.length > SHOWN" link type="primary" @click="$emit('all')">Show all {{ problems.length }}</el-button>
    </el-alert>
    <el-form label-position="top" @submit.prevent="publish">
      <el-form-item :label="breaks ? 'What changed, and why it is published all the same' : 'What changed, for those who draft with it'">
        <el-input v-model="note" maxlength="400" type="textarea" :rows="2" />
      </el-form-item>
      <el-alert v-if="refused" :title="refused" type="error" role="alert" :closable="false" />
      <div class="acts">
        <el-button type="primary" native-type="submit">Publish version {{ published + 1 }}</el-button>
        <el-button text @click="open = false">Cancel</el-button>
      </div>
    </el-form>
  </el-dialog>
</template>

<style scoped>
ul {
  display: grid;
  gap: 4px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
ul .el-button {
  height: auto;
  line-height: 1.35;
  white-space: normal;
  text-align: left;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
