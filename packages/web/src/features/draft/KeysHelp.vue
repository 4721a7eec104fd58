<script setup lang="ts">
import KeyList from "../../ui/KeyList.vue";

/** All keys of the draft; each is also a control that can be seen. */
const open = defineModel<boolean>({ required: true });

const KEYS = [
  ["→ ←", "next and previous step"],
  ["Home End", "first and last step"],
  ["Space", "play the steps, or stop"],
  ["U", "inches or centimetres"],
  ["F", "fit the paper"],
  ["+ −", "larger, smaller"],
  ["G", "grid"],
  ["O", "the finished draft, faintly"],
  ["B", "body"],
  ["S", "settings and choices"],
  ["P", "pieces"],
  ["K", "checks"],
  ["Esc", "close the drawer"],
  ["?", "this list"],
] as const;
</script>

<template>
  <KeyList v-model="open" title="Keys at the table" :keys="KEYS" />
</template>
