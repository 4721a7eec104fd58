<script setup lang="ts">
/** The keys of a view, each with what it does; each is also a control that can be seen. */
defineProps<{ title: string; keys: readonly (readonly [key: string, what: string])[] }>();
const open = defineModel<boolean>({ required: true });
</script>

<template>
  <el-dialog v-model="open" :title="title" width="470px" append-to-body>
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>{{ key }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 7px 14px;
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
