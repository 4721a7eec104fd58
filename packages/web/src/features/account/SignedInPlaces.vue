<script setup lang="ts">
import { accountRoutes, type SignedIn } from "@lodrin/contract";
import { onMounted, ref } from "vue";
import { call } from "../../api/call.js";
import { sayMoment } from "../../ui/times.js";
import { useAttempt } from "../../ui/use-attempt.js";

/** The places where the account is signed in, and an end to all but this one. */
const places = ref<readonly SignedIn[]>([]);
const { why, attempt } = useAttempt();

const fetchPlaces = (): Promise<void> => attempt(async () => (places.value = await call(accountRoutes.signedIn, {})));

const signOutElsewhere = (): Promise<void> =>
  attempt(async () => {
    await call(accountRoutes.signOutElsewhere, {});
    places.value = await call(accountRoutes.signedIn, {});
  });

onMounted(fetchPlaces);

/** The browser's name out of the long text by which it names itself. */
const browser = (device: string): string =>
  /(Firefox|Edg|Chrome|Safari|curl)\/[\d.]+/.exec(device)?.[1]?.replace("Edg", "Edge") ?? "A browser";
const system = (device: string): string => /\((?:X11; )?([^;)]+)/.exec(device)?.[1] ?? "";
</script>

<template>
  <ul>
    <li v-for="place in places" :key="place.id">
      <b>{{ browser(place.device) }}</b><template v-if="system(place.device)"> on {{ system(place.device) }}</template>
      <span class="quiet small">since {{ sayMoment(place.since) }}</span>
      <el-tag v-if="place.here" round>here</el-tag>
    </li>
  </ul>
  <el-alert v-if="why" :title="why" type="error" role="alert" show-icon :closable="false" />
  <el-button v-if="places.length > 1" size="large" @click="signOutElsewhere"> Sign out everywhere else </el-button>
</template>

<style scoped>
ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 8px;
}
</style>
