import {
  beginFilling,
  beginWith,
  changeOf,
  failuresOf,
  FORMULA_KINDS,
  fillGap,
  fillingOfStatement,
  type Filling,
  type Gap,
  insertionOf,
  newProblems,
  placeOf,
  type Pressed,
  pressInto,
  type Template,
  withItsSentence,
  WORD_KINDS,
} from "@lodrin/core";
import { computed, type ComputedRef, shallowRef, watch } from "vue";
import { lastLine, stepAtLine } from "../paper/use-trial.js";
import type { Tried, Writing } from "../use-writing.js";

/** What the filled sentence would put in, with the system and its draft as they would be. */
export interface HandTrial extends Tried {
  /** The step it makes, when it makes one. */
  readonly step: number | undefined;
  /** What would be wrong: nothing is put in that the system cannot read. */
  readonly problems: readonly string[];
  /** What could not be drawn on this body. */
  readonly failures: readonly string[];
}

/** A statement that is made by hand: its sentence, gap by gap. */
export interface ByHand {
  readonly filling: ComputedRef<Filling | undefined>;
  readonly trial: ComputedRef<HandTrial | undefined>;
  /** Why the last press was not accepted; empty when it was. */
  readonly refused: ComputedRef<string>;
  readonly begin: (template: Template, picked: readonly Pressed[]) => void;
  /** Opens a statement as its sentence, to be changed; nothing where it has none. */
  readonly change: (index: number) => void;
  /** A statement is changed, which keeps its name. */
  readonly changing: ComputedRef<boolean>;
  readonly ask: (gap: string) => void;
  readonly put: (gap: Gap, values: readonly string[]) => void;
  readonly press: (pressed: Pressed) => void;
  /** Takes back what was filled last; the first of all leaves the sentence. */
  readonly back: () => void;
  readonly leave: () => void;
  readonly insert: () => void;
}

/** `inserted` is called when something went in. */
export function useByHand(writing: Writing, behind: () => number, inserted: () => void): ByHand {
  const { loaded, library, drafted, document, tryEdits } = writing;
  /** Every state of the sentence so far, the last one now. */
  const states = shallowRef<readonly Filling[]>([]);
  const refusal = shallowRef("");
  /** The statement that is changed, when none is made. */
  const changed = shallowRef<number>();
  const filling = computed(() => states.value.at(-1));
  const draft = computed(() => ({ plan: loaded.value.plan, run: drafted.value }));

  function next(now: Filling): void {
    refusal.value = "";
    states.value = [...states.value, now];
  }
  function leave(): void {
    refusal.value = "";
    changed.value = undefined;
    states.value = [];
  }
  // A line that is put in or taken away elsewhere leaves nothing to be changed here.
  watch(loaded, () => changed.value !== undefined && leave());

  const insertion = computed(() => {
    if (!filling.value) return undefined;
    return changed.value === undefined
      ? insertionOf(filling.value, loaded.value, behind(), drafted.value)
      : changeOf(filling.value, loaded.value, library.value, changed.value);
  });
  const trial = computed((): HandTrial | undefined => {
    if (!insertion.value) return undefined;
    const { edits } = insertion.value;
    const tried = tryEdits(edits);
    const had = new Set(failuresOf(loaded.value.plan, drafted.value).map(({ says }) => says));
    return {
      ...tried,
      step: stepAtLine(tried.loaded, changed.value === undefined ? lastLine(edits) : placeOf(tried.loaded.read, changed.value).line),
      problems: newProblems(loaded.value, tried.loaded).map(({ why, fix }) => `${why} ${fix}`.trim()),
      failures: failuresOf(tried.loaded.plan, tried.drafted).flatMap(({ says }) => (had.has(says) ? [] : [says])),
    };
  });

  return {
    filling,
    trial,
    refused: computed(() => refusal.value),
    changing: computed(() => changed.value !== undefined),
    change(index) {
      const statement = loaded.value.read.system.statements[index];
      const begun = statement && fillingOfStatement(statement);
      if (!begun) return;
      leave();
      changed.value = index;
      states.value = [begun];
    },
    begin(template, picked) {
      leave();
      const begun = beginWith(template, picked, draft.value);
      states.value = [begun ?? beginFilling(template, draft.value)];
    },
    ask(gap) {
      const now = filling.value;
      // Moving to another gap is not a change, so it is not undone.
      if (now && now.asked !== gap) states.value = [...states.value.slice(0, -1), { ...now, asked: gap }];
    },
    put(gap, values) {
      const now = filling.value;
      if (!now || (now.filled[gap.name] ?? []).join("\n") === values.join("\n")) return;
      const typed = states.value.at(-2);
      // Letter after letter of one gap is one act.
      const sameGap = typed && isTyped(gap) && otherGaps(typed, gap) === otherGaps(now, gap) && typed.asked === now.asked;
      if (sameGap) states.value = [...states.value.slice(0, -1), { ...fillGap(now, gap, values), asked: now.asked }];
      else next(isTyped(gap) ? { ...fillGap(now, gap, values), asked: gap.name } : fillGap(now, gap, values));
    },
    press(pressed) {
      const now = filling.value;
      const then = now && pressInto(now, pressed, draft.value);
      if (then) next(then);
      else refusal.value = `No gap of this sentence takes ${pressed.kind === "path" ? "a line" : `a ${pressed.kind}`}.`;
    },
    back() {
      if (states.value.length < 2) return leave();
      refusal.value = "";
      states.value = states.value.slice(0, -1);
    },
    leave,
    insert() {
      if (!insertion.value || (trial.value?.problems.length ?? 1) > 0) return;
      const { edits } = withItsSentence(insertion.value, loaded.value, library.value);
      const line = changed.value === undefined ? lastLine(edits) : placeOf(loaded.value.read, changed.value).line;
      leave();
      document.edit(edits, line);
      inserted();
    },
  };
}

/** Gaps that are typed letter by letter. */
const isTyped = ({ kind }: Gap): boolean => FORMULA_KINDS.has(kind) || WORD_KINDS.has(kind);
const otherGaps = ({ filled }: Filling, { name }: Gap): string => JSON.stringify({ ...filled, [name]: undefined });
