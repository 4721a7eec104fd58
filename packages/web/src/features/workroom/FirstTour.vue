<script setup lang="ts">
import { useStorage } from "@vueuse/core";
import { ref } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "../../stores/session.js";

/** Led round once, on the first visit of somebody who has nothing here yet; again from the account's menu. */
const props = defineProps<{ fresh: boolean }>();
const session = useSession();
const route = useRoute();
const router = useRouter();
const seen = useStorage<string[]>("lodrin-shown-round", []);
const me = session.account?.id ?? "";
const open = ref(route.query["tour"] !== undefined || (props.fresh && !seen.value.includes(me)));

function close(): void {
  if (!seen.value.includes(me)) seen.value = [...seen.value, me];
  if (route.query["tour"] !== undefined) void router.replace({ name: "workroom" });
}

const STOPS = [
  {
    target: "#to-bodies",
    title: "Measure first",
    description: "Under Bodies you write down what the tape reads, in eighths or in centimetres, and see on the figure where it runs.",
  },
  {
    target: "#to-shelf",
    title: "Then take a system down",
    description: "The shelf has the drafting systems. Choose one, and whose body it is for.",
  },
  {
    target: "#to-workroom",
    title: "Your drafts are kept here",
    description: "Everything saves itself. Go on where you stopped, on any machine.",
  },
  {
    target: "#unit-switch",
    title: "Inches or centimetres",
    description: "Your tape is shown in the unit you choose; each system keeps the unit its teacher wrote it in.",
  },
];
</script>

<template>
  <el-tour v-model="open" @close="close" @finish="close">
    <el-tour-step v-for="stop in STOPS" :key="stop.target" v-bind="stop" />
  </el-tour>
</template>
