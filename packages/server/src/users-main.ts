import { main } from "./users.js";

await main(process.env["DATABASE_URL"] ?? "", process.argv.slice(2));
