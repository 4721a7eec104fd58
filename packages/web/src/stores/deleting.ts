import { placeRoutes } from "@lodrin/contract";
import { call } from "../api/call.js";
import type { Deletable } from "../ui/confirm-delete.js";

/** Asks before something is deleted that other things depend on. The question is fetched when it is first asked. */
export async function mayDelete(thing: Deletable): Promise<boolean> {
  const { confirmDelete } = await import("../ui/confirm-delete.js");
  return confirmDelete(thing);
}

/** Deletes for good what was deleted before, after it was asked with what goes along. Gives whether it was. */
export async function eraseForGood({ kind, id, title }: Deletable): Promise<boolean> {
  const { confirmDelete } = await import("../ui/confirm-delete.js");
  if (!(await confirmDelete({ kind, id, title }, "for good"))) return false;
  await call(placeRoutes.eraseDeleted, { params: { kind, id } });
  return true;
}
