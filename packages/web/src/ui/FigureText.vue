<script setup lang="ts">
import { computed } from "vue";
import { fractionsIn } from "./fractions.js";

/** A figure or a worked sum, its fractions set as true fractions. */
const props = defineProps<{ text: string }>();

const parts = computed(() => fractionsIn(props.text));
</script>

<template>
  <span class="fig"
    ><template v-for="(p, i) in parts" :key="i"
      ><span v-if="p.fraction" class="fraction">{{ p.part }}</span
      ><template v-else>{{ p.part }}</template></template
    ></span
  >
</template>
