// Bundles the server and the headless command into build/, so that they start quickly. Packages from the registry stay outside.
import { build } from "esbuild";

await build({
  entryPoints: { server: "packages/server/src/main.ts", draft: "packages/cli/src/main.ts" },
  outdir: "build",
  outExtension: { ".js": ".mjs" },
  bundle: true,
  platform: "node",
  format: "esm",
  target: "node20",
  sourcemap: true,
  logLevel: "warning",
  plugins: [
    {
      name: "keep-registry-packages-outside",
      setup: (b) => b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) => (kind === "entry-point" || path.startsWith("@lodrin/") ? undefined : { path, external: true })),
    },
  ],
});
