import { type BodyOf, type Draft, draftRoutes } from "@lodrin/contract";
import { defineStore } from "pinia";
import { v4 as uuid } from "uuid";
import { ref } from "vue";
import { call, callAll } from "../api/call.js";
import { mayDelete } from "./deleting.js";
import { useUndo } from "./undo.js";

/** The drafts I keep, newest first. */
export const useDrafts = defineStore("drafts", () => {
  const drafts = ref<Draft[]>([]);
  const loaded = ref(false);

  async function load(): Promise<void> {
    drafts.value = await callAll(draftRoutes.drafts);
    loaded.value = true;
  }

  async function add(body: BodyOf<typeof draftRoutes.addDraft>): Promise<Draft> {
    const draft = await call(draftRoutes.addDraft, { body: { id: uuid(), ...body } });
    drafts.value.unshift(draft);
    return draft;
  }

  async function duplicate(id: string): Promise<Draft> {
    const copy = await call(draftRoutes.duplicateDraft, { params: { id }, body: { id: uuid() } });
    drafts.value.unshift(copy);
    return copy;
  }

  async function remove(draft: { id: string; name: string }): Promise<void> {
    if (!(await mayDelete({ kind: "draft", id: draft.id, title: draft.name }))) return;
    await call(draftRoutes.removeDraft, { params: { id: draft.id } });
    drafts.value = drafts.value.filter((d) => d.id !== draft.id);
    useUndo().offer(`“${draft.name}” is deleted.`, async () => {
      drafts.value.unshift(await call(draftRoutes.restoreDraft, { params: { id: draft.id } }));
    });
  }

  return { drafts, loaded, load, add, duplicate, remove };
});
