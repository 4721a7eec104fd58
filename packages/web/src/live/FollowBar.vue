<script setup lang="ts">
import type { Draft } from "@lodrin/contract";
import type { Review } from "@lodrin/core";
import { useClasses } from "../stores/classes.js";
import FollowClass from "./FollowClass.vue";

/** The lessons under way in my classes, as far as they are about this draft's system. */
defineProps<{ draft: Draft; step: string; ticked: boolean; review: Review }>();
defineEmits<{ go: [step: string] }>();
const classes = useClasses();
</script>

<template>
  <div>
    <FollowClass
      v-for="c in classes.joined"
      :key="c.id"
      :school-class="c"
      :draft="draft"
      :step="step"
      :ticked="ticked"
      :review="review"
      @go="$emit('go', $event)"
    />
  </div>
</template>
