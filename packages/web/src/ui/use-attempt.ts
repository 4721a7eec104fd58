import { type Ref, ref } from "vue";

/** An act that may not work, and why the last one did not: empty while one is under way and when it worked. */
export function useAttempt(): { why: Ref<string>; attempt: (act: () => Promise<unknown>) => Promise<void> } {
  const why = ref("");
  async function attempt(act: () => Promise<unknown>): Promise<void> {
    why.value = "";
    try {
      await act();
    } catch (error) {
      why.value = (error as Error).message;
    }
  }
  return { why, attempt };
}
