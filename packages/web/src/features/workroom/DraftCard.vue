<script setup lang="ts">
import type { Draft, DraftCard } from "@lodrin/contract";
import { CopyDocument, Delete, MoreFilled } from "@element-plus/icons-vue";
import { RouterLink } from "vue-router";
import { useDrafts } from "../../stores/drafts.js";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { draftPicturePath } from "../../api/pictures.js";
import CardPicture from "../../ui/CardPicture.vue";
import { factsText, standsAt } from "./facts-text.js";

/** A kept draft: its drawing, how far it is, what its checks say; open, duplicate, delete (with undo). */
const props = defineProps<{ draft: Draft; facts: DraftCard | undefined }>();
const drafts = useDrafts();
const { why, attempt } = useAttempt();
const act = (what: string): Promise<void> =>
  attempt(() => (what === "duplicate" ? drafts.duplicate(props.draft.id) : drafts.remove(props.draft)));
</script>

<template>
  <article class="draft" :aria-label="draft.name">
    <RouterLink class="picture" :to="{ name: 'draft', params: { id: draft.id } }" tabindex="-1" aria-hidden="true">
      <CardPicture :src="draftPicturePath(draft)" />
    </RouterLink>
    <div class="said">
      <RouterLink class="name" :to="{ name: 'draft', params: { id: draft.id } }">{{ draft.name }}</RouterLink>
      <p class="small quiet">{{ draft.personName || draft.systemTitle }} · {{ sayMoment(draft.updatedAt) }}</p>
      <template v-if="facts">
        <el-progress
          :percentage="Math.round((100 * standsAt(draft, facts)) / facts.steps)"
          :show-text="false"
          :aria-label="`${draft.name}, how far`"
        />
        <p class="small" :class="{ look: facts.misses || facts.missing }">{{ factsText(draft, facts) }}</p>
      </template>
    </div>
    <el-dropdown trigger="click" placement="bottom-end" @command="act">
      <el-button text :icon="MoreFilled" :aria-label="`More for ${draft.name}`" />
      <template #dropdown>
        <el-dropdown-menu>
          <el-dropdown-item command="duplicate" :icon="CopyDocument">Duplicate</el-dropdown-item>
          <el-dropdown-item command="delete" :icon="Delete">Delete</el-dropdown-item>
        </el-dropdown-menu>
      </template>
    </el-dropdown>
    <el-alert v-if="why" class="why" :title="why" type="error" role="alert" :closable="false" />
  </article>
</template>

<style scoped>
.draft {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) auto;
  gap: 14px;
  align-items: center;
  padding-right: 6px;
  border-radius: var(--radius);
  background: var(--panel);
  overflow: hidden;
}
.picture {
  align-self: stretch;
  display: block;
  min-height: 104px;
  height: 100%;
  max-height: 132px;
  padding: 8px;
  background: #fbf8f0;
}
.said {
  display: grid;
  gap: 2px;
  padding: 8px 0;
}
.name {
  color: var(--ink);
  font-weight: 700;
  text-decoration: none;
}
.name:hover {
  text-decoration: underline;
}
.look {
  color: var(--warn);
}
.why {
  grid-column: 1 / -1;
}
</style>
