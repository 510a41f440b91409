import { rmSync } from "node:fs";
import { join } from "node:path";
import { bin, build, ensureInstalled, must, ROOT } from "./bootstrap.mjs";
import { network, serve } from "./serve.mjs";

network();
const database = process.env.AMBREK_DB || join(ROOT, "var", "demo.db");
ensureInstalled();
build();
if (process.argv.includes("--fresh"))
  for (const end of ["", "-wal", "-shm"]) rmSync(database + end, { force: true });
must(bin("tsx"), ["data/demo/plant.ts"], {
  env: { AMBREK_DB: database, ...(process.argv.includes("--fresh") ? { AMBREK_ANEW: "yes" } : {}) },
});
serve({ AMBREK_DB: database });
