import { placeRoutes } from "@lodrin/contract";
import { v4 as uuid } from "uuid";
import { type App, ref, shallowRef } from "vue";
import { call, CallError } from "../api/call.js";

/** A fault that its user is shown: what happened, and the id under which it is in the log. */
export interface Fault {
  readonly id: string;
  readonly what: string;
}

/** The newest fault, until it is closed. */
export const newestFault = shallowRef<Fault>();
/** How many there were on this page: one fault may come a hundred times. */
const many = ref(0);
const MOST_REPORTED = 5;

/** Something went wrong that nobody expected: it is shown with what was kept, and sent to the log under the id that is shown. */
export function reportFault(error: unknown, where: string): void {
  // What the server refused, or being offline, is said where it happened.
  if (error instanceof CallError) return;
  const id = uuid();
  const { message = String(error), stack = "" } = (error ?? {}) as Partial<Error>;
  newestFault.value = { id, what: message };
  many.value += 1;
  if (many.value > MOST_REPORTED) return;
  const body = { id, what: message.slice(0, 400), where: `${where} ${location.pathname}`.slice(0, 200), stack: stack.slice(0, 4_000) };
  // When it cannot be sent, the id is on the screen all the same.
  call(placeRoutes.fault, { body }).catch((lost: CallError) => console.warn(lost.message));
}

/**
 * The browser's notice that an observer of sizes changed a size itself and is called again in the next frame: nothing went wrong
 * (Resize Observer, W3C, "deliver resize loop error"). It comes without an error of its own.
 */
export const isResizeNotice = ({ error, message }: Pick<ErrorEvent, "error" | "message">): boolean =>
  (error === null || error === undefined) && message.startsWith("ResizeObserver loop");

/** Catches what nothing else did: in a view, in a callback, in a promise. */
export function catchFaults(app: App): void {
  app.config.errorHandler = (error, _, where) => {
    console.error(error);
    reportFault(error, where);
  };
  window.addEventListener("error", (event) => {
    if (!isResizeNotice(event)) reportFault(event.error ?? event.message, "the page");
  });
  window.addEventListener("unhandledrejection", (event) => reportFault(event.reason, "a promise"));
}
