<script setup lang="ts">
import KeyList from "../../ui/KeyList.vue";

/** All keys of the writing table; each is also a control that can be seen. */
const open = defineModel<boolean>({ required: true });

const KEYS = [
  ["N", "to the quick line"],
  ["D", "to what can be drawn by hand"],
  ["Enter", "insert the quick line"],
  ["↓ ↑", "next and previous line of the handout"],
  ["Alt ↓ ↑", "move the open line later, earlier"],
  ["Alt Delete", "delete the open line"],
  ["Alt Enter", "take what a marked line likely means"],
  ["→ ←", "next and previous step on the paper"],
  ["[ ]", "the body before, the next body"],
  ["T", "handout or text"],
  ["P", "construction or pieces"],
  ["S", "problems"],
  ["E", "seams"],
  ["W", "order of work"],
  ["R", "over a range of sizes"],
  ["Y", "try figures and settings"],
  ["V", "versions, and what changed"],
  ["H", "help with the language"],
  ["Ctrl Z, Ctrl Y", "undo, redo: every act of any face"],
  ["U F G O + −", "unit, fit, grid, ahead, larger, smaller"],
  ["Esc", "close what is open"],
  ["?", "this list"],
] as const;
</script>

<template>
  <KeyList v-model="open" title="Keys at the writing table" :keys="KEYS" />
</template>
