<script setup lang="ts">
import LinkButton from "../../ui/LinkButton.vue";
</script>

<template>
  <div class="page">
    <h1>There is nothing at this address</h1>
    <p>It may have been deleted, or the link was cut short.</p>
    <p style="margin-top: 20px"><LinkButton type="primary" :to="{ name: 'workroom' }">To the workroom</LinkButton></p>
  </div>
</template>
