import type { Knex } from "knex";

/** An owner beside instructors and students; links to set a new password; sessions found by their account. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable("accounts", (t) => {
    t.dropChecks("accounts_role_known");
    t.check("role in ('student', 'instructor', 'owner')", [], "accounts_role_known");
  });
  await knex.schema.createTable("password_resets", (t) => {
    // Only a digest is kept: who reads the database cannot use the link.
    t.text("token_digest").primary();
    t.uuid("account_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.timestamp("until", { useTz: true }).notNullable();
  });
  await knex.raw("create index sessions_account on sessions ((sess ->> 'accountId'))");
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw("drop index sessions_account");
  await knex.schema.dropTable("password_resets");
  await knex("accounts").where({ role: "owner" }).update({ role: "instructor" });
  await knex.schema.alterTable("accounts", (t) => {
    t.dropChecks("accounts_role_known");
    t.check("role in ('student', 'instructor')", [], "accounts_role_known");
  });
}
