<script setup lang="ts">
import { statementsOf, type System, wordsIn } from "@lodrin/core";
import { computed } from "vue";
import { useRouter } from "vue-router";
import { useDrafts } from "../../stores/drafts.js";
import { useAttempt } from "../../ui/use-attempt.js";
import type { DraftAutosave } from "./use-draft.js";

/** Name and note of the draft, its lesson and cautions, duplicate and delete. */
const props = defineProps<{ autosave: DraftAutosave; system: System }>();
const drafts = useDrafts();
const router = useRouter();
const { local } = props.autosave;
const { why, attempt } = useAttempt();

const lesson = computed(() => statementsOf(props.system, "lesson").map((l) => l.text));
const closures = computed(() => statementsOf(props.system, "closes").map((c) => c.text));
const words = computed(() => wordsIn(props.system));
const cautions = computed(() => statementsOf(props.system, "caution").map((c) => c.text));

const duplicate = (): Promise<void> =>
  attempt(async () => {
    await props.autosave.flush();
    const copy = await drafts.duplicate(local.id);
    await router.push({ name: "draft", params: { id: copy.id } });
  });

const remove = (): Promise<void> =>
  attempt(async () => {
    await props.autosave.flush();
    await drafts.remove({ id: local.id, name: local.name });
    await router.push({ name: "workroom" });
  });

function rename(event: Event): void {
  const input = event.target as HTMLInputElement;
  if (input.value.trim() === "") input.value = local.name;
  else local.name = input.value;
}
</script>

<template>
  <div class="drawer-body">
    <label class="text-field"><span>Name of this draft</span><input :value="local.name" maxlength="120" @change="rename" /></label>
    <label class="text-field"
      ><span>Note</span
      ><textarea v-model="local.note" rows="5" maxlength="4000" placeholder="What the fitting changed, which cloth, who it is for …" />
    </label>
    <div class="acts">
      <button class="button" @click="duplicate">Duplicate</button>
      <button class="button" @click="remove">Delete</button>
    </div>
    <p v-if="why" class="callout fail small" role="alert">{{ why }}</p>
    <template v-if="lesson.length">
      <h3>Lesson</h3>
      <p v-for="text in lesson" :key="text">{{ text }}</p>
    </template>
    <template v-if="words.length">
      <h3>Words</h3>
      <dl class="words">
        <div v-for="w in words" :key="w.word">
          <dt>
            {{ w.word }}<small v-if="w.also.length"> also {{ w.also.join(", ") }}</small>
          </dt>
          <dd>{{ w.means }}</dd>
        </div>
      </dl>
    </template>
    <template v-if="closures.length">
      <h3>How it closes</h3>
      <p v-for="text in closures" :key="text">{{ text }}</p>
    </template>
    <template v-if="cautions.length">
      <h3>Take care</h3>
      <p v-for="text in cautions" :key="text" class="callout warn small">{{ text }}</p>
    </template>
  </div>
</template>

<style scoped>
.drawer-body {
  display: grid;
  gap: 12px;
}
.acts {
  display: flex;
  gap: 10px;
}
.words {
  display: grid;
  gap: 8px;
  margin: 0;
}
.words dt {
  font-weight: 600;
}
.words dt small {
  font-weight: 400;
  color: var(--ink-2);
}
.words dd {
  margin: 0;
}
h3 {
  margin-top: 8px;
  font-size: 18px;
}
</style>
