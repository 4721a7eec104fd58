<script setup lang="ts">
import { RouterLink } from "vue-router";
</script>

<template>
  <div class="page">
    <h1>There is nothing at this address</h1>
    <p>It may have been deleted, or the link was cut short.</p>
    <p style="margin-top: 20px"><RouterLink class="button main" :to="{ name: 'workroom' }">To the workroom</RouterLink></p>
  </div>
</template>
