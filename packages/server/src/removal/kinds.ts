import type { DeletableKind } from "@lodrin/contract";
import { HAS_RESULT } from "../classes/erase-hand-ins.js";

/** What goes with a thing that is deleted: a noun, and the SQL that counts it for the thing `:id`. */
interface Dependents {
  readonly one: string;
  readonly many: string;
  readonly count: string;
}

/** A kind of thing that can be deleted. */
interface Kind {
  readonly table: string;
  /** SQL for the rows of this kind that the account `:me` may delete: id, title, deleted_at. */
  readonly mine: string;
  readonly dependents: readonly Dependents[];
}

const count = (one: string, many: string, from: string): Dependents => ({ one, many, count: `select count(*)::int as n from ${from}` });
const teaches = "join accounts t on t.id = c.teacher_id and t.id = :me and t.role <> 'student'";
const ofClass = "hand_ins h join assignments a on a.id = h.assignment_id where a.class_id = :id";
const versions = "select v.id from system_versions v join works w on w.slug = v.slug and w.owner_id = v.owner_id where w.id = :id";

/** Every kind, and what depends on a thing of it. */
export const KINDS: Readonly<Record<DeletableKind, Kind>> = {
  class: {
    table: "classes",
    mine: `select c.id, c.name as title, c.deleted_at from classes c ${teaches}`,
    dependents: [
      count("student", "students", "class_members where class_id = :id"),
      count("lesson", "lessons", "lessons where class_id = :id and deleted_at is null"),
      count("assignment", "assignments", "assignments where class_id = :id and deleted_at is null"),
      count("hand-in", "hand-ins", ofClass),
      count("question", "questions", "questions where class_id = :id"),
    ],
  },
  lesson: {
    table: "lessons",
    mine: `select l.id, l.title, l.deleted_at from lessons l join classes c on c.id = l.class_id and c.deleted_at is null ${teaches}`,
    dependents: [count("page", "pages", "lessons l, jsonb_array_elements(l.pages) where l.id = :id")],
  },
  assignment: {
    table: "assignments",
    mine: `select a.id, a.title, a.deleted_at from assignments a join classes c on c.id = a.class_id and c.deleted_at is null ${teaches}`,
    dependents: [
      {
        one: "student's work",
        many: "students' work",
        count: "select count(distinct account_id)::int as n from hand_ins where assignment_id = :id",
      },
      count("hand-in", "hand-ins", "hand_ins where assignment_id = :id"),
      count("hand-in with marks or returned", "hand-ins with marks or returned", `hand_ins where assignment_id = :id and ${HAS_RESULT}`),
      count("picture", "pictures", "hand_ins where assignment_id = :id and picture is not null"),
      count("comment", "comments", "comments k join hand_ins h on h.id = k.hand_in_id where h.assignment_id = :id"),
    ],
  },
  work: {
    table: "works",
    mine: "select id, title, deleted_at from works where owner_id = :me",
    dependents: [
      count("published version, which stays on the shelf", "published versions, which stay on the shelf", `(${versions}) v`),
      count(
        "draft made with it, which keeps it",
        "drafts made with it, which keep it",
        `drafts where deleted_at is null and system_version_id in (${versions})`,
      ),
      count("assignment", "assignments", `assignments where deleted_at is null and system_version_id in (${versions})`),
      count(
        "system that builds on it",
        "systems that build on it",
        "(select distinct v.slug from system_versions v join works w on w.id = :id and jsonb_exists(v.bases, w.slug)) v",
      ),
    ],
  },
  chart: {
    table: "size_charts",
    mine: "select id, name as title, deleted_at from size_charts where owner_id = :me",
    dependents: [count("size", "sizes", "size_charts s, jsonb_array_elements(s.sizes) where s.id = :id")],
  },
  person: {
    table: "people",
    mine: "select id, name as title, deleted_at from people where owner_id = :me",
    dependents: [
      count("set of measurements", "sets of measurements", "measurement_sets where person_id = :id and deleted_at is null"),
      count("draft", "drafts", "drafts where person_id = :id and deleted_at is null"),
      count("hand-in", "hand-ins", `hand_ins where person_id = :id and not ${HAS_RESULT}`),
      count(
        "hand-in with marks or returned, of which an unnamed mark stays with the teacher",
        "hand-ins with marks or returned, of which unnamed marks stay with the teacher",
        `hand_ins where person_id = :id and ${HAS_RESULT}`,
      ),
    ],
  },
  set: {
    table: "measurement_sets",
    mine: `select s.id, 'Measurements of ' || p.name || ', ' || to_char(s.taken_on, 'FMDD FMMonth YYYY') as title, s.deleted_at
      from measurement_sets s join people p on p.id = s.person_id and p.owner_id = :me and p.deleted_at is null`,
    dependents: [
      count(
        "draft made with them, which keeps its figures",
        "drafts made with them, which keep their figures",
        "drafts where set_id = :id and deleted_at is null",
      ),
    ],
  },
  draft: {
    table: "drafts",
    mine: "select id, name as title, deleted_at from drafts where owner_id = :me",
    dependents: [count("reading", "readings", "draft_readings where draft_id = :id")],
  },
};
