import { type Static, Type } from "@sinclair/typebox";
import { closed, Day, Done, Id, IdParams, Moment, Name, Note, OwnId, Unit, Version, Written } from "./common.js";
import { route } from "./route.js";

export const MeasurementSet = Type.Object(
  { id: Id, personId: Id, takenOn: Day, unit: Unit, written: Written, note: Note, version: Version, updatedAt: Moment },
  closed,
);
export type MeasurementSet = Static<typeof MeasurementSet>;

export const Person = Type.Object(
  {
    ...{ id: Id, name: Name, isSelf: Type.Boolean(), isChild: Type.Boolean(), note: Note, version: Version },
    /** When it was said that a parent or guardian agrees; null where nobody was asked. */
    consentAt: Type.Union([Moment, Type.Null()]),
    sets: Type.Array(MeasurementSet),
  },
  closed,
);
export type Person = Static<typeof Person>;

const PersonFields = Type.Pick(Person, ["name", "isSelf", "isChild", "note"]);
/** Said by who enters a child: a parent or guardian agrees that the measurements are kept. */
const Consent = { consent: Type.Optional(Type.Literal(true)) };
const SetFields = Type.Pick(MeasurementSet, ["takenOn", "unit", "written", "note"]);
const Changed = Type.Object({ version: Version }, closed);

export const bodyRoutes = {
  people: route("GET", "/api/people", { who: "student", reply: Type.Array(Person) }),
  addPerson: route("POST", "/api/people", {
    who: "student",
    body: Type.Object({ ...PersonFields.properties, ...Consent, ...OwnId }, closed),
    reply: Person,
  }),
  changePerson: route("PATCH", "/api/people/:id", {
    who: "student",
    params: IdParams,
    body: Type.Composite([Changed, Type.Partial(PersonFields), Type.Object(Consent)], closed),
    reply: Person,
  }),
  removePerson: route("DELETE", "/api/people/:id", { who: "student", params: IdParams, reply: Done }),
  restorePerson: route("POST", "/api/people/:id/restore", { who: "student", params: IdParams, reply: Person }),
  addSet: route("POST", "/api/people/:id/sets", {
    who: "student",
    params: IdParams,
    body: Type.Object({ ...SetFields.properties, ...OwnId }, closed),
    reply: MeasurementSet,
  }),
  changeSet: route("PATCH", "/api/sets/:id", {
    who: "student",
    params: IdParams,
    body: Type.Composite([Changed, Type.Partial(SetFields)], closed),
    reply: MeasurementSet,
  }),
  copySet: route("POST", "/api/sets/:id/copy", {
    who: "student",
    params: IdParams,
    body: Type.Object({ takenOn: Day, ...OwnId }, closed),
    reply: MeasurementSet,
  }),
  removeSet: route("DELETE", "/api/sets/:id", { who: "student", params: IdParams, reply: Done }),
  restoreSet: route("POST", "/api/sets/:id/restore", { who: "student", params: IdParams, reply: MeasurementSet }),
};
