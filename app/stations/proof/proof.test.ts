import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { freeze } from "../../../core/card/numbered.ts";
import { USUAL_ORDER } from "../../../core/card/order.ts";
import { jobKind } from "../../../core/subjects/jobs.ts";
import { issueCard, keepReadbacks, latestCard } from "../../../data/cards.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { observationsOf, testsOfRig } from "../../../data/field-tests.ts";
import type { Database } from "../../../data/handle.ts";
import { historyOf } from "../../../data/readings.ts";
import { cardNow } from "../card/card-view.server.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { carryOut } from "../writing/writes.server.ts";
import {
  keepAccepted,
  keepBegun,
  keepConditions,
  keepLeftOut,
  keepLog,
  keepObserved,
} from "./keep-proof.server.ts";
import { readObservation } from "./observation.ts";
import { jobView, proofView } from "./proof-view.server.ts";
import { solved } from "./solved.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const STYLES = "m,cm,km/h";
const open = () => sampleOpen(db, "Grain drill");
const CONDITIONS = {
  fix: "fixed",
  source: "own base",
  slope: "level",
  soil: "firm",
  speed: "8",
  spacing: "4.5",
  rowToRow: "",
};

function begin(kind: string): string {
  const id = uuid();
  expect(keepBegun(open(), sampleForm({ id, kind }), arrived())).toMatchObject({ ok: true });
  return id;
}

const conditions = (test: string, told: Partial<typeof CONDITIONS> = {}) =>
  keepConditions(open(), sampleForm({ test, styles: STYLES, ...CONDITIONS, ...told }), arrived());
const observe = (test: string, fields: Record<string, string>) =>
  keepObserved(open(), sampleForm({ test, styles: STYLES, measuredAt: "", ...fields }), arrived());
const joint = (test: string, pair: string, text: string, word = "") =>
  observe(test, { "f-pair": pair, "f-joint": text, "w-joint": word });

/** Seven joints of a tool 5 cm right of where it is believed. */
function joints(): string {
  const test = begin("joints");
  conditions(test);
  for (let at = 0; at < 7; at += 1)
    expect(
      at % 2 === 0
        ? joint(test, "up-down", String(9.8 + at * 0.1), "overlap")
        : joint(test, "down-up", `${10.1 - at * 0.1} gap`),
    ).toMatchObject({ ok: true });
  return test;
}

/** With plain spaces, as a person reads it. */
const plain = <T>(view: T): T => JSON.parse(JSON.stringify(view).replace(/\u00a0/g, " ")) as T;

const job = (test: string) => {
  const now = open();
  return plain(jobView(now, solved(now, testsOfRig(db, now.rig).find(({ id }) => id === test)!)));
};

describe("a field test", () => {
  it("is begun with the terminal's spacing, measured, and tells what is off in the operator's units", () => {
    const test = joints();
    const view = job(test);
    expect(view.conditions.said).toContain("lines 4.500 m apart");
    expect(view.observations[0]!.text).toBe("left up, right down, 98 mm overlap");
    expect(view.next).toEqual({ pair: "down-up" });
    const lateral = view.figures.find(({ key }) => key === "lateral")!;
    expect(lateral).toMatchObject({ verdict: "differs", off: "50 mm right" });
    expect(lateral.corrections.map(({ key, to }) => [key, to])).toEqual([
      ["tool.lateral", "5.0 cm right"],
      ["receiver.lateral", "5.6 cm left"],
    ]);
    expect(lateral.corrections[0]!.terminal).toEqual([
      { page: "Implement", label: "Side offset", from: "0.00 m", to: "0.05 m right" },
    ]);
  });

  it("accepted in one act writes the reading and its proof; taken back, both go", async () => {
    const test = joints();
    const accepted = keepAccepted(
      open(),
      sampleForm({ test, "accept-lateral": "tool.lateral", "accept-width": "confirm" }),
      arrived(),
    );
    expect(accepted).toMatchObject({ ok: true, kept: { said: "2 figures proven" } });
    const { values } = open().resolved;
    expect(values["tool.lateral"]).toMatchObject({ grade: "proven" });
    expect(values["tool.lateral"].value).toBeCloseTo(0.05, 2);
    expect(values["tool.width"]).toMatchObject({ grade: "proven", value: 4.5 });
    expect(values["receiver.lateral"].grade).toBe("taped");
    const rows = proofView(open()).rows;
    expect(rows.find(({ key }) => key === "across")).toMatchObject({ proven: true });
    expect(joint(test, "up-down", "1", "gap")).toMatchObject({ ok: false });
    expect(keepAccepted(open(), sampleForm({ test, "accept-width": "confirm" }), arrived())).toMatchObject({
      ok: false,
    });

    const batch = job(test).accepted!.batchId;
    const { rig } = open();
    const back = sampleForm({ intent: "take-back", id: batch });
    expect(await carryOut(open(), back, arrived())).toMatchObject({
      ok: true,
    });
    expect(open().resolved.values["tool.lateral"]).toMatchObject({ value: 0, grade: "book" });
    expect(historyOf(db, rig, "tool.lateral")[0]!.takenBack).not.toBeNull();
    expect(job(test).accepted).toBeNull();
  });

  it("lapses when a reading in it is read again, and says so", async () => {
    const test = joints();
    keepAccepted(open(), sampleForm({ test, "accept-lateral": "tool.lateral" }), arrived());
    await carryOut(
      open(),
      sampleForm({
        intent: "keep-reading",
        dimension: "receiver.lateral",
        text: "1 left",
        style: "cm",
        instrument: "tape",
        sitting: uuid(),
        reason: "",
        note: "",
        conditions: "",
        changed: "",
        measuredAt: "",
      }),
      arrived(),
    );
    const row = proofView(open()).rows.find(({ key }) => key === "across")!;
    expect(row).toMatchObject({ proven: false, lapsed: true });
    expect(row.because).toContain("lateral offset of the receiver was read again");
    expect(open().resolved.values["tool.lateral"].grade).toBe("taped");
  });

  it.each([["float"], ["differential"], ["single"], [""]])(
    "with a receiver that showed “%s” gives figures, and proves nothing",
    (fix) => {
      const test = joints();
      expect(conditions(test, { fix })).toMatchObject({ ok: true });
      expect(job(test).figures[0]!.unproven.join(" ")).toContain("fixed solution");
      expect(
        keepAccepted(open(), sampleForm({ test, "accept-lateral": "tool.lateral" }), arrived()),
      ).toMatchObject({
        ok: false,
      });
      expect(open().resolved.values["tool.lateral"].grade).toBe("book");
    },
  );

  it("cannot confirm what differs, nor correct a reading that is not in it, nor accept nothing", () => {
    const test = joints();
    for (const chosen of ["confirm", "axle.pin", "constructor"])
      expect(keepAccepted(open(), sampleForm({ test, "accept-lateral": chosen }), arrived())).toMatchObject({
        ok: false,
      });
    expect(keepAccepted(open(), sampleForm({ test }), arrived())).toMatchObject({ ok: false });
  });

  it("leaves an observation out, and counts it again", () => {
    const test = joints();
    const [first] = observationsOf(db, test);
    expect(
      keepLeftOut(open(), sampleForm({ test, observation: first!.id, out: "yes" }), arrived()),
    ).toMatchObject({
      ok: true,
    });
    expect(job(test).observations[0]!.leftOut).toBe(true);
    keepLeftOut(open(), sampleForm({ test, observation: first!.id, out: "no" }), arrived());
    expect(job(test).observations[0]!.leftOut).toBe(false);
    expect(keepLeftOut(open(), sampleForm({ test, id: uuid(), out: "yes" }), arrived())).toMatchObject({
      ok: false,
    });
  });

  it("is refused by the field, and nothing is written", () => {
    const test = begin("joints");
    expect(joint(test, "up-down", "")).toMatchObject({
      ok: false,
      errors: { "f-joint": expect.any(String) },
    });
    expect(joint(test, "sideways", "3", "gap")).toMatchObject({
      ok: false,
      errors: { "f-pair": expect.any(String) },
    });
    expect(joint(test, "up-down", "3")).toMatchObject({
      errors: { "f-joint": "Say which: gap or overlap." },
    });
    expect(joint(test, "up-down", "-3", "gap")).toMatchObject({
      errors: { "f-joint": expect.stringContaining("sign and a side word") },
    });
    expect(conditions(test, { speed: "fast" })).toMatchObject({ errors: { speed: expect.any(String) } });
    expect(conditions(test, { spacing: "0" })).toMatchObject({ errors: { spacing: expect.any(String) } });
    expect(conditions(uuid())).toMatchObject({ ok: false });
    expect(keepBegun(open(), sampleForm({ id: uuid(), kind: "weather" }), arrived())).toMatchObject({
      ok: false,
    });
    expect(observationsOf(db, test)).toEqual([]);
  });
});

describe("what the terminal holds", () => {
  /** The card in the cab, and what the terminal shows for its side offset. */
  const readBack = (shown: string, word: string) => {
    const { rig } = open();
    issueCard(db, rig, {
      schemeName: cardNow(open()).card.scheme.name,
      profileName: "",
      order: USUAL_ORDER,
      terminalName: "",
      person: "Mira",
      at: new Date(),
      lines: freeze(cardNow(open()).card),
    });
    const card = latestCard(db, rig)!;
    const position = card.lines.findIndex(({ label }) => label === "Side offset");
    keepReadbacks(
      db,
      card,
      [{ position, shown, word, outcome: shown === "0.00" ? "match" : "differs", by: "", wrong: "terminal" }],
      { person: "Mira", at: new Date() },
    );
    return position + 1;
  };

  it("is retyped before a reading is rewritten, where a line read back explains the test", () => {
    const test = joints();
    // The joints find the work 5 cm right of where it is believed: the terminal has it 5 cm too far left.
    const line = readBack("0.05", "left");
    const view = job(test);
    expect(view.suspects[0]!.what).toMatch(
      new RegExp(`^The terminal, line ${line}, Side offset .*0.05 m left is what`),
    );
    expect(view.suspects[0]!.next).toMatch(/^Retype line \d+ in the terminal: 0.00 m/);
    expect(view.figures.find(({ key }) => key === "lateral")!.unproven[0]).toMatch(/^Retype line/);
    const form = sampleForm({ test, "accept-lateral": "tool.lateral" });
    expect(keepAccepted(open(), form, arrived())).toMatchObject({ ok: false });
  });

  it("is no suspect where it shows what the card says", () => {
    const test = joints();
    readBack("0.00", "");
    expect(job(test).suspects.some(({ what }) => what.includes("Side offset"))).toBe(false);
  });
});

describe("a log", () => {
  const give = (test: string, text: string) => {
    const form = sampleForm({ test, styles: STYLES, measuredAt: "" });
    form.set("log", new File([text], "run.txt"));
    return keepLog(open(), form, arrived());
  };

  it("is refused with the reason: no log, too few decimals, no passes", async () => {
    const test = begin("run-log");
    expect(await give(test, "")).toMatchObject({ errors: { log: expect.stringContaining("Choose") } });
    expect(await give(test, "hello")).toMatchObject({ errors: { log: expect.stringContaining("checksum") } });
    const { checksum } = await import("../../../formats/nmea/log.ts");
    const line = (time: string, minute: string) => {
      const body = `GPGGA,${time},5512.${minute},N,00306.12345,E,4,12,0.8,20.1,M,40.2,M,1.0,0001`;
      return `$${body}*${checksum(body).toString(16).padStart(2, "0")}`;
    };
    expect(await give(test, `${line("101500.00", "00000")}\n${line("101501.00", "00100")}`)).toMatchObject({
      errors: { log: expect.stringContaining("5 decimals of a minute") },
    });
    expect(observationsOf(db, test)).toEqual([]);
  });
});

describe("an observation as it is typed", () => {
  const styles = { tape: "ft-in", small: "in", speed: "mph" } as const;
  const read = (fields: Record<string, string>) =>
    readObservation(jobKind("headland").fields, (name) => fields[name] ?? "", styles);

  it("is read in the operator's units, with the word in the text or beside it", () => {
    expect(read({ "f-edge": "on", "f-way": "there", "f-speed": "5", "f-mark": "4 1/2 short" })).toMatchObject(
      {
        ok: true,
        values: { mark: -0.1143 },
        texts: { mark: "4 1/2 short" },
      },
    );
    expect(read({ "f-edge": "on", "f-way": "there", "f-speed": "90", "f-mark": "0" })).toMatchObject({
      errors: { "f-speed": expect.stringContaining("No field") },
    });
  });

  it("wants two different points", () => {
    const same = (name: string) => ({ "f-from": "pin", "f-to": "pin", "f-distance": "12'" })[name] ?? "";
    expect(readObservation(jobKind("cross-tape").fields, same, styles)).toMatchObject({
      errors: { "f-to": expect.any(String) },
    });
  });
});
