<script setup lang="ts">
import { ref } from "vue";

/** Leads round the rooms of the application. */
defineEmits<{ close: [] }>();
const open = ref(true);
const STOPS = [
  {
    target: "#to-bodies",
    title: "Measure first",
    description: "Under Bodies you write down what the tape reads, in eighths or in centimetres, and see on the figure where it runs.",
  },
  {
    target: "#to-shelf",
    title: "Then take a system down",
    description: "The shelf has the drafting systems. Choose one, and whose body it is for.",
  },
  {
    target: "#to-workroom",
    title: "Your drafts are kept here",
    description: "Everything saves itself. Go on where you stopped, on any machine.",
  },
  {
    target: "#unit-switch",
    title: "Inches or centimetres",
    description: "Your tape is shown in the unit you choose; each system keeps the unit its teacher wrote it in.",
  },
];
</script>

<template>
  <el-tour v-model="open" @close="$emit('close')" @finish="$emit('close')">
    <el-tour-step v-for="stop in STOPS" :key="stop.target" v-bind="stop" />
  </el-tour>
</template>
