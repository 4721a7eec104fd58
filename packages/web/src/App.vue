<script setup lang="ts">
import { computed } from "vue";
import { RouterLink, RouterView, useRoute, useRouter } from "vue-router";
import { useSession } from "./stores/session.js";
import UndoBar from "./ui/UndoBar.vue";

const session = useSession();
const route = useRoute();
const router = useRouter();

const framed = computed(() => session.account !== undefined && route.meta["full"] !== true && route.meta["open"] !== true);

/** A draft is another view for every draft; the other rooms stay as they are while their address changes. */
const view = computed(() => `${String(route.name)} ${route.name === "draft" ? String(route.params["id"]) : ""}`);

async function signOut(): Promise<void> {
  await session.signOut();
  // A fresh start, so that nothing of one person's work stays in memory for the next.
  location.assign(router.resolve({ name: "sign-in" }).href);
}
</script>

<template>
  <a class="visually-hidden" href="#main">To the content</a>
  <header v-if="framed" class="top">
    <RouterLink class="home" :to="{ name: 'workroom' }"><img src="/mark.svg" alt="" width="26" height="26" />Lodrin</RouterLink>
    <nav aria-label="Rooms">
      <RouterLink :to="{ name: 'workroom' }">Workroom</RouterLink>
      <RouterLink :to="{ name: 'shelf' }">Shelf</RouterLink>
      <RouterLink :to="{ name: 'bodies' }">Bodies</RouterLink>
    </nav>
    <span class="room" />
    <button
      class="button plain"
      :aria-label="`Show lengths in ${session.unit === 'in' ? 'centimetres' : 'inches'}`"
      @click="session.prefer({ unit: session.unit === 'in' ? 'cm' : 'in' })"
    >
      <span :class="{ on: session.unit === 'in' }">in</span>&nbsp;/&nbsp;<span :class="{ on: session.unit === 'cm' }">cm</span>
    </button>
    <button class="button plain" @click="session.prefer({ look: session.account?.look === 'night' ? 'day' : 'night' })">
      {{ session.account?.look === "night" ? "Day" : "Night" }}
    </button>
    <RouterLink class="button plain who" :to="{ name: 'account' }">{{ session.account?.name }}</RouterLink>
    <button class="button plain" @click="signOut">Sign out</button>
  </header>
  <main id="main" :class="{ framed }" tabindex="-1"><RouterView :key="view" /></main>
  <UndoBar />
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 56px;
  padding: 0 16px;
  background: var(--panel);
  border-bottom: 1px solid var(--rule);
}
.home {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-right: 14px;
  color: var(--ink);
  font: 620 21px var(--face-title);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 2px;
}
nav a {
  padding: 9px 12px;
  border-radius: var(--radius);
  color: var(--ink);
  font-weight: 600;
  text-decoration: none;
}
nav a.router-link-exact-active,
nav a.router-link-active:not([href="/"]) {
  background: var(--now-tint);
  color: var(--now);
}
.room {
  flex: 1;
}
.on {
  color: var(--now);
  text-decoration: underline;
  text-underline-offset: 4px;
}
.who {
  color: var(--ink-2);
}
main {
  height: 100%;
  outline: none;
}
main.framed {
  height: calc(100% - 56px);
  overflow: auto;
}
@media (width < 760px) {
  .who {
    display: none;
  }
}
</style>
