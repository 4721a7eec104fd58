// The house has few rooms, and each knows only what lies below it.
const room = (name) => `^packages/${name}/`;

/** Within the core: rooms that may not look up into others. */
const below = (rooms, above, comment) => [
  {
    name: `core-${rooms[rooms.length - 1]}-below-${above[0]}`,
    comment,
    severity: "error",
    from: { path: `^packages/core/src/(${rooms.join("|")})/`, pathNot: "\\.test\\.ts$" },
    to: { path: `^packages/core/src/(${above.join("|")})/` },
  },
];

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
      comment:
        "core imports no Node module, and of packages only its schema language and the polygon engine, which know no machine either (tests may)",
      severity: "error",
      from: { path: room("core"), pathNot: "\\.test\\.ts$|/src/test/" },
      to: { dependencyTypes: ["core", "npm", "npm-dev", "npm-peer"], pathNot: "node_modules/(@sinclair/typebox|clipper2-ts)" },
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
      name: "no-feature-reaches-into-another",
      comment: "what several features share has a room of its own beside them; the router alone knows them all",
      severity: "error",
      from: { path: `${room("web")}src/features/([^/]+)/`, pathNot: "\\.test\\.ts$" },
      to: { path: `${room("web")}src/features/[^/]+/`, pathNot: `${room("web")}src/features/$1/` },
    },
    {
      name: "shared-rooms-know-no-feature",
      severity: "error",
      from: { path: `${room("web")}src/(?!features/|router|App)`, pathNot: "\\.test\\.ts$" },
      to: { path: `${room("web")}src/features/` },
    },
    ...below(
      ["quantity", "geometry", "formula", "verb", "system"],
      ["piece", "shaping", "plan", "run", "report", "check"],
      "what a system is, below what is done with it",
    ),
    ...below(
      ["body"],
      ["formula", "verb", "system", "piece", "shaping", "plan", "run", "report", "check"],
      "a body is measured without any system: a system may say where a tape runs on it",
    ),
    ...below(["piece", "shaping"], ["plan", "run", "report", "check"], "pieces and their shaping know no plan and no run"),
    ...below(["plan"], ["run", "report", "check"], "a plan is compiled without a body"),
    ...below(["check"], ["run", "report"], "checks look at a plan and its pieces, not at the run they are part of"),
    ...below(["run"], ["report"], "a run is made before it is reported"),
    ...below(
      ["quantity", "geometry", "formula", "verb", "system", "piece", "shaping", "plan", "run", "check", "report", "body"],
      ["edit", "phrase"],
      "a system is read and drafted without being edited",
    ),
    ...below(["edit"], ["phrase"], "edits know no plain sentences"),
    ...below(
      ["quantity", "geometry", "formula", "verb", "system", "piece", "shaping", "plan", "run", "check", "report", "body", "edit", "phrase"],
      ["review"],
      "a draft is made without knowing how a hand may slip",
    ),
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
