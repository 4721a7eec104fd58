<script setup lang="ts">
import type { HomeUnit } from "@lodrin/core";
import { useSession } from "../stores/session.js";

/** Inches or centimetres on screen. */
const session = useSession();
const UNITS: { value: HomeUnit; label: string }[] = [
  { value: "in", label: "in" },
  { value: "cm", label: "cm" },
];
</script>

<template>
  <el-segmented
    :model-value="session.unit"
    :options="UNITS"
    aria-label="Show lengths in"
    @update:model-value="session.prefer({ unit: $event as HomeUnit })"
  />
</template>
