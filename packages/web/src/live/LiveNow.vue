<script setup lang="ts">
import type { SchoolClass } from "@lodrin/contract";
import { computed, onMounted } from "vue";
import { useRouter } from "vue-router";
import { useDrafts } from "../stores/drafts.js";
import LinkButton from "../ui/LinkButton.vue";
import { useAttempt } from "../ui/use-attempt.js";
import { useLive } from "./use-live.js";

/** A lesson under way in this class: the way into it, for the teacher to lead and for a student to follow. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const { live } = useLive(props.schoolClass.id);
const drafts = useDrafts();
const router = useRouter();
const { why, attempt } = useAttempt();
onMounted(() => !props.schoolClass.mine && drafts.load().catch(() => undefined));
const mine = computed(() => drafts.drafts.find((d) => d.slug === live.value?.slug && d.systemVersion === live.value.systemVersion));
const follow = (): Promise<void> =>
  attempt(async () => {
    if (!live.value) return;
    await router.push(
      mine.value ? { name: "at-table", params: { id: mine.value.id } } : { name: "start", params: { slug: live.value.slug } },
    );
  });
</script>

<template>
  <section v-if="live" class="live" role="status">
    <p><b>A lesson is under way</b>, at {{ live.step.replace("#", "") }}.</p>
    <LinkButton
      v-if="schoolClass.mine"
      type="primary"
      :to="{ name: 'lead', params: { id: schoolClass.id, slug: live.slug, version: live.systemVersion } }"
      >Go on leading</LinkButton
    >
    <el-button v-else type="primary" @click="follow">{{ mine ? "Follow with my draft" : "Begin my draft" }}</el-button>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </section>
</template>

<style scoped>
.live {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin-top: 16px;
  padding: 10px 18px;
  border-radius: var(--radius);
  background: var(--now-tint);
}
</style>
