<script setup lang="ts">
import type { Draft } from "@lodrin/contract";
import { RouterLink } from "vue-router";
import { useDrafts } from "../../stores/drafts.js";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** A kept draft in a list: open, duplicate, delete (with undo). */
const props = defineProps<{ draft: Draft }>();
const drafts = useDrafts();
const { why, attempt } = useAttempt();
</script>

<template>
  <div class="row">
    <RouterLink class="name" :to="{ name: 'draft', params: { id: props.draft.id } }">
      <b>{{ draft.name }}</b>
      <span class="quiet small">{{ draft.personName || draft.systemTitle }} · {{ sayMoment(draft.updatedAt) }}</span>
    </RouterLink>
    <el-button text :aria-label="`Duplicate ${draft.name}`" @click="attempt(() => drafts.duplicate(draft.id))"> Duplicate </el-button>
    <el-button text :aria-label="`Delete ${draft.name}`" @click="attempt(() => drafts.remove(draft))">Delete</el-button>
    <p v-if="why" class="callout fail small" role="alert">{{ why }}</p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
  padding: 6px 8px 6px 16px;
  border-radius: var(--radius);
  background: var(--panel);
}
.name {
  flex: 1;
  display: grid;
  padding: 6px 0;
  color: var(--ink);
  text-decoration: none;
}
.callout {
  flex-basis: 100%;
}
</style>
