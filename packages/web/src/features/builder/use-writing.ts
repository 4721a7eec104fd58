import type { Work } from "@lodrin/contract";
import {
  applyEdits,
  filledFrom,
  type Given,
  type HomeUnit,
  type Library,
  type LineEdit,
  loadSystem,
  type LoadedSystem,
  placeOf,
  type Plan,
  run,
  type Run,
  sampleBody,
} from "@lodrin/core";
import { computed, type ComputedRef, type Ref, ref, shallowRef, watch } from "vue";
import type { Autosave } from "../../api/autosave.js";
import { usePeople } from "../../stores/people.js";
import { useShelf } from "../../stores/shelf.js";
import { useDocuments } from "./document/documents.js";
import type { TextDocument } from "./document/text-document.js";

export type WorkAutosave = Autosave<Work, "notation">;

/** A body to try the system on: from within its own ranges, a size of a chart, or one of my people's. */
export interface TryBody {
  readonly id: string;
  readonly name: string;
  readonly given: (plan: Plan) => { readonly measurements: Given; readonly unit: HomeUnit };
}

/** Bodies every system can be tried on: how far up its own ranges they lie. */
const WITHIN = [
  { id: "middle", name: "The middle of its ranges", share: 0.5 },
  { id: "small", name: "Small: a quarter up its ranges", share: 0.25 },
  { id: "large", name: "Large: three quarters up", share: 0.75 },
];

/** A system that is tried and not taken yet, with its draft. */
export interface Tried {
  readonly loaded: LoadedSystem;
  readonly drafted: Run;
}

/** The system as it stands while it is written: read line by line, drafted on the chosen body, with the line the hand is on. */
export interface Writing {
  readonly loaded: Ref<LoadedSystem>;
  readonly library: Ref<Library>;
  readonly drafted: ComputedRef<Run>;
  readonly bodies: ComputedRef<readonly TryBody[]>;
  readonly body: Ref<string>;
  /** Figures tried in place of the body's own, and settings in place of the author's, as text. */
  readonly figures: Ref<Given>;
  readonly settings: Ref<Readonly<Record<string, string>>>;
  readonly given: (plan: Plan) => { readonly measurements: Given; readonly settings: Given; readonly unit: HomeUnit };
  /** Another plan drafted on the chosen body. */
  readonly draft: (plan: Plan) => Run;
  /** The system and its draft as edits would leave them, before they are made. */
  readonly tryEdits: (edits: readonly LineEdit[]) => Tried;
  readonly step: Ref<number>;
  /** The text itself, its history and its cursor. */
  readonly document: TextDocument;
  /** Brings a statement under the hand: the cursor of the text goes to its line, the paper to its step; -1 is the heading. */
  readonly openStatement: (index: number) => void;
  /** The statement the hand is on; -1 for the heading. */
  readonly open: ComputedRef<number>;
  readonly lineOf: (step: number) => number | undefined;
}

/** Opens a system for writing; `more` are bodies from the size charts. */
export function useWriting(autosave: WorkAutosave, more: Ref<readonly TryBody[]>): Writing {
  const shelf = useShelf();
  const people = usePeople();
  const library = computed(() => Object.fromEntries(shelf.systems.map(({ sheet }) => [sheet.slug, sheet.notation])));
  const { local } = autosave;
  const document = useDocuments().open(local.id, local.notation);
  // What is written is saved; what comes from outside, like another hand's text that was taken, is written.
  watch(document.text, (text) => (local.notation = text), { flush: "sync" });
  watch(() => local.notation, document.takeOver, { flush: "sync" });
  const loaded = shallowRef(loadSystem(document.text.value, library.value));
  watch(
    [document.text, library],
    ([text, shelfTexts], [, before]) => {
      // Only changed lines are read again; what it builds on may have changed wholly.
      loaded.value = loadSystem(text, shelfTexts, shelfTexts === before ? loaded.value : undefined);
    },
    // An act reads what the act before it wrote.
    { flush: "sync" },
  );

  const bodies = computed((): TryBody[] => [
    ...WITHIN.map(({ id, name, share }) => ({
      id,
      name,
      given: (plan: Plan) => ({ measurements: sampleBody(plan, share), unit: plan.system.unit }),
    })),
    ...more.value,
    ...people.people.flatMap((person) =>
      person.sets.slice(0, 1).map((set) => ({
        id: set.id,
        name: person.name,
        // What the set lacks comes from the middle of the ranges: the draft goes on.
        given: (plan: Plan) => ({ measurements: { ...sampleBody(plan), ...filledFrom(set.written, plan.measures) }, unit: set.unit }),
      })),
    ),
  ]);
  const body = ref("middle");
  const figures = shallowRef<Given>({});
  const settings = shallowRef<Readonly<Record<string, string>>>({});
  watch(body, () => (figures.value = {}));
  function given(plan: Plan): { measurements: Given; settings: Given; unit: HomeUnit } {
    const chosen = bodies.value.find(({ id }) => id === body.value) ?? bodies.value[0];
    const { measurements, unit } = chosen?.given(plan) ?? { measurements: {}, unit: plan.system.unit };
    return { measurements: { ...measurements, ...figures.value }, settings: settings.value, unit };
  }
  function draft(plan: Plan, before?: Run): Run {
    const { measurements, settings: set, unit } = given(plan);
    return run(plan, measurements, set, unit, before);
  }
  const drafted = computed((before?: Run): Run => draft(loaded.value.plan, before));
  function tryEdits(edits: readonly LineEdit[]): Tried {
    const tried = loadSystem(applyEdits(loaded.value.read.source, edits), library.value, loaded.value);
    return { loaded: tried, drafted: draft(tried.plan) };
  }

  const step = ref(0);
  const lines = computed(() => stepLines(loaded.value));
  // The step is the last one that begins at or above the cursor's line; a line just typed is a new one.
  watch(
    [document.line, lines],
    ([here, all]) =>
      (step.value = Math.max(
        0,
        all.findLastIndex((at) => at !== undefined && at <= here),
      )),
  );
  const lineOf = (index: number): number | undefined => lines.value[index];
  const open = computed(() => {
    const { blocks } = loaded.value.read;
    return blocks.findLast((b) => b.from < document.line.value && b.statement !== undefined)?.statement ?? -1;
  });
  function openStatement(index: number): void {
    const { read, system } = loaded.value;
    if (index < system.statements.length) document.goTo(index < 0 ? 1 : placeOf(read, index).line, 1, false);
  }
  return { loaded, library, drafted, bodies, body, figures, settings, given, draft, tryEdits, step, document, openStatement, open, lineOf };
}

/** The line each step stands on; undefined for one that was brought along from a system this one builds on. */
function stepLines({ plan, read }: LoadedSystem): (number | undefined)[] {
  const own = new Map(read.system.statements.map((statement, i) => [statement as unknown, i]));
  return plan.steps.map(({ source }) => {
    const statement = own.get(source);
    return statement === undefined ? undefined : placeOf(read, statement).line;
  });
}
