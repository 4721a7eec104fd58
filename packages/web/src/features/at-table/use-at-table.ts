import { type AtTable, type HandReading, tableRoutes } from "@lodrin/contract";
import { useStorage } from "@vueuse/core";
import { computed, type ComputedRef, onScopeDispose, type Ref, ref, shallowRef } from "vue";
import { call } from "../../api/call.js";
import { type Refused, sendApart } from "../../api/send-apart.js";
import { startSender } from "../../api/sender.js";

/** A reading as it was typed, before it is judged. */
export interface TypedReading {
  readonly name: string;
  readonly written: string;
}

/** A step that was ticked, or whose tick was taken away, with the seconds since the last. */
interface Tick {
  readonly step: string;
  readonly on: boolean;
  readonly seconds: number;
}

/** What was done at the table and is not yet with the server; in the order in which it was done. */
interface Waiting {
  readonly ticks: readonly Tick[];
  /** Stored the moment they are typed: whatever judges them may fail. */
  readonly typed: readonly TypedReading[];
  readonly readings: readonly HandReading[];
}

const NOTHING: Waiting = { ticks: [], typed: [], readings: [] };
/** A step that takes longer was a pause (s). */
const LONGEST_STEP = 600;

export interface Table {
  readonly load: () => Promise<void>;
  readonly ticked: ComputedRef<ReadonlySet<string>>;
  /** Seconds at the table so far. */
  readonly seconds: ComputedRef<number>;
  /** The newest reading of each name, as it was written. */
  readonly readings: ComputedRef<Readonly<Record<string, string>>>;
  /** Every judged reading ever taken, oldest first. */
  readonly history: ComputedRef<readonly HandReading[]>;
  /** Readings that wait to be judged, oldest first. */
  readonly typed: ComputedRef<readonly TypedReading[]>;
  readonly tick: (step: string) => void;
  readonly untick: (step: string) => void;
  /** Stores a reading as it was typed. */
  readonly type: (reading: TypedReading) => void;
  /** A typed reading was judged: it goes to the server; without `judged` it is let go. */
  readonly judged: (typed: TypedReading, judged?: HandReading) => void;
  /** Why what was done is not with the server yet; empty when all is. */
  readonly why: Ref<string>;
  /** What the server does not take, and why. */
  readonly refused: Ref<readonly string[]>;
}

/** Ticks and readings of a draft: on this device until the server has them. */
export function useAtTable(draftId: string): Table {
  const stored = shallowRef<AtTable>({ ticked: [], seconds: 0, readings: [] });
  const waiting = useStorage<Waiting>(`lodrin-table-${draftId}`, NOTHING, undefined, { mergeDefaults: true });
  const why = ref("");
  const refused = ref<readonly string[]>([]);
  let last = Date.now();
  const params = { id: draftId };

  async function load(): Promise<void> {
    stored.value = await call(tableRoutes.atTable, { params });
    await sender.now();
  }

  const sendTicks = async (ticks: readonly Tick[]): Promise<void> => {
    // The last word about a step counts.
    const on = new Map(ticks.map((tick) => [tick.step, tick.on]));
    const steps = (isOn: boolean): string[] => [...on].filter(([, value]) => value === isOn).map(([step]) => step);
    const seconds = ticks.reduce((sum, tick) => sum + tick.seconds, 0);
    stored.value = await call(tableRoutes.tick, { params, body: { ticked: steps(true), unticked: steps(false), seconds } });
    waiting.value = { ...waiting.value, ticks: waiting.value.ticks.filter((tick) => !ticks.includes(tick)) };
  };
  const sendReadings = async (readings: readonly HandReading[]): Promise<void> => {
    stored.value = await call(tableRoutes.read, { params, body: { readings: [...readings] } });
    waiting.value = { ...waiting.value, readings: waiting.value.readings.filter((reading) => !readings.includes(reading)) };
  };

  const waits = (): boolean => waiting.value.ticks.length + waiting.value.readings.length > 0;

  /** Sends what waits; what is done meanwhile is sent after it. */
  async function send(): Promise<void> {
    while (waits()) {
      const { ticks, readings } = waiting.value;
      const ticksRefused = await sendApart(ticks.slice(0, MOST_AT_ONCE), sendTicks);
      const readingsRefused = await sendApart(readings.slice(0, MOST_AT_ONCE), sendReadings);
      drop(ticksRefused, readingsRefused);
    }
    why.value = "";
  }
  const sender = startSender({
    waits,
    send,
    failed: ({ message }) => (why.value = `${message} Your work is saved on this device and sent when you are back.`),
  });
  onScopeDispose(sender.stop);

  /** What is refused is shown, and waits no more. */
  function drop(ticks: readonly Refused<Tick>[], readings: readonly Refused<HandReading>[]): void {
    if (ticks.length + readings.length === 0) return;
    refused.value = [
      ...refused.value,
      ...ticks.map(({ item, why: reason }) => `${item.step} could not be ticked: ${reason}`),
      ...readings.map(({ item, why: reason }) => `The reading ${item.written} could not be saved: ${reason}`),
    ];
    waiting.value = {
      ...waiting.value,
      ticks: waiting.value.ticks.filter((tick) => !ticks.some(({ item }) => item === tick)),
      readings: waiting.value.readings.filter((reading) => !readings.some(({ item }) => item === reading)),
    };
  }

  const ticked = computed(() => {
    const set = new Set(stored.value.ticked);
    for (const { step, on } of waiting.value.ticks)
      if (on) set.add(step);
      else set.delete(step);
    return set;
  });
  const seconds = computed(() => waiting.value.ticks.reduce((sum, tick) => sum + tick.seconds, stored.value.seconds));
  const history = computed<readonly HandReading[]>(() => [...stored.value.readings, ...waiting.value.readings]);
  const readings = computed(() =>
    Object.fromEntries([...history.value, ...waiting.value.typed].map(({ name, written }) => [name, written])),
  );

  function add(step: string, on: boolean): void {
    const took = Math.round((Date.now() - last) / 1_000);
    last = Date.now();
    waiting.value = { ...waiting.value, ticks: [...waiting.value.ticks, { step, on, seconds: on ? Math.min(took, LONGEST_STEP) : 0 }] };
    void sender.now();
  }

  return {
    ...{ load, ticked, seconds, readings, history, why, refused },
    typed: computed(() => waiting.value.typed),
    tick: (step) => add(step, true),
    untick: (step) => add(step, false),
    type: (reading) => void (waiting.value = { ...waiting.value, typed: [...waiting.value.typed, reading] }),
    judged: (typed, judged) => {
      const rest = waiting.value.typed.filter((t) => t.name !== typed.name || t.written !== typed.written);
      waiting.value = { ...waiting.value, typed: rest, readings: judged ? [...waiting.value.readings, judged] : waiting.value.readings };
      void sender.now();
    },
  };
}

/** The API takes so many readings in one call. */
const MOST_AT_ONCE = 60;
