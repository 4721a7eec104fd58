import { randomUUID } from "node:crypto";
import type { Draft, MeasurementSet, Person, Role, Route } from "@lodrin/contract";
import type { Knex } from "knex";
import type { Response } from "supertest";
import { enter, type Harness, type Visitor } from "./harness.js";
import { NEW_DRAFT, SHIRT } from "./new-draft.js";
import { codeOf, type School, schoolOf } from "./school.js";

const NEW_PERSON = { name: "Ansel", isSelf: false, isChild: false, note: "" };
const NEW_SET = { takenOn: "2026-10-01", unit: "cm", written: {}, note: "" };
const NEW_CHART = { name: "Women", note: "", columns: [], sizes: [] };
const PASSWORD = "long enough 1";
const READING = { name: "#4", written: "10 1/2", verdict: "right", code: "", step: "", says: "" };
const NEW_CLASS = { name: "Monday", term: "", meets: "", note: "", classmatesAnswer: false };
const NEW_LESSON = { title: "One", place: 0, on: null, minutes: 0, done: false, pages: [] };
const NEW_ASSIGNMENT = {
  ...{ title: "Draft it", text: "", slug: SHIRT, systemVersion: 1, body: { kind: "own" }, settings: {}, free: [], readings: [] },
  ...{ picture: false, note: false, dueOn: null, toleranceMm: 3, rubric: [] },
};
const LIVE = { slug: SHIRT, systemVersion: 1, step: "#1" };

/** What a row of the table may be about: things of one account, made again for each call. */
export interface Things extends School {
  readonly accountId: string;
  readonly person: string;
  readonly set: string;
  readonly draft: string;
  readonly work: string;
  readonly chart: string;
}

/** How a route is called, and what its owner's role and a stranger to the things get. `null`: there is nobody else's to touch. */
export interface Row {
  readonly path?: (t: Things) => string;
  readonly body?: (t: Things) => object;
  /** Made before the call, by the owner of the things. */
  readonly before?: (v: Visitor, t: Things, knex: Knex) => Promise<unknown>;
  readonly own: number;
  readonly others: number | null | ((role: Role) => number);
}

const removed =
  (path: (t: Things) => string) =>
  (v: Visitor, t: Things): Promise<unknown> =>
    v.send("delete", path(t));

/** Every route of the contract: one without a row fails. */
export const TABLE: Readonly<Record<string, Row>> = {
  "GET /api/place": { own: 200, others: null },
  "POST /api/password-forgotten": { body: () => ({ email: "nobody@here.example" }), own: 409, others: null },
  "POST /api/accounts": { body: () => ({ email: `${randomUUID()}@new.example`, name: "New", password: PASSWORD }), own: 201, others: null },
  "GET /api/account/storage": { own: 200, others: null },
  "DELETE /api/account/reset-link": { own: 200, others: null },
  "POST /api/account/password-notice": { own: 201, others: null },
  "POST /api/password-taken-back": {
    body: () => ({ email: "nobody@here.example", old: PASSWORD, password: PASSWORD }),
    own: 401,
    others: null,
  },
  "POST /api/faults": { body: () => ({ id: randomUUID(), what: "x", where: "/", stack: "" }), own: 201, others: null },
  "GET /api/file-queue/:id": { path: () => `/api/file-queue/${randomUUID()}`, own: 200, others: null },
  "GET /api/dependents/:kind/:id": { path: (t) => `/api/dependents/person/${t.person}`, own: 200, others: 404 },
  "GET /api/deleted": { own: 200, others: null },
  "POST /api/deleted/:kind/:id/erase": {
    path: (t) => `/api/deleted/draft/${t.draft}/erase`,
    before: removed((t) => `/api/drafts/${t.draft}`),
    own: 201,
    others: 404,
  },
  "GET /api/hand-ins": { own: 200, others: null },
  // Handed in to a class of the account's own.
  "GET /api/hand-ins/:id": { path: (t) => `/api/hand-ins/${t.handIn}`, own: 200, others: 404 },
  // Only who handed it in withdraws it.
  "DELETE /api/hand-ins/:id": { path: (t) => `/api/hand-ins/${t.handIn}`, own: 404, others: 404 },
  "POST /api/classes/:id/code": { path: (t) => `/api/classes/${t.klass}/code`, own: 201, others: 404 },
  "POST /api/classes/:id/members/:accountId/readmit": {
    path: (t) => `/api/classes/${t.klass}/members/${t.accountId}/readmit`,
    own: 404,
    others: 404,
  },
  "GET /api/asks": { own: 200, others: null },
  "POST /api/sign-up-confirmed": { body: () => ({ token: "made-up" }), own: 410, others: null },
  "POST /api/session": { body: () => ({ email: "nobody@here.example", password: PASSWORD }), own: 401, others: null },
  "DELETE /api/session": { own: 200, others: null },
  "GET /api/session": { own: 200, others: null },
  "PATCH /api/session": { body: () => ({ unit: "cm" }), own: 200, others: null },
  "POST /api/account/password": { body: () => ({ old: PASSWORD, password: PASSWORD }), own: 201, others: null },
  "GET /api/account/sessions": { own: 200, others: null },
  "DELETE /api/account/sessions": { own: 200, others: null },
  "GET /api/account/events": { own: 200, others: null },
  "GET /api/account/data": { own: 200, others: null },
  "POST /api/account/remove": { body: () => ({ password: PASSWORD }), own: 201, others: null },
  "GET /api/accounts": { own: 200, others: null },
  "PATCH /api/accounts/:id": { path: (t) => `/api/accounts/${t.accountId}`, body: () => ({ role: "student" }), own: 409, others: 200 },
  "POST /api/accounts/:id/reset-link": {
    path: (t) => `/api/accounts/${t.accountId}/reset-link`,
    own: 403,
    others: (role) => (role === "owner" ? 201 : 403),
  },
  "POST /api/password-reset": { body: () => ({ token: "none", password: PASSWORD }), own: 410, others: null },
  "GET /api/people": { own: 200, others: null },
  "POST /api/people": { body: () => NEW_PERSON, own: 201, others: null },
  "PATCH /api/people/:id": { path: (t) => `/api/people/${t.person}`, body: () => ({ version: 1, note: "x" }), own: 200, others: 404 },
  "DELETE /api/people/:id": { path: (t) => `/api/people/${t.person}`, own: 200, others: 404 },
  "POST /api/people/:id/restore": {
    path: (t) => `/api/people/${t.person}/restore`,
    before: removed((t) => `/api/people/${t.person}`),
    own: 201,
    others: 404,
  },
  "POST /api/people/:id/sets": { path: (t) => `/api/people/${t.person}/sets`, body: () => NEW_SET, own: 201, others: 404 },
  "PATCH /api/sets/:id": { path: (t) => `/api/sets/${t.set}`, body: () => ({ version: 1, note: "x" }), own: 200, others: 404 },
  "POST /api/sets/:id/copy": { path: (t) => `/api/sets/${t.set}/copy`, body: () => ({ takenOn: "2026-10-02" }), own: 201, others: 404 },
  "DELETE /api/sets/:id": { path: (t) => `/api/sets/${t.set}`, own: 200, others: 404 },
  "POST /api/sets/:id/restore": {
    path: (t) => `/api/sets/${t.set}/restore`,
    before: removed((t) => `/api/sets/${t.set}`),
    own: 201,
    others: 404,
  },
  "GET /api/systems": { own: 200, others: null },
  "GET /api/systems/:slug/:version": { path: () => `/api/systems/${SHIRT}/1`, own: 200, others: null },
  "GET /api/systems/:slug/:version/picture": { path: () => `/api/systems/${SHIRT}/1/picture`, own: 200, others: null },
  "GET /api/works": { own: 200, others: null },
  "GET /api/works/:id": { path: (t) => `/api/works/${t.work}`, own: 200, others: 404 },
  "POST /api/works": { body: () => ({ notation: 'system "Mine"' }), own: 201, others: null },
  "PATCH /api/works/:id": { path: (t) => `/api/works/${t.work}`, body: () => ({ version: 1, notation: "x" }), own: 200, others: 404 },
  "POST /api/works/:id/publish": {
    path: (t) => `/api/works/${t.work}/publish`,
    body: () => ({ version: 1, note: "" }),
    own: 201,
    others: 404,
  },
  "DELETE /api/works/:id": { path: (t) => `/api/works/${t.work}`, own: 200, others: 404 },
  "POST /api/works/:id/restore": {
    path: (t) => `/api/works/${t.work}/restore`,
    before: (_, t, knex) => knex("works").where({ id: t.work }).update({ deletedAt: new Date() }),
    own: 201,
    others: 404,
  },
  "POST /api/works/:id/hand": { path: (t) => `/api/works/${t.work}/hand`, body: () => ({ hand: randomUUID() }), own: 201, others: 404 },
  "POST /api/works/:id/booklet": {
    path: (t) => `/api/works/${t.work}/booklet`,
    body: () => ({ unit: "cm", paper: "A4", rules: true, name: "", measurements: {}, writtenIn: "cm" }),
    own: 200,
    others: 404,
  },
  "GET /api/works/:id/versions": { path: (t) => `/api/works/${t.work}/versions`, own: 200, others: 404 },
  "PATCH /api/works/:id/versions/:number": {
    path: (t) => `/api/works/${t.work}/versions/1`,
    body: () => ({ withdrawn: true }),
    // Nothing of it is published.
    own: 404,
    others: 404,
  },
  "PATCH /api/works/:id/place": { path: (t) => `/api/works/${t.work}/place`, body: () => ({ audience: "me" }), own: 200, others: 404 },
  "GET /api/systems/:slug/versions": { path: () => `/api/systems/${SHIRT}/versions`, own: 200, others: null },
  "GET /api/charts": { own: 200, others: null },
  "POST /api/charts": { body: () => NEW_CHART, own: 201, others: null },
  "PATCH /api/charts/:id": { path: (t) => `/api/charts/${t.chart}`, body: () => ({ version: 1, note: "x" }), own: 200, others: 404 },
  "DELETE /api/charts/:id": { path: (t) => `/api/charts/${t.chart}`, own: 200, others: 404 },
  "POST /api/charts/:id/restore": {
    path: (t) => `/api/charts/${t.chart}/restore`,
    before: (_, t, knex) => knex("size_charts").where({ id: t.chart }).update({ deletedAt: new Date() }),
    own: 201,
    others: 404,
  },
  "POST /api/drafts/:id/version": {
    path: (t) => `/api/drafts/${t.draft}/version`,
    body: () => ({ version: 1, systemVersion: 1 }),
    own: 201,
    others: 404,
  },
  "GET /api/drafts": { own: 200, others: null },
  "GET /api/drafts/:id": { path: (t) => `/api/drafts/${t.draft}`, own: 200, others: 404 },
  "POST /api/drafts": { body: (t) => ({ ...NEW_DRAFT, personId: t.person, setId: t.set }), own: 201, others: 404 },
  "PATCH /api/drafts/:id": { path: (t) => `/api/drafts/${t.draft}`, body: () => ({ version: 1, note: "x" }), own: 200, others: 404 },
  "PATCH /api/drafts/:id/step": { path: (t) => `/api/drafts/${t.draft}/step`, body: () => ({ step: 3 }), own: 200, others: 404 },
  "POST /api/drafts/:id/duplicate": { path: (t) => `/api/drafts/${t.draft}/duplicate`, body: () => ({}), own: 201, others: 404 },
  "GET /api/drafts/:id/files/:file": { path: (t) => `/api/drafts/${t.draft}/files/answers.csv`, own: 200, others: 404 },
  "GET /api/drafts/:id/card": { path: (t) => `/api/drafts/${t.draft}/card`, own: 200, others: 404 },
  "GET /api/drafts/:id/picture": { path: (t) => `/api/drafts/${t.draft}/picture`, own: 200, others: 404 },
  "GET /api/drafts/:id/table": { path: (t) => `/api/drafts/${t.draft}/table`, own: 200, others: 404 },
  "PATCH /api/drafts/:id/table": {
    path: (t) => `/api/drafts/${t.draft}/table`,
    body: () => ({ ticked: ["#1"], unticked: [], seconds: 5 }),
    own: 200,
    others: 404,
  },
  "POST /api/drafts/:id/readings": {
    path: (t) => `/api/drafts/${t.draft}/readings`,
    body: () => ({ readings: [READING] }),
    own: 201,
    others: 404,
  },
  "GET /api/progress": { own: 200, others: null },
  "GET /api/classes": { own: 200, others: null },
  "GET /api/classes/:id": { path: (t) => `/api/classes/${t.klass}`, own: 200, others: 404 },
  "POST /api/classes": { body: () => NEW_CLASS, own: 201, others: null },
  "PATCH /api/classes/:id": { path: (t) => `/api/classes/${t.klass}`, body: () => ({ version: 1, note: "x" }), own: 200, others: 404 },
  "DELETE /api/classes/:id": { path: (t) => `/api/classes/${t.klass}`, own: 200, others: 404 },
  "POST /api/classes/:id/restore": {
    path: (t) => `/api/classes/${t.klass}/restore`,
    before: (_, t, knex) => knex("classes").where({ id: t.klass }).update({ deletedAt: new Date() }),
    own: 201,
    others: 404,
  },
  // Nobody joins their own class; a code is nobody's secret who has it.
  "POST /api/class-codes/:code": { path: (t) => `/api/class-codes/${codeOf(t.klass)}`, own: 409, others: 201 },
  // A teacher is not in their own class.
  "PATCH /api/classes/:id/membership": {
    path: (t) => `/api/classes/${t.klass}/membership`,
    body: () => ({ shares: true }),
    own: 404,
    others: 404,
  },
  "DELETE /api/classes/:id/membership": { path: (t) => `/api/classes/${t.klass}/membership`, own: 404, others: 404 },
  "PATCH /api/classes/:id/members/:accountId": {
    path: (t) => `/api/classes/${t.klass}/members/${t.accountId}`,
    body: () => ({ group: "A" }),
    own: 404,
    others: 404,
  },
  "DELETE /api/classes/:id/members/:accountId": { path: (t) => `/api/classes/${t.klass}/members/${t.accountId}`, own: 404, others: 404 },
  "GET /api/classes/:id/standing": { path: (t) => `/api/classes/${t.klass}/standing`, own: 200, others: 404 },
  "GET /api/classes/:id/slips": { path: (t) => `/api/classes/${t.klass}/slips`, own: 200, others: 404 },
  "GET /api/classes/:id/lessons": { path: (t) => `/api/classes/${t.klass}/lessons`, own: 200, others: 404 },
  "POST /api/classes/:id/lessons": { path: (t) => `/api/classes/${t.klass}/lessons`, body: () => NEW_LESSON, own: 201, others: 404 },
  "PATCH /api/lessons/:id": { path: (t) => `/api/lessons/${t.lesson}`, body: () => ({ version: 1, title: "x" }), own: 200, others: 404 },
  "DELETE /api/lessons/:id": { path: (t) => `/api/lessons/${t.lesson}`, own: 200, others: 404 },
  "POST /api/lessons/:id/restore": {
    path: (t) => `/api/lessons/${t.lesson}/restore`,
    before: (_, t, knex) => knex("lessons").where({ id: t.lesson }).update({ deletedAt: new Date() }),
    own: 201,
    others: 404,
  },
  "GET /api/classes/:id/assignments": { path: (t) => `/api/classes/${t.klass}/assignments`, own: 200, others: 404 },
  "POST /api/classes/:id/assignments": {
    path: (t) => `/api/classes/${t.klass}/assignments`,
    body: () => NEW_ASSIGNMENT,
    own: 201,
    others: 404,
  },
  "PATCH /api/assignments/:id": {
    path: (t) => `/api/assignments/${t.assignment}`,
    body: () => ({ version: 1, title: "x" }),
    own: 200,
    others: 404,
  },
  "DELETE /api/assignments/:id": { path: (t) => `/api/assignments/${t.assignment}`, own: 200, others: 404 },
  "POST /api/assignments/:id/restore": {
    path: (t) => `/api/assignments/${t.assignment}/restore`,
    before: (_, t, knex) => knex("assignments").where({ id: t.assignment }).update({ deletedAt: new Date() }),
    own: 201,
    others: 404,
  },
  "GET /api/assignments/:id/hand-ins": { path: (t) => `/api/assignments/${t.assignment}/hand-ins`, own: 200, others: 404 },
  // A teacher hands nothing in.
  "POST /api/assignments/:id/hand-ins": {
    path: (t) => `/api/assignments/${t.assignment}/hand-ins`,
    body: (t) => ({ draftId: t.draft, note: "", picture: null, marksOnPicture: [] }),
    own: 404,
    others: 404,
  },
  "POST /api/assignments/:id/results": { path: (t) => `/api/assignments/${t.assignment}/results`, own: 201, others: 404 },
  "GET /api/hand-ins/:id/picture": { path: (t) => `/api/hand-ins/${t.handIn}/picture`, own: 200, others: 404 },
  "PATCH /api/hand-ins/:id": { path: (t) => `/api/hand-ins/${t.handIn}`, body: () => ({ state: "seen" }), own: 200, others: 404 },
  "POST /api/hand-ins/:id/comments": {
    path: (t) => `/api/hand-ins/${t.handIn}/comments`,
    body: () => ({ place: "#4", text: "Look here." }),
    own: 201,
    others: 404,
  },
  "GET /api/classes/:id/questions": { path: (t) => `/api/classes/${t.klass}/questions`, own: 200, others: 404 },
  "POST /api/classes/:id/questions": {
    path: (t) => `/api/classes/${t.klass}/questions`,
    body: () => ({ slug: SHIRT, step: "#4", text: "Why?" }),
    own: 201,
    others: 404,
  },
  "POST /api/questions/:id/answers": {
    path: (t) => `/api/questions/${t.question}/answers`,
    body: () => ({ text: "So." }),
    own: 201,
    others: 404,
  },
  "GET /api/classes/:id/live/events": { path: (t) => `/api/classes/${t.klass}/live/events`, own: 200, others: 404 },
  "POST /api/classes/:id/live": { path: (t) => `/api/classes/${t.klass}/live`, body: () => LIVE, own: 201, others: 404 },
  "DELETE /api/classes/:id/live": { path: (t) => `/api/classes/${t.klass}/live`, own: 200, others: 404 },
  "POST /api/classes/:id/live/follower": {
    path: (t) => `/api/classes/${t.klass}/live/follower`,
    body: () => ({ step: "#1", ticked: false, off: [] }),
    own: 404,
    others: 404,
  },
  "DELETE /api/drafts/:id": { path: (t) => `/api/drafts/${t.draft}`, own: 200, others: 404 },
  "POST /api/drafts/:id/restore": {
    path: (t) => `/api/drafts/${t.draft}/restore`,
    before: removed((t) => `/api/drafts/${t.draft}`),
    own: 201,
    others: 404,
  },
};

/** A new account of a role, signed in, with things of its own. */
export async function someone(h: Harness, role: Role): Promise<{ v: Visitor; things: Things }> {
  const email = `${randomUUID()}@role.example`;
  const v = await enter(h, email, role);
  const { id: accountId } = v;
  const person = (await v.send("post", "/api/people", NEW_PERSON)).body as Person;
  const set = (await v.send("post", `/api/people/${person.id}/sets`, NEW_SET)).body as MeasurementSet;
  const draft = (await v.send("post", "/api/drafts", NEW_DRAFT)).body as Draft;
  // A system of the account's own, laid there: a student may have been an instructor once.
  const work = randomUUID();
  const notation = await h.knex("system_versions").where({ slug: SHIRT }).first<{ notation: string }>("notation");
  await h.knex("works").insert({ id: work, ownerId: accountId, slug: `w-${work}`, title: "Mine", ...notation });
  const chart = randomUUID();
  await h.knex("size_charts").insert({ id: chart, ownerId: accountId, name: "Mine", columns: "[]", sizes: "[]" });
  const made = await schoolOf(h.knex, SHIRT, accountId);
  return { v, things: { accountId, person: person.id, set: set.id, draft: draft.id, work, chart, ...made } };
}

/** Calls a route about somebody's things. */
export const called = (v: Visitor, route: Route, row: Row, t: Things): Promise<Response> => {
  const path = row.path?.(t) ?? route.path;
  // A stream does not end by itself.
  if (path.endsWith("/live/events")) return v.begin(path);
  return route.method === "GET" ? v.get(path) : v.send(route.method.toLowerCase() as "post", path, row.body?.(t) ?? {});
};
