import geodesic from "geographiclib-geodesic";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { placeAt } from "../../core/geodesy/degrees.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { baseShifts } from "../../data/base.ts";
import { keepLine } from "../../data/lines.ts";
import { beginWork, begunOf, endWork, logOf } from "../../data/log.ts";
import { listFields } from "../../data/places.ts";
import { listRigs } from "../../data/rigs.ts";
import { worksOf } from "../../data/work.ts";
import { loader as practice } from "../routes/practice-nmea.ts";
import { action as logAction, loader as rigLog } from "../routes/rig-log.tsx";
import { ask, openSampleYard, refusal, type SampleYard } from "../routes/sample-yard.ts";
import { action as spoiltAction } from "../routes/spoilt.tsx";
import { loader as geojson } from "../routes/spoilt-geojson.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { frozenNow } from "../stations/log/frozen.server.ts";
import { linesFor } from "../stations/steering/steering-view.server.ts";
import { spoiltEntries, spoiltView } from "./spoilt-view.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const told = { person: "Ola Brannick", at: new Date("2026-10-01T08:00:00Z") };

describe("work driven with a wrong lateral offset", () => {
  it("is corrected pass by pass where its track was brought, and once a heading where not", async () => {
    const rig = listRigs(yard.db).find(({ name }) => name.startsWith("Electric drill"))!;
    const params = { rigId: String(rig.id) };
    const open = await openRig(new Request(`http://localhost/rigs/${rig.id}`), params.rigId);
    const frozen = frozenNow(open);
    // Then the tool was believed to lie 10 cm further left than it does.
    const off = frozen.readings.map((each) =>
      each.key === "tool.lateral" ? { ...each, value: (each.value ?? 0) - 0.1 } : each,
    );
    const work = worksOf(yard.db, [rig.id]).get(rig.id)!;
    const id = beginWork(yard.db, rig.id, { workId: work.id, frozen: { ...frozen, readings: off } }, told);
    const end = { area: 5e4, parts: [], time: null, fuel: null, note: "", used: [] };
    endWork(yard.db, begunOf(yard.db, id)!, end, { ...told, at: new Date("2026-10-01T12:00:00Z") });
    const found = () => spoiltEntries(yard.db, [rig.id]).find(({ entry }) => entry.id === id)!;
    expect(found().spoilt.right).toBeCloseTo(0.1, 6);
    expect(found().track).toBeNull();

    const [line] = linesFor(open);
    const log = await (await ask(practice, `/rigs/${rig.id}/practice.nmea?line=${line!.id}`, params)).text();
    const send = (fields: Record<string, string>, content: string | null) => {
      const body = new FormData();
      for (const [name, value] of Object.entries({ intent: "track", entry: id, person: "Ola", ...fields }))
        body.set(name, value);
      if (content !== null) body.set("track", new File([content], "field.nmea"));
      const request = new Request(`http://localhost/rigs/${rig.id}/log`, { method: "POST", body });
      return (logAction as (sent: object) => Promise<unknown>)({ request, params, context: {} });
    };
    expect(refusal(await send({}, null)).errors).toHaveProperty("track");
    expect(refusal(await send({}, "nothing")).errors.track).toContain("checksum");
    expect(refusal(await send({ person: "" }, log)).errors).toHaveProperty("person");
    await send({}, log);
    expect(found().track!.passes.length).toBeGreaterThan(0);
    const { log: shown } = await ask(rigLog, `/rigs/${rig.id}/log`, params);
    expect(shown.entries.find((each) => each.id === id)!.track).toContain("field.nmea");

    const { features } = (await (await geojson()).json()) as {
      features: { properties: Record<string, unknown>; geometry: { coordinates: [number, number][] } }[];
    };
    const lines = (is: string) =>
      features.filter(({ properties }) => properties.is === is).map(({ geometry }) => geometry.coordinates);
    expect(lines("recorded")).toHaveLength(found().track!.passes.length);
    const [[was], [is]] = [lines("recorded"), lines("lay")];
    const heading = features.find(({ properties }) => properties.is === "lay")!.properties
      .heading_deg as number;
    // 10 cm to the right of travel, by GeographicLib.
    const middle = Math.floor(was!.length / 2);
    const moved = geodesic.Geodesic.WGS84.Inverse(
      was![middle]![1],
      was![middle]![0],
      is![middle]![1],
      is![middle]![0],
    );
    expect(moved.s12!).toBeCloseTo(0.1, 3);
    const aside = (((moved.azi1! - heading) % 360) + 360) % 360;
    expect(Math.abs(aside - 90)).toBeLessThan(6);
  });

  it("counts entries of the log only once each", () => {
    const ids = spoiltEntries(yard.db).map(({ entry }) => entry.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.length).toBeLessThanOrEqual(logOf(yard.db, { most: 500 }).length);
  });
});

describe("a base that had moved", () => {
  const MARK = "52.5031000, 11.2044000";
  const sent = {
    intent: "base",
    base: "On the barn",
    farm: "",
    since: "2026-05-01T04:00:00.000Z",
    until: "2026-05-03T04:00:00.000Z",
    mark: MARK,
    shown: "52.5031018, 11.2044000",
    person: "Ola",
  };
  const send = (more: Partial<typeof sent> | { intent: string; id: string }) => {
    const body = new FormData();
    for (const [name, value] of Object.entries({ ...sent, ...more })) body.set(name, value);
    const request = new Request("http://localhost/spoilt", { method: "POST", body });
    return (spoiltAction as (sent: object) => Promise<unknown>)({ request, params: {}, context: {} });
  };
  const onBases = () =>
    spoiltEntries(yard.db).filter(({ bases }) => bases.some(({ base }) => base === "On the barn"));

  it("is refused where it says nothing, and nothing is kept of it", async () => {
    const error = async (more: Partial<typeof sent>) => Object.keys(refusal(await send(more)).errors).sort();
    expect(await error({ base: "" })).toEqual(["base"]);
    expect(await error({ since: "" })).toEqual(["since"]);
    expect(await error({ until: "2026-04-01T04:00:00.000Z" })).toEqual(["until"]);
    expect(await error({ shown: "11.2044" })).toEqual(["shown"]);
    expect(await error({ shown: MARK })).toEqual(["shown"]);
    expect(await error({ shown: "53.5031, 11.2044" })).toEqual(["shown"]);
    expect(await error({ farm: "99999" })).toEqual(["farm"]);
    expect(await error({ since: "2026-99-01T04:00:00.000Z" })).toEqual(["since"]);
    expect(baseShifts(yard.db).map(({ base }) => base)).toEqual(["Grain store"]);
  });

  it("moves the whole record of what was driven meanwhile, one way for all headings, and no more once it is taken back", async () => {
    const rig = listRigs(yard.db).find(({ name }) => name.startsWith("Sprayer 24"))!;
    const work = worksOf(yard.db, [rig.id]).get(rig.id)!;
    const { readings } = frozenNow(
      await openRig(new Request(`http://localhost/rigs/${rig.id}`), String(rig.id)),
    );
    const at = (day: number) => ({ person: "Ola", at: new Date(Date.UTC(2026, 4, day, 8)) });
    const frozen = { card: null, readings, calibrations: [], variants: [] } as never;
    for (const day of [2, 9]) beginWork(yard.db, rig.id, { workId: work.id, frozen }, at(day));
    await send({});
    const found = onBases();
    expect(found).toHaveLength(1);
    expect(found[0]!.entry.begun.slice(0, 10)).toBe("2026-05-02");
    // 1.8 millionths of a degree of latitude, shown too far north: by GeographicLib.
    const wanted = geodesic.Geodesic.WGS84.Inverse(52.5031018, 11.2044, 52.5031, 11.2044);
    const view = spoiltView(yard.db, PRESETS.metric);
    const row = view.groups.flatMap(({ rows }) => rows).find(({ id }) => id === found[0]!.entry.id)!;
    expect(row.correct[0]).toBe(
      `The base “On the barn” had moved: move the whole record of this field ${(100 * wanted.s12!).toFixed(1)}\u00a0cm towards 180°, whichever way it was driven.`,
    );
    const { features } = (await (await geojson()).json()) as {
      features: { properties: Record<string, number> }[];
    };
    const moved = features.filter(
      ({ properties }) => Math.abs(properties.base_north_m! + wanted.s12!) < 1e-3,
    );
    expect(moved.length).toBeGreaterThan(0);
    expect(moved[0]!.properties).toMatchObject({ base_east_m: expect.closeTo(0, 6) });
    const { id } = baseShifts(yard.db).find(({ base }) => base === "On the barn")!;
    await send({ intent: "take-back", id });
    expect(onBases()).toEqual([]);
    expect(refusal(await send({ intent: "take-back", id })).errors).toHaveProperty("form");
  });

  it("names the lines that were kept meanwhile, with how far they are shifted to lie right", async () => {
    const field = listFields(yard.db).find(({ name }) => name === "Dovecote")!;
    keepLine(
      yard.db,
      {
        fieldId: field.id,
        name: "Then",
        shape: { kind: "heading", a: placeAt(52.61, 11.36), heading: Math.PI / 2 },
      },
      { person: "Ola", at: new Date("2026-05-02T09:00:00Z") },
    );
    await send({});
    const shift = spoiltView(yard.db, PRESETS.metric).bases.all.find(({ base }) => base === "On the barn")!;
    // South is to the right of a line that runs east.
    expect(shift.lines.map(({ text, by }) => `${text}: ${by}`)).toEqual([
      "Then on Dovecote: lies right again 20.0\u00a0cm further right",
    ]);
  });
});
