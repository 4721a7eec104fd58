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
    classes.refresh({ ...props.schoolClass, members: props.schoolClass.members.filter((m) => m.accountId !== member.accountId) });
  });
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
    <el-table-column label="Out" width="130">
      <template #default="{ row }">
        <el-popconfirm
          :title="`Take ${rows(row).name} out of the class?`"
          confirm-button-text="Yes"
          cancel-button-text="No"
          @confirm="remove(rows(row))"
        >
          <template #reference><el-button text>Take out</el-button></template>
        </el-popconfirm>
      </template>
    </el-table-column>
  </el-table>
  <el-alert v-if="why" :title="why" type="error" role="alert" :closable="false" />
</template>
