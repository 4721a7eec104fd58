<script setup lang="ts">
import { Box, Delete, EditPen, Guide, Tickets, Upload } from "@element-plus/icons-vue";
import { type Work, workRoutes } from "@lodrin/contract";
import { v4 as uuid } from "uuid";
import { printNotation, type System } from "@lodrin/core";
import { useFileDialog } from "@vueuse/core";
import { computed, ref } from "vue";
import { RouterLink, useRouter } from "vue-router";
import { call, callAll } from "../../api/call.js";
import { useSession } from "../../stores/session.js";
import { useShelf } from "../../stores/shelf.js";
import { mayDelete } from "../../stores/deleting.js";
import { useUndo } from "../../stores/undo.js";
import LoadState from "../../ui/LoadState.vue";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";
import { useKeptText } from "../../ui/use-kept-text.js";
import { useLoad } from "../../ui/use-load.js";
import HandoutDialog from "./HandoutDialog.vue";
import NewSystemDialog from "./NewSystemDialog.vue";
import { newSystem, STARTERS, TAPES } from "./starters/starters.js";

type Listed = Omit<Work, "notation">;

/** The systems an instructor writes: begin one, go on with one, copy one from the shelf. */
const shelf = useShelf();
const session = useSession();
const router = useRouter();
const works = ref<Listed[]>([]);
const { ready, why, again } = useLoad(async () => {
  [works.value] = await Promise.all([callAll(workRoutes.works), shelf.load()]);
});
const { why: failed, attempt } = useAttempt();
const copied = ref("");

const begin = (notation: string, from?: { slug: string; version: number }, query: Record<string, string> = {}): Promise<void> =>
  attempt(async () => {
    const work = await call(workRoutes.addWork, { body: { id: uuid(), notation, ...(from ? { from } : {}) } });
    await router.push({ name: "work", params: { id: work.id }, query });
  });

function copy(slug: string): void {
  const sheet = shelf.bySlug(slug)?.sheet;
  if (sheet) void begin(sheet.notation, { slug, version: sheet.version });
}

const naming = ref(false);
/** The way round is walked on a frame, in the teacher's unit. */
function showHow(): void {
  const [frame] = STARTERS;
  const { unit } = session;
  if (frame)
    void begin(newSystem(frame, { title: "", garment: frame.garment, unit, tape: TAPES[unit][0] ?? "1mm" }), undefined, { tour: "1" });
}
const asking = ref(false);
const handout = useKeptText("new-handout");
/** The handout is kept on this device until there is a system of it. */
async function beginFromHandout(notation: string): Promise<void> {
  await begin(notation);
  if (failed.value === "") handout.value = "";
}
const told = ref("");
const { open: choose, onChange } = useFileDialog({ accept: ".lodrin,.json,.txt", multiple: false, reset: true });
onChange(async (files) => {
  const file = files?.[0];
  if (!file) return;
  const text = await file.text();
  const notation = file.name.endsWith(".json") ? notationOf(text) : text;
  if (notation === undefined) told.value = `${file.name} is no system in JSON. Take the file that “Print, files, As JSON” gives.`;
  else await begin(notation);
});
/** A system kept as JSON, as its notation; undefined where it is none. */
function notationOf(json: string): string | undefined {
  try {
    const text = printNotation(JSON.parse(json) as System);
    return /^system "/m.test(text) ? text : undefined;
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof TypeError) return undefined;
    throw error;
  }
}

const archive = (work: Listed, archived: boolean): Promise<void> =>
  attempt(async () => {
    const { notation: _, ...now } = await call(workRoutes.placeWork, { params: { id: work.id }, body: { archived } });
    works.value = works.value.map((w) => (w.id === work.id ? now : w));
  });
const away = ref(false);
const shown = computed(() => works.value.filter((w) => w.archived === away.value));
const awayCount = computed(() => works.value.filter((w) => w.archived).length);

const remove = (work: Listed): Promise<void> =>
  attempt(async () => {
    if (!(await mayDelete({ kind: "work", id: work.id, title: work.title }))) return;
    await call(workRoutes.removeWork, { params: { id: work.id } });
    works.value = works.value.filter(({ id }) => id !== work.id);
    useUndo().offer(`“${work.title}” is deleted. What is published stays on the shelf.`, async () => {
      works.value = [await call(workRoutes.restoreWork, { params: { id: work.id } }), ...works.value];
    });
  });
</script>

<template>
  <div class="page">
    <h1>My systems</h1>
    <p class="lead quiet">
      Write a drafting system once, as numbered points and measurement formulas, and see it drawn as you write. Published, it stands on the
      shelf for everyone here.
    </p>
    <LoadState v-if="!ready" what="your systems" :why="why" @again="again" />
    <template v-else>
      <div class="begin">
        <el-button type="primary" :icon="EditPen" @click="naming = true">Begin a new one</el-button>
        <el-button :icon="Tickets" @click="asking = true">Begin from a handout</el-button>
        <el-button :icon="Guide" @click="showHow">Show me how</el-button>
        <el-select
          v-model="copied"
          filterable
          placeholder="or begin with a copy from the shelf"
          aria-label="Begin with a copy"
          @change="copy"
        >
          <el-option v-for="s in shelf.systems" :key="s.sheet.slug" :value="s.sheet.slug" :label="s.sheet.title" />
        </el-select>
        <el-button :icon="Upload" @click="choose()">or bring one in</el-button>
        <el-checkbox v-if="awayCount || away" v-model="away">Put away ({{ awayCount }})</el-checkbox>
      </div>
      <NewSystemDialog v-model="naming" :garments="shelf.systems.map((s) => s.sheet.garment)" @begin="begin" />
      <HandoutDialog v-model="asking" @begin="beginFromHandout" />
      <el-alert v-if="told" :title="told" type="warning" show-icon @close="told = ''" />
      <el-alert v-if="failed" :title="failed" type="error" role="alert" :closable="false" />
      <el-empty v-if="works.length === 0" description="Nothing yet. A new one begins with a frame that draws at once: write over it." />
      <ul v-else>
        <li v-for="work in shown" :key="work.id">
          <RouterLink :to="{ name: 'work', params: { id: work.id } }">
            <b>{{ work.title }}</b>
            <span class="quiet small"
              >saved {{ sayMoment(work.updatedAt)
              }}<template v-if="work.from"> · from {{ work.from.slug }}, version {{ work.from.version }}</template></span
            >
          </RouterLink>
          <el-tag :type="work.published ? 'success' : 'info'">{{ work.published ? `version ${work.published}` : "not published" }}</el-tag>
          <el-tag v-if="work.audience !== 'everyone'" type="info">{{ work.audience === "me" ? "only me" : "my classes" }}</el-tag>
          <el-button text :icon="Box" @click="archive(work, !work.archived)">{{ work.archived ? "Take out again" : "Put away" }}</el-button>
          <el-button text :icon="Delete" :aria-label="`Delete ${work.title}`" @click="remove(work)">Delete</el-button>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.lead {
  max-width: 62ch;
  margin: 6px 0 20px;
}
.begin {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 20px;
}
.begin .el-select {
  width: 340px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 4px 8px 4px 16px;
  border-radius: var(--radius);
  background: var(--panel);
}
li a {
  flex: 1;
  display: grid;
  padding: 8px 0;
  color: var(--ink);
  text-decoration: none;
}
</style>
