import { type Account, accountRoutes } from "@lodrin/contract";
import type { HomeUnit } from "@lodrin/core";
import { usePreferredDark } from "@vueuse/core";
import { defineStore } from "pinia";
import { computed, ref, watchEffect } from "vue";
import { call, type CallError } from "../api/call.js";

/** Who is signed in, and what they prefer: the unit on screen, day or night. */
export const useSession = defineStore("session", () => {
  const account = ref<Account>();
  const asked = ref(false);
  const unit = computed<HomeUnit>(() => account.value?.unit ?? "cm");

  /** Asks the server once who is signed in. Throws CallError when it cannot be reached. */
  async function ask(): Promise<void> {
    if (asked.value) return;
    try {
      account.value = await call(accountRoutes.me, {});
    } catch (error) {
      if ((error as CallError).status !== 401) throw error;
    }
    asked.value = true;
  }

  async function signIn(email: string, password: string): Promise<void> {
    account.value = await call(accountRoutes.signIn, { body: { email, password } });
  }

  /** Makes an account; false when it begins only by the letter that was sent. */
  async function signUp(name: string, email: string, password: string): Promise<boolean> {
    const reply = await call(accountRoutes.signUp, { body: { name, email, password } });
    if ("letterSent" in reply) return false;
    account.value = reply;
    return true;
  }

  /** Begins an account by the token of its letter. */
  async function confirm(token: string): Promise<void> {
    account.value = await call(accountRoutes.confirmSignUp, { body: { token } });
  }

  /** Takes the account back, with the password of before, from whoever used a link for a new one. */
  async function takeBack(email: string, old: string, password: string): Promise<void> {
    account.value = await call(accountRoutes.takeBackPassword, { body: { email, old, password } });
  }

  /** Makes a link for a new password worth nothing. */
  async function revokeLink(): Promise<void> {
    await call(accountRoutes.revokeLink, {});
    account.value = await call(accountRoutes.me, {});
  }

  /** Says that the new password is one's own: the account is unlocked. */
  async function agreeToPassword(): Promise<void> {
    account.value = await call(accountRoutes.agreeToPassword, {});
  }

  async function signOut(): Promise<void> {
    await call(accountRoutes.signOut, {});
    account.value = undefined;
  }

  /** Changes a preference at once; the server follows when it can. */
  function prefer(change: Partial<Pick<Account, "unit" | "look">>): void {
    if (!account.value) return;
    account.value = { ...account.value, ...change };
    // A preference that did not arrive is set again with the next; the screen follows at once.
    call(accountRoutes.prefer, { body: change }).catch((away: Error) => console.warn(away.message));
  }

  const dark = usePreferredDark();
  const night = computed(() => (account.value?.look ?? "auto") === "night" || ((account.value?.look ?? "auto") === "auto" && dark.value));
  watchEffect(() => (document.documentElement.dataset["look"] = night.value ? "night" : "day"));

  return { account, asked, unit, night, ask, signIn, signUp, confirm, takeBack, revokeLink, agreeToPassword, signOut, prefer };
});
