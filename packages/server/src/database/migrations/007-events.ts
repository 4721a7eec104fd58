import type { Knex } from "knex";

/** What was done about an account, and by whom: kept for whom it concerns. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable("events", (t) => {
    t.bigIncrements("id");
    t.uuid("about_id").notNullable().references("accounts.id").onDelete("CASCADE");
    // Null for what was done from the command line, or by an account that is gone.
    t.uuid("by_id").references("accounts.id").onDelete("SET NULL");
    t.text("what").notNullable();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
    t.index(["about_id", "at"], "events_newest");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable("events");
}
