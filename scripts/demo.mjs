import { rmSync } from "node:fs";
import { join } from "node:path";
import { bin, ensureInstalled, must, ROOT } from "./bootstrap.mjs";
import { serve } from "./serve.mjs";

const database = process.env.AMBREK_DB || join(ROOT, "var", "demo.db");
ensureInstalled();
must(bin("react-router"), ["build", "--logLevel", "warn"]);
if (process.argv.includes("--fresh"))
  for (const end of ["", "-wal", "-shm"]) rmSync(database + end, { force: true });
must(bin("tsx"), ["data/demo/plant.ts"], { env: { AMBREK_DB: database } });
serve({ AMBREK_DB: database });
