// Writes the published JSON Schema of a system to docs/schema/. A test holds the file against the model.
import { mkdirSync, writeFileSync } from "node:fs";
import { build } from "esbuild";

const { outputFiles } = await build({
  stdin: { contents: 'export { SystemSchema } from "./packages/core/src/system/model.ts";', resolveDir: "." },
  bundle: true,
  platform: "node",
  format: "esm",
  write: false,
});
const { SystemSchema } = await import(`data:text/javascript;base64,${Buffer.from(outputFiles[0].text).toString("base64")}`);
mkdirSync("docs/schema", { recursive: true });
writeFileSync(
  "docs/schema/system.json",
  `${JSON.stringify({ $schema: "http://json-schema.org/draft-07/schema#", ...SystemSchema }, null, 2)}\n`,
);
