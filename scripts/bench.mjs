// Bundles the benchmark as the application is bundled, then runs it: loaders for development would slow what is measured.
import { spawnSync } from "node:child_process";
import { build } from "esbuild";

await build({
  entryPoints: ["bench/run.ts"],
  outfile: "build/bench.mjs",
  bundle: true,
  platform: "node",
  format: "esm",
  target: "node20",
  logLevel: "warning",
  plugins: [
    {
      name: "keep-registry-packages-outside",
      setup: (b) =>
        b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          kind === "entry-point" || path.startsWith("@lodrin/") ? undefined : { path, external: true },
        ),
    },
  ],
});
process.exit(spawnSync("node", ["build/bench.mjs"], { stdio: "inherit" }).status ?? 1);
