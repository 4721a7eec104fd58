<script setup lang="ts">
import { accountRoutes, type ReplyOf, type Role } from "@lodrin/contract";
import { computed, onMounted, ref } from "vue";
import { call } from "../../api/call.js";
import { useSession } from "../../stores/session.js";
import { useAttempt } from "../../ui/use-attempt.js";

type Member = ReplyOf<typeof accountRoutes.members>[number];

/** The people of the place: a link for whoever forgot the password, and, for the owner, their roles. */
const props = defineProps<{ load: () => Promise<Member[]> }>();
const session = useSession();
const members = ref<readonly Member[]>([]);
const sought = ref("");
const { why, attempt } = useAttempt();
/** A link to hand on; without an address it was sent to the person by e-mail. */
const link = ref<{ name: string; url: string | undefined }>();

const shown = computed(() => {
  const text = sought.value.trim().toLowerCase();
  return members.value.filter((m) => `${m.name} ${m.email}`.toLowerCase().includes(text));
});
onMounted(() => attempt(async () => (members.value = await props.load())));

const changeRole = (member: Member, role: Role): Promise<void> =>
  attempt(async () => {
    const changed = await call(accountRoutes.changeRole, { params: { id: member.id }, body: { role } });
    members.value = members.value.map((m) => (m.id === changed.id ? changed : m));
  });

const makeLink = (member: Member): Promise<void> =>
  attempt(async () => {
    const { path } = await call(accountRoutes.resetLink, { params: { id: member.id } });
    link.value = { name: member.name, url: path === null ? undefined : new URL(path, location.href).href };
  });
</script>

<template>
  <section>
    <h2>People of this place</h2>
    <el-input
      v-model="sought"
      class="seek"
      size="large"
      clearable
      placeholder="Find by name or e-mail"
      aria-label="Find by name or e-mail"
    />
    <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
    <el-table :data="shown" :default-sort="{ prop: 'name', order: 'ascending' }" max-height="460" empty-text="Nobody of that name.">
      <el-table-column prop="name" label="Name" sortable min-width="150" />
      <el-table-column prop="email" label="E-mail" sortable min-width="220" />
      <el-table-column prop="role" label="Role" sortable min-width="150">
        <template #default="{ row }: { row: Member }">
          <el-select
            v-if="session.account?.role === 'owner' && row.id !== session.account.id"
            :model-value="row.role"
            :aria-label="`Role of ${row.name}`"
            @update:model-value="(role: Role) => changeRole(row, role)"
          >
            <el-option v-for="role in ['student', 'instructor', 'owner']" :key="role" :value="role" :label="role" />
          </el-select>
          <template v-else>{{ row.role }}</template>
        </template>
      </el-table-column>
      <el-table-column label="Forgot the password" min-width="180">
        <template #default="{ row }: { row: Member }">
          <el-button v-if="row.mayReset" :aria-label="`Make a link for ${row.name}`" @click="makeLink(row)">Make a link</el-button>
        </template>
      </el-table-column>
    </el-table>
    <el-dialog :model-value="link !== undefined" :title="`For ${link?.name ?? ''}`" width="min(560px, 92vw)" @close="link = undefined">
      <template v-if="link?.url">
        <p>
          Give this link to {{ link.name }} and nobody else: it sets a new password, once, within a day. {{ link.name }} sees at the next
          sign-in that you made it and can revoke it. Once it is used, the account is locked until {{ link.name }} confirms the new
          password.
        </p>
        <el-input class="link" :model-value="link.url" readonly size="large" aria-label="Link" />
      </template>
      <p v-else>The link was sent to {{ link?.name }} by e-mail. It works once, within a day.</p>
    </el-dialog>
  </section>
</template>

<style scoped>
.seek {
  max-width: 360px;
}
.link {
  margin-top: 12px;
}
</style>
