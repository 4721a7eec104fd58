<script setup lang="ts">
import { type Assignment, assignmentRoutes, type Draft, type HandIn } from "@lodrin/contract";
import { filledFrom } from "@lodrin/core";
import { v4 as uuid } from "uuid";
import { computed, ref } from "vue";
import { useRouter } from "vue-router";
import { call } from "../../../api/call.js";
import { useDrafts } from "../../../stores/drafts.js";
import { usePeople } from "../../../stores/people.js";
import type { ShelfSystem } from "../../../stores/shelf.js";
import LinkButton from "../../../ui/LinkButton.vue";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useLoad } from "../../../ui/use-load.js";
import { useKeptText } from "../../../ui/use-kept-text.js";
import { readingSaid } from "../../../review/cause-words.js";
import { draftName, firstDrawn } from "../../../drafting/new-draft.js";
import PictureField from "../paper-picture/PictureField.vue";
import type { MarkedPicture } from "../paper-picture/picture-file.js";

/** What is asked, and handing it in: the draft as it stands, with what was read on the paper. */
const props = defineProps<{ assignment: Assignment; handIns: readonly HandIn[]; system: ShelfSystem }>();
const emit = defineEmits<{ handed: [handIn: HandIn] }>();
const drafts = useDrafts();
const people = usePeople();
const router = useRouter();
const { ready } = useLoad(() => Promise.all([drafts.load(), people.load()]));
const { why, attempt } = useAttempt();
const mine = computed(() =>
  drafts.drafts.filter((d) => d.slug === props.assignment.slug && d.systemVersion === props.assignment.systemVersion),
);
const chosen = ref<string>();
const draft = computed(() => mine.value.find((d) => d.id === chosen.value) ?? mine.value[0]);
const note = useKeptText(() => `hand-in-${props.assignment.id}`);
const picture = ref<MarkedPicture>();

/** Begins the draft that is asked for, on the body that is given or on my own newest figures. */
const begin = (): Promise<void> =>
  attempt(async () => {
    const { body, slug, settings } = props.assignment;
    const me = people.people.find((p) => p.isSelf) ?? people.people[0];
    const set = me?.sets[0];
    const whose =
      body.kind === "given"
        ? { personId: null, personName: body.name, setId: null, unit: body.unit, measurements: body.measurements }
        : {
            personId: me?.id ?? null,
            personName: me?.name ?? "",
            setId: set?.id ?? null,
            unit: set?.unit ?? "cm",
            measurements: filledFrom(set?.written ?? {}, props.system.loaded.plan.measures),
          };
    const made: Draft = await drafts.add({
      ...whose,
      ...{ slug, settings, note: "", name: draftName(props.assignment.title, whose.personName || undefined) },
      step: firstDrawn(props.system.loaded.plan),
    });
    await router.push({ name: "at-table", params: { id: made.id } });
  });
const handIn = (): Promise<void> =>
  attempt(async () => {
    if (!draft.value) return;
    const body = {
      id: uuid(),
      draftId: draft.value.id,
      note: note.value,
      picture: picture.value?.data ?? null,
      marksOnPicture: picture.value?.marks ?? [],
    };
    emit("handed", await call(assignmentRoutes.handIn, { params: { id: props.assignment.id }, body }));
    note.value = "";
  });
</script>

<template>
  <section class="card asked">
    <p v-if="assignment.readings.length"><b>Read on your paper:</b> {{ assignment.readings.map(readingSaid).join("; ") }}.</p>
    <template v-if="ready && draft">
      <el-select v-if="mine.length > 1" :model-value="draft.id" aria-label="Which draft" @update:model-value="chosen = $event">
        <el-option v-for="d in mine" :key="d.id" :value="d.id" :label="d.name" />
      </el-select>
      <p v-else>
        <b>{{ draft.name }}</b>
      </p>
      <p><LinkButton :to="{ name: 'at-table', params: { id: draft.id } }">Draw it at the table</LinkButton></p>
      <PictureField v-if="assignment.picture" v-model="picture" :draft="draft" :system="system" />
      <el-input
        v-if="assignment.note"
        v-model="note"
        type="textarea"
        :autosize="{ minRows: 2 }"
        aria-label="A note to your teacher"
        placeholder="A note to your teacher"
        maxlength="4000"
      />
      <p class="small quiet">
        Your teacher sees what you hand in: the figures it is drawn on, your readings{{ assignment.picture ? ", the picture" : "" }} and the
        note, as they are now.
      </p>
      <p>
        <el-button type="primary" :disabled="assignment.picture && !picture" @click="handIn">{{
          handIns.length > 0 ? `Hand in again (attempt ${handIns.length + 1})` : "Hand it in"
        }}</el-button>
      </p>
    </template>
    <p v-else-if="ready"><el-button type="primary" @click="begin">Begin the draft</el-button></p>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </section>
</template>

<style scoped>
.asked {
  display: grid;
  gap: 10px;
  max-width: 820px;
  margin-top: 14px;
}
</style>
