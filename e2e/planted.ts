/** The demo yard is planted once; each file of tests gets a copy of its own. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import type { TestProject } from "vitest/node";

declare module "vitest" {
  interface ProvidedContext {
    /** path of the planted yard */
    planted: string;
  }
}

export default function plant(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-planted-"));
  const path = join(folder, "yard.db");
  const env = { ...process.env, NODE_ENV: "production", AMBREK_DB: path };
  const planted = spawnSync(resolve("node_modules/.bin/tsx"), ["data/demo/plant.ts"], {
    env,
    encoding: "utf8",
  });
  if (planted.status !== 0) throw new Error(planted.stderr);
  project.provide("planted", path);
  return () => rmSync(folder, { recursive: true, force: true });
}
