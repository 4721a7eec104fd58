<script setup lang="ts">
/** The narrow page to which the link in a letter leads: one thing to do. */
defineProps<{ title: string }>();
</script>

<template>
  <div class="page narrow">
    <section class="card">
      <h1>{{ title }}</h1>
      <slot />
    </section>
  </div>
</template>

<style scoped>
.narrow {
  max-width: 480px;
}
.card {
  display: grid;
  gap: 16px;
}
</style>
