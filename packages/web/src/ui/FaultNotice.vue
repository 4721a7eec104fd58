<script setup lang="ts">
import { newestFault } from "./faults.js";

/** Something went wrong that nobody expected: what happened, what was kept, and how to tell of it. */
const close = (): void => void (newestFault.value = undefined);
const reload = (): void => location.reload();
</script>

<template>
  <el-alert v-if="newestFault" class="fault" type="error" show-icon role="alert" title="Something went wrong in Lodrin." @close="close">
    <p>
      What you typed is saved on this device. Reload the page and go on; if it happens again, tell whoever runs this Lodrin this number:
    </p>
    <p>
      <code>{{ newestFault.id }}</code> <span class="quiet small">{{ newestFault.what }}</span>
    </p>
    <el-button @click="reload">Reload the page</el-button>
  </el-alert>
</template>

<style scoped>
.fault {
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 3000;
  width: min(520px, calc(100vw - 32px));
  box-shadow: 0 6px 24px rgb(0 0 0 / 25%);
}
code {
  user-select: all;
}
</style>
