import type { Knex } from "knex";

/** Rights that end are announced; codes of classes are closed, limited and changed; what was handed in knows whose body it is. */
export async function up(knex: Knex): Promise<void> {
  await rightsAnnounced(knex);
  await passwordsByOthers(knex);
  await knex.schema.alterTable("events", (t) => t.text("detail").notNullable().defaultTo(""));
  // Filled when a version is first needed: compiling is not a migration's work.
  await knex.schema.alterTable("system_versions", (t) => t.jsonb("step_names"));
  await knex.schema.alterTable("classes", (t) => {
    t.boolean("code_closed").notNullable().defaultTo(false);
    t.integer("most_members");
    t.check("most_members > 0", [], "classes_most_members");
  });
  await knex.schema.createTable("class_removals", (t) => {
    t.uuid("class_id").notNullable().references("classes.id").onDelete("CASCADE");
    t.uuid("account_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.primary(["class_id", "account_id"]);
  });
  await handInsOfABody(knex);
  // Files that wait to be made, so that whoever waits sees how many are before theirs. Lost with the machine, as the files are.
  await knex.raw(`create unlogged table files_waiting (
    ticket uuid primary key,
    account_id uuid not null references accounts (id) on delete cascade,
    process text not null,
    since timestamptz not null default now())`);
}

/** Triggers, so that it is announced whoever ends a right, and only when it is committed. */
async function rightsAnnounced(knex: Knex): Promise<void> {
  await knex.raw(`
    create function announce_rights() returns trigger language plpgsql as $$
    begin
      perform pg_notify('lodrin_rights', json_build_object(tg_argv[0], to_jsonb(old) ->> tg_argv[1])::text);
      return null;
    end $$`);
  const on = (name: string, what: string, key: string, column: string): Promise<void> =>
    knex.raw(`create trigger ${name} after ${what} for each row execute function announce_rights('${key}', '${column}')`);
  await on("rights_of_members", "delete on class_members", "accountId", "account_id");
  await on("rights_of_accounts", "delete or update of role on accounts", "accountId", "id");
  await on("rights_of_classes", "delete or update of deleted_at, teacher_id on classes", "classId", "id");
}

/** Who made a link for a new password, and what the password was before. */
async function passwordsByOthers(knex: Knex): Promise<void> {
  await knex.schema.alterTable("password_resets", (t) => {
    // Empty for a link that the account asked for itself.
    t.text("by_name").notNullable().defaultTo("");
    t.timestamp("made_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable("password_handovers", (t) => {
    t.uuid("account_id").primary().references("accounts.id").onDelete("CASCADE");
    t.text("by_name").notNullable();
    t.text("former_hash").notNullable();
    t.boolean("agreed").notNullable().defaultTo(false);
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

async function handInsOfABody(knex: Knex): Promise<void> {
  await knex.schema.alterTable("hand_ins", (t) => {
    t.uuid("person_id").references("people.id").onDelete("SET NULL").index();
    t.timestamp("erased_at", { useTz: true });
  });
  // As far as a name tells one person of the account from the others.
  await knex.raw(`
    update hand_ins h set person_id = p.id from people p
    where p.owner_id = h.account_id and p.name = h.person_name
      and not exists (select 1 from people q where q.owner_id = p.owner_id and q.name = p.name and q.id <> p.id)`);
}

/** Back to before. */
export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("files_waiting");
  await knex.schema.alterTable("hand_ins", (t) => t.dropColumns("person_id", "erased_at"));
  await knex.schema.dropTable("class_removals");
  await knex.schema.alterTable("classes", (t) => t.dropColumns("code_closed", "most_members"));
  await knex.schema.alterTable("system_versions", (t) => t.dropColumn("step_names"));
  await knex.schema.alterTable("events", (t) => t.dropColumn("detail"));
  await knex.schema.dropTable("password_handovers");
  await knex.schema.alterTable("password_resets", (t) => t.dropColumns("by_name", "made_at"));
  for (const [name, table] of [
    ["rights_of_members", "class_members"],
    ["rights_of_accounts", "accounts"],
    ["rights_of_classes", "classes"],
  ])
    await knex.raw(`drop trigger ${name} on ${table}`);
  await knex.raw("drop function announce_rights()");
}
