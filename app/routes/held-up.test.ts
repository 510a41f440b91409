import { randomUUID } from "node:crypto";
import SqliteFile from "better-sqlite3";
import { afterEach, beforeEach, expect, it } from "vitest";
import { factOf } from "../../data/record.ts";
import { action } from "./keep.ts";
import { openSampleYard, refusal, type SampleYard, submit } from "./sample-yard.ts";

const SITTING = randomUUID();

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const reading = (id: string, text: string, dimension = "tool.width") =>
  submit(
    action,
    "/rigs/4/keep",
    {
      intent: "keep-reading",
      id,
      dimension,
      hangs: "mounted",
      text,
      style: "m",
      instrument: "tape",
      sitting: SITTING,
      reason: "",
      note: "",
      conditions: "",
      changed: "",
      sure: "yes",
      person: "Mira",
    },
    { rigId: "4" },
  );

it("an entry that comes twice is kept once; under its number another text is refused, with both", async () => {
  const id = randomUUID();
  const count = () => yard.db.$client.prepare("select count(*) from reading").pluck().get();
  expect(await reading(id, "3.05")).toMatchObject({ data: { ok: true } });
  const once = count();
  expect(await reading(id, "3.05")).toMatchObject({ data: { ok: true, kept: { said: "Saved before" } } });
  const { status, errors } = refusal(await reading(id, "3.10"));
  expect(status).toBe(422);
  expect(errors.text).toMatch(/kept before as “3.05”; “3.10” was not/);
  expect(refusal(await reading(id, "3.05", "tool.depth")).errors.text).toContain("of another reading");
  expect(count()).toBe(once);
});

it("an entry while another program holds the file is answered with what to do, is not kept, and is once it lets go", async () => {
  const id = randomUUID();
  const send = () => reading(id, "3.05");
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
