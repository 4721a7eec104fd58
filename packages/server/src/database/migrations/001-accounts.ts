import type { Knex } from "knex";

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("accounts", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.text("email").notNullable().unique();
    t.text("name").notNullable();
    t.text("role").notNullable().defaultTo("student");
    t.text("unit").notNullable().defaultTo("in");
    t.text("look").notNullable().defaultTo("auto");
    t.text("password_hash").notNullable();
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.check("email = lower(email) and email like '%_@_%'", [], "accounts_email_shape");
    t.check("role in ('student', 'instructor')", [], "accounts_role_known");
    t.check("unit in ('in', 'cm')", [], "accounts_unit_known");
    t.check("look in ('day', 'night', 'auto')", [], "accounts_look_known");
  });
  // The table connect-pg-simple asks for.
  await knex.schema.createTable("sessions", (t) => {
    t.text("sid").primary();
    t.json("sess").notNullable();
    t.timestamp("expire", { precision: 6 }).notNullable().index();
  });
  await knex.schema.createTable("login_failures", (t) => {
    t.bigIncrements("id");
    t.text("email").notNullable().index();
    t.text("address").notNullable().index();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("login_failures").dropTable("sessions").dropTable("accounts");
}
