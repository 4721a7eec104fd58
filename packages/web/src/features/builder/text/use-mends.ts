import { basesOf, type LineToMend, statementsOf } from "@lodrin/core";
import { watchDebounced } from "@vueuse/core";
import { type Ref, shallowRef } from "vue";
import { useWorker } from "../../../workers/ask.js";
import type { Writing } from "../use-writing.js";
import type { MendAnswer, MendQuestion } from "./mend-worker.js";

export interface Mends {
  /** How the lines that are no notation are understood, as far as they are read; for the text as it was when it was asked. */
  readonly mends: Ref<readonly LineToMend[]>;
  /** A text is being read. */
  readonly reading: Readonly<Ref<boolean>>;
  readonly failed: Readonly<Ref<string>>;
}

/** Reads the lines of a text that are sentences, whenever the hand rests, beside the page. */
export function useMends({ loaded, library }: Pick<Writing, "loaded" | "library">): Mends {
  const mends = shallowRef<readonly LineToMend[]>([]);
  let asked = "";
  const {
    ask,
    asking: reading,
    failed,
  } = useWorker<MendQuestion, MendAnswer>(
    () => new Worker(new URL("./mend-worker.ts", import.meta.url), { type: "module" }),
    (answer) => {
      // What was read of another text would be put into the wrong places.
      if (loaded.value.read.source === asked) mends.value = [...mends.value, ...answer];
    },
  );
  const RESTS_MS = 200;
  watchDebounced(
    loaded,
    ({ read, system, problems }) => {
      mends.value = [];
      if (problems.length === 0 && !system.statements.some((s) => s.is === "unread")) return;
      asked = read.source;
      ask({ notation: asked, bases: statementsOf(system, "uses").length === 0 ? {} : basesOf(asked, library.value) });
    },
    { debounce: RESTS_MS, immediate: true },
  );
  return { mends, reading, failed };
}
