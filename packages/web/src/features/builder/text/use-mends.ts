import { basesOf, type LineToMend, statementsOf } from "@lodrin/core";
import { watchDebounced } from "@vueuse/core";
import { type Ref, ref, shallowRef } from "vue";
import { useWorker } from "../../../workers/ask.js";
import type { Writing } from "../use-writing.js";
import type { MendAnswer, MendQuestion } from "./mend-worker.js";

export interface Mends {
  /** How each line that is no notation is understood, as the text was when it was asked. */
  readonly mends: Ref<readonly LineToMend[]>;
  /** A text is being read. */
  readonly reading: Ref<boolean>;
  readonly failed: Readonly<Ref<string>>;
}

/** Reads the lines of a text that are sentences, whenever the hand rests, beside the page. */
export function useMends({ loaded, library }: Pick<Writing, "loaded" | "library">): Mends {
  const mends = shallowRef<readonly LineToMend[]>([]);
  const reading = ref(false);
  let asked = "";
  const { ask, failed } = useWorker<MendQuestion, MendAnswer>(
    () => new Worker(new URL("./mend-worker.ts", import.meta.url), { type: "module" }),
    (answer) => {
      reading.value = false;
      // What was read of another text would be put into the wrong places.
      mends.value = loaded.value.read.source === asked ? answer : [];
    },
  );
  const RESTS_MS = 200;
  watchDebounced(
    loaded,
    ({ read, system, problems }) => {
      mends.value = [];
      if (problems.length === 0 && !system.statements.some((s) => s.is === "unread")) return;
      asked = read.source;
      reading.value = true;
      ask({ notation: asked, bases: statementsOf(system, "uses").length === 0 ? {} : basesOf(asked, library.value) });
    },
    { debounce: RESTS_MS, immediate: true },
  );
  return { mends, reading, failed };
}
