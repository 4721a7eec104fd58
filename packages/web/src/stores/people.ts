import { bodyRoutes, type MeasurementSet, type Person } from "@lodrin/contract";
import { defineStore } from "pinia";
import { v4 as uuid } from "uuid";
import { ref } from "vue";
import { call, callAll } from "../api/call.js";
import { eraseForGood, mayDelete } from "./deleting.js";
import { useUndo } from "./undo.js";

/** A day as the database keeps it. */
const today = (): string => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10);

/** The people I draft for and their dated measurement sets. */
export const usePeople = defineStore("people", () => {
  const people = ref<Person[]>([]);
  const loaded = ref(false);

  async function load(): Promise<void> {
    people.value = await callAll(bodyRoutes.people);
    loaded.value = true;
  }

  const byId = (id: string): Person | undefined => people.value.find((p) => p.id === id);
  const setById = (id: string): MeasurementSet | undefined => people.value.flatMap((p) => p.sets).find((s) => s.id === id);

  /** Adds somebody; of a child it was said that a parent or guardian agrees. */
  async function add(name: string, isSelf: boolean, isChild: boolean): Promise<Person> {
    const person = await call(bodyRoutes.addPerson, {
      body: { id: uuid(), name, isSelf, isChild, note: "", ...(isChild ? { consent: true as const } : {}) },
    });
    people.value.push(person);
    return person;
  }

  async function remove(person: Person): Promise<void> {
    if (!(await mayDelete({ kind: "person", id: person.id, title: person.name }))) return;
    await call(bodyRoutes.removePerson, { params: { id: person.id } });
    people.value = people.value.filter((p) => p.id !== person.id);
    useUndo().offer(
      `${person.name} is deleted.`,
      async () => void people.value.push(await call(bodyRoutes.restorePerson, { params: { id: person.id } })),
      () => eraseForGood({ kind: "person", id: person.id, title: person.name }),
    );
  }

  async function addSet(person: Person, unit: "in" | "cm"): Promise<MeasurementSet> {
    const set = await call(bodyRoutes.addSet, {
      params: { id: person.id },
      body: { id: uuid(), takenOn: today(), unit, written: {}, note: "" },
    });
    byId(person.id)?.sets.unshift(set);
    return set;
  }

  async function copySet(set: MeasurementSet): Promise<MeasurementSet> {
    const copy = await call(bodyRoutes.copySet, { params: { id: set.id }, body: { id: uuid(), takenOn: today() } });
    byId(set.personId)?.sets.unshift(copy);
    return copy;
  }

  async function removeSet(set: MeasurementSet): Promise<void> {
    const thing = { kind: "set", id: set.id, title: "these measurements" } as const;
    if (!(await mayDelete(thing))) return;
    await call(bodyRoutes.removeSet, { params: { id: set.id } });
    const person = byId(set.personId);
    if (person) person.sets = person.sets.filter((s) => s.id !== set.id);
    useUndo().offer(
      "The measurement set is deleted.",
      async () => {
        const back = await call(bodyRoutes.restoreSet, { params: { id: set.id } });
        byId(set.personId)?.sets.unshift(back);
      },
      () => eraseForGood(thing),
    );
  }

  /** Takes up what a set has become after an edit elsewhere. */
  function refresh(set: MeasurementSet): void {
    const person = byId(set.personId);
    if (person) person.sets = person.sets.map((s) => (s.id === set.id ? set : s)).sort((a, b) => b.takenOn.localeCompare(a.takenOn));
  }

  return { people, loaded, load, byId, setById, add, remove, addSet, copySet, removeSet, refresh };
});
