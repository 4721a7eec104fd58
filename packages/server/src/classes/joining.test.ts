import type { SchoolClass } from "@lodrin/contract";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { enter, type Harness, openHarness } from "../test/harness.js";

let h: Harness;
beforeAll(async () => {
  h = await openHarness();
});
afterAll(() => h.close());

type Person = Awaited<ReturnType<typeof enter>>;
let many = 0;
const someone = (role: "student" | "instructor" = "student"): Promise<Person> => enter(h, `joining${many++}@class.example`, role);
const madeBy = async (teacher: Person): Promise<SchoolClass> =>
  (await teacher.send("post", "/api/classes", { name: "Monday", term: "", meets: "", note: "", classmatesAnswer: false }))
    .body as SchoolClass;
const join = async (student: Person, code: string): Promise<number> => (await student.send("post", `/api/class-codes/${code}`)).status;

describe("the code of a class", () => {
  it("lets in whoever has it; a new one makes the old worth nothing", async () => {
    const [teacher, ann, bo] = [await someone("instructor"), await someone(), await someone()];
    const { id, code } = await madeBy(teacher);
    expect(await join(ann, code)).toBe(201);
    const changed = (await teacher.send("post", `/api/classes/${id}/code`)).body as SchoolClass;
    expect(changed.code).not.toBe(code);
    expect([await join(bo, code), await join(bo, changed.code)]).toEqual([404, 201]);
  });

  it("is closed, and opened again", async () => {
    const [teacher, ann] = [await someone("instructor"), await someone()];
    const { id, code } = await madeBy(teacher);
    await teacher.send("patch", `/api/classes/${id}`, { version: 1, codeClosed: true });
    expect(await join(ann, code)).toBe(403);
    await teacher.send("patch", `/api/classes/${id}`, { version: 2, codeClosed: false });
    expect(await join(ann, code)).toBe(201);
  });

  it("takes no more than the teacher says, also of ten who come at once", async () => {
    const teacher = await someone("instructor");
    const { id, code } = await madeBy(teacher);
    await teacher.send("patch", `/api/classes/${id}`, { version: 1, mostMembers: 3 });
    const students = await Promise.all(Array.from({ length: 10 }, () => someone()));
    const answers = await Promise.all(students.map((student) => join(student, code)));
    expect(answers.filter((status) => status === 201)).toHaveLength(3);
    expect(((await teacher.get(`/api/classes/${id}`)).body as SchoolClass).members).toHaveLength(3);
  });

  it("is not found by trying: after twenty wrong ones an account waits", async () => {
    const ann = await someone();
    for (let n = 0; n < 20; n++) expect(await join(ann, `WRONG${String(n).padStart(2, "0")}`)).toBe(404);
    expect(await join(ann, "WRONG99")).toBe(429);
  });
});

describe("a student who was removed", () => {
  it("does not come in again by the same code, nor by a new one, until the teacher says so", async () => {
    const [teacher, ann] = [await someone("instructor"), await someone()];
    const { id, code } = await madeBy(teacher);
    await join(ann, code);
    await teacher.send("delete", `/api/classes/${id}/members/${ann.id}`);
    expect(await join(ann, code)).toBe(403);
    const changed = (await teacher.send("post", `/api/classes/${id}/code`)).body as SchoolClass;
    expect(await join(ann, changed.code)).toBe(403);
    expect(changed.removed).toEqual([{ accountId: ann.id, name: "Somebody" }]);
    await teacher.send("post", `/api/classes/${id}/members/${ann.id}/readmit`);
    expect(await join(ann, changed.code)).toBe(201);
  });

  it("who left comes again as they please", async () => {
    const [teacher, ann] = [await someone("instructor"), await someone()];
    const { id, code } = await madeBy(teacher);
    await join(ann, code);
    await ann.send("delete", `/api/classes/${id}/membership`);
    expect(await join(ann, code)).toBe(201);
  });
});
