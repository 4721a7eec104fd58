<script setup lang="ts">
import { Bottom, Delete, Plus, Top } from "@element-plus/icons-vue";
import { type Lesson, type LessonPage, lessonRoutes } from "@lodrin/contract";
import { stepName, TRADE_WORDS } from "@lodrin/core";
import { watchDebounced } from "@vueuse/core";
import { computed, onBeforeUnmount, onMounted } from "vue";
import { call } from "../../../api/call.js";
import { useShelf } from "../../../stores/shelf.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { useKeptForm } from "../../../ui/use-kept-form.js";
import { useLoad } from "../../../ui/use-load.js";

/** A lesson written page by page; it saves itself. */
const props = defineProps<{ lesson: Lesson }>();
const emit = defineEmits<{ saved: [lesson: Lesson]; close: [] }>();
const shelf = useShelf();
useLoad(shelf.load);
const { why, attempt } = useAttempt();
const { title, on, minutes, pages } = JSON.parse(JSON.stringify(props.lesson)) as Lesson;
// What is not saved yet is on this device: it is there again when the editor is.
const { given, forget } = useKeptForm(`lesson-${props.lesson.id}`, { title, on, minutes, pages });
let version = props.lesson.version;

const KINDS: readonly { readonly kind: LessonPage["kind"]; readonly label: string }[] = [
  { kind: "text", label: "Words of yours" },
  { kind: "steps", label: "Steps to draw" },
  { kind: "words", label: "Words of the trade" },
  { kind: "materials", label: "Materials" },
  { kind: "caution", label: "A caution" },
];
const labelOf = (kind: LessonPage["kind"]): string => KINDS.find((k) => k.kind === kind)?.label ?? "";
const systems = computed(() => shelf.systems.map(({ sheet }) => ({ value: sheet.slug, label: sheet.title })));
const stepsOf = (slug: string): string[] => shelf.bySlug(slug)?.loaded.plan.steps.map(stepName) ?? [];

function add(kind: LessonPage["kind"]): void {
  const page: LessonPage =
    kind === "words"
      ? { kind, words: [] }
      : kind === "steps"
        ? { kind, slug: shelf.systems[0]?.sheet.slug ?? "", from: null, to: null, text: "" }
        : { kind, text: "" };
  given.pages.push(page);
}
function shift(i: number, by: number): void {
  const [page] = given.pages.splice(i, 1);
  if (page) given.pages.splice(i + by, 0, page);
}

let saved = JSON.stringify({ title, on, minutes, pages });
async function save(): Promise<void> {
  const now = JSON.stringify(given);
  if (now === saved || given.title.trim() === "") return;
  await attempt(async () => {
    const body = { version, ...(JSON.parse(now) as typeof given) };
    const lesson = await call(lessonRoutes.changeLesson, { params: { id: props.lesson.id }, body });
    version = lesson.version;
    saved = now;
    if (JSON.stringify(given) === now) forget();
    emit("saved", lesson);
  });
}
const RESTS_MS = 700;
watchDebounced(given, save, { debounce: RESTS_MS, deep: true });
onMounted(save);
onBeforeUnmount(save);
</script>

<template>
  <div class="editor">
    <div class="head">
      <el-input v-model="given.title" aria-label="Title" maxlength="120" />
      <el-date-picker v-model="given.on" value-format="YYYY-MM-DD" placeholder="Day" aria-label="Day" />
      <el-input-number v-model="given.minutes" :min="0" :max="6000" :step="15" aria-label="Minutes" />
      <span>minutes</span>
    </div>
    <section v-for="(page, i) in given.pages" :key="i">
      <div class="line">
        <h3>{{ i + 1 }}. {{ labelOf(page.kind) }}</h3>
        <el-button text :icon="Top" :disabled="i === 0" :aria-label="`Page ${i + 1} further up`" @click="shift(i, -1)" />
        <el-button
          text
          :icon="Bottom"
          :disabled="i === given.pages.length - 1"
          :aria-label="`Page ${i + 1} further down`"
          @click="shift(i, 1)"
        />
        <el-button text :icon="Delete" :aria-label="`Take page ${i + 1} out`" @click="given.pages.splice(i, 1)" />
      </div>
      <template v-if="page.kind === 'steps'">
        <div class="steps">
          <el-select v-model="page.slug" filterable aria-label="System"
            ><el-option v-for="s in systems" :key="s.value" v-bind="s"
          /></el-select>
          <el-select v-model="page.from" filterable clearable placeholder="from the beginning" aria-label="From step" :value-on-clear="null"
            ><el-option v-for="s in stepsOf(page.slug)" :key="s" :value="s" :label="s"
          /></el-select>
          <el-select v-model="page.to" filterable clearable placeholder="to the end" aria-label="To step" :value-on-clear="null"
            ><el-option v-for="s in stepsOf(page.slug)" :key="s" :value="s" :label="s"
          /></el-select>
        </div>
        <el-input
          v-model="page.text"
          type="textarea"
          autosize
          aria-label="What to say about it"
          placeholder="What to say about it (Markdown)"
        />
      </template>
      <el-select v-else-if="page.kind === 'words'" v-model="page.words" multiple filterable allow-create aria-label="Words">
        <el-option v-for="w in TRADE_WORDS" :key="w.word" :value="w.word" :label="[w.word, ...w.also].join(' / ')" />
      </el-select>
      <el-input
        v-else
        v-model="page.text"
        type="textarea"
        :autosize="{ minRows: 3 }"
        :aria-label="labelOf(page.kind)"
        placeholder="Markdown"
      />
    </section>
    <p class="acts">
      <el-button v-for="k in KINDS" :key="k.kind" :icon="Plus" @click="add(k.kind)">{{ k.label }}</el-button>
    </p>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
    <p>
      <el-button type="primary" @click="save().then(() => $emit('close'))">Done</el-button>
      <span class="quiet small">It saves itself.</span>
    </p>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 14px;
  padding-top: 12px;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 190px 170px auto;
  gap: 8px;
  align-items: center;
}
.line {
  display: flex;
  align-items: center;
}
h3 {
  flex: 1;
  font-size: 18px;
}
.steps {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 8px;
  margin-bottom: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (width < 760px) {
  .head,
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
