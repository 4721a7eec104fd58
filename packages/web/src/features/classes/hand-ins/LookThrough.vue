<script setup lang="ts">
import { Download } from "@element-plus/icons-vue";
import { type Assignment, assignmentRoutes, type HandIn, type SchoolClass } from "@lodrin/contract";
import { writeResults } from "@lodrin/formats";
import { computed, ref } from "vue";
import { call } from "../../../api/call.js";
import type { ShelfSystem } from "../../../stores/shelf.js";
import { giveFile } from "../../../ui/take-file.js";
import { useAttempt } from "../../../ui/use-attempt.js";
import { sayMoment } from "../../../ui/times.js";
import { readingSaid } from "../../../review/cause-words.js";
import HandInPage from "./HandInPage.vue";
import HandInWall from "./HandInWall.vue";

/** Everything handed in for an assignment: as a table or a wall of small papers, and one of them opened. */
const props = defineProps<{ assignment: Assignment; schoolClass: SchoolClass; system: ShelfSystem; handIns: readonly HandIn[] }>();
defineEmits<{ changed: [handIn: HandIn] }>();

interface Row {
  readonly accountId: string;
  readonly name: string;
  readonly group: string;
  readonly last: HandIn | undefined;
  readonly marks: number | undefined;
}
/** Of each student of the class, and of who has left it since, the newest attempt. */
const rows = computed<Row[]>(() => {
  const newest = new Map<string, HandIn>();
  for (const one of props.handIns) if ((newest.get(one.accountId)?.attempt ?? 0) < one.attempt) newest.set(one.accountId, one);
  const members = props.schoolClass.members.map((m) => ({ accountId: m.accountId, name: m.name, group: m.group }));
  const gone = [...newest.values()].filter((h) => !members.some((m) => m.accountId === h.accountId));
  return [...members, ...gone.map((h) => ({ accountId: h.accountId, name: h.student, group: "left" }))].map((who) => {
    const last = newest.get(who.accountId);
    return {
      ...who,
      last,
      marks: last?.marks.some((m) => m !== null) ? last.marks.reduce<number>((sum, m) => sum + (m ?? 0), 0) : undefined,
    };
  });
});
const handed = computed(() => rows.value.flatMap((r) => r.last ?? []));
const most = computed(() => props.assignment.rubric.reduce((sum, r) => sum + r.marks, 0));
const WAYS = [
  { value: "table", label: "Table" },
  { value: "wall", label: "Wall" },
];
const way = ref("table");
const openId = ref<string>();
const opened = computed(() => props.handIns.find((h) => h.id === openId.value));
const attempts = computed(() => props.handIns.filter((h) => h.accountId === opened.value?.accountId));
const STATES: Readonly<Record<HandIn["state"], string>> = { handed: "handed in", seen: "seen", returned: "given back", done: "done" };
const asRow = (row: unknown): Row => row as Row;
const off = (h: HandIn | undefined): HandIn["readings"] => h?.readings.filter((r) => r.verdict === "off") ?? [];
const byOff = (a: unknown, b: unknown): number => off(asRow(a).last).length - off(asRow(b).last).length;
const FILTERS = [{ text: "not handed in", value: "" }, ...Object.entries(STATES).map(([value, text]) => ({ text, value }))];
const inState = (value: string, row: unknown): boolean => (asRow(row).last?.state ?? "") === value;

const { why, attempt } = useAttempt();
/** Those whose results go out are told so first. */
const takeOut = (): Promise<void> =>
  attempt(async () => {
    await call(assignmentRoutes.takeOut, { params: { id: props.assignment.id } });
    give();
  });
function give(): void {
  const text = writeResults(
    props.assignment.rubric.map((r) => r.text),
    rows.value.map(({ name, group, last }) => ({
      student: name,
      group,
      state: last ? STATES[last.state] : "not handed in",
      handedAt: last?.handedAt ?? "",
      attempt: last?.attempt ?? 0,
      off: off(last).map((r) => `${r.name}: ${r.code}`),
      marks: last?.marks ?? [],
    })),
  );
  giveFile(text, "text/csv", `${props.assignment.title.replace(/[^\w-]+/g, "-")}.csv`);
}
</script>

<template>
  <div class="through">
    <div class="line">
      <p>
        <b>{{ handed.length }} of {{ rows.length }}</b> handed in
      </p>
      <el-segmented v-model="way" :options="WAYS" aria-label="How to look through" />
      <el-button text :icon="Download" @click="takeOut">Results as CSV</el-button>
    </div>
    <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
    <HandInPage
      v-if="opened"
      :key="opened.id"
      :hand-in="opened"
      :attempts="attempts"
      :assignment="assignment"
      :system="system"
      teaches
      @changed="$emit('changed', $event)"
      @attempt="openId = $event"
      @close="openId = undefined"
    />
    <HandInWall v-else-if="way === 'wall'" :hand-ins="handed" :system="system" @open="openId = $event" />
    <el-table v-else :data="rows" max-height="620" empty-text="Nobody is in the class yet.">
      <el-table-column prop="name" label="Student" sortable min-width="150" fixed
        ><template #default="{ row }"
          >{{ asRow(row).name }}<span v-if="asRow(row).group" class="quiet small"> · {{ asRow(row).group }}</span></template
        ></el-table-column
      >
      <el-table-column label="State" min-width="130" :filters="FILTERS" :filter-method="inState" column-key="state"
        ><template #default="{ row }">{{
          asRow(row).last ? STATES[asRow(row).last?.state ?? "handed"] : "not handed in"
        }}</template></el-table-column
      >
      <el-table-column label="Handed in" width="170"
        ><template #default="{ row }"
          >{{ asRow(row).last ? sayMoment(asRow(row).last?.handedAt ?? "") : ""
          }}<span v-if="(asRow(row).last?.attempt ?? 1) > 1" class="quiet small">, attempt {{ asRow(row).last?.attempt }}</span></template
        ></el-table-column
      >
      <el-table-column label="Readings off, and why" min-width="330" sortable :sort-method="byOff">
        <template #default="{ row }">
          <p v-for="r in off(asRow(row).last)" :key="r.name" class="off">
            <b>{{ readingSaid(r.name) }}</b> {{ r.written }}: {{ r.says }}
          </p>
          <span v-if="asRow(row).last && off(asRow(row).last).length === 0" class="pass"
            >{{ asRow(row).last?.readings.length }} readings, all right</span
          >
        </template>
      </el-table-column>
      <el-table-column v-if="most > 0" prop="marks" label="Marks" sortable width="110"
        ><template #default="{ row }">{{
          asRow(row).marks === undefined ? "" : `${asRow(row).marks} / ${most}`
        }}</template></el-table-column
      >
      <el-table-column label="Draft" width="110"
        ><template #default="{ row }"
          ><el-button v-if="asRow(row).last" @click="openId = asRow(row).last?.id">Open</el-button></template
        ></el-table-column
      >
    </el-table>
  </div>
</template>

<style scoped>
.through {
  margin-top: 16px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin-bottom: 10px;
}
.off {
  color: var(--fail);
}
.pass {
  color: var(--pass);
}
</style>
