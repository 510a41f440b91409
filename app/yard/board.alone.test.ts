import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { recallBoard, rememberBoard } from "../../data/board.ts";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import { keepReading } from "../../data/readings.ts";
import { listEveryTool, toolsOf } from "../../data/rigs.ts";
import { standingsOf } from "./board.server.ts";

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "ambrek-board-"));
  path = join(folder, "yard.db");
  vi.stubEnv("AMBREK_BUILD", "one");
  const db = openDatabase(path);
  db.transaction(() => {
    plantDemoYard(db);
    plantDemoYard(db);
  });
  standingsOf(db, listEveryTool(db));
  // What is recalled is told from what is judged by a figure no rig has.
  const kept = recallBoard(db, "one")!;
  rememberBoard(db, "one", { ...kept, standings: kept.standings.map((each) => ({ ...each, checks: 777 })) });
  db.$client.close();
});
afterEach(() => {
  vi.unstubAllEnvs();
  rmSync(folder, { recursive: true });
});

/** A start of the server: nothing is in memory. */
function checksOf(write: (db: ReturnType<typeof openDatabase>) => void = () => {}): Map<number, number> {
  const db = openDatabase(path);
  write(db);
  const found = standingsOf(db, listEveryTool(db));
  db.$client.close();
  return new Map([...found].map(([id, { checks }]) => [id, checks]));
}

it("is recalled after a start, and judged anew where something was written meanwhile", () => {
  expect(new Set(checksOf().values())).toEqual(new Set([777]));
  const checks = checksOf((db) =>
    keepReading(db, toolsOf(db, 2)[0]!, {
      key: "tool.width",
      rawText: "6.1",
      value: 6.1,
      step: 0.1,
      instrument: "tape",
      person: "Mira",
      at: new Date(),
    }),
  );
  expect([...checks].filter(([, count]) => count !== 777).map(([id]) => id)).toEqual([2]);
});

it("says nothing to another build, nor to a server that knows none", () => {
  for (const build of ["two", ""]) {
    vi.stubEnv("AMBREK_BUILD", build);
    expect([...checksOf().values()]).not.toContain(777);
  }
});
