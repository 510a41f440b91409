/** The rooms of core/ stand on floors: no two import each other, nor through a third. Tests and their samples may look anywhere. */
module.exports = {
  forbidden: [
    {
      name: "rooms-in-one-direction",
      scope: "folder",
      severity: "error",
      from: { path: "^core/" },
      to: { circular: true },
    },
    {
      name: "a-subject-knows-no-other",
      severity: "error",
      from: { path: "^core/subjects/([^/]+)/" },
      to: { path: "^core/subjects/[^/]+/", pathNot: "^core/subjects/$1/" },
    },
    {
      name: "subjects-are-named-in-one-place",
      severity: "error",
      from: { path: "^core/subjects/[^/]+/" },
      to: { path: "^core/subjects/[^/]+\\.ts$" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.test\\.ts$|/sample[^/]*\\.ts$" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
  },
};
