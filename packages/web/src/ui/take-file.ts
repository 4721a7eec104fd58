import { ElNotification } from "element-plus/es/components/notification/index";
import "element-plus/es/components/notification/style/css";
import { placeRoutes } from "@lodrin/contract";
import { v4 as uuid } from "uuid";
import { h, ref } from "vue";
import { call } from "../api/call.js";
import FileProgress from "./FileProgress.vue";

/** Quicker than this a file needs no word about it. */
const QUICK_MS = 500;
/** A file's address is let go after so long: by then it is read. */
const KEPT_MS = 60_000;
/** How often the place in the queue is looked up. */
const LOOK_MS = 1_500;

/**
 * Fetches a file that takes a while to make, says so meanwhile with a way to stop it, and opens it. Throws Error with the
 * server's reason when it could not be made. With `wanted` it is asked for by what is said there.
 */
export async function takeFile(path: string, name: string, wanted?: object): Promise<void> {
  const stop = new AbortController();
  const ticket = uuid();
  const ahead = ref<number | null>(null);
  let asks: ReturnType<typeof setInterval> | undefined;
  let told: { close: () => void } | undefined;
  const timer = setTimeout(() => {
    told = ElNotification({
      message: () => h(FileProgress, { name, ahead: ahead.value, onStop: () => stop.abort() }),
      duration: 0,
      position: "bottom-right",
      showClose: false,
    });
    const look = async (): Promise<void> => {
      ahead.value = await call(placeRoutes.filePlace, { params: { id: ticket } }).then(
        (reply) => reply.ahead,
        () => null,
      );
    };
    void look();
    asks = setInterval(() => void look(), LOOK_MS);
  }, QUICK_MS);
  try {
    const asked: RequestInit =
      wanted === undefined
        ? {}
        : { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify({ ...wanted, ticket }) };
    const address = wanted === undefined ? `${path}${path.includes("?") ? "&" : "?"}ticket=${ticket}` : path;
    const reply = await fetch(address, { ...asked, signal: stop.signal, credentials: "same-origin" });
    if (!reply.ok) throw new Error(await reasonOf(reply));
    open(await reply.blob(), name);
  } catch (error) {
    if (stop.signal.aborted) return;
    throw error instanceof TypeError ? new Error("Lodrin cannot be reached just now. Try again when the connection is back.") : error;
  } finally {
    clearTimeout(timer);
    clearInterval(asks);
    told?.close();
  }
}

async function reasonOf(reply: Response): Promise<string> {
  const text = await reply.text();
  const isProblem = reply.headers.get("content-type")?.startsWith("application/problem+json") === true;
  return (isProblem ? (JSON.parse(text) as { detail?: string }).detail : undefined) ?? "The file could not be made. Try again.";
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
