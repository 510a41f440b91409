/**
 * Builds what runs beside the pages into build/worker, each by itself: files that share pieces would load what another one needs, and the
 * thread that listens is to be up at once.
 */
import { rmSync } from "node:fs";
import { join } from "node:path";
import { build } from "vite";
import { ROOT } from "./bootstrap.mjs";

const WORKERS = {
  read: "formats/read.worker.ts",
  "yard-ready": "app/files/yard-ready.server.ts",
  front: "app/front.server.ts",
  line: "app/line.server.ts",
  yards: "app/yards.server.ts",
};

const outDir = join(ROOT, "build", "worker");
rmSync(outDir, { recursive: true, force: true });
for (const [name, entry] of Object.entries(WORKERS))
  await build({
    root: ROOT,
    configFile: false,
    publicDir: false,
    logLevel: "warn",
    build: {
      ssr: true,
      outDir,
      emptyOutDir: false,
      rollupOptions: {
        input: { [name]: entry },
        // Of a package nothing is used of, nothing is loaded; but for the one that is loaded for what it does.
        treeshake: { moduleSideEffects: (id, external) => !external || id === "reflect-metadata" },
        output: { entryFileNames: "[name].js" },
      },
    },
  });
