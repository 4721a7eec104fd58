<script setup lang="ts">
import { accountRoutes, type Storage } from "@lodrin/contract";
import { computed, onMounted, shallowRef } from "vue";
import { call } from "../../api/call.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** How much space the account has used, and for the owner the whole of Lodrin; with a warning before it is full. */
const storage = shallowRef<Storage>();
const { why, attempt } = useAttempt();
onMounted(() => attempt(async () => (storage.value = await call(accountRoutes.storage, {}))));

const NEARLY_FULL = 80;
const megabytes = (bytes: number): string =>
  bytes < 1_048_576 ? "less than 1 MB" : `${Math.round(bytes / 1_048_576).toLocaleString()} MB`;
const rows = computed(() =>
  [
    { what: "Your account", of: storage.value?.account },
    { what: "All of Lodrin", of: storage.value?.place },
  ].flatMap(({ what, of }) => (of ? [{ what, ...of, share: Math.min(100, Math.round((of.used / of.most) * 100)) }] : [])),
);
</script>

<template>
  <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
  <div v-for="row in rows" :key="row.what" class="row">
    <p>{{ row.what }}: {{ megabytes(row.used) }} of {{ megabytes(row.most) }}</p>
    <el-progress
      :percentage="row.share"
      :show-text="false"
      :status="row.share >= NEARLY_FULL ? 'exception' : ''"
      :aria-label="`${row.what}: ${row.share} per cent used`"
    />
    <p v-if="row.share >= NEARLY_FULL" class="small" role="status">
      <b>Nearly full.</b>
      {{
        row.what === "Your account"
          ? "Delete what you no longer need, then delete it for good under Deleted."
          : "Give Lodrin more room (LODRIN_PLACE_MB)."
      }}
    </p>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  gap: 4px;
}
</style>
