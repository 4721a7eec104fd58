import { CallError } from "./call.js";

/** Sends what waits on this device until the server has it. */
export interface Sender {
  /** Sends now; one call at a time. Resolves true when nothing waits any more. */
  readonly now: () => Promise<boolean>;
  /** Sends after a pause (ms); what asks again meanwhile begins the pause anew. */
  readonly soon: (ms: number) => void;
  readonly stop: () => void;
}

export interface SenderRules {
  /** Something waits that may be sent. */
  readonly waits: () => boolean;
  /** Sends some or all of it. Throws CallError when the server cannot be reached or does not take it. */
  readonly send: () => Promise<void>;
  /** Shows why it was not sent. */
  readonly failed: (error: CallError) => void;
}

const RETRY_MS = 2_500;
const SIGNED_OUT_MS = 10_000;
const FULL_MS = 30_000;

/** When what failed is tried again (ms); undefined when trying again changes nothing. */
export function againIn({ status }: CallError): number | undefined {
  // Full: there may be room later.
  if (status === 507) return FULL_MS;
  // Signed in again, here or in another tab, it goes on by itself.
  if (status === 401 || status === 423) return SIGNED_OUT_MS;
  return status === 0 || status === 408 || status === 429 || status >= 500 ? RETRY_MS : undefined;
}

/** Starts sending: again after a failure that passes, and at once when the connection is back. */
export function startSender({ waits, send, failed }: SenderRules): Sender {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<boolean> | undefined;

  function soon(ms: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void now(), ms);
  }

  async function attempt(): Promise<boolean> {
    try {
      await send();
      return !waits();
    } catch (error) {
      if (!(error instanceof CallError)) throw error;
      failed(error);
      const ms = againIn(error);
      if (ms !== undefined) soon(ms);
      return false;
    }
  }

  async function now(): Promise<boolean> {
    clearTimeout(timer);
    if (running) return running.then(() => (waits() ? now() : true));
    running = attempt().finally(() => (running = undefined));
    return running;
  }

  const online = (): void => {
    if (waits()) void now();
  };
  window.addEventListener("online", online);
  return {
    now,
    soon,
    stop: () => {
      clearTimeout(timer);
      window.removeEventListener("online", online);
    },
  };
}
