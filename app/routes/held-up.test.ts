import { randomUUID } from "node:crypto";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, expect, it } from "vitest";
import { factOf } from "../../data/record.ts";
import { action } from "./keep.ts";
import { openSampleYard, type SampleYard, submit } from "./sample-yard.ts";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

it("an entry while another program holds the file is answered with what to do, is not kept, and is once it lets go", async () => {
  const id = randomUUID();
  const send = () =>
    submit(
      action,
      "/rigs/4/keep",
      {
        intent: "keep-reading",
        id,
        dimension: "tool.width",
        hangs: "mounted",
        text: "3.05",
        style: "m",
        instrument: "tape",
        sitting: randomUUID(),
        reason: "",
        note: "",
        conditions: "",
        changed: "",
        sure: "yes",
        person: "Mira",
      },
      { rigId: "4" },
    );
  const other = new SqliteFile(yard.db.$client.name);
  other.exec("begin immediate");
  yard.db.$client.pragma("busy_timeout = 20");
  const answer = (await send()) as Response;
  expect(answer.status).toBe(503);
  expect(await answer.text()).toMatch(/Another program holds the yard's file: nothing was written/);
  expect(factOf(yard.db, id)).toBeNull();
  other.exec("rollback");
  other.close();
  expect(await send()).toMatchObject({ data: { ok: true } });
  expect(factOf(yard.db, id)).not.toBeNull();
});
