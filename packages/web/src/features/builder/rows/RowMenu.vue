<script setup lang="ts">
import { Bottom, CopyDocument, Delete, EditPen, Guide, MoreFilled, Plus, Sort, Switch, Top } from "@element-plus/icons-vue";
import type { DropdownInstance } from "element-plus";
import { nextTick, onMounted, useTemplateRef } from "vue";

/** What can be done with a line of the handout. Opens as soon as it is there: it is made for the row that was asked. */
defineProps<{ label: string; board: boolean }>();
defineEmits<{ act: [what: string] }>();

const ACTS = [
  { act: "up", icon: Top, says: "Earlier (Alt+Up)" },
  { act: "down", icon: Bottom, says: "Later (Alt+Down)" },
  { act: "duplicate", icon: CopyDocument, says: "Duplicate" },
  { act: "when", icon: Switch, says: "Only when …" },
  { act: "heading", icon: Plus, says: "A heading above it" },
  { act: "on", icon: Guide, says: "What stands on this?" },
  { act: "upon", icon: Guide, says: "What does this stand on?" },
  { act: "text", icon: EditPen, says: "Show it in the text" },
  { act: "delete", icon: Delete, says: "Delete (Alt+Delete)" },
] as const;
const menu = useTemplateRef<DropdownInstance>("menu");
onMounted(async () => {
  await nextTick();
  menu.value?.handleOpen();
});
</script>

<template>
  <el-dropdown ref="menu" trigger="click" @command="$emit('act', $event)">
    <el-button text :icon="MoreFilled" :aria-label="label" />
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item v-for="a in ACTS" :key="a.act" :command="a.act" :icon="a.icon">{{ a.says }}</el-dropdown-item>
        <el-dropdown-item v-if="board" command="renumber" :icon="Sort">Number its points again</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
