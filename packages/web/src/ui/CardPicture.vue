<script setup lang="ts">
/** A small picture that the server keeps: of the pieces a system makes, or of a draft. */
defineProps<{ src: string }>();
</script>

<template>
  <img :src="src" alt="" loading="lazy" decoding="async" />
</template>

<style scoped>
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
}
</style>
