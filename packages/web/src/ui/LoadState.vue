<script setup lang="ts">
/** What is being fetched, or why it could not be, with a way to try again. */
defineProps<{ what: string; why: string }>();
defineEmits<{ again: [] }>();
</script>

<template>
  <div class="callout" :class="{ fail: why }" role="status">
    <template v-if="why">
      <p>{{ why }}</p>
      <el-button style="margin-top: 10px" @click="$emit('again')">Try again</el-button>
    </template>
    <p v-else>Fetching {{ what }} …</p>
  </div>
</template>
