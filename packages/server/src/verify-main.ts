// What `./lodrin restore` runs on the restored database before it takes the place of the one that is there.
import { connect } from "./database/connect.js";
import { verifyPlace } from "./verify.js";

const knex = connect(process.env["DATABASE_URL"] ?? "");
const wrong = await verifyPlace(knex).finally(() => knex.destroy());
if (wrong !== undefined) {
  process.stderr.write(`${wrong}\n`);
  process.exitCode = 1;
}
