// The house has few rooms, and each knows only what lies below it.
const room = (name) => `^packages/${name}/`;

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "core-stands-alone",
      comment: "core imports nothing of ours",
      severity: "error",
      from: { path: room("core") },
      to: { path: "^packages/(?!core/)" },
    },
    {
      name: "core-knows-no-machine",
      comment: "core imports no Node module and no package but its schema language (tests may)",
      severity: "error",
      from: { path: room("core"), pathNot: "\\.test\\.ts$|/src/test/" },
      to: { dependencyTypes: ["core", "npm", "npm-dev", "npm-peer"], pathNot: "node_modules/@sinclair/typebox" },
    },
    {
      name: "formats-and-contract-on-core",
      severity: "error",
      from: { path: "^packages/(formats|contract)/" },
      to: { path: "^packages/(server|web|cli)/" },
    },
    { name: "contract-apart-from-formats", severity: "error", from: { path: room("contract") }, to: { path: room("formats") } },
    { name: "nothing-imports-web", severity: "error", from: { pathNot: room("web") }, to: { path: room("web") } },
    { name: "nothing-imports-server", severity: "error", from: { pathNot: `${room("server")}|^e2e/` }, to: { path: room("server") } },
    {
      name: "web-runs-in-a-browser",
      comment: "the web imports no PDF writer and nothing that reads files",
      severity: "error",
      from: { path: `${room("web")}src`, pathNot: "\\.test\\.ts$" },
      to: { path: "^packages/formats/src/(pdf|library)/", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "web-knows-no-node",
      severity: "error",
      from: { path: `${room("web")}src`, pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "notation-below-draft",
      comment: "data flows one way: quantity, formula, geometry, verb, system, draft",
      severity: "error",
      from: { path: "^packages/core/src/(quantity|geometry|formula|verb|system)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^packages/core/src/(draft|piece|check)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^|/)(dist|build|generated)/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "types", "default"],
      mainFields: ["module", "main", "types"],
    },
  },
};
