import { afterEach, expect, it } from "vitest";
import { openDatabase } from "./database.ts";
import { findImport, keepPreview } from "./imports.ts";

const db = openDatabase(":memory:");
afterEach(() => db.$client.exec("delete from upload"));

const DAY = 24 * 3600_000;
const T0 = Date.parse("2026-06-01T06:00:00Z");
const keep = (at: number) =>
  keepPreview(db, { fileName: "a.zip", bytes: new Uint8Array(1), content: [], at: new Date(at) });
const waits = (id: string) => findImport(db, id) !== null;

it("a file waits a week to be looked at", () => {
  const id = keep(T0);
  keep(T0 + 7 * DAY);
  expect(waits(id)).toBe(true);
  keep(T0 + 7 * DAY + 1);
  expect(waits(id)).toBe(false);
});

it("of very many the newest wait, also of one and the same moment", () => {
  const ids = Array.from({ length: 70 }, () => keep(T0));
  expect(ids.map(waits)).toEqual(ids.map((_, at) => at >= 10));
});
