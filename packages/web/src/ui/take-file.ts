import { ElNotification } from "element-plus/es/components/notification/index";
import "element-plus/es/components/notification/style/css";
import { h } from "vue";
import FileProgress from "./FileProgress.vue";

/** Quicker than this a file needs no word about it. */
const QUICK_MS = 500;
/** A file's address is let go after so long: by then it is read. */
const KEPT_MS = 60_000;

/**
 * Fetches a file that takes a while to make, says so meanwhile with a way to stop it, and opens it. Throws Error with the
 * server's reason when it could not be made. With `wanted` it is asked for by what is said there.
 */
export async function takeFile(path: string, name: string, wanted?: object): Promise<void> {
  const stop = new AbortController();
  let told: { close: () => void } | undefined;
  const timer = setTimeout(() => {
    told = ElNotification({
      message: () => h(FileProgress, { name, onStop: () => stop.abort() }),
      duration: 0,
      position: "bottom-right",
      showClose: false,
    });
  }, QUICK_MS);
  try {
    const asked: RequestInit =
      wanted === undefined ? {} : { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(wanted) };
    const reply = await fetch(path, { ...asked, signal: stop.signal, credentials: "same-origin" });
    if (!reply.ok) throw new Error(await reasonOf(reply));
    open(await reply.blob(), name);
  } catch (error) {
    if (stop.signal.aborted) return;
    throw error instanceof TypeError ? new Error("Lodrin cannot be reached just now. Try again when the connection is back.") : error;
  } finally {
    clearTimeout(timer);
    told?.close();
  }
}

async function reasonOf(reply: Response): Promise<string> {
  const problem = (await reply.json().catch(() => undefined)) as { detail?: string } | undefined;
  return problem?.detail ?? "The file could not be made. Try again.";
}

/** In a window of its own where the browser allows it, or else to be saved. */
function open(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  setTimeout(() => URL.revokeObjectURL(address), KEPT_MS);
  if (blob.type.startsWith("application/pdf") && window.open(address, "_blank")) return;
  Object.assign(document.createElement("a"), { href: address, download: name }).click();
}

/** Hands a file that was made here to whoever asked for it, to be saved. */
export function giveFile(content: string, type: string, name: string): void {
  open(new Blob([content], { type }), name);
}
