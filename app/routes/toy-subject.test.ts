/**
 * The guard of the registry: a subject nobody has thought of, written in one place and put among the others, appears wherever subjects are
 * listed. It takes a reading of another subject for its own, so that it has one to ask for.
 */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS } from "../../core/dimension/attachment.ts";
import { dimension } from "../../core/dimension/catalogue.ts";
import type { JobKind } from "../../core/job/kind.ts";
import { NOTHING_YET } from "../../core/job/result.ts";
import { known, type WholeRig } from "../../core/rig/whole.ts";
import { line } from "../../core/subject/hookup-line.ts";
import type { Subject } from "../../core/subject/subject.ts";
import { SUBJECTS } from "../../core/subjects/index.ts";
import { TOOL_KIND_KEYS } from "../../core/trade/kinds.ts";
import { loader as card } from "./card.tsx";
import { action as beginField, loader as field } from "./field.tsx";
import { loader as hookUp } from "./hook-up.tsx";
import { action as kept } from "./keep.ts";
import { loader as ladder } from "./ladder.tsx";
import { loader as proof } from "./proof.tsx";
import { loader as proofJob } from "./proof-job.tsx";
import { loader as proofNew } from "./proof-new.tsx";
import { loader as rig } from "./rig.tsx";
import { ask, openSampleYard, type SampleYard, submit } from "./sample-yard.ts";
import { loader as season } from "./season.tsx";
import { loader as sheet } from "./sheet.tsx";
import { loader as station } from "./station.tsx";

const READ = "tractor.pressureFrontLeft";

/** A kind of job, all of it: what is driven, entered, solved, drawn, and how the simulated field drives it. */
const TOY_JOB: JobKind = {
  key: "toy-string",
  title: "String to the receiver",
  tells: "How far the receiver sits beside a string along the middle.",
  drive: ["Stop over the string."],
  measure: ["From the string to below the receiver."],
  enough: { count: 2, why: "two strings agree or do not" },
  blind: [],
  cautions: [],
  one: "string",
  fields: [
    { key: "beside", label: "Beside the string", hint: "", kind: "sided", plus: "right", minus: "left" },
  ],
  receiver: false,
  asksSpacing: false,
  judgedBy: "across",
  on: () => true,
  solve: ({ observations, entered }) => ({
    ...NOTHING_YET,
    measured: observations.slice(0, 1).map(({ values }) => ({
      key: "beside",
      label: "Receiver beside the string",
      unit: "length",
      terms: [{ key: "receiver.lateral", coefficient: 1 }],
      entered: entered.value("receiver.lateral"),
      off: {
        value: values.beside! - entered.value("receiver.lateral")!,
        error: 0.001,
        half: 0.002,
        freedom: 9,
      },
      absolute: true,
      sides: { plus: "right", minus: "left" },
    })),
  }),
  sketch: () => ({ notes: [{ x: 20, y: 20, text: "a string", anchor: "start" }] }),
  drill: { label: "Pull a string", found: () => [{ values: { beside: 0.1 } }] },
};

const TOY: Subject<"toy", number | null> = {
  key: "toy",
  label: "Toy",
  lead: "Does the left front tyre hold air?",
  asks: "Is it tight?",
  changesOf: ["tractor"],
  shows: "rig",
  holds: "hook-up",
  onSheet: true,
  reckon: ({ parts }: WholeRig) => known(parts[0]!.rig, READ),
  checks: (pressure) => [
    {
      id: "toy-air",
      station: "toy",
      label: "Air",
      verdict: pressure !== null && pressure > 1e9 ? "good" : "stop",
      said: `It holds ${pressure ?? "nothing"}.`,
      why: "A toy has firm tyres.",
      target: READ,
      next: "Pump it up",
    },
  ],
  jobs: [TOY_JOB],
  hookup: () => [line("Before", "toy", "Kick the left front tyre.")],
};

let yard: SampleYard;
const list = SUBJECTS as Subject[];
const stations = new Map<object, string>();
beforeAll(() => {
  list.splice(4, 0, TOY as Subject);
  for (const attachment of ATTACHMENT_KEYS)
    for (const tool of [null, ...TOOL_KIND_KEYS]) {
      const entry = dimension(READ, { attachment, tool });
      stations.set(entry, entry.station);
      entry.station = "toy";
    }
  yard = openSampleYard();
});
afterAll(() => {
  yard.close();
  list.splice(list.indexOf(TOY as Subject), 1);
  for (const [entry, was] of stations) Object.assign(entry, { station: was });
});

/** A rig whose own machine has that tyre. */
const RIG = { rigId: "1" };
const page = (path: string) => `/rigs/1/${path}`;

describe("a new subject", () => {
  it("has a page: its question, its check, its reading, what is wrong", async () => {
    const { whole } = await ask(station, page("toy"), { ...RIG, station: "toy" });
    expect(whole!.view).toMatchObject({ title: "Toy", lead: TOY.lead });
    expect(whole!.asks).toBe("Is it tight?");
    expect(whole!.checks.map(({ id }) => id)).toEqual(["toy-air"]);
    expect(whole!.view.readings.map(({ target }) => target)).toEqual([READ]);
    expect(whole!.view.findings.map(({ id }) => id)).toContain("toy-air");
    await expect(ask(station, page("none"), { ...RIG, station: "none" })).rejects.toMatchObject({
      status: 404,
    });
  });

  it("stands on the walk-round in its place, from where every page is reached by its links", async () => {
    const { frame } = await ask(card, page("card"), RIG);
    const keys = frame.pegs.map(({ key }) => key);
    expect(keys.indexOf("toy")).toBe(keys.indexOf("balance") + 1);
    expect(keys.indexOf("hook-up")).toBe(keys.indexOf("toy") + 1);
    expect(frame.pegs.find(({ key }) => key === "toy")).toMatchObject({ word: "stop", href: page("toy") });
    expect(frame.pegs.find(({ key }) => key === "hook-up")).toMatchObject({ word: "stop" });
    const moved = (await ask(rig, "/rigs/1", RIG)) as Response;
    expect(moved.headers.get("Location")).toBe(page("toy"));
  });

  it("holds back the hook-up list and the ladder", async () => {
    const { rungs } = await ask(ladder, page("ladder"), RIG);
    expect(rungs[0]).toMatchObject({ state: "not yet", why: expect.stringContaining("It holds") });
    const answer = JSON.stringify(await ask(hookUp, page("hook-up"), RIG));
    expect(answer).toContain("stop toy-air");
    expect(answer).toContain("Kick the left front tyre.");
  });

  it("stands on the sheet of what is needed to couple, and is named by it", async () => {
    const { topics, sheets } = await ask(sheet, page("sheet?of=hitching"), RIG);
    expect(topics.flatMap(({ rows }) => rows.map(({ key }) => key))).toContain(READ);
    expect(sheets.find(({ key }) => key === "hitching")!.label).toBe("Match, hitch, balance and toy");
    const { topics: others } = await ask(sheet, page("sheet?of=guidance"), RIG);
    expect(others.flatMap(({ rows }) => rows.map(({ key }) => key))).not.toContain(READ);
  });

  it("has what is due of it in the season's list, with the way there", async () => {
    const answer = JSON.stringify(await ask(season, "/season"));
    expect(answer).toMatch(/\/rigs\/\d+\/toy\?at=tractor\.pressureFrontLeft/);
  });
});

describe("a new kind of job", () => {
  const keep = (fields: Record<string, string>) => submit(kept, page("keep"), fields, RIG);
  const test = "0b8b1c6e-2f4f-4a53-9f0e-5f9a3c1d7e21";

  it("is offered, begun, entered, solved, judged and accepted, and its proof is a reading", async () => {
    const { view } = await ask(proof, page("proof"), RIG);
    expect(view.jobs.map(({ key }) => key)).toContain("toy-string");
    await keep({ intent: "begin-test", id: test, kind: "toy-string", person: "Ida", measuredAt: "" });
    const blank = await ask(proofNew, page("proof/new/toy-string"), { ...RIG, kind: "toy-string" });
    expect(blank.job).toMatchObject({ kind: "toy-string", observations: [], id: "" });
    for (const at of [1, 2])
      await keep({
        intent: "observe",
        id: `0b8b1c6e-2f4f-4a53-9f0e-5f9a3c1d7e3${at}`,
        test,
        styles: "m,cm,km/h",
        person: "Ida",
        measuredAt: "",
        "f-beside": "31 right",
      });
    const { job, drawing } = await ask(proofJob, page(`proof/${test}`), { ...RIG, testId: test });
    expect(drawing.desk.notes).toEqual([{ x: 20, y: 20, text: "a string", anchor: "start" }]);
    expect(job.figures).toMatchObject([{ verdict: "differs", unproven: [] }]);
    expect(job.figures[0]!.corrections.map(({ key }) => key)).toEqual(["receiver.lateral"]);
    await keep({ intent: "accept-test", test, person: "Ida", "accept-beside": "receiver.lateral" });
    const { job: done } = await ask(proofJob, page(`proof/${test}`), { ...RIG, testId: test });
    expect(done.accepted!.what.join()).toContain("Lateral offset of the receiver");
    expect(done.figures).toMatchObject([{ verdict: "agrees" }]);
  });

  it("is driven on the simulated field", async () => {
    const made = (await submit(beginField, page("field"), { start: "as read" }, RIG)) as Response;
    const path = made.headers.get("Location")!;
    const { view } = await ask(field, path, { rigId: path.split("/")[2]! });
    expect(view.practice!.drives).toContainEqual({
      key: "toy-string",
      label: "Pull a string",
      title: "String to the receiver",
    });
  });
});
