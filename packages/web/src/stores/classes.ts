import { type BodyOf, classRoutes, type SchoolClass } from "@lodrin/contract";
import { defineStore } from "pinia";
import { v4 as uuid } from "uuid";
import { computed, ref } from "vue";
import { call } from "../api/call.js";
import { mayDelete } from "./deleting.js";
import { useUndo } from "./undo.js";

/** The classes I teach or am in. */
export const useClasses = defineStore("classes", () => {
  const classes = ref<SchoolClass[]>([]);
  const loaded = ref(false);
  const taught = computed(() => classes.value.filter((c) => c.mine));
  const joined = computed(() => classes.value.filter((c) => !c.mine));

  async function load(): Promise<void> {
    classes.value = await call(classRoutes.classes, {});
    loaded.value = true;
  }

  /** Takes up what a class has become. */
  function refresh(now: SchoolClass): SchoolClass {
    const known = classes.value.some((c) => c.id === now.id);
    classes.value = known ? classes.value.map((c) => (c.id === now.id ? now : c)) : [...classes.value, now];
    return now;
  }

  const add = async (given: Omit<BodyOf<typeof classRoutes.addClass>, "id">): Promise<SchoolClass> =>
    refresh(await call(classRoutes.addClass, { body: { id: uuid(), ...given } }));

  const join = async (code: string): Promise<SchoolClass> =>
    refresh(await call(classRoutes.joinClass, { params: { code: code.replace(/[\s-]/g, "") } }));

  const change = async (
    { id, version }: SchoolClass,
    given: Omit<BodyOf<typeof classRoutes.changeClass>, "version">,
  ): Promise<SchoolClass> => refresh(await call(classRoutes.changeClass, { params: { id }, body: { version, ...given } }));

  const share = async (id: string, shares: boolean): Promise<SchoolClass> =>
    refresh(await call(classRoutes.share, { params: { id }, body: { shares } }));

  async function leave({ id }: SchoolClass): Promise<void> {
    await call(classRoutes.leaveClass, { params: { id } });
    classes.value = classes.value.filter((c) => c.id !== id);
  }

  /** Gives whether it was deleted. */
  async function remove({ id, name }: SchoolClass): Promise<boolean> {
    if (!(await mayDelete({ kind: "class", id, title: name }))) return false;
    await call(classRoutes.removeClass, { params: { id } });
    classes.value = classes.value.filter((c) => c.id !== id);
    useUndo().offer(`“${name}” is deleted.`, async () => void refresh(await call(classRoutes.restoreClass, { params: { id } })));
    return true;
  }

  const newCode = async ({ id }: SchoolClass): Promise<SchoolClass> => refresh(await call(classRoutes.newCode, { params: { id } }));

  return { classes, loaded, taught, joined, load, refresh, add, join, change, share, leave, remove, newCode };
});
