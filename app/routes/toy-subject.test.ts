/**
 * The guard of the registry: a subject nobody has thought of, written in one place and put among the others, appears wherever subjects are
 * listed. It takes a reading of another subject for its own, so that it has one to ask for.
 */
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS } from "../../core/dimension/attachment.ts";
import { dimension } from "../../core/dimension/catalogue.ts";
import { known, type WholeRig } from "../../core/rig/whole.ts";
import { line } from "../../core/subject/hookup-line.ts";
import type { Subject } from "../../core/subject/subject.ts";
import { SUBJECTS } from "../../core/subjects/index.ts";
import { loader as card } from "./card.tsx";
import { loader as hookUp } from "./hook-up.tsx";
import { loader as ladder } from "./ladder.tsx";
import { loader as rig } from "./rig.tsx";
import { ask, openSampleYard, type SampleYard } from "./sample-yard.ts";
import { loader as season } from "./season.tsx";
import { loader as sheet } from "./sheet.tsx";
import { loader as station } from "./station.tsx";

const READ = "tractor.pressureFrontLeft";

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
  hookup: () => [line("Before", "toy", "Kick the left front tyre.")],
};

let yard: SampleYard;
const list = SUBJECTS as Subject[];
const stations = new Map<object, string>();
beforeAll(() => {
  list.splice(4, 0, TOY as Subject);
  for (const attachment of ATTACHMENT_KEYS) {
    const entry = dimension(READ, attachment);
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
