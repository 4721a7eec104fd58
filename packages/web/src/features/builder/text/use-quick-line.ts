import { insertLines, kindOfMeaning } from "@lodrin/core";
import { useSessionStorage, useStorage } from "@vueuse/core";
import { computed, type ComputedRef, type Ref, ref, watch } from "vue";
import { type Trial, useTrial } from "../paper/use-trial.js";
import type { Writing } from "../use-writing.js";

/** The quick line: what is typed in it, what that would do, and the ways it goes into the text. */
export interface QuickWriting {
  readonly typed: Ref<string>;
  readonly trial: ComputedRef<Trial | undefined>;
  /** The statement that what is typed goes behind, and that in words. */
  readonly behind: () => number;
  readonly behindWords: ComputedRef<string>;
  /** Which of several meanings was chosen. */
  readonly chosen: Ref<number | undefined>;
  readonly put: () => void;
  readonly paste: (text: string) => void;
}

/** So many kinds of meanings are remembered. */
const REMEMBERED = 20;

/** Writes into the text; `written` is called when something went in. What is half typed outlives the page. */
export function useQuickLine(writing: Writing, id: string, written: () => void): QuickWriting {
  const { loaded, open, document } = writing;
  const typed = useSessionStorage(`lodrin-typed-${id}`, "");
  const chosen = ref<number>();
  // Other words have other meanings.
  watch(typed, () => (chosen.value = undefined));
  const behind = (): number => (open.value >= 0 ? open.value : loaded.value.system.statements.length - 1);
  // The kinds of meanings chosen in this system, the last one first: they are offered first next time.
  const preferred = useStorage<string[]>(() => `lodrin-meanings-${loaded.value.system.title}`, []);
  const { trial, now } = useTrial(typed, chosen, behind, preferred, writing);
  const behindWords = computed(() => {
    const source = loaded.value.system.statements[behind()];
    return source?.is === "point" ? `after ${source.id}` : "after the selected line";
  });

  function put(): void {
    const meant = now();
    // What is not understood, or can be meant in two ways, stays in the line until it is said or chosen.
    if (!meant?.whole) return;
    const picked = chosen.value === undefined ? undefined : meant.reading?.readings[chosen.value];
    if (picked)
      preferred.value = [kindOfMeaning(picked), ...preferred.value.filter((kind) => kind !== kindOfMeaning(picked))].slice(0, REMEMBERED);
    document.edit(meant.edits, meant.line);
    typed.value = "";
    written();
  }

  /** A handout stands in the text line by line; what is not understood waits to be mended. Notation keeps its indentation. */
  function paste(text: string): void {
    const lines = text.split(/\r\n|\r|\n/).map((line) => line.trimEnd());
    const isNotation = /^\s{2,}\S/m.test(text) && /^system\s/m.test(text);
    const put = insertLines(
      loaded.value.read,
      behind(),
      isNotation ? lines : lines.map((line) => line.trim()).filter((line) => line !== ""),
    );
    document.edit(put, (put[0]?.from ?? 0) + 1);
    written();
  }

  return { typed, trial, chosen, behind, behindWords, put, paste };
}
