import { useStorage } from "@vueuse/core";
import { ref, type Ref, watch } from "vue";
import { useRoute, useRouter } from "vue-router";
import { useSession } from "../../stores/session.js";

/** Whether somebody is led round: once, on the first visit of who has nothing here yet, and again from the account's menu. */
export function useFirstTour(fresh: () => boolean): { touring: Ref<boolean>; endTour: () => void } {
  const session = useSession();
  const route = useRoute();
  const router = useRouter();
  const seen = useStorage<string[]>("lodrin-shown-round", []);
  const me = session.account?.id ?? "";
  const touring = ref(route.query["tour"] !== undefined);
  watch(fresh, (now) => now && !seen.value.includes(me) && (touring.value = true), { immediate: true });
  watch(
    () => route.query["tour"],
    (asked) => asked !== undefined && (touring.value = true),
  );
  function endTour(): void {
    touring.value = false;
    if (!seen.value.includes(me)) seen.value = [...seen.value, me];
    if (route.query["tour"] !== undefined) void router.replace({ name: "workroom" });
  }
  return { touring, endTour };
}
