/** Every connection in one frame: what each asks for, and where its points come out. */
import { describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS, type Attachment } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import { askedOf } from "./asked.ts";
import { between } from "./chain.ts";
import type { RigFacts } from "./facts.ts";
import { bareFacts } from "./facts.ts";
import { termsBetween } from "./frame.ts";
import { resolveRig } from "./resolve.ts";
import { sampleReading } from "./sample.ts";

type Told = Partial<Record<DimensionKey, number | string>>;

function rigOn(attachment: Attachment, told: Told) {
  const readings: RigFacts["readings"] = {};
  for (const [key, value] of Object.entries(told) as [DimensionKey, number | string][]) {
    const entry = dimension(key, attachment);
    readings[key] = [
      typeof value === "string"
        ? sampleReading(
            key,
            entry.choices!.findIndex((each) => each.key === value),
            { rawText: value },
          )
        : sampleReading(key, value),
    ];
  }
  return resolveRig(bareFacts(attachment, readings));
}

const asked = (attachment: Attachment, told: Told = {}) =>
  askedOf(rigOn(attachment, told))
    .filter(({ station }) => station === "antenna" || station === "tool")
    .map(({ key }) => key);

describe("what each connection asks for", () => {
  it.each<[Attachment, DimensionKey[], DimensionKey[]]>([
    ["drawn", ["axle.pin", "pin.pivot", "pin.workRear"], ["train.hitch"]],
    ["links", ["axle.pin", "pin.pivot", "pin.workRear"], ["train.hitch"]],
    ["semi", ["pin.pivot"], ["train.hitch"]],
    ["mounted", ["axle.pin", "pin.workRear"], ["pin.pivot", "tool.axleType"]],
    ["front", ["axle.pin", "pin.workRear"], ["pin.pivot"]],
    ["head", ["axle.pin", "pin.workFront", "tool.lateral"], ["pin.pivot", "pin.workRear"]],
    ["boom", ["axle.pin", "pin.workFront"], ["pin.pivot", "pin.workRear"]],
    ["frontBoom", ["axle.pin", "pin.workFront"], ["pin.pivot", "pin.workRear"]],
    ["train", ["train.hitch", "pin.pivot"], ["train.second"]],
    ["third", ["train.hitch", "train.second", "pin.pivot"], []],
  ])("%s", (attachment, has, hasNot) => {
    const keys = asked(attachment);
    for (const key of has) expect(keys).toContain(key);
    for (const key of hasNot) expect(keys).not.toContain(key);
  });

  it("a joint only of an articulated frame, the middle of the tracks only of tracks, a steering angle only of what steers", () => {
    expect(asked("drawn")).not.toContain("tractor.joint");
    expect(asked("drawn", { "tractor.steering": "articulated" })).toContain("tractor.joint");
    expect(asked("drawn", { "tractor.steering": "tracks" })).toEqual(
      expect.arrayContaining(["tractor.turn"]),
    );
    expect(asked("drawn", { "tool.axleType": "steered drawbar" })).toEqual(
      expect.arrayContaining(["pin.joint", "tool.steerAngle"]),
    );
    expect(asked("drawn", { "tool.axleType": "rigid" })).not.toContain("tool.steerAngle");
  });

  it("rows of what has rows, or of what nobody said yet; none of a mower, a rake, a spreader, a cart, a head, a roller", () => {
    const rows = ["rows.count", "rows.spacing"];
    for (const kind of ["drill", "planter", "plough", "hoe", "sprayer", "disc", "other"])
      expect(asked("drawn", { "tool.kind": kind }), kind).toEqual(expect.arrayContaining(rows));
    expect(asked("drawn")).toEqual(expect.arrayContaining(rows));
    for (const kind of ["mower", "conditioner", "rake", "spreader", "cart", "header", "roller"])
      for (const key of rows) expect(asked("drawn", { "tool.kind": kind }), kind).not.toContain(key);
  });

  it("says from where to where and how, on every connection, for every length there is", () => {
    for (const attachment of ATTACHMENT_KEYS)
      for (const entry of askedOf(rigOn(attachment, { "tractor.steering": "articulated" })))
        if (entry.station === "antenna" || entry.station === "tool") {
          expect(entry.fromTo, `${attachment} ${entry.key}`).not.toBe("");
          expect(entry.how, `${attachment} ${entry.key}`).not.toBe("");
        }
  });
});

describe("where the work lies, seen from the rear axle", () => {
  const TOOL = { "pin.pivot": 4, "pin.workFront": 3, "pin.workRear": 3.5 };

  it.each<[Attachment, Told, number]>([
    ["drawn", { "axle.pin": 1, ...TOOL }, -4],
    ["mounted", { "axle.pin": 1, "pin.workFront": 0.6, "pin.workRear": 1 }, -1.6],
    ["front", { "axle.pin": 4, "pin.workFront": 0.8, "pin.workRear": 0.5 }, 4.8],
    ["head", { "axle.pin": 2, "pin.workFront": 1.2 }, 3.2],
    ["boom", { "axle.pin": 1.5, "pin.workFront": 0.5 }, -2],
    ["frontBoom", { "axle.pin": 5, "pin.workFront": 0.7 }, 5.7],
    ["train", { "axle.pin": 1, "train.hitch": 6, ...TOOL }, -10],
    ["third", { "axle.pin": 1, "train.hitch": 6, "train.second": 7, ...TOOL }, -17],
  ])("%s", (attachment, told, x) => {
    expect(between(rigOn(attachment, told), "axle", "workFront", "x").total).toBeCloseTo(x, 12);
  });

  it("runs through both hitches of a train of three, and has no total while one is missing", () => {
    expect(termsBetween("third", "axle", "pin", "x").map(({ key }) => key)).toEqual([
      "axle.pin",
      "train.hitch",
      "train.second",
    ]);
    const short = rigOn("third", { "axle.pin": 1, "train.second": 7, ...TOOL });
    expect(between(short, "axle", "workFront", "x")).toMatchObject({ total: null, known: -11 });
  });

  it("knows the head's own offset to the side", () => {
    const rig = rigOn("head", { "receiver.lateral": 0.02, "tool.lateral": -0.12 });
    expect(between(rig, "receiver", "workMid", "y").total).toBeCloseTo(-0.14, 12);
    expect(hasDimension("frontBoom", "tool.lateral")).toBe(true);
  });
});
