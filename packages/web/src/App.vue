<script setup lang="ts">
import { computed } from "vue";
import { RouterLink, RouterView, useRoute } from "vue-router";
import { useSession } from "./stores/session.js";
import AccountMenu from "./ui/AccountMenu.vue";
import FaultNotice from "./ui/FaultNotice.vue";
import PasswordNotice from "./ui/PasswordNotice.vue";
import UnitSwitch from "./ui/UnitSwitch.vue";

const session = useSession();
const route = useRoute();

const framed = computed(() => session.account !== undefined && route.meta["full"] !== true && route.meta["open"] !== true);

/** A draft is another view for every draft; the other rooms stay as they are while their address changes. */
const view = computed(() => `${String(route.name)} ${route.name === "draft" ? String(route.params["id"]) : ""}`);
</script>

<template>
  <el-config-provider size="large" :button="{ autoInsertSpace: false }">
    <a class="visually-hidden" href="#main">Skip to content</a>
    <header v-if="framed" class="top">
      <RouterLink class="home" :to="{ name: 'workroom' }"
        ><img src="/mark.svg" alt="" width="26" height="26" /><span>Lodrin</span></RouterLink
      >
      <nav aria-label="Rooms">
        <RouterLink id="to-workroom" :to="{ name: 'workroom' }">Workroom</RouterLink>
        <RouterLink id="to-shelf" :to="{ name: 'shelf' }">Shelf</RouterLink>
        <RouterLink id="to-bodies" :to="{ name: 'bodies' }">Bodies</RouterLink>
        <RouterLink :to="{ name: 'sizes' }">Sizes</RouterLink>
        <RouterLink :to="{ name: 'classes' }">Classes</RouterLink>
        <RouterLink v-if="session.account?.role !== 'student'" :to="{ name: 'builder' }">Builder</RouterLink>
      </nav>
      <span class="room" />
      <UnitSwitch id="unit-switch" />
      <AccountMenu />
    </header>
    <main id="main" :class="{ framed }" tabindex="-1">
      <PasswordNotice v-if="session.account?.notice && !route.meta['open']" :notice="session.account.notice" />
      <RouterView v-if="session.account?.notice?.kind !== 'password-chosen' || route.meta['open']" :key="view" />
    </main>
    <FaultNotice />
  </el-config-provider>
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
main {
  height: 100%;
  outline: none;
}
main.framed {
  height: calc(100% - 56px);
  overflow: auto;
}
@media (width < 620px) {
  .top {
    padding: 0 6px;
    gap: 2px;
  }
  .home {
    margin-right: 4px;
  }
  .home span,
  .top :deep(.name) {
    display: none;
  }
  nav {
    flex: 0 1 auto;
    min-width: 0;
    overflow-x: auto;
  }
  nav a {
    flex: none;
    padding: 9px 6px;
    font-size: 15px;
  }
}
</style>
