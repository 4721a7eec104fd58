<script setup lang="ts">
import { Search } from "@element-plus/icons-vue";
import { computed, ref, watch } from "vue";
import MarkdownText from "../../../ui/MarkdownText.vue";
import { findHelp } from "./find-help.js";
import { HELP } from "./help-pages.js";

/** The language's own pages, searched as one types; an example goes into the text by its button. Opens at the word under the hand. */
const props = defineProps<{ word: string }>();
defineEmits<{ put: [lines: readonly string[]] }>();
const wanted = ref(props.word);
watch(
  () => props.word,
  (word) => word && (wanted.value = word),
);
const found = computed(() => findHelp(HELP, wanted.value));
const open = ref<string>("");
watch(found, ([first]) => (open.value = first && wanted.value !== "" ? first.id : ""), { immediate: true });
/** An example's own boards and points would stand beside those that are there: only its steps are put in. */
const stepsOf = (example: string): string[] =>
  example
    .trimEnd()
    .split("\n")
    .filter((line) => !/^(?:system|board|\s+garment)\b/.test(line));
</script>

<template>
  <div class="drawer-body">
    <el-input v-model="wanted" :prefix-icon="Search" clearable placeholder="down, curve, dart, sew …" aria-label="Search the help" />
    <p v-if="found.length === 0" class="quiet">Nothing is called that. Look for a shorter word.</p>
    <el-collapse v-model="open" accordion>
      <el-collapse-item v-for="s in found" :key="s.id" :name="s.id" :title="s.title">
        <template v-if="open === s.id">
          <MarkdownText :text="s.text" />
          <pre v-if="s.example">{{ s.example.trimEnd() }}</pre>
          <el-button v-if="s.example" size="small" @click="$emit('put', stepsOf(s.example))">Put this into the text</el-button>
          <img v-for="src in s.drawings" :key="src" :src="src" alt="What the example draws" loading="lazy" />
        </template>
      </el-collapse-item>
    </el-collapse>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 10px;
}
pre {
  overflow: auto;
  margin: 6px 0;
  padding: 8px 10px;
  border-radius: var(--radius);
  background: var(--paper);
  color: #22262a;
  font:
    14px/1.45 ui-monospace,
    "DejaVu Sans Mono",
    monospace;
}
img {
  display: block;
  width: 100%;
  margin-top: 8px;
  background: #fffdf6;
  border-radius: var(--radius);
}
</style>
