<script setup lang="ts">
import { ArrowDown, Guide, Moon, Sunny, SwitchButton, Timer, User } from "@element-plus/icons-vue";
import { useRouter } from "vue-router";
import { useSession } from "../stores/session.js";

/** Who is signed in, and what concerns the person and not the work. */
const session = useSession();
const router = useRouter();

async function signOut(): Promise<void> {
  await session.signOut();
  // A fresh start, so that nothing of one person's work stays in memory for the next.
  location.assign(router.resolve({ name: "sign-in" }).href);
}

const ACTS: Readonly<Record<string, () => unknown>> = {
  account: () => router.push({ name: "account" }),
  progress: () => router.push({ name: "progress" }),
  look: () => session.prefer({ look: session.night ? "day" : "night" }),
  tour: () => router.push({ name: "workroom", query: { tour: "1" } }),
  out: signOut,
};
</script>

<template>
  <el-dropdown trigger="click" placement="bottom-end" @command="(act: string) => ACTS[act]?.()">
    <el-button text class="who">
      <span class="name">{{ session.account?.name }}</span><el-icon class="el-icon--right"><ArrowDown /></el-icon>
    </el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item command="account" :icon="User">Account</el-dropdown-item>
        <el-dropdown-item command="progress" :icon="Timer">At the table so far</el-dropdown-item>
        <el-dropdown-item command="look" :icon="session.night ? Sunny : Moon">{{
          session.night ? "Day colours" : "Night colours"
        }}</el-dropdown-item>
        <el-dropdown-item command="tour" :icon="Guide">Show me round</el-dropdown-item>
        <el-dropdown-item command="out" :icon="SwitchButton" divided>Sign out</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>

<style scoped>
.name {
  max-width: 11em;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
