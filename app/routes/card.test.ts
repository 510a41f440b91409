import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { latestCard, readbacksOf } from "../../data/cards.ts";
import { keepReading } from "../../data/readings.ts";
import { toolsOf } from "../../data/rigs.ts";
import { profileOf, terminalOf } from "../../data/schemes.ts";
import { action as cardAction, loader as cardLoader } from "./card.tsx";
import { loader as pdfLoader } from "./numbered-pdf.ts";
import { loader as printLoader } from "./numbered-print.tsx";
import { action as readAction, loader as readLoader } from "./read-back.tsx";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "./sample-yard.ts";
import { loader as fileLoader } from "./taskdata.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const person = "Ilse Marrin";
const rigOf = (id: number, tool = 0) => toolsOf(yard.db, id)[tool]!;
const card = (id: number, query = "") =>
  ask(cardLoader, `/rigs/${id}/card${query}`, { rigId: String(id) }).then((answer) => answer.card);
const issue = (id: number, query = "", who = person) =>
  submit(cardAction, `/rigs/${id}/card${query}`, { intent: "issue", person: who }, { rigId: String(id) });

describe("a card", () => {
  it("is not issued while something stops the rig, nor by nobody", async () => {
    const stopped = await card(2);
    expect(stopped).toMatchObject({ ready: false, file: false, cab: null });
    expect(stopped.stops[0]!.href).toMatch(/^\/rigs\/2\/tool\?/);
    expect(refusal(await issue(2))).toMatchObject({
      status: 422,
      errors: { form: "Something still stops this card." },
    });
    expect(Object.keys(refusal(await issue(1, "", "")).errors)).toEqual(["person"]);
    expect(latestCard(yard.db, rigOf(2))).toBeNull();
  });

  it("is numbered on its tractor, and the person is remembered", async () => {
    const before = await card(10);
    expect(before.cab).toBeNull();
    const answer = (await issue(10)) as Response;
    expect(answer.headers.get("Location")).toBe("/rigs/10/card");
    expect(answer.headers.get("Set-Cookie")).toMatch(/^ambrek=/);
    const { cab } = await card(10);
    expect(cab).toMatchObject({ number: 1, retype: [], readBack: { matched: 0, differing: 0 } });
    await issue(14);
    expect((await card(14)).cab).toMatchObject({ number: 1 });
  });

  it("belongs to one tool of a rig: the other has its own, and both print", async () => {
    const second = rigOf(5, 1).couplingId;
    expect((await card(5)).printable).toBe(0);
    await expect(
      ask(printLoader, "/rigs/5/cards/all/print", { rigId: "5", number: "all" }),
    ).rejects.toMatchObject({ status: 404 });
    expect(((await issue(5, `?tool=${second}`)) as Response).headers.get("Location")).toBe(
      `/rigs/5/card?tool=${second}`,
    );
    expect(await card(5)).toMatchObject({ cab: null, printable: 1 });
    expect((await card(5, `?tool=${second}`)).cab).toMatchObject({ number: 1 });
    await issue(5);
    const { cards } = await ask(printLoader, "/rigs/5/cards/all/print", { rigId: "5", number: "all" });
    expect(cards.map(({ number, head }) => `${number} ${head.implement}`)).toEqual([
      "2 Pellworth Blade 30 F",
      "1 Pellworth Blade 31 R",
    ]);
    expect(cards.every(({ outdated }) => outdated === "")).toBe(true);
  });

  it("says which lines to retype once a reading has changed, and that the paper is outdated", async () => {
    const rig = rigOf(3);
    expect((await card(3)).cab).toMatchObject({ number: 1, retype: [] });
    keepReading(yard.db, rig, {
      key: "tool.lateral",
      rawText: "4.6 cm right",
      value: 0.046,
      step: 0.001,
      instrument: "tape",
      person,
      at: new Date(),
    });
    const { cab } = await card(3);
    expect(cab!.retype).toEqual([
      { page: "Implement", label: "Work, side of the antenna", was: "0.02 right", now: "0.05 right" },
    ]);
    expect(cab!.readBack.matched).toBe(cab!.readBack.lines - 1);
    const { cards } = await ask(printLoader, "/rigs/3/cards/1/print", { rigId: "3", number: "1" });
    expect(cards[0]!.outdated).toContain("Work, side of the antenna is now 0.05");
  });

  it("is a PDF, and the rig a file; a card that was never issued is not found", async () => {
    const pdf = await ask(pdfLoader, "/rigs/3/cards/1.pdf", { rigId: "3", number: "1" });
    expect(pdf.headers.get("Content-Type")).toBe("application/pdf");
    expect(new TextDecoder().decode((await pdf.arrayBuffer()).slice(0, 5))).toBe("%PDF-");
    const file = await ask(fileLoader, "/rigs/5/taskdata.zip", { rigId: "5" });
    expect(file.headers.get("Content-Disposition")).toContain("Mowers-front-and-rear-TASKDATA-");
    await expect(ask(fileLoader, "/rigs/2/taskdata.zip", { rigId: "2" })).rejects.toMatchObject({
      status: 409,
    });
    const refused: Response = await ask(fileLoader, "/rigs/2/taskdata.zip", { rigId: "2" }).catch(
      (thrown) => thrown,
    );
    expect((await refused.text()).replace(/\u00a0/g, " ")).toBe(
      "No file while something stops this rig: Drawbar pin to front of the work is 0.000 m and nobody measured it. The rear of the work would lie 5.360 m ahead of the drawbar pin.",
    );
    for (const number of ["9", "x", ""])
      await expect(
        ask(pdfLoader, `/rigs/3/cards/${number}.pdf`, { rigId: "3", number }),
      ).rejects.toMatchObject({ status: 404 });
  });
});

describe("how the terminal asks", () => {
  const choose = (fields: Record<string, string>) =>
    submit(
      cardAction,
      "/rigs/11/card",
      { intent: "terminal", schemeId: "hitch-in", profileName: "ROW", name: "left screen", ...fields },
      { rigId: "11" },
    );

  it("is chosen from the schemes there are, for the tractor", async () => {
    expect(refusal(await choose({ schemeId: "none" })).errors).toEqual({
      schemeId: "There is no such scheme.",
    });
    expect(refusal(await choose({})).errors).toEqual({});
    expect(terminalOf(yard.db, rigOf(11).tractor.id)).toMatchObject({
      schemeId: "hitch-in",
      name: "left screen",
    });
    expect(profileOf(yard.db, rigOf(11))).toBe("ROW");
    const { pages, scheme } = await card(11);
    expect(scheme.id).toBe("hitch-in");
    expect(pages.flatMap(({ rows }) => rows).find(({ label }) => label === "Number of rows")!.figure).toBe(
      "8",
    );
  });
});

describe("a read-back", () => {
  const rows = () =>
    ask(readLoader, "/rigs/10/cards/1/read-back", { rigId: "10", number: "1" }).then((answer) => answer.rows);
  const send = (fields: Record<string, string>) =>
    submit(readAction, "/rigs/10/cards/1/read-back", { person, ...fields }, { rigId: "10", number: "1" });

  it("wants a name, something read, and whose number is wrong where they differ", async () => {
    const [first] = await rows();
    expect(refusal(await send({ person: "" })).errors).toHaveProperty("person");
    expect(refusal(await send({})).errors).toEqual({ form: "Nothing was read back yet." });
    const at = first!.position;
    expect(refusal(await send({ [`shown-${at}`]: "9.99", [`word-${at}`]: "ahead" })).errors).toEqual({
      [`wrong-${at}`]: "Say whose number is wrong.",
    });
    expect(refusal(await send({ [`shown-${at}`]: "long" })).errors).toHaveProperty(`shown-${at}`);
    expect(readbacksOf(yard.db, latestCard(yard.db, rigOf(10))!).size).toBe(0);
  });

  it("keeps what matches, what differs and whose it is, and what the terminal does not show", async () => {
    const all = await rows();
    const [first, second, third] = all as [(typeof all)[0], (typeof all)[0], (typeof all)[0]];
    const answer = await send({
      [`shown-${first.position}`]: first.figure,
      [`word-${first.position}`]: first.word,
      [`shown-${second.position}`]: "0.77",
      [`word-${second.position}`]: "left",
      [`wrong-${second.position}`]: "terminal",
      [`absent-${third.position}`]: "yes",
    });
    expect(answer).toMatchObject({ data: { ok: true, kept: { said: "3 lines read back and kept." } } });
    const now = await rows();
    expect(now[0]!.last).toMatchObject({ outcome: "match", by: "", wrong: "" });
    expect(now[1]!.last).toMatchObject({ outcome: "differs", wrong: "terminal", shown: "0.77" });
    expect(now[2]!.last).toMatchObject({ outcome: "missing", shown: "" });
    expect(now[0]!.last!.who).toContain(person);
    expect((await card(10)).cab!.readBack).toMatchObject({ matched: 1, differing: 2 });
  });

  it("leads from each line to the readings behind it", async () => {
    const line = (await rows()).find(({ label }) => label === "Axle to connection")!;
    expect(line.cures).toEqual([{ letter: "D", href: "/rigs/10/antenna?at=axle.pin" }]);
    expect(line.lapsed).toBe(false);
  });
});
