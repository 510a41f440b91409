/**
 * One rig, told three ways: on a card, in a file, in a drawing. Every length a scheme asks for is compared with where the file's
 * own numbers put its two ends, and with where the drawing puts them, over random rigs of every attachment.
 */

import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { askedLines, type ToolAhead } from "../../core/card/ahead.ts";
import { type CardLine, fillCard } from "../../core/card/fill.ts";
import type { AskedLine } from "../../core/card/scheme.ts";
import { SHIPPED_SCHEMES } from "../../core/card/shipped.ts";
import { ATTACHMENT_KEYS, type Attachment, isTrain } from "../../core/dimension/attachment.ts";
import { catalogueOf, type DimensionKey, hasDimension } from "../../core/dimension/catalogue.ts";
import type { Axis, PointKey } from "../../core/dimension/points.ts";
import { rigPoints } from "../../core/drawing/rig-points.ts";
import { METRES_PER } from "../../core/quantity/length.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import type { RigFacts } from "../../core/rig/facts.ts";
import { bareFacts } from "../../core/rig/facts.ts";
import { type ResolvedRig, resolveRig } from "../../core/rig/resolve.ts";
import { sampleReading } from "../../core/rig/sample.ts";
import { DDI, type Description, type DeviceDescription, describeRig, type Element } from "./describe.ts";

const HEIGHT = "receiver.height" as DimensionKey;

/** A rig whose lengths are whole millimetres anywhere in what the catalogue calls plausible. */
function rigOf(attachment: Attachment, at: (key: DimensionKey) => number): ResolvedRig {
  const readings: RigFacts["readings"] = {};
  for (const { key, kind, plausible, direction } of catalogueOf(attachment)) {
    if (kind !== "length") continue;
    const [low, high] = plausible;
    const metres = Math.round((low + (high - low) * at(key)) * 1000) / 1000;
    readings[key] = [sampleReading(key, direction === "across" ? Math.max(1, metres) : metres)];
  }
  return resolveRig(bareFacts(attachment, readings));
}

/** Somewhere in a range by dimension, the same each time it is asked. */
const anywhere = fc
  .array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 7, maxLength: 7 })
  .map((seeds) => {
    return (key: DimensionKey) => {
      const n = [...key].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7) >>> 0;
      return (seeds[n % 7]! * (1 + (n % 13) / 7)) % 1;
    };
  });

type Told = { rig: ResolvedRig; ahead: ToolAhead[]; file: Description };

const identity = (id: number) => ({ designator: `machine ${id}`, serial: "", busName: "", id });

function told(attachment: Attachment, at: (key: DimensionKey) => number): Told {
  const rig = rigOf(attachment, at);
  const carriers: Attachment[] =
    attachment === "third" ? ["drawn", "train"] : isTrain(attachment) ? ["drawn"] : [];
  const ahead = carriers.map((each, index) => {
    // The machine is one machine: the same readings of it in every rig.
    const own = rigOf(each, (key) =>
      /^(train|axle|receiver|tractor)/.test(key) ? at(key) : (at(key) * 3) % 1,
    );
    return { name: `tool ${index + 1}`, rig: own, stops: [] };
  });
  const parts = [...ahead.map((each) => each.rig), rig];
  const file = describeRig(
    identity(0),
    parts.map((each, index) => ({
      rig: each,
      identity: identity(index + 1),
      behind: index === 0 ? null : index - 1,
    })),
  );
  return { rig, ahead, file };
}

const number = ({ properties }: Element, ddi: number): number | null =>
  properties.find((each) => each.ddi === ddi)?.value ?? null;

const only = (device: DeviceDescription, type: Element["type"]) =>
  device.elements.filter((each) => each.type === type);

type Place = Record<Axis, number>;

/** Where the file puts the named points, metres in the frame of the machine: each device hung on its connections, one by one. */
function placesOf({ devices, connections }: Description): Partial<Record<PointKey, Place>> {
  const machine = devices[0]!;
  const [receiver] = only(machine, "navigation") as [Element];
  const places: Partial<Record<PointKey, Place>> = {
    axle: { x: 0, y: 0, up: 0 },
    receiver: {
      x: number(receiver, DDI.offsetX)! / 1000,
      y: number(receiver, DDI.offsetY)! / 1000,
      up: -number(receiver, DDI.offsetZ)! / 1000,
    },
  };
  let origin = 0;
  for (const [index, { from, to }] of connections.entries()) {
    const hitch = origin + number(devices[from.device]!.elements[from.element]!, DDI.offsetX)! / 1000;
    const tool = devices[to.device]!;
    const eye = number(tool.elements[to.element]!, DDI.offsetX)! / 1000;
    origin = hitch - eye;
    const at = (x: number, y = 0): Place => ({ x, y, up: 0 });
    if (index === 0) places.connector = at(hitch);
    if (index < connections.length - 1) continue;
    const [work] = only(tool, "function") as [Element];
    const middle = origin + number(work, DDI.offsetX)! / 1000;
    const side = number(work, DDI.offsetY)! / 1000;
    const long = (number(work, DDI.actualWorkingLength) ?? 0) / 1000;
    const wide = number(work, DDI.actualWidth)! / 1000;
    Object.assign(places, {
      pin: at(hitch),
      reference: at(origin),
      ...(tool.elements[0]!.properties.some(({ ddi }) => ddi === DDI.rotationX) ? { pivot: at(origin) } : {}),
      workFront: at(middle + long / 2, side),
      workRear: at(middle - long / 2, side),
      workMid: at(middle, side),
      leftEdge: at(middle, side - wide / 2),
      rightEdge: at(middle, side + wide / 2),
    });
  }
  return places;
}

/** A figure of a card as a signed length, forward and right positive, and half of its last place. */
function meant({ figure, word }: CardLine, { sense, unit, decimals, sign }: AskedLine) {
  const typed = Number(figure!.replace("−", "-"));
  const turned = sign.kind === "words" && word === sign.minus ? -1 : 1;
  return {
    metres: sense * turned * typed * METRES_PER[unit as keyof typeof METRES_PER],
    half: (METRES_PER[unit as keyof typeof METRES_PER] * 10 ** -decimals) / 2,
  };
}

describe("card, file and drawing of one rig", () => {
  it.each(ATTACHMENT_KEYS)("are the same for a tool that hangs as %s, by every scheme", (attachment) => {
    fc.assert(
      fc.property(anywhere, fc.constantFrom(...SHIPPED_SCHEMES), (at, scheme) => {
        const { rig, ahead, file } = told(attachment, at);
        const places = placesOf(file);
        const drawn = rigPoints(rig);
        const card = fillCard(scheme, rig, [], PRESETS.metric, ahead);
        const own = card.lines.filter(({ tool }) => tool === null);
        let compared = 0;
        const asked = askedLines(scheme, rig, ahead).filter(({ tool }) => tool === undefined);
        for (const [index, line] of asked.entries()) {
          const { measure } = line;
          if (measure.kind !== "between" || own[index]!.figure === null) continue;
          // A terminal that insists on wheels is given the work of a tool that has none.
          const stand = (point: PointKey) =>
            point === "pivot" && !hasDimension(attachment, "pin.pivot") ? "workMid" : point;
          const [from, to] = [stand(measure.from), stand(measure.to)];
          const { metres, half } = meant(own[index]!, line);
          const inDrawing =
            measure.axis === "up"
              ? rig.values[HEIGHT].value!
              : drawn[to][measure.axis] - drawn[from][measure.axis];
          expect(Math.abs(metres - inDrawing), `${scheme.id}: ${line.label}`).toBeLessThan(half + 1e-9);
          // The file of a device knows no toolbar and no foremost tip.
          if (!places[to]) continue;
          // An odd length or width has its middle on half a millimetre, which a file in whole ones cannot say.
          const inFile = places[to]![measure.axis] - places[from]![measure.axis];
          expect(Math.abs(metres - inFile), `${scheme.id}: ${line.label}, file`).toBeLessThan(
            half + 0.0005 + 1e-9,
          );
          compared += 1;
        }
        expect(compared).toBeGreaterThan(2);
      }),
      { numRuns: 150 },
    );
  });

  it("of a carried planter 30 cm to the right, worked by hand", () => {
    const rig = rigOf("mounted", (key) => (key === "tool.lateral" ? 0.55 : 0.5));
    expect(rig.values["tool.lateral"].value).toBe(0.3);
    const card = fillCard(SHIPPED_SCHEMES.find(({ id }) => id === "iso-mm")!, rig, [], PRESETS.metric, []);
    const figure = (label: string) =>
      card.lines.find((each) => each.page === "Implement" && each.label === label)?.figure;
    // The planter's reference point is where it hangs: its coupling is at 0, its work 30 cm to the right of it.
    expect(figure("Connector, offset X")).toBe("0");
    expect(figure("Work, offset Y")).toBe("300");
    expect(figure("Work front, offset X")).toBe(
      String(-Math.round(rig.values["pin.workFront"].value! * 1000)).replace("-", "−"),
    );
    expect(card.cautions.some((each) => each.includes("no wheels"))).toBe(false);
  });

  it("has a page for each device of a train, with the same numbers as the file", () => {
    fc.assert(
      fc.property(anywhere, fc.constantFrom<Attachment>("train", "third"), (at, attachment) => {
        const { rig, ahead, file } = told(attachment, at);
        const { lines } = fillCard(
          SHIPPED_SCHEMES.find(({ id }) => id === "iso-mm")!,
          rig,
          [],
          PRESETS.metric,
          ahead,
        );
        for (const [tool] of ahead.entries()) {
          const connectors = only(file.devices[tool + 1]!, "connector").map((each) =>
            number(each, DDI.offsetX),
          );
          const page = lines.filter((line) => line.tool === tool);
          const typed = page
            .filter(({ label }) => /connector/i.test(label))
            .map(({ figure }) => Number(figure!.replace("−", "-")));
          expect(typed).toEqual(connectors.map((each) => each || 0));
          expect(new Set(page.map((line) => line.page))).toEqual(new Set([`${tool + 1}. tool ${tool + 1}`]));
        }
        const machine = lines.find(
          ({ page, label }) => page === "Tractor" && label === "Hitch connector, offset X",
        );
        expect(Number(machine!.figure!.replace("−", "-"))).toBe(
          number(only(file.devices[0]!, "connector")[0]!, DDI.offsetX),
        );
      }),
      { numRuns: 100 },
    );
  });
});
