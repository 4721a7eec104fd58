<script setup lang="ts">
import { Delete, Plus } from "@element-plus/icons-vue";
import { blockHolding, type LoadedSystem, type Statement } from "@lodrin/core";
import { computed } from "vue";
import LineField from "./LineField.vue";

/** A statement of several lines, such as a piece with its edges, line by line where it stands: each is changed by itself. */
const props = defineProps<{ index: number; statement: Statement; loaded: LoadedSystem }>();
const emit = defineEmits<{ line: [row: number, text: string | undefined]; add: [text: string] }>();

const block = computed(() => blockHolding(props.loaded.read, props.index)?.read.block);
const rows = computed(() => {
  const { head, details = [] } = block.value ?? {};
  return head ? [head, ...details] : [];
});
/** What may be said more of it, ready to be filled in. */
const MORE: { readonly [K in Statement["is"]]?: readonly (readonly [says: string, line: string])[] } = {
  piece: [
    ["an edge", "edge side: side · allow 1"],
    ["the grain", "grain along #0-#1"],
    ["a notch", "notch at #1"],
    ["a level", 'level "Waist line": #1-#3'],
    ["a note", 'note "Cut it on the fold."'],
  ],
  path: [
    ["why", 'why "What it is good for."'],
    ["watch out", 'watch "What goes wrong here."'],
    ["a condition", "when ease > 1"],
  ],
  sew: [["a notch in both", "notch after 10"]],
  passes: [["what causes a miss", 'cause "What usually causes it."']],
  shape: [
    ["why", 'why "What it is good for."'],
    ["a condition", "when ease > 1"],
  ],
};
const more = computed(() => MORE[props.statement.is] ?? []);
</script>

<template>
  <div class="source">
    <div v-for="(line, i) in rows" :key="i" class="source-line">
      <LineField
        :label="i === 0 ? 'The line' : `Line ${i + 1} of it`"
        :loaded="loaded"
        :model-value="line.text"
        @update:model-value="$event.trim() !== '' && $event !== line.text && emit('line', line.row, $event)"
      />
      <el-button v-if="i > 0" text :icon="Delete" :aria-label="`Take line ${i + 1} away`" @click="emit('line', line.row, undefined)" />
    </div>
    <div v-if="more.length" class="more">
      <el-button v-for="[says, text] in more" :key="says" size="small" :icon="Plus" @click="emit('add', text)">{{ says }}</el-button>
    </div>
  </div>
</template>

<style scoped>
.source {
  grid-column: 1 / -1;
  display: grid;
  gap: 6px;
}
.source-line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 40px;
  align-items: center;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.more .el-button {
  margin: 0;
}
</style>
