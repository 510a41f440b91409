import geodesic from "geographiclib-geodesic";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { beginWork, begunOf, endWork, logOf } from "../../data/log.ts";
import { listRigs } from "../../data/rigs.ts";
import { worksOf } from "../../data/work.ts";
import { loader as practice } from "../routes/practice-nmea.ts";
import { action as logAction, loader as rigLog } from "../routes/rig-log.tsx";
import { ask, openSampleYard, refusal, type SampleYard } from "../routes/sample-yard.ts";
import { loader as geojson } from "../routes/spoilt-geojson.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { frozenNow } from "../stations/log/frozen.server.ts";
import { linesFor } from "../stations/steering/steering-view.server.ts";
import { spoiltEntries } from "./spoilt-view.server.ts";

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
    const found = () => spoiltEntries(yard.db, rig.id).find(({ entry }) => entry.id === id)!;
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
