import { randomUUID } from "node:crypto";
import { type Role, ROUTES } from "@lodrin/contract";
import request from "supertest";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { enter, type Harness, openHarness } from "../test/harness.js";
import { called, type Row, someone, TABLE } from "../test/route-table.js";

/** Routes about a class or what is in one. */
const CLASS_ROUTE = /^\/api\/(classes\/:id|lessons|assignments|hand-ins\/|questions)/;

/** What a student of the class gets. */
const IN_CLASS: Readonly<Record<string, number>> = {
  "GET /api/classes/:id": 200,
  "PATCH /api/classes/:id": 403,
  "DELETE /api/classes/:id": 403,
  "POST /api/classes/:id/restore": 403,
  "PATCH /api/classes/:id/membership": 200,
  "DELETE /api/classes/:id/membership": 200,
  "PATCH /api/classes/:id/members/:accountId": 403,
  "DELETE /api/classes/:id/members/:accountId": 403,
  "POST /api/classes/:id/code": 403,
  "POST /api/classes/:id/members/:accountId/readmit": 403,
  "GET /api/hand-ins/:id": 404,
  "DELETE /api/hand-ins/:id": 404,
  "GET /api/classes/:id/standing": 403,
  "GET /api/classes/:id/slips": 403,
  "GET /api/classes/:id/lessons": 200,
  "POST /api/classes/:id/lessons": 403,
  "PATCH /api/lessons/:id": 403,
  "DELETE /api/lessons/:id": 403,
  "POST /api/lessons/:id/restore": 403,
  "GET /api/classes/:id/assignments": 200,
  "POST /api/classes/:id/assignments": 403,
  "PATCH /api/assignments/:id": 403,
  "DELETE /api/assignments/:id": 403,
  "POST /api/assignments/:id/restore": 403,
  "GET /api/assignments/:id/hand-ins": 200,
  "POST /api/assignments/:id/hand-ins": 201,
  "POST /api/assignments/:id/results": 403,
  // Another student's.
  "GET /api/hand-ins/:id/picture": 404,
  "PATCH /api/hand-ins/:id": 403,
  "POST /api/hand-ins/:id/comments": 404,
  "GET /api/classes/:id/questions": 200,
  "POST /api/classes/:id/questions": 201,
  // In this class the teacher answers.
  "POST /api/questions/:id/answers": 403,
  "GET /api/classes/:id/live/events": 200,
  "POST /api/classes/:id/live": 403,
  "DELETE /api/classes/:id/live": 403,
  "POST /api/classes/:id/live/follower": 201,
};

const ROLES: readonly Role[] = ["student", "instructor", "owner"];
const rank = (role: Role): number => ROLES.indexOf(role);

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
  await enter(h, "first@owns.example", "owner");
});
afterAll(() => h.close());

describe.each(ROUTES.map((route) => [`${route.method} ${route.path}`, route] as const))("%s", (name, route) => {
  const row = TABLE[name] as Row;

  it("has a row in the table of who may do what", () => expect(TABLE).toHaveProperty([name]));

  if (route.who !== "anyone")
    it("is closed to who is not signed in", async () => {
      const path = route.path.replace(/:\w+/g, randomUUID());
      const agent = request(h.app);
      const reply = await (route.method === "GET" ? agent.get(path) : agent[route.method.toLowerCase() as "post"](path).send({}));
      expect(reply.status).toBe(401);
    });

  if (CLASS_ROUTE.test(route.path))
    it("to who is in the class, or teaches another, what its row says and nothing else", async () => {
      const teacher = await someone(h, "instructor");
      const student = await someone(h, "student");
      const stranger = await someone(h, "instructor");
      await h.knex("class_members").insert({ classId: teacher.things.klass, accountId: student.things.accountId });
      await row.before?.(teacher.v, teacher.things, h.knex);
      const may = IN_CLASS[name];
      expect(IN_CLASS, "what a student of the class may do").toHaveProperty([name]);
      expect((await called(stranger.v, route, row, teacher.things)).status).toBe(row.others);
      const body = { ...row, body: () => row.body?.({ ...teacher.things, draft: student.things.draft }) ?? {} };
      expect((await called(student.v, route, body, teacher.things)).status).toBe(may);
    });

  it.each(ROLES)("for a %s: what is asked of the role, own things and nobody else's", async (role) => {
    const mine = await someone(h, role);
    await row.before?.(mine.v, mine.things, h.knex);
    const may = route.who === "anyone" || rank(role) >= rank(route.who);
    if (row.others !== null) {
      const other = await someone(h, "student");
      await row.before?.(other.v, other.things, h.knex);
      const others = typeof row.others === "function" ? row.others(role) : row.others;
      expect((await called(mine.v, route, row, other.things)).status).toBe(may ? others : 403);
    }
    // A student who has a class was a teacher once: the class is theirs no more.
    const demoted = role === "student" && route.who === "student" && CLASS_ROUTE.test(route.path);
    expect((await called(mine.v, route, row, mine.things)).status).toBe(may ? (demoted ? 404 : row.own) : 403);
  });
});

it("the table names no route that is not there", () => {
  expect(Object.keys(TABLE).sort()).toEqual(ROUTES.map((r) => `${r.method} ${r.path}`).sort());
});
