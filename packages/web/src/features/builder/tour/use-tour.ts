import { type Ref, ref } from "vue";
import { useRoute, useRouter } from "vue-router";

/** Whether the way round is gone: asked for by the address, and over when it is ended. */
export function useTour(): { touring: Ref<boolean>; endTour: () => void } {
  const route = useRoute();
  const router = useRouter();
  const touring = ref(route.query["tour"] !== undefined);
  const endTour = (): void => {
    touring.value = false;
    void router.replace({ query: {} });
  };
  return { touring, endTour };
}
