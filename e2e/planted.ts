/** The demo yard is planted and judged once; each file of tests gets a copy of its own. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import type { TestProject } from "vitest/node";
import { judged, serve } from "../bench/load/served.ts";

declare module "vitest" {
  interface ProvidedContext {
    /** path of the planted yard */
    planted: string;
  }
}

/** A yard that is not judged by then is judged by each server of the tests. */
const PATIENCE = 60_000;

export default async function plant(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-planted-"));
  const path = join(folder, "yard.db");
  const env = { ...process.env, NODE_ENV: "production", AMBREK_DB: path };
  const planted = spawnSync(resolve("node_modules/.bin/tsx"), ["data/demo/plant.ts"], {
    env,
    encoding: "utf8",
  });
  if (planted.status !== 0) throw new Error(planted.stderr);
  const served = await serve(path, "/", { AMBREK_BACKUPS: "off", AMBREK_LOG: "off" });
  await judged(path, PATIENCE);
  await served.stop();
  project.provide("planted", path);
  return () => rmSync(folder, { recursive: true, force: true });
}
