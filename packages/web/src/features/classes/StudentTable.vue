<script setup lang="ts">
import { type ClassMember, classRoutes, type SchoolClass } from "@lodrin/contract";
import { call } from "../../api/call.js";
import { useClasses } from "../../stores/classes.js";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";
import SettledInput from "../../ui/SettledInput.vue";

/** Who is in the class, in which group, and whether they share their figures. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const classes = useClasses();
const { why, attempt } = useAttempt();
const params = ({ accountId }: ClassMember): { id: string; accountId: string } => ({ id: props.schoolClass.id, accountId });
const group = (member: ClassMember, text: string): Promise<void> =>
  attempt(async () => void classes.refresh(await call(classRoutes.groupMember, { params: params(member), body: { group: text.trim() } })));
const remove = (member: ClassMember): Promise<void> =>
  attempt(async () => {
    await call(classRoutes.removeMember, { params: params(member) });
    const { members, removed } = props.schoolClass;
    const { accountId, name } = member;
    classes.refresh({
      ...props.schoolClass,
      members: members.filter((m) => m.accountId !== accountId),
      removed: [...removed, { accountId, name }],
    });
  });
const readmit = (accountId: string): Promise<void> =>
  attempt(async () => void classes.refresh(await call(classRoutes.readmit, { params: { id: props.schoolClass.id, accountId } })));
const rows = (row: unknown): ClassMember => row as ClassMember;
</script>

<template>
  <el-table :data="schoolClass.members" :empty-text="`Nobody yet. Give out the code ${schoolClass.code}.`" max-height="640">
    <el-table-column prop="name" label="Name" sortable min-width="160" />
    <el-table-column label="Group" prop="group" sortable min-width="150">
      <template #default="{ row }">
        <SettledInput
          :text="rows(row).group"
          :label="`Group of ${rows(row).name}`"
          placeholder="no group"
          maxlength="60"
          @put="group(rows(row), $event)"
        />
      </template>
    </el-table-column>
    <el-table-column label="Figures" prop="shares" sortable width="150">
      <template #default="{ row }">{{ rows(row).shares ? "shared" : "not shared" }}</template>
    </el-table-column>
    <el-table-column label="In the class since" width="170"
      ><template #default="{ row }">{{ sayMoment(rows(row).joinedAt) }}</template></el-table-column
    >
    <el-table-column label="Remove" width="130">
      <template #default="{ row }">
        <el-popconfirm
          :title="`Remove ${rows(row).name} from the class? Their hand-ins stay, and they cannot join again by themselves.`"
          width="300"
          confirm-button-text="Remove"
          cancel-button-text="Cancel"
          @confirm="remove(rows(row))"
        >
          <template #reference><el-button text>Remove</el-button></template>
        </el-popconfirm>
      </template>
    </el-table-column>
  </el-table>
  <section v-if="schoolClass.removed.length" class="removed">
    <h3>Removed</h3>
    <p class="small quiet">They cannot join this class again until you let them.</p>
    <ul>
      <li v-for="r in schoolClass.removed" :key="r.accountId">
        {{ r.name }} <el-button text @click="readmit(r.accountId)">Let {{ r.name }} join again</el-button>
      </li>
    </ul>
  </section>
  <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
</template>

<style scoped>
.removed {
  margin-top: 24px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
