import knex, { type Knex } from "knex";
import { knexSnakeCaseMappers } from "objection";
import pg from "pg";

// Dates stay dates: a day of measuring has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** Opens the database. */
export function connect(databaseUrl: string): Knex {
  return knex({
    client: "pg",
    connection: databaseUrl,
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 10_000,
    ...knexSnakeCaseMappers(),
  });
}

/** A plain pool beside Knex, for the session store. */
export const poolFor = (databaseUrl: string): pg.Pool => {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 });
  // A connection lost while idle (the database restarted) must not end the process; the next query opens a new one.
  pool.on("error", () => undefined);
  return pool;
};
