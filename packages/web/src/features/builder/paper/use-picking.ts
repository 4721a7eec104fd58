import { inject, type InjectionKey, onScopeDispose, provide, type Ref, ref, shallowRef } from "vue";
import type { Picked } from "../../../board/picked.js";

type Taker = (what: Picked) => void;

const PICKING: InjectionKey<Ref<Taker | undefined>> = Symbol("picking");

/** Lets a form take what is pressed on the paper: whether one asks, and what gives to it. */
export function providePicking(): { asked: () => boolean; give: (what: Picked) => void } {
  const taker = shallowRef<Taker>();
  provide(PICKING, taker);
  return { asked: () => taker.value !== undefined, give: (what) => taker.value?.(what) };
}

/** What is pressed on the paper fills a field of a form, while it is asked for; `field` is the field that asks. */
export function usePicking(take: (field: string, what: Picked) => void): { field: Ref<string | undefined>; ask: (field: string) => void } {
  const taker = inject(PICKING, shallowRef<Taker>());
  const field = ref<string>();
  const mine: Taker = (what) => field.value !== undefined && take(field.value, what);
  function ask(asked: string): void {
    field.value = field.value === asked ? undefined : asked;
    taker.value = field.value === undefined ? undefined : mine;
  }
  onScopeDispose(() => taker.value === mine && (taker.value = undefined));
  return { field, ask };
}
