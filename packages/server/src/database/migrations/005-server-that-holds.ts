import type { Knex } from "knex";

/** Tries are counted by account and address; what is looked up by owner and time has an index for it. */
export async function up(knex: Knex): Promise<void> {
  // As rate-limiter-flexible makes it.
  await knex.schema.createTable("rate_limits", (t) => {
    t.string("key", 255).primary();
    t.integer("points").notNullable().defaultTo(0);
    t.bigInteger("expire");
  });
  await knex.schema.dropTable("login_failures");
  await knex.schema.alterTable("drafts", (t) => {
    t.index(["owner_id", "updated_at"], "drafts_owner_newest");
    t.index(["person_id"], "drafts_person");
    t.index(["set_id"], "drafts_set");
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable("drafts", (t) => {
    t.dropIndex([], "drafts_owner_newest");
    t.dropIndex([], "drafts_person");
    t.dropIndex([], "drafts_set");
  });
  await knex.schema.createTable("login_failures", (t) => {
    t.bigIncrements("id");
    t.text("email").notNullable().index();
    t.text("address").notNullable().index();
    t.timestamp("at", { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.dropTable("rate_limits");
}
