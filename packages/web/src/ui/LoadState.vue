<script setup lang="ts">
/** What is being fetched, or why it could not be, with a way to try again. */
defineProps<{ what: string; why: string }>();
defineEmits<{ again: [] }>();
</script>

<template>
  <div role="status">
    <el-result v-if="why" icon="warning" :sub-title="why">
      <template #extra><el-button type="primary" @click="$emit('again')">Try again</el-button></template>
    </el-result>
    <template v-else>
      <span class="visually-hidden">Fetching {{ what }} …</span>
      <el-skeleton animated :rows="5" />
    </template>
  </div>
</template>
