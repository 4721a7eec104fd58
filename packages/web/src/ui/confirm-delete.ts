import { type DeletableKind, placeRoutes } from "@lodrin/contract";
import { ElMessageBox } from "element-plus/es/components/message-box/index";
import "element-plus/es/components/message-box/style/css";
import "element-plus/es/components/overlay/style/css";
import { h } from "vue";
import { call } from "../api/call.js";
import { sayDay } from "./times.js";

/** Something that is about to be deleted. */
export interface Deletable {
  readonly kind: DeletableKind;
  readonly id: string;
  readonly title: string;
}

/**
 * Asks before something is deleted that other things depend on, and names them with their numbers; `for good` asks always. Gives
 * whether to go on. Throws CallError when what depends on it cannot be read: then nothing is deleted.
 */
export async function confirmDelete({ kind, id, title }: Deletable, how: "for now" | "for good" = "for now"): Promise<boolean> {
  const { counts, until } = await call(placeRoutes.dependents, { params: { kind, id } });
  if (counts.length === 0 && how === "for now") return true;
  const goes = counts.map(({ one, many, count }) => h("li", `${count} ${count === 1 ? one : many}`));
  const last =
    how === "for good" ? "This cannot be undone." : `You can restore it until ${sayDay(until.slice(0, 10))}, under Account, Deleted.`;
  const message = h("div", [...(goes.length > 0 ? [h("p", "Deleted with it:"), h("ul", goes)] : []), h("p", last)]);
  return ElMessageBox.confirm(message, `Delete “${title}”${how === "for good" ? " for good" : ""}?`, {
    confirmButtonText: how === "for good" ? "Delete for good" : "Delete",
    cancelButtonText: "Cancel",
    type: "warning",
    // The safe choice is the one that Enter takes.
    autofocus: false,
  }).then(
    () => true,
    () => false,
  );
}
