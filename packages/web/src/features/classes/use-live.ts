import { type Follower, liveRoutes, type LiveMessage, type LiveStep } from "@lodrin/contract";
import { onScopeDispose, type Ref, ref, shallowRef } from "vue";

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

  function heard(message: LiveMessage): void {
    if (message.kind === "step") {
      told();
      // What comes late is not newer.
      if (message.live && live.value && message.live.move < live.value.move) return;
      live.value = message.live;
    } else followers.value = [...followers.value.filter((f) => f.accountId !== message.follower.accountId), message.follower];
  }

  function open(): void {
    source = new EventSource(liveRoutes.liveEvents.path.replace(":id", classId));
    source.addEventListener("open", () => (connected.value = true));
    source.addEventListener("message", (event: MessageEvent<string>) => heard(JSON.parse(event.data) as LiveMessage));
    source.addEventListener("error", () => {
      connected.value = false;
      if (source?.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_MS);
    });
  }
  open();
  onScopeDispose(() => {
    clearTimeout(again);
    source?.close();
  });
  return { live, followers, connected, known };
}
