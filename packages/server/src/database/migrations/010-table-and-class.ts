import type { Knex } from "knex";

/** Drafts at the table, and classes with their lessons, assignments, what is handed in, questions and the lesson under way. */
export async function up(knex: Knex): Promise<void> {
  await table(knex);
  await classes(knex);
  await handedIn(knex);
  await asked(knex);
  // A system may be for the classes its author teaches.
  await audiences(knex, "'me', 'classes', 'everyone'");
}

const audiences = (knex: Knex, allowed: string): Promise<unknown> =>
  knex.raw(`alter table works drop constraint works_audience, add constraint works_audience check (audience in (${allowed}))`);

async function table(knex: Knex): Promise<void> {
  await knex.schema.createTable("draft_tables", (t) => {
    t.uuid("draft_id").primary().references("drafts.id").onDelete("CASCADE");
    t.jsonb("ticked").notNullable().defaultTo("[]");
    t.integer("seconds").notNullable().defaultTo(0);
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  // Every reading is kept, newest last: what went wrong and was put right is seen by it.
  await knex.schema.createTable("draft_readings", (t) => {
    t.bigIncrements("id");
    t.uuid("draft_id").notNullable().references("drafts.id").onDelete("CASCADE");
    for (const column of ["name", "written", "verdict"]) t.text(column).notNullable();
    for (const column of ["code", "step", "says"]) t.text(column).notNullable().defaultTo("");
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.index(["draft_id", "id"], "draft_readings_newest");
  });
}

async function classes(knex: Knex): Promise<void> {
  await knex.schema.createTable("classes", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("teacher_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.text("name").notNullable();
    for (const column of ["term", "meets", "note"]) t.text(column).notNullable().defaultTo("");
    t.text("code").notNullable().unique();
    t.boolean("classmates_answer").notNullable().defaultTo(false);
    common(knex, t);
  });
  await knex.schema.createTable("class_members", (t) => {
    t.uuid("class_id").notNullable().references("classes.id").onDelete("CASCADE");
    t.uuid("account_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.text("group").notNullable().defaultTo("");
    // A teacher sees no figures until the student says so.
    t.boolean("shares").notNullable().defaultTo(false);
    t.timestamp("joined_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.primary(["class_id", "account_id"]);
  });
  await knex.schema.createTable("lessons", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("class_id").notNullable().references("classes.id").onDelete("CASCADE").index();
    t.text("title").notNullable();
    t.integer("place").notNullable().defaultTo(0);
    t.date("on");
    t.integer("minutes").notNullable().defaultTo(0);
    t.boolean("done").notNullable().defaultTo(false);
    t.jsonb("pages").notNullable();
    common(knex, t);
  });
  // The lesson under way, one a class.
  await knex.schema.createTable("live_lessons", (t) => {
    t.uuid("class_id").primary().references("classes.id").onDelete("CASCADE");
    t.text("slug").notNullable();
    t.integer("system_version").notNullable();
    t.text("step").notNullable();
    t.integer("move").notNullable().defaultTo(0);
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

async function handedIn(knex: Knex): Promise<void> {
  await knex.schema.createTable("assignments", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("class_id").notNullable().references("classes.id").onDelete("CASCADE").index();
    t.text("title").notNullable();
    t.text("text").notNullable().defaultTo("");
    t.uuid("system_version_id").notNullable().references("system_versions.id");
    for (const column of ["body", "settings", "free", "readings", "rubric"]) t.jsonb(column).notNullable();
    t.boolean("picture").notNullable().defaultTo(false);
    t.boolean("note").notNullable().defaultTo(false);
    t.date("due_on");
    t.double("tolerance_mm").notNullable();
    common(knex, t);
  });
  await knex.schema.createTable("hand_ins", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("assignment_id").notNullable().references("assignments.id").onDelete("CASCADE").index();
    t.uuid("account_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.integer("attempt").notNullable();
    t.text("unit").notNullable();
    t.text("person_name").notNullable().defaultTo("");
    for (const column of ["measurements", "settings", "readings", "marks_on_picture"]) t.jsonb(column).notNullable();
    t.text("note").notNullable().defaultTo("");
    t.text("picture");
    t.timestamp("handed_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    // What the teacher makes of it; the rest never changes.
    t.text("state").notNullable().defaultTo("handed");
    t.jsonb("marks").notNullable().defaultTo("[]");
    t.unique(["assignment_id", "account_id", "attempt"]);
  });
  await knex.schema.createTable("comments", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("hand_in_id").notNullable().references("hand_ins.id").onDelete("CASCADE").index();
    t.uuid("by_id").notNullable().references("accounts.id").onDelete("CASCADE");
    t.text("place").notNullable().defaultTo("");
    t.text("text").notNullable();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

async function asked(knex: Knex): Promise<void> {
  await knex.schema.createTable("questions", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("class_id").notNullable().references("classes.id").onDelete("CASCADE").index();
    t.uuid("by_id").notNullable().references("accounts.id").onDelete("CASCADE");
    for (const column of ["slug", "step", "text"]) t.text(column).notNullable();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable("answers", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("question_id").notNullable().references("questions.id").onDelete("CASCADE").index();
    t.uuid("by_id").notNullable().references("accounts.id").onDelete("CASCADE");
    t.text("text").notNullable();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

function common(knex: Knex, t: Knex.CreateTableBuilder): void {
  t.integer("version").notNullable().defaultTo(1);
  t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  t.timestamp("deleted_at", { useTz: true });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ["works", "system_versions"]) await knex(table).where({ audience: "classes" }).update({ audience: "me" });
  await audiences(knex, "'me', 'everyone'");
  for (const name of [
    ...["answers", "questions", "comments", "hand_ins", "assignments", "live_lessons"],
    ...["lessons", "class_members", "classes", "draft_readings", "draft_tables"],
  ])
    await knex.schema.dropTable(name);
}
