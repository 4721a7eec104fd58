<script setup lang="ts">
import { statementsOf, type System, wordsIn } from "@lodrin/core";
import { computed, ref } from "vue";
import MarkdownText from "../../ui/MarkdownText.vue";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** Name and note of the draft, its lesson, words and cautions. */
const props = defineProps<{ autosave: DraftAutosave; system: System }>();
const { local } = props.autosave;

const lesson = computed(() => statementsOf(props.system, "lesson").map((l) => l.text));
const closures = computed(() => statementsOf(props.system, "closes").map((c) => c.text));
const words = computed(() => wordsIn(props.system));
const cautions = computed(() => statementsOf(props.system, "caution").map((c) => c.text));

const name = ref(local.name);
/** A name of nothing is no name: the old one stays. */
function rename(written: string): void {
  if (written.trim() !== "") local.name = written;
  name.value = local.name;
}
</script>

<template>
  <div class="drawer-body">
    <el-form label-position="top" @submit.prevent>
      <el-form-item label="Name of this draft"><el-input v-model="name" maxlength="120" @change="rename" /></el-form-item>
      <el-form-item label="Note"
        ><el-input
          v-model="local.note"
          type="textarea"
          :autosize="{ minRows: 4, maxRows: 12 }"
          maxlength="4000"
          placeholder="What the fitting changed, which cloth, who it is for …"
      /></el-form-item>
    </el-form>
    <template v-if="lesson.length">
      <h3>Lesson</h3>
      <MarkdownText v-for="text in lesson" :key="text" :text="text" />
    </template>
    <template v-if="words.length">
      <h3>Words</h3>
      <dl class="words">
        <div v-for="w in words" :key="w.word">
          <dt>
            {{ w.word }}<small v-if="w.also.length"> also {{ w.also.join(", ") }}</small>
          </dt>
          <dd>{{ w.means }}</dd>
        </div>
      </dl>
    </template>
    <template v-if="closures.length">
      <h3>How it closes</h3>
      <p v-for="text in closures" :key="text">{{ text }}</p>
    </template>
    <template v-if="cautions.length">
      <h3>Take care</h3>
      <el-alert v-for="text in cautions" :key="text" type="warning" role="note" :closable="false" :title="text" />
    </template>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
.words {
  display: grid;
  gap: 8px;
  margin: 0;
}
.words dt {
  font-weight: 600;
}
.words dt small {
  font-weight: 400;
  color: var(--ink-2);
}
.words dd {
  margin: 0;
}
h3 {
  margin-top: 8px;
  font-size: 18px;
}
</style>
