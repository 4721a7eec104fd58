<script setup lang="ts">
import { accountRoutes } from "@lodrin/contract";
import { useSession } from "../../stores/session.js";
import { useLoad } from "../../ui/use-load.js";
import LoadState from "../../ui/LoadState.vue";
import { callAll } from "../../api/call.js";
import ChangePassword from "./ChangePassword.vue";
import DeleteAccount from "./DeleteAccount.vue";
import EventsList from "./EventsList.vue";
import MembersTable from "./MembersTable.vue";
import LinkButton from "../../ui/LinkButton.vue";
import StorageLine from "./StorageLine.vue";
import SignedInPlaces from "./SignedInPlaces.vue";

/** One's own account; for those who look after the place also the people in it. */
const session = useSession();
const { ready, why, again } = useLoad(() => session.ask());
const WORDS = { student: "Student", instructor: "Instructor", owner: "Owner of this place" } as const;
const dataPath = accountRoutes.ownData.path;
const members = () => callAll(accountRoutes.members);
</script>

<template>
  <div class="page account">
    <LoadState v-if="!ready" what="account" :why="why" @again="again" />
    <template v-else-if="session.account">
      <header>
        <h1>{{ session.account.name }}</h1>
        <p class="quiet">{{ session.account.email }} · {{ WORDS[session.account.role] }}</p>
      </header>
      <section class="card">
        <h2>Password</h2>
        <ChangePassword />
      </section>
      <div class="stack">
        <section class="card">
          <h2>Where you are signed in</h2>
          <SignedInPlaces />
        </section>
        <section class="card">
          <h2>What was done</h2>
          <EventsList />
        </section>
      </div>
      <section class="card">
        <h2>Your data</h2>
        <p>
          Your people, their measurements, drafts, hand-ins with their pictures, comments and answers in one file: as JSON for programs, as
          tables for a spreadsheet.
        </p>
        <p class="links">
          <el-button tag="a" :href="dataPath" download>Download all of it</el-button>
          <LinkButton :to="{ name: 'own-hand-ins' }">My hand-ins</LinkButton>
          <LinkButton :to="{ name: 'deleted' }">Deleted</LinkButton>
        </p>
        <StorageLine />
      </section>
      <MembersTable v-if="session.account.role !== 'student'" class="card wide" :load="members" />
      <section class="card end">
        <h2>Delete the account</h2>
        <DeleteAccount />
      </section>
    </template>
  </div>
</template>

<style scoped>
.account {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 20px;
  align-items: start;
}
header,
.wide,
.end {
  grid-column: 1 / -1;
}
.stack {
  display: grid;
  gap: 20px;
}
.card {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
