import { type AtTable, type HandReading, tableRoutes } from "@lodrin/contract";
import { useEventListener, useIntervalFn, useStorage } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef } from "vue";
import { call, CallError } from "../../api/call.js";

/** What was done at the table and is not yet with the server. */
interface Unsent {
  readonly ticked: readonly string[];
  readonly unticked: readonly string[];
  readonly seconds: number;
  readonly readings: readonly HandReading[];
}

const NOTHING: Unsent = { ticked: [], unticked: [], seconds: 0, readings: [] };
/** A step that takes longer was a pause (s). */
const LONGEST_STEP = 600;
const AGAIN_MS = 8_000;

export interface Table {
  readonly load: () => Promise<void>;
  readonly ticked: ComputedRef<ReadonlySet<string>>;
  /** Seconds at the table so far. */
  readonly seconds: ComputedRef<number>;
  /** The newest reading of each name, as it was written. */
  readonly readings: ComputedRef<Readonly<Record<string, string>>>;
  /** Every reading ever taken, oldest first. */
  readonly history: ComputedRef<readonly HandReading[]>;
  readonly tick: (step: string) => void;
  readonly untick: (step: string) => void;
  readonly take: (reading: HandReading) => void;
  /** Why what was done is not kept by the server yet; empty when all is. */
  readonly why: Ref<string>;
}

/** Ticks and readings of a draft: kept in this browser until the server has them. */
export function useAtTable(draftId: string): Table {
  const stored = shallowRef<AtTable>({ ticked: [], seconds: 0, readings: [] });
  const unsent = useStorage<Unsent>(`lodrin-at-table-${draftId}`, NOTHING, undefined, { mergeDefaults: true });
  const why = ref("");
  let last = Date.now();
  let sending = false;
  const params = { id: draftId };

  async function load(): Promise<void> {
    stored.value = await call(tableRoutes.atTable, { params });
    await send();
  }

  /** Sends what is not sent; what is done meanwhile waits for the next time. */
  async function send(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      for (let now = unsent.value; !isNothing(now); now = unsent.value) {
        const { ticked, unticked, seconds, readings } = now;
        if (ticked.length + unticked.length + seconds > 0) {
          stored.value = await call(tableRoutes.tick, { params, body: { ticked: [...ticked], unticked: [...unticked], seconds } });
          unsent.value = { ...less(unsent.value, now), readings: unsent.value.readings };
        }
        if (readings.length > 0) {
          stored.value = await call(tableRoutes.read, { params, body: { readings: [...readings] } });
          unsent.value = { ...unsent.value, readings: unsent.value.readings.slice(readings.length) };
        }
      }
      why.value = "";
    } catch (error) {
      why.value = `${(error as Error).message} What you do is kept in this browser meanwhile.`;
      // What the server will never take would be sent for ever.
      if (error instanceof CallError && error.status === 422) unsent.value = NOTHING;
    } finally {
      sending = false;
    }
  }
  const { pause } = useIntervalFn(() => !isNothing(unsent.value) && void send(), AGAIN_MS);
  useEventListener(window, "online", () => void send());
  useEventListener(window, "beforeunload", pause);

  const ticked = computed(() => {
    const set = new Set([...stored.value.ticked, ...unsent.value.ticked]);
    for (const step of unsent.value.unticked) set.delete(step);
    return set;
  });
  const seconds = computed(() => stored.value.seconds + unsent.value.seconds);
  const history = computed<readonly HandReading[]>(() => [...stored.value.readings, ...unsent.value.readings]);
  const readings = computed(() => Object.fromEntries(history.value.map(({ name, written }) => [name, written])));

  function tick(step: string): void {
    const took = Math.round((Date.now() - last) / 1_000);
    last = Date.now();
    const { ticked: on, unticked, seconds: before } = unsent.value;
    unsent.value = {
      ...unsent.value,
      ticked: [...on.filter((s) => s !== step), step],
      unticked: unticked.filter((s) => s !== step),
      seconds: before + Math.min(took, LONGEST_STEP),
    };
    void send();
  }

  function untick(step: string): void {
    const { ticked: on, unticked } = unsent.value;
    unsent.value = { ...unsent.value, ticked: on.filter((s) => s !== step), unticked: [...unticked, step] };
    void send();
  }

  function take(reading: HandReading): void {
    unsent.value = { ...unsent.value, readings: [...unsent.value.readings, reading] };
    void send();
  }

  return { load, ticked, seconds, readings, history, tick, untick, take, why };
}

const isNothing = ({ ticked, unticked, seconds, readings }: Unsent): boolean =>
  ticked.length + unticked.length + seconds + readings.length === 0;

/** What was done since `sent` was. */
const less = (now: Unsent, sent: Unsent): Omit<Unsent, "readings"> => ({
  ticked: now.ticked.filter((s) => !sent.ticked.includes(s)),
  unticked: now.unticked.filter((s) => !sent.unticked.includes(s)),
  seconds: now.seconds - sent.seconds,
});
