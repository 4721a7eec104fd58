<script setup lang="ts">
import LinkButton from "../../ui/LinkButton.vue";
</script>

<template>
  <div class="page">
    <el-result icon="info">
      <template #title><h1>There is nothing at this address</h1></template>
      <template #sub-title>It may have been deleted, or the link was cut short.</template>
      <template #extra><LinkButton type="primary" :to="{ name: 'workroom' }">To the workroom</LinkButton></template>
    </el-result>
  </div>
</template>
