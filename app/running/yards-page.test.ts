import { describe, expect, it } from "vitest";
import { YardProblem } from "../../data/keeping.ts";
import { type Acts, answerYards, type YardKnown } from "./yards-page.server.ts";

const HERE = "http://127.0.0.1:4180";
const SHOWN = { yards: [] as YardKnown[], encrypted: false, root: "/srv/yards", look: "/assets/root.css" };

const sent = (fields: Record<string, string>, headers: Record<string, string> = {}) =>
  new Request(`${HERE}/`, {
    method: "POST",
    headers: { origin: HERE, "content-type": "application/x-www-form-urlencoded", ...headers },
    body: new URLSearchParams(fields),
  });

function acts(): { acts: Acts; done: unknown[] } {
  const done: unknown[] = [];
  const note = (told: unknown) => void done.push(told);
  return { acts: { begin: note, rename: note, forget: note }, done };
}

const yard = (more: Partial<YardKnown>): YardKnown => ({
  name: "Lindhof",
  folder: "lindhof",
  port: 4181,
  begun: true,
  file: "/nowhere/yard.db",
  state: "asleep",
  problem: null,
  figures: null,
  ...more,
});

const pageOf = async (request: Request, more: Partial<typeof SHOWN> = {}) =>
  (await answerYards(request, acts().acts, () => ({ ...SHOWN, ...more }))).text();

describe("the page of all yards", () => {
  it("is for this machine alone, by whatever name somebody gave its address", async () => {
    const { acts: none, done } = acts();
    const away = await answerYards(new Request("http://evil.example/"), none, () => SHOWN);
    expect(away.status).toBe(403);
    const forged = sent({ intent: "begin", name: "X" }, { origin: "http://127.0.0.1:9999" });
    expect((await answerYards(forged, none, () => SHOWN)).status).toBe(403);
    expect(done).toEqual([]);
  });

  it("carries out what its forms ask for, and goes back to itself", async () => {
    const { acts: all, done } = acts();
    for (const fields of [
      { intent: "begin", name: " Lindhof " },
      { intent: "rename", folder: "lindhof", name: "Lindhof East" },
      { intent: "forget", folder: "lindhof" },
    ])
      expect((await answerYards(sent(fields), all, () => SHOWN)).status).toBe(303);
    expect(done).toEqual([
      { name: "Lindhof" },
      { folder: "lindhof", name: "Lindhof East" },
      { folder: "lindhof" },
    ]);
  });

  it("says what was wrong beside what was typed, and carries nothing of it out", async () => {
    const { acts: all, done } = acts();
    const taken: Acts = {
      ...all,
      begin: () => {
        throw new YardProblem("There is a yard called so already.");
      },
    };
    for (const [fields, said] of [
      [{ intent: "begin", name: "x".repeat(61) }, "up to 60 letters"],
      [{ intent: "begin", name: "Lindhof" }, "called so already"],
      [{ intent: "rename", folder: "lindhof", name: "" }, "up to 60 letters"],
    ] as [Record<string, string>, string][]) {
      const request = sent(fields);
      const answer = await answerYards(request, taken, () => ({ ...SHOWN, yards: [yard({})] }));
      expect(answer.status).toBe(422);
      const html = await answer.text();
      expect(html).toContain(said);
      expect(html).toContain(`value="${fields.name}"`);
    }
    const up = sent({ intent: "rename", folder: "../up", name: "Else" });
    expect((await answerYards(up, taken, () => SHOWN)).status).toBe(422);
    expect((await answerYards(sent({ intent: "toString" }), taken, () => SHOWN)).status).toBe(400);
    expect(done).toEqual([]);
  });

  it("breaks where an act breaks, instead of calling that a refusal", async () => {
    const broken: Acts = {
      ...acts().acts,
      begin: () => {
        throw new Error("disk");
      },
    };
    await expect(answerYards(sent({ intent: "begin", name: "A" }), broken, () => SHOWN)).rejects.toThrow(
      "disk",
    );
  });

  it("leads to each yard by its port, says why one is not served, and takes no name for markup", async () => {
    const html = await pageOf(new Request(`${HERE}/`), {
      yards: [
        yard({ name: `<b onload="x">A & B</b>` }),
        yard({ folder: "gone", port: 4182, problem: "Its file is not there." }),
      ],
    });
    expect(html).toContain('href="http://127.0.0.1:4181/"');
    expect(html).not.toContain("<b onload");
    expect(html).toContain("one is not served");
    expect(html).toContain("Its file is not there.");
    expect(html.match(/Take it off this list/g)).toHaveLength(1);
  });

  it("has the light the browser has in its yards", async () => {
    const cookie = encodeURIComponent(btoa(JSON.stringify({ theme: "night" })));
    const night = new Request(`${HERE}/`, { headers: { cookie: `zone=UTC; ambrek=${cookie}` } });
    expect(await pageOf(night)).toContain('data-theme="night"');
    const odd = new Request(`${HERE}/`, { headers: { cookie: "ambrek=%%%" } });
    expect(await pageOf(odd)).toContain('data-theme="day"');
  });
});
