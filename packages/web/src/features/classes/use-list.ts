import { shallowRef, type ShallowRef } from "vue";

/** A list that is loaded once and changed item by item. */
export function useList<T extends { readonly id: string }>(): {
  items: ShallowRef<readonly T[]>;
  put: (item: T) => void;
  drop: (id: string) => void;
} {
  const items = shallowRef<readonly T[]>([]);
  const put = (item: T): void => {
    const known = items.value.some((i) => i.id === item.id);
    items.value = known ? items.value.map((i) => (i.id === item.id ? item : i)) : [...items.value, item];
  };
  const drop = (id: string): void => void (items.value = items.value.filter((i) => i.id !== id));
  return { items, put, drop };
}
