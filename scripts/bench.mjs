// Bundles the benchmark as the application is bundled, then runs it: loaders for development would slow what is measured.
import { spawnSync } from "node:child_process";
import { build } from "esbuild";

await build({
  entryPoints: { bench: "bench/run.ts", load: "bench/load/run.ts", "load-bare": "bench/load/bare.ts" },
  outdir: "build",
  outExtension: { ".js": ".mjs" },
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
const [, , asked = "bench", ...more] = process.argv;
process.exit(spawnSync("node", [`build/${asked}.mjs`, ...more], { stdio: "inherit" }).status ?? 1);
