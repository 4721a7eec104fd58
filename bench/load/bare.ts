// What Lodrin's PATCH and GET are held against: Express and pg with the same statement, no session, no validation, no model.
import express from "express";
import pg from "pg";

const pool = new pg.Pool({ connectionString: process.env["DATABASE_URL"], max: 10 });
const app = express();
app.use(express.json());

app.patch("/api/drafts/:id", async (request, response) => {
  const { version, note } = request.body as { version: number; note: string };
  const { rows } = await pool.query(
    "update drafts set note = $1, version = version + 1, updated_at = now() where id = $2 and version = $3 returning *",
    [note, request.params.id, version],
  );
  response.json(rows[0] ?? {});
});
app.get("/api/drafts/:id", async (request, response) => {
  const { rows } = await pool.query("select * from drafts where id = $1", [request.params.id]);
  response.json(rows[0] ?? {});
});
app.listen(Number(process.env["LODRIN_PORT"]), "127.0.0.1", () => process.stdout.write("is ready\n"));
