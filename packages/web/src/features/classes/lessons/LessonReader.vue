<script setup lang="ts">
import type { Lesson, LessonPage, SchoolClass } from "@lodrin/contract";
import { explainStep, run, sampleBody, stepName, TRADE_WORDS } from "@lodrin/core";
import { computed, ref, watch } from "vue";
import { type ShelfSystem, useShelf } from "../../../stores/shelf.js";
import LinkButton from "../../../ui/LinkButton.vue";
import MarkdownText from "../../../ui/MarkdownText.vue";
import { useAttempt } from "../../../ui/use-attempt.js";

/** A lesson as its class reads it, page after page; a system of it is begun, or led, from here. */
const props = defineProps<{ lesson: Lesson; schoolClass: SchoolClass }>();
const shelf = useShelf();
const { why, attempt } = useAttempt();
const loaded = ref(false);
const needed = computed(() => props.lesson.pages.some((p) => p.kind === "steps"));
watch(needed, (on) => on && void attempt(async () => void (await shelf.load(), (loaded.value = true))), { immediate: true });

type StepsPage = LessonPage & { kind: "steps" };
const system = (page: StepsPage): ShelfSystem | undefined => (loaded.value ? shelf.bySlug(page.slug) : undefined);
/** The sentences of the steps of a page. */
function steps(page: StepsPage): readonly { readonly name: string; readonly text: string }[] {
  const plan = system(page)?.loaded.plan;
  if (!plan || (page.from === null && page.to === null)) return [];
  const at = (name: string | null, otherwise: number): number => {
    const found = plan.steps.findIndex((s) => stepName(s) === name);
    return found < 0 ? otherwise : found;
  };
  const sample = run(plan, sampleBody(plan));
  return plan.steps.slice(at(page.from, 0), at(page.to, plan.steps.length - 1) + 1).map((step, i) => ({
    name: stepName(step),
    text: explainStep(plan, sample, at(page.from, 0) + i, { mark: plan.system.tape }).text,
  }));
}
const means = (word: string): string => {
  const known = TRADE_WORDS.find((w) => w.word === word || w.also.includes(word));
  return known ? `${known.means}${known.also.length > 0 ? ` Also: ${known.also.join(", ")}.` : ""}` : "";
};
</script>

<template>
  <div class="pages">
    <article v-for="(page, i) in lesson.pages" :key="i" :class="page.kind">
      <MarkdownText v-if="page.kind === 'text'" :text="page.text" />
      <template v-else-if="page.kind === 'steps'">
        <h3>
          Draw: {{ system(page)?.sheet.title ?? page.slug
          }}<template v-if="page.from || page.to">, {{ page.from ?? "the beginning" }} to {{ page.to ?? "the end" }}</template>
        </h3>
        <MarkdownText v-if="page.text" :text="page.text" />
        <ol v-if="steps(page).length">
          <li v-for="s in steps(page)" :key="s.name">
            <b>{{ s.name.replace("#", "") }}</b> {{ s.text }}
          </li>
        </ol>
        <p v-if="system(page)" class="acts">
          <LinkButton v-if="!schoolClass.mine" :to="{ name: 'start', params: { slug: page.slug } }">Begin my draft</LinkButton>
          <template v-else>
            <LinkButton
              type="primary"
              :to="{
                name: 'lead',
                params: { id: schoolClass.id, slug: page.slug, version: system(page)?.sheet.version ?? 1 },
                query: page.from ? { step: page.from } : {},
              }"
              >Lead it live</LinkButton
            >
            <LinkButton
              :to="{ name: 'board', params: { id: schoolClass.id, slug: page.slug, version: system(page)?.sheet.version ?? 1 } }"
              target="_blank"
              >For the projector</LinkButton
            >
          </template>
        </p>
      </template>
      <template v-else-if="page.kind === 'words'">
        <h3>Words</h3>
        <dl>
          <template v-for="word in page.words" :key="word"
            ><dt>{{ word }}</dt>
            <dd>{{ means(word) }}</dd></template
          >
        </dl>
      </template>
      <template v-else>
        <h3>{{ page.kind === "materials" ? "Have ready" : "Take care" }}</h3>
        <MarkdownText :text="page.text" />
      </template>
    </article>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
  </div>
</template>

<style scoped>
.pages {
  display: grid;
  gap: 14px;
  max-width: 820px;
  padding-top: 12px;
}
.caution {
  padding: 10px 14px;
  border-radius: var(--radius);
  background: var(--warn-tint);
}
h3 {
  margin-bottom: 4px;
  font-size: 19px;
}
ol,
dl {
  margin: 6px 0;
}
ol {
  padding-left: 4px;
  list-style: none;
}
li {
  padding: 3px 0;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0 0 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
