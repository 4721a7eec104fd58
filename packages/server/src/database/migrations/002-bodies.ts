import type { Knex } from "knex";

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("people", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("owner_id").notNullable().references("accounts.id").onDelete("CASCADE").index();
    t.text("name").notNullable();
    t.boolean("is_self").notNullable().defaultTo(false);
    t.boolean("is_child").notNullable().defaultTo(false);
    t.text("note").notNullable().defaultTo("");
    t.integer("version").notNullable().defaultTo(1);
    t.timestamp("created_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("deleted_at", { useTz: true });
    t.check("length(trim(name)) > 0", [], "people_name_said");
  });
  await knex.schema.createTable("measurement_sets", (t) => {
    t.uuid("id").primary().defaultTo(knex.raw("gen_random_uuid()"));
    t.uuid("person_id").notNullable().references("people.id").onDelete("CASCADE").index();
    t.date("taken_on").notNullable();
    t.text("unit").notNullable();
    t.jsonb("written").notNullable().defaultTo("{}");
    t.text("note").notNullable().defaultTo("");
    t.integer("version").notNullable().defaultTo(1);
    t.timestamp("updated_at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.timestamp("deleted_at", { useTz: true });
    t.check("unit in ('in', 'cm')", [], "sets_unit_known");
    t.check("jsonb_typeof(written) = 'object'", [], "sets_written_object");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("measurement_sets").dropTable("people");
}
