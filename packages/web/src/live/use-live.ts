import { type Follower, liveRoutes, type LiveMessage, type LiveStep } from "@lodrin/contract";
import { pathOf } from "../api/call.js";
import { onScopeDispose, type Ref, ref, shallowRef } from "vue";

/** The server sends a beat every 20 s: a stream that is silent for longer is dead, and another is opened. */
const SILENT_MS = 45_000;
/** A browser gives a stream up when it is answered with an error; it is opened again then. */
const AGAIN_MS = 2_000;

/** Watches a class: where it is just now, and for its teacher who follows. A lost connection comes back by itself. */
export function useLive(classId: string): {
  live: Ref<LiveStep | null>;
  followers: Ref<readonly Follower[]>;
  connected: Ref<boolean>;
  /** Comes when it is known for the first time where the class is. */
  known: Promise<void>;
} {
  const live = shallowRef<LiveStep | null>(null);
  const followers = shallowRef<readonly Follower[]>([]);
  const connected = ref(false);
  let told: () => void = () => undefined;
  const known = new Promise<void>((resolve) => (told = resolve));
  let source: EventSource | undefined;
  let again: ReturnType<typeof setTimeout> | undefined;
  let silence: ReturnType<typeof setTimeout> | undefined;

  function heard(message: LiveMessage): void {
    if (message.kind === "step") {
      told();
      // What comes late is not newer.
      if (message.live && live.value && message.live.move < live.value.move) return;
      live.value = message.live;
    } else followers.value = [...followers.value.filter((f) => f.accountId !== message.follower.accountId), message.follower];
  }

  function alive(): void {
    connected.value = true;
    clearTimeout(silence);
    silence = setTimeout(() => {
      connected.value = false;
      source?.close();
      open();
    }, SILENT_MS);
  }

  function open(): void {
    clearTimeout(again);
    source = new EventSource(pathOf(liveRoutes.liveEvents, { id: classId }));
    source.addEventListener("open", alive);
    source.addEventListener("beat", alive);
    source.addEventListener("message", (event: MessageEvent<string>) => {
      alive();
      heard(JSON.parse(event.data) as LiveMessage);
    });
    source.addEventListener("error", () => {
      connected.value = false;
      if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_MS);
    });
  }
  open();
  onScopeDispose(() => {
    clearTimeout(again);
    clearTimeout(silence);
    source?.close();
  });
  return { live, followers, connected, known };
}
