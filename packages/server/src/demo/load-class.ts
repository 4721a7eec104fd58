import type { HandReading } from "@lodrin/contract";
import { loadSystem, type Plan, review, run, type Run, stepName, tapeText } from "@lodrin/core";
import type { Knex } from "knex";
import { AccountRow } from "../auth/account.js";
import { ClassRow } from "../classes/class-row.js";
import { DraftRow } from "../drafts/draft.js";
import { newestVersion } from "../systems/library.js";
import type { SystemVersionRow } from "../systems/system-version.js";
import { DEMO_CLASS, DEMO_CLASS_STUDENTS, DEMO_LESSONS, type DemoStudent, READINGS, SLEEVE } from "./class.js";

const day = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** The workshop's class: a lesson under way, an assignment half handed in, a question asked. */
export async function loadClass(trx: Knex.Transaction, teacherId: string | undefined, passwordHash: string): Promise<void> {
  const system = await newestVersion(trx, SLEEVE);
  if (teacherId === undefined || !system) return;
  const { plan } = loadSystem(system.notation, system.bases);
  const { id: classId } = await ClassRow.query(trx).insert({ ...DEMO_CLASS, teacherId });
  const assignmentId = await loadAssignment(trx, classId, system);
  for (const student of DEMO_CLASS_STUDENTS)
    await loadStudent(trx, { student, classId, assignmentId, teacherId, passwordHash, system, plan });
  for (const [place, { days, pages, ...lesson }] of DEMO_LESSONS.entries())
    await trx("lessons").insert({ ...lesson, classId, place, on: day(days), pages: JSON.stringify(pages) });
  await trx("live_lessons").insert({ classId, slug: SLEEVE, systemVersion: system.version, step: "S3", move: 1 });
  await loadQuestion(trx, classId, teacherId);
}

async function loadAssignment(trx: Knex.Transaction, classId: string, system: SystemVersionRow): Promise<string> {
  const rubric = [
    { text: "Figures right within an eighth", marks: 10 },
    { text: "Lines clean, points numbered", marks: 5 },
    { text: "Head drawn back before front", marks: 5 },
  ];
  const asked = { body: { kind: "own" }, settings: {}, free: ["crown_ease"], readings: READINGS, rubric };
  const [row] = (await trx("assignments")
    .insert({
      ...{
        classId,
        title: "A short sleeve on your own arm",
        text: "Draw it in full size, read the four figures on your own paper, and hand in.",
      },
      ...{ systemVersionId: system.id, note: true, dueOn: day(4), toleranceMm: 25.4 / 8 },
      ...Object.fromEntries(Object.entries(asked).map(([key, value]) => [key, JSON.stringify(value)])),
    })
    .returning("id")) as { id: string }[];
  return row?.id ?? "";
}

interface Enrolling {
  readonly student: DemoStudent;
  readonly classId: string;
  readonly assignmentId: string;
  readonly teacherId: string;
  readonly passwordHash: string;
  readonly system: SystemVersionRow;
  readonly plan: Plan;
}

async function loadStudent(
  trx: Knex.Transaction,
  { student, classId, assignmentId, teacherId, passwordHash, system, plan }: Enrolling,
): Promise<void> {
  const { name, email, group, shares, written, ticked, seconds, handedIn } = student;
  const known = await AccountRow.query(trx).findOne({ email });
  const { id: accountId } = known ?? (await AccountRow.query(trx).insert({ email, name, role: "student", unit: "in", passwordHash }));
  await trx("class_members").insert({ classId, accountId, group, shares });
  const drafted = run(plan, written);
  const made = {
    ownerId: accountId,
    systemVersionId: system.id,
    personId: null,
    setId: null,
    personName: name,
    unit: "in" as const,
    settings: {},
  };
  const first = name.split(" ")[0] ?? name;
  // Older than what each has been working on by themselves.
  const lastWeek = new Date(Date.now() - 5 * 86_400_000).toISOString();
  const draft = await DraftRow.query(trx).insert({
    ...{ ...made, measurements: written, name: `Short sleeve, ${first}`, note: "", step: Math.max(0, ticked - 1) },
    ...{ createdAt: lastWeek, updatedAt: lastWeek },
  });
  const names = plan.steps.map(stepName);
  await trx("draft_tables").insert({ draftId: draft.id, ticked: JSON.stringify(names.slice(0, ticked)), seconds });
  if (!handedIn) return;
  const readings = readingsOf(plan, drafted, handedIn);
  await trx("draft_readings").insert(readings.map((reading) => ({ draftId: draft.id, ...reading })));
  const snapshot = { measurements: written, settings: {}, readings, marksOnPicture: [], marks: [null, null, null] };
  const [handed] = (await trx("hand_ins")
    .insert({
      ...{ assignmentId, accountId, attempt: 1, unit: "in", personName: name, note: "" },
      ...Object.fromEntries(Object.entries(snapshot).map(([key, value]) => [key, JSON.stringify(value)])),
    })
    .returning("id")) as { id: string }[];
  if (first === "Corin")
    await trx("comments").insert({
      handInId: handed?.id,
      byId: teacherId,
      place: "S12",
      text: "Fold the paper along the middle and look at the hem again.",
    });
}

/** What a hand read that is so far off (inches), with what the program says of it. */
function readingsOf(plan: Plan, drafted: Run, off: Readonly<Record<string, number>>): HandReading[] {
  const right = review(plan, drafted, Object.fromEntries(Object.keys(off).map((name) => [name, "1"])));
  const read = Object.fromEntries(
    right.readings.map(({ name, expected = 0 }) => [
      name,
      tapeText(expected + (off[name] ?? 0) * 25.4, "in", "1/16in").replace(/\s/g, " "),
    ]),
  );
  return review(plan, drafted, read).readings.map(({ name, verdict, causes: [first] }) => ({
    ...{ name, written: read[name] ?? "", verdict: verdict === "off" ? "off" : "right" },
    ...(verdict === "off"
      ? { code: first?.code ?? "", step: first?.step ?? "", says: first?.says ?? "" }
      : { code: "", step: "", says: "" }),
  }));
}

async function loadQuestion(trx: Knex.Transaction, classId: string, teacherId: string): Promise<void> {
  const asker = await AccountRow.query(trx).findOne({ email: "hob@quillmoor.example" });
  if (!asker) return;
  const [question] = (await trx("questions")
    .insert({ classId, byId: asker.id, slug: SLEEVE, step: "S3", text: "Is the slant measured along the slope or level on the cap line?" })
    .returning("id")) as { id: string }[];
  const text = "Here it is laid level along the cap line; the other way is a choice of the system, and makes the sleeve narrower.";
  await trx("answers").insert({ questionId: question?.id, byId: teacherId, text });
}
