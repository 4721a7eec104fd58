<script setup lang="ts">
import { type RouteLocationRaw, RouterLink } from "vue-router";

/** A link to another view that looks like a button, because it is what to do next. */
defineProps<{ to: RouteLocationRaw; type?: "primary" | ""; text?: boolean }>();
</script>

<template>
  <el-button :tag="RouterLink" :to="to" :type="type ?? ''" :text="text ?? false"><slot /></el-button>
</template>
