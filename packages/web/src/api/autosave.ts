import same from "fast-deep-equal";
import { computed, type ComputedRef, reactive, ref, type Ref, watch } from "vue";
import { reportFault } from "../ui/faults.js";
import { type CallError } from "./call.js";
import { isRefusal, sendApart } from "./send-apart.js";
import { againIn, startSender } from "./sender.js";

/** Where a change stands. */
export type AutosaveState = "saved" | "waiting" | "saving" | "offline" | "signed-out" | "collision" | "refused";

/** Something with a version that is edited here and kept on the server. */
export interface Saveable {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
}

/** How one kind of thing is kept. `fields` are those a person edits here. */
export interface AutosaveRules<T extends Saveable, F extends keyof T & string> {
  readonly what: string;
  readonly fields: readonly F[];
  /** `base` is the thing as the change began from it: what a part that is kept apart from the thing leaves unchanged. */
  readonly send: (id: string, version: number, patch: Partial<Pick<T, F>>, base: T) => Promise<T>;
  /** Puts two changes of the same beginning together; undefined where both changed the same. Without it a person is asked each time. */
  readonly merge?: (began: Pick<T, F>, mine: Pick<T, F>, theirs: Pick<T, F>) => Pick<T, F> | undefined;
}

/** What lies on this device until the server has it: the edits, and the version they were made from. */
interface Pending<T> {
  readonly version: number;
  readonly patch: Partial<T>;
  /** What the fields were before; edits of an earlier Lodrin lack it. */
  readonly began?: T;
}

/** The editable fields of a thing, and whose they are. */
type Edited<T extends Saveable, F extends keyof T & string> = Pick<T, F> & { readonly id: string };

/** An edited thing that saves itself and loses nothing. */
export interface Autosave<T extends Saveable, F extends keyof T & string> {
  readonly local: Edited<T, F>;
  readonly state: Ref<AutosaveState>;
  readonly savedAt: Ref<string>;
  /** After a collision: what the server holds. */
  readonly theirs: Ref<T | undefined>;
  /** The fields as the edits that are not saved yet began. */
  readonly began: () => Pick<T, F>;
  /** How often what was saved elsewhere was merged with the edits here. */
  readonly merges: Ref<number>;
  readonly why: Ref<string>;
  readonly dirty: ComputedRef<boolean>;
  /** The version that is saved now. */
  readonly version: () => number;
  /** Sends what is waiting; resolves true when everything is saved. */
  readonly flush: () => Promise<boolean>;
  readonly keepMine: () => Promise<boolean>;
  readonly takeTheirs: () => void;
  readonly stop: () => void;
}

const PAUSE_MS = 500;

/** Starts keeping `loaded`. Edits left on this device by an earlier visit are taken up again. */
export function startAutosave<T extends Saveable, F extends keyof T & string>(loaded: T, rules: AutosaveRules<T, F>): Autosave<T, F> {
  const storageKey = `lodrin.${rules.what}.${loaded.id}`;
  let base = loaded;
  let began = pickFields(loaded, rules.fields);
  const local = reactive({ id: loaded.id, ...clone(pickFields(loaded, rules.fields)) }) as unknown as Edited<T, F>;
  const state = ref<AutosaveState>("saved");
  const savedAt = ref(loaded.updatedAt);
  const theirs = ref<T | undefined>() as Ref<T | undefined>;
  const why = ref("");
  const merges = ref(0);
  let applying = false;

  const patchNow = (): Partial<Pick<T, F>> => {
    const patch: Partial<Pick<T, F>> = {};
    for (const field of rules.fields) if (!same(local[field], base[field])) patch[field] = clone((local as Pick<T, F>)[field]);
    return patch;
  };
  const dirty = computed(() => state.value !== "saved");

  const remember = (): void => {
    const patch = patchNow();
    if (Object.keys(patch).length === 0) localStorage.removeItem(storageKey);
    else localStorage.setItem(storageKey, JSON.stringify({ version: base.version, patch, began } satisfies Pending<Pick<T, F>>));
  };

  const sender = startSender({
    waits: () => state.value !== "collision" && Object.keys(patchNow()).length > 0,
    send,
    failed: fail,
  });
  async function flush(): Promise<boolean> {
    return state.value === "collision" ? false : sender.now();
  }

  async function send(): Promise<void> {
    const patch = patchNow();
    const fields = Object.keys(patch) as F[];
    if (fields.length > 0) {
      state.value = "saving";
      try {
        settleOn(await rules.send(loaded.id, base.version, patch, base));
      } catch (error) {
        if (isRefusal(error) && fields.length > 1 && (await saveApart(fields))) return;
        throw error;
      }
      savedAt.value = base.updatedAt;
    }
    remember();
    const more = Object.keys(patchNow()).length > 0;
    state.value = more ? "waiting" : "saved";
    if (more) sender.soon(PAUSE_MS);
  }

  /** One field that is refused does not hold back the others: each is sent by itself. True when any was taken. */
  async function saveApart(fields: readonly F[]): Promise<boolean> {
    let taken = 0;
    const refused = await sendApart(fields, async (some) => {
      const patch = Object.fromEntries(some.map((field) => [field, clone((local as Pick<T, F>)[field])])) as Partial<Pick<T, F>>;
      settleOn(await rules.send(loaded.id, base.version, patch, base));
      taken += some.length;
    }).catch((error: CallError) => [{ item: fields[0], why: error.message }]);
    if (taken === 0) return false;
    savedAt.value = base.updatedAt;
    remember();
    why.value = refused.map((r) => r.why).join(" ");
    state.value = refused.length > 0 ? "refused" : "saved";
    return true;
  }

  function fail(error: CallError): void {
    why.value = error.message;
    if (error.status === 409) meet(error.current as T);
    else if (error.status === 401 || error.status === 423) state.value = "signed-out";
    // Where there is no room it says what to do, and is tried again all the same.
    else state.value = error.status === 507 || againIn(error) === undefined ? "refused" : "offline";
  }

  function settleOn(saved: T): void {
    base = saved;
    began = pickFields(saved, rules.fields);
  }

  /** Somebody else saved: both changes go on as one, or a person is asked. */
  function meet(saved: T): void {
    const together = rules.merge?.(began, pickFields(local as Pick<T, F>, rules.fields), pickFields(saved, rules.fields));
    if (!together) {
      theirs.value = saved;
      state.value = "collision";
      return;
    }
    settleOn(saved);
    merges.value += 1;
    Object.assign(local, clone(together));
    remember();
    state.value = "waiting";
    sender.soon(0);
  }

  function takeTheirs(): void {
    if (!theirs.value) return;
    settleOn(theirs.value);
    applying = true;
    Object.assign(local, clone(pickFields(base, rules.fields)));
    theirs.value = undefined;
    savedAt.value = base.updatedAt;
    state.value = "saved";
    remember();
    queueMicrotask(() => (applying = false));
  }

  async function keepMine(): Promise<boolean> {
    if (theirs.value) settleOn(theirs.value);
    theirs.value = undefined;
    state.value = "waiting";
    return flush();
  }

  const stopWatching = watch(
    () => rules.fields.map((field) => JSON.stringify(local[field])),
    () => {
      if (applying) return;
      remember();
      if (state.value === "collision") return;
      if (state.value !== "saving") state.value = "waiting";
      sender.soon(PAUSE_MS);
    },
    { flush: "sync" },
  );

  takeUp(storageKey, base, (pending) => {
    Object.assign(local, pending.patch);
    if (pending.version !== base.version && Object.keys(patchNow()).length > 0) {
      why.value = `This ${rules.what} was changed elsewhere while edits were waiting on this device.`;
      if (pending.began) began = pending.began as Pick<T, F>;
      meet(base);
    }
  });

  return {
    version: () => base.version,
    began: () => began,
    ...{ local, state, savedAt, theirs, merges, why, dirty, flush, keepMine, takeTheirs },
    stop: () => {
      stopWatching();
      const waited = state.value === "waiting";
      sender.stop();
      if (waited) void flush();
    },
  };
}

function takeUp<T>(storageKey: string, base: Saveable, apply: (pending: Pending<T>) => void): void {
  const stored = localStorage.getItem(storageKey);
  if (stored === null) return;
  try {
    const pending = JSON.parse(stored) as Pending<T>;
    if (typeof pending.version === "number" && pending.version <= base.version) apply(pending);
  } catch (error) {
    // What cannot be read is not thrown away: it lies beside, for whoever looks for it.
    localStorage.setItem(`${storageKey}.unread`, stored);
    localStorage.removeItem(storageKey);
    reportFault(error, "edits on this device");
  }
}

function pickFields<T, F extends keyof T>(from: T, fields: readonly F[]): Pick<T, F> {
  return Object.fromEntries(fields.map((field) => [field, from[field]])) as Pick<T, F>;
}

const clone = <V>(value: V): V => JSON.parse(JSON.stringify(value)) as V;
