/** The door of a running server, knocked on without a browser: bodies without a length, names of elsewhere, no session. */

import { request } from "node:http";
import { join } from "node:path";
import Sqlite from "better-sqlite3";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { formHeaders, readingForm } from "../bench/load/entry.ts";
import { rig } from "./fixture.ts";
import { ON_NETWORK } from "./people.ts";
import { openYard, type Yard } from "./server.ts";

const MB = 1024 * 1024;
let yard: Yard;
let locked: Yard;
beforeAll(async () => {
  [yard, locked] = await Promise.all([openYard(), openYard(ON_NETWORK)]);
});
afterAll(async () => {
  await Promise.all([yard.close(), locked.close()]);
});

type Answer = { status: number; text: string; sent: number };

type Pour = (
  address: string,
  path: string,
  megabytes: number,
  headers?: Record<string, string>,
) => Promise<Answer>;

/** A connection that was cut while a piece was on its way loses the answer with it: it is poured again. */
const pour: Pour = async (...asked) => {
  for (let tries = 1; ; tries += 1)
    try {
      return await pourOnce(...asked);
    } catch (error) {
      if (tries === 5) throw error;
    }
};

/** Posts `megabytes` without telling how many, and says how much of it was taken before the answer came. */
function pourOnce(
  address: string,
  path: string,
  megabytes: number,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const { hostname, port, origin } = new URL(address);
  return new Promise((done, fail) => {
    let sent = 0;
    let over = false;
    const asked = request({
      hostname,
      port,
      path,
      method: "POST",
      headers: { Origin: origin, "Content-Type": "multipart/form-data; boundary=x", ...headers },
    });
    asked.on("response", (answer) => {
      let text = "";
      answer.setEncoding("utf8");
      answer.on("data", (piece: string) => {
        text += piece;
      });
      const finish = () => {
        over = true;
        done({ status: answer.statusCode ?? 0, text, sent });
      };
      answer.on("end", finish);
      answer.on("close", finish);
    });
    asked.on("error", (error) => over || fail(error));
    const piece = Buffer.alloc(MB, "a");
    const more = () => {
      if (over || sent >= megabytes) return asked.end();
      sent += 1;
      if (asked.write(piece)) setTimeout(more, 2);
      else asked.once("drain", more);
    };
    more();
  });
}

describe("a body without a length", () => {
  it("is cut off at what its route may take", async () => {
    const answer = await pour(yard.address, `${rig("Grain drill")}/keep`, 200);
    expect(answer).toMatchObject({ status: 413, text: "That is too large." });
    expect(answer.sent).toBeLessThan(100);
  });

  it("is not read at all before somebody is in", async () => {
    const answer = await pour(locked.address, "/files", 400, { Accept: "application/json" });
    expect(answer.status).toBe(401);
    expect(answer.sent).toBeLessThan(100);
  });

  it("that breaks off is answered with a sentence, and the server goes on", async () => {
    const answer = await pour(yard.address, "/limits", 1);
    expect(answer.status).toBe(400);
    expect(answer.text).toContain("not understood");
    expect((await fetch(yard.address)).status).toBe(200);
  });
});

describe("a name of elsewhere", () => {
  it("is not answered on the machine itself", async () => {
    const { hostname, port } = new URL(yard.address);
    const status = await new Promise((done) => {
      request({ hostname, port, path: "/", headers: { Host: "rebound.example" } }, (answer) => {
        answer.resume();
        done(answer.statusCode);
      }).end();
    });
    expect(status).toBe(403);
  });
});

describe("an entry", () => {
  it("came when it came, whatever it says itself of that", async () => {
    const began = Date.now();
    const answer = await fetch(`${yard.address}${rig("Grain drill")}/keep`, {
      method: "POST",
      headers: { ...formHeaders(yard.address), accept: "application/json", "ambrek-came": "1577923200000" },
      body: readingForm("3.05", { note: "came by itself" }),
    });
    expect(await answer.json()).toMatchObject({ ok: true });
    const file = new Sqlite(join(yard.folder, "yard.db"), { readonly: true });
    const kept = file
      .prepare("select f.arrived, f.happened from fact f join reading r using (seq) where r.note = ?")
      .get("came by itself") as { arrived: string; happened: string };
    file.close();
    for (const at of [kept.arrived, kept.happened]) expect(Date.parse(at)).toBeGreaterThanOrEqual(began);
  });
});
