<script setup lang="ts">
import { CopyDocument, Delete, Grid, Key, Moon, MoreFilled, Sunny, Tickets } from "@element-plus/icons-vue";
import { computed } from "vue";
import { useRouter } from "vue-router";
import type { ShelfSystem } from "../../stores/shelf.js";
import { useDrafts } from "../../stores/drafts.js";
import { useSession } from "../../stores/session.js";
import LinkButton from "../../ui/LinkButton.vue";
import SaveState from "../../ui/SaveState.vue";
import TableHeader from "../../ui/TableHeader.vue";
import UnitSwitch from "../../ui/UnitSwitch.vue";
import { useAttempt } from "../../ui/use-attempt.js";
import { draftName } from "../../drafting/new-draft.js";
import type { DraftAutosave } from "../../drafting/use-draft.js";

/** Over the table: which draft this is, whether it is saved, the unit, and what can be done with the draft as a whole. */
const props = defineProps<{ autosave: DraftAutosave; system: ShelfSystem }>();
const emit = defineEmits<{ keys: [] }>();
const drafts = useDrafts();
const session = useSession();
const router = useRouter();
const { local, state, savedAt, why } = props.autosave;
const { why: failed, attempt } = useAttempt();

/** The system, where the draft's own name does not say it already. */
const about = computed(() => {
  const { title, version } = props.system.sheet;
  return local.name.startsWith(draftName(title, undefined)) ? `version ${version}` : `${title}, version ${version}`;
});

const ACTS: Readonly<Record<string, () => unknown>> = {
  duplicate: () =>
    attempt(async () => {
      await props.autosave.flush();
      const copy = await drafts.duplicate(local.id);
      await router.push({ name: "draft", params: { id: copy.id } });
    }),
  remove: () =>
    attempt(async () => {
      await props.autosave.flush();
      await drafts.remove({ id: local.id, name: local.name });
      await router.push({ name: "workroom" });
    }),
  table: () => router.push({ name: "at-table", params: { id: local.id } }),
  keys: () => emit("keys"),
  look: () => session.prefer({ look: session.night ? "day" : "night" }),
  workroom: () => router.push({ name: "workroom" }),
};
</script>

<template>
  <TableHeader class="header" :title="local.name" :home="{ name: 'workroom' }" home-name="To the workroom">
    <template #about>
      <span class="quiet small about">{{ about }}</span>
    </template>
    <el-alert v-if="failed" class="failed" :title="failed" type="error" role="alert" @close="failed = ''" />
    <SaveState :state="state" :saved-at="savedAt" :why="why" />
    <LinkButton v-if="state === 'signed-out'" :to="{ name: 'sign-in', query: { to: `/drafts/${local.id}` } }">Sign in again</LinkButton>
    <LinkButton class="at-table" :to="{ name: 'at-table', params: { id: local.id } }">At the table</LinkButton>
    <UnitSwitch />
    <el-dropdown trigger="click" placement="bottom-end" @command="(act: string) => ACTS[act]?.()">
      <el-button text :icon="MoreFilled" aria-label="More for this draft"><span class="more">More</span></el-button>
      <template #dropdown>
        <el-dropdown-menu>
          <el-dropdown-item command="table" :icon="Tickets">At the table</el-dropdown-item>
          <el-dropdown-item command="duplicate" :icon="CopyDocument">Duplicate this draft</el-dropdown-item>
          <el-dropdown-item command="remove" :icon="Delete">Delete this draft</el-dropdown-item>
          <el-dropdown-item command="keys" :icon="Key" divided>All keys (?)</el-dropdown-item>
          <el-dropdown-item command="look" :icon="session.night ? Sunny : Moon">{{
            session.night ? "Day colours" : "Night colours"
          }}</el-dropdown-item>
          <el-dropdown-item command="workroom" :icon="Grid">To the workroom</el-dropdown-item>
        </el-dropdown-menu>
      </template>
    </el-dropdown>
  </TableHeader>
</template>

<style scoped>
.about {
  flex: none;
  max-width: 30vw;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.failed {
  width: auto;
}
@media (width < 1100px) {
  .about {
    display: none;
  }
}
@media (width < 620px) {
  .at-table,
  .more,
  .header :deep(.state:not(.bad)) {
    display: none;
  }
}
</style>
