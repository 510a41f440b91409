/** The arrows point inward: app → data, formats, bench → core. */
module.exports = {
  forbidden: [
    {
      name: "core-is-pure",
      comment:
        "core/ is arithmetic: it knows no other room, no interface code, no database, no file, and of packages those that are arithmetic themselves.",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { pathNot: "^core/|node_modules/(geographiclib-geodesic|clipper2-ts|highs)/" },
    },
    {
      name: "middle-points-inward",
      comment: "data/, formats/ and bench/ and trials/ may use core/ and packages, never app/.",
      severity: "error",
      from: { path: "^(core|data|formats|bench|trials)/" },
      to: { path: "^(app|e2e)/" },
    },
    {
      name: "formats-know-no-database",
      severity: "error",
      from: { path: "^formats/" },
      to: { path: "^(data|bench)/" },
    },
    {
      name: "components-read-no-database",
      comment: "Only loaders and actions (app/routes, *.server.ts) may read data/.",
      severity: "error",
      from: { path: "^app/", pathNot: "^app/routes/|\\.server\\.tsx?$|\\.test\\.tsx?$|^app/root\\.tsx$" },
      to: { path: "^data/", dependencyTypesNot: ["type-only"] },
    },
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
