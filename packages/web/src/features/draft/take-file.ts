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
 * server's reason when it could not be made.
 */
export async function takeFile(path: string, name: string): Promise<void> {
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
    const reply = await fetch(path, { signal: stop.signal, credentials: "same-origin" });
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
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
}
