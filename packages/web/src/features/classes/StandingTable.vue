<script setup lang="ts">
import { classRoutes, type SchoolClass, type Standing } from "@lodrin/contract";
import { computed, shallowRef } from "vue";
import { call } from "../../api/call.js";
import LoadState from "../../ui/LoadState.vue";
import { sayMoment } from "../../ui/times.js";
import { useLoad } from "../../ui/use-load.js";
import { minutesSaid } from "../../ui/minutes-said.js";
import { readingSaid } from "../../review/cause-words.js";

/** Who is where in each draft, and which readings are off and why: of students who share their figures. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const standing = shallowRef<readonly Standing[]>([]);
const { ready, why, again } = useLoad(
  async () => (standing.value = await call(classRoutes.standing, { params: { id: props.schoolClass.id } })),
);
const silent = computed(() => props.schoolClass.members.filter((m) => !m.shares));
const systems = computed(() => [...new Set(standing.value.map((s) => s.systemTitle))].map((title) => ({ text: title, value: title })));
const groupOf = (s: Standing): string => props.schoolClass.members.find((m) => m.accountId === s.accountId)?.group ?? "";
const rows = (row: unknown): Standing => row as Standing;
const ofSystem = (title: string, row: unknown): boolean => rows(row).systemTitle === title;
const byOff = (a: unknown, b: unknown): number => rows(a).off.length - rows(b).off.length;
</script>

<template>
  <LoadState v-if="!ready" what="where each stands" :why="why" @again="again" />
  <template v-else>
    <el-table :data="[...standing]" max-height="620" empty-text="Nobody shares their figures yet.">
      <el-table-column prop="name" label="Student" sortable min-width="140" fixed>
        <template #default="{ row }"
          >{{ rows(row).name }}<span v-if="groupOf(rows(row))" class="quiet small"> · {{ groupOf(rows(row)) }}</span></template
        >
      </el-table-column>
      <el-table-column
        prop="draftName"
        label="Draft"
        min-width="190"
        sortable
        :filters="systems"
        :filter-method="ofSystem"
        column-key="system"
      />
      <el-table-column label="Drawn" prop="ticked" sortable width="110"
        ><template #default="{ row }">{{ rows(row).ticked }} steps</template></el-table-column
      >
      <el-table-column label="At the table" prop="seconds" sortable width="170"
        ><template #default="{ row }">{{ rows(row).seconds > 0 ? minutesSaid(rows(row).seconds / 60) : "" }}</template></el-table-column
      >
      <el-table-column label="Readings off, and why" min-width="320" sortable :sort-method="byOff">
        <template #default="{ row }">
          <p v-for="r in rows(row).off" :key="r.name" class="off">
            <b>{{ readingSaid(r.name) }}</b> {{ r.written }}: {{ r.says }}
          </p>
          <span v-if="rows(row).off.length === 0 && rows(row).readings > 0" class="pass">{{ rows(row).readings }} right</span>
        </template>
      </el-table-column>
      <el-table-column label="Last at it" prop="updatedAt" sortable width="140"
        ><template #default="{ row }">{{ sayMoment(rows(row).updatedAt) }}</template></el-table-column
      >
    </el-table>
    <p v-if="silent.length" class="quiet small silent">
      {{ silent.map((m) => m.name).join(", ") }} {{ silent.length === 1 ? "does" : "do" }} not share figures; you see what they hand in.
    </p>
  </template>
</template>

<style scoped>
.off {
  color: var(--fail);
}
.pass {
  color: var(--pass);
}
.silent {
  margin-top: 10px;
}
</style>
