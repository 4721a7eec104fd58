// Bundles the server and the headless command, so that they start quickly. Packages from the registry stay outside; each
// bundle stands in its own package's folder, so that it finds the versions that package asks for.
import { rmSync } from "node:fs";
import { build } from "esbuild";

const shared = {
  outdir: "packages",
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
      setup: (b) =>
        b.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          // What no code of a bundle names is not loaded with it.
          kind === "entry-point" || path.startsWith("@lodrin/") ? undefined : { path, external: true, sideEffects: false },
        ),
    },
  ],
};

await build({
  ...shared,
  entryPoints: {
    "server/build/server": "packages/server/src/main.ts",
    "server/build/users": "packages/server/src/users-main.ts",
    "server/build/verify": "packages/server/src/verify-main.ts",
    "server/build/file-worker": "packages/server/src/files/worker.ts",
  },
});

// The headless command is in parts: what is not asked for (PDF, CSV, JSON schemas) is not loaded.
rmSync("packages/cli/build", { recursive: true, force: true });
await build({
  ...shared,
  entryPoints: { "cli/build/cli": "packages/cli/src/main.ts" },
  splitting: true,
  chunkNames: "cli/build/[name]-[hash]",
});
