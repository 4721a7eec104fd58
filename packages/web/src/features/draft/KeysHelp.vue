<script setup lang="ts">
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
  <el-dialog v-model="open" title="Keys at the table" width="420px" append-to-body>
    <dl>
      <template v-for="[key, what] in KEYS" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 8px 14px;
  margin: 0;
  font-size: 17px;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0;
}
</style>
