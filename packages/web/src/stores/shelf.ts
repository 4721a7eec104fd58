import { type SystemSheet, systemRoutes } from "@lodrin/contract";
import { type LoadedSystem, loadSystem } from "@lodrin/core";
import { defineStore } from "pinia";
import { ref, shallowRef } from "vue";
import { call } from "../api/call.js";

/** A system of the shelf; read and compiled when it is first used. */
export interface ShelfSystem {
  readonly sheet: SystemSheet;
  readonly loaded: LoadedSystem;
}

function lazily(sheet: SystemSheet): ShelfSystem {
  let loaded: LoadedSystem | undefined;
  return {
    sheet,
    get loaded() {
      return (loaded ??= loadSystem(sheet.notation, sheet.bases));
    },
  };
}

/** The systems on the shelf, and any version that a draft was made with. Compiled once each, when first used. */
export const useShelf = defineStore("shelf", () => {
  const systems = shallowRef<ShelfSystem[]>([]);
  const loaded = ref(false);
  const byVersion = new Map<string, Promise<ShelfSystem>>();

  async function load(): Promise<void> {
    if (loaded.value) return;
    systems.value = (await call(systemRoutes.shelf, {})).map(lazily);
    loaded.value = true;
  }

  /** Fetches the shelf again, after something was published. */
  async function reload(): Promise<void> {
    loaded.value = false;
    await load();
  }

  const bySlug = (slug: string): ShelfSystem | undefined => systems.value.find((s) => s.sheet.slug === slug);

  /** One version of a system. Throws CallError. */
  function version(slug: string, number: number): Promise<ShelfSystem> {
    const key = `${slug} ${number}`;
    const known = byVersion.get(key);
    if (known) return known;
    const wanted = call(systemRoutes.system, { params: { slug, version: String(number) } }).then(lazily);
    byVersion.set(key, wanted);
    wanted.catch(() => byVersion.delete(key));
    return wanted;
  }

  return { systems, loaded, load, reload, bySlug, version };
});
