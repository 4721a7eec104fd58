// Compiles the Peggy grammars of the core into plain modules. Runs after every install, so a fresh clone is ready to go.
import { readFileSync, writeFileSync, mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import peggy from "peggy";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const grammars = [
  { from: "packages/core/src/formula/formula.peggy", starts: ["Formula", "Formulas", "PointRef", "LineRef"] },
  { from: "packages/core/src/system/notation/notation.peggy", starts: ["File", "Statement", "Detail"] },
];

for (const { from, starts } of grammars) {
  const source = peggy.generate(readFileSync(join(root, from), "utf8"), {
    allowedStartRules: starts,
    output: "source",
    format: "es",
    grammarSource: from,
  });
  const target = join(root, from.replace(/([^/]+)\.peggy$/, "generated/$1.js"));
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, source);
}
