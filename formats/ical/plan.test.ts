import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import type { KeptBlock, KeptPlan } from "../../core/season/plan/kept.ts";
import { planCalendar } from "./plan.ts";

const block = (more: Partial<KeptBlock>): KeptBlock => ({
  jobId: 1,
  job: "Sowing, Long Acre",
  field: "Long Acre",
  machineId: 1,
  machine: "T12",
  rigId: 4,
  rig: "Drill; wide, \\ new",
  from: "2026-10-05",
  to: "2026-10-06",
  days: [
    { day: "2026-10-05", time: 9 * 3600, people: [{ name: "Ola Brannick", time: 9 * 3600 }] },
    {
      day: "2026-10-06",
      time: 5400,
      people: [
        { name: "Ola Brannick", time: 1800 },
        { name: "Ilse Marrin", time: 3600 },
      ],
    },
  ],
  area: 241_000,
  pinned: false,
  ...more,
});

const plan = (blocks: KeptBlock[]): KeptPlan => ({
  first: "2026-10-05",
  count: 28,
  blocks,
  from: "0123456789abcdef",
  inside: 1,
  asked: 1,
  most: null,
  late: 0,
  rerig: 0,
});

/** Read by another library than wrote it. */
const events = (blocks: KeptBlock[]) =>
  new ICAL.Component(
    ICAL.parse(
      planCalendar(plan(blocks), {
        id: "abc",
        kept: "2026-09-30T12:00:00.000Z",
        area: (area) => `${area / 1e4} ha`,
      }),
    ),
  )
    .getAllSubcomponents("vevent")
    .map((each) => new ICAL.Event(each));

describe("the plan as iCalendar", () => {
  it("is read back by an unrelated parser: days, names, what is done", () => {
    const [event] = events([block({})]);
    expect(event!.summary).toBe("Sowing, Long Acre, T12, Ola Brannick, Ilse Marrin");
    expect(event!.startDate.isDate).toBe(true);
    expect(event!.startDate.toString()).toBe("2026-10-05");
    expect(event!.endDate.toString()).toBe("2026-10-07");
    expect(event!.location).toBe("Long Acre");
    expect(event!.description.split("\n")).toEqual([
      "Drill; wide, \\ new, 24.1 ha",
      "2026-10-05: 9 h, Ola Brannick",
      "2026-10-06: 1.5 h, Ola Brannick 0.5 h, Ilse Marrin 1 h",
    ]);
    expect(event!.uid).toBe("abc-0");
  });

  it("keeps a name that would end a line where it stands, and an event for each stretch", () => {
    const odd = "Spraying\r\nBEGIN:VEVENT\r\nSUMMARY:none";
    const found = events([block({ job: odd }), block({ from: "2026-10-31", to: "2026-10-31", days: [] })]);
    expect(found).toHaveLength(2);
    expect(found[0]!.summary).toContain("BEGIN:VEVENT");
    expect(found[1]!.endDate.toString()).toBe("2026-11-01");
  });
});
