import { CallError } from "./call.js";

/** An item that the server will never take, and why. */
export interface Refused<T> {
  readonly item: T;
  readonly why: string;
}

/** A refusal that asking again does not change; being offline, signed out, in a queue or at a limit does. */
export const isRefusal = (error: unknown): error is CallError =>
  error instanceof CallError && error.status >= 400 && error.status < 500 && ![401, 408, 423, 425, 429].includes(error.status);

/**
 * Sends items in one call; where it is refused, in two halves and so on, until each item that is refused stands alone: one that
 * the server does not take never holds back the others. Gives those. Throws what any other failure threw: then what was not sent
 * yet waits.
 */
export async function sendApart<T>(items: readonly T[], send: (items: readonly T[]) => Promise<void>): Promise<Refused<T>[]> {
  if (items.length === 0) return [];
  try {
    await send(items);
    return [];
  } catch (error) {
    if (!isRefusal(error)) throw error;
    const [only] = items;
    if (items.length === 1 && only !== undefined) return [{ item: only, why: error.message }];
  }
  const half = Math.ceil(items.length / 2);
  return [...(await sendApart(items.slice(0, half), send)), ...(await sendApart(items.slice(half), send))];
}
