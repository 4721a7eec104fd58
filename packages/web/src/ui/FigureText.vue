<script setup lang="ts">
import { computed } from "vue";

/** A figure or a worked sum, its fractions set as true fractions. */
const props = defineProps<{ text: string }>();

const parts = computed(() => props.text.split(/(\d+\/\d+)/).map((part) => ({ part, fraction: /^\d+\/\d+$/.test(part) })));
</script>

<template>
  <span class="fig"
    ><template v-for="(p, i) in parts" :key="i"
      ><span v-if="p.fraction" class="fraction">{{ p.part }}</span
      ><template v-else>{{ p.part }}</template></template
    ></span
  >
</template>
