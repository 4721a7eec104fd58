<script setup lang="ts">
import { computed } from "vue";
import { markdownHtml } from "./markdown.js";

/** A text in Markdown, as a teacher wrote it. */
const props = defineProps<{ text: string }>();
const html = computed(() => markdownHtml(props.text));
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- made and cleaned in markdown.ts -->
  <div class="markdown" v-html="html" />
</template>

<style scoped>
.markdown :deep(p),
.markdown :deep(ul),
.markdown :deep(ol) {
  margin: 0 0 8px;
}
.markdown :deep(ul),
.markdown :deep(ol) {
  padding-left: 20px;
}
.markdown :deep(code) {
  font-size: 0.92em;
}
</style>
