import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { beginWork, begunOf, endWork } from "../../../data/log.ts";
import { pricesOf } from "../../../data/prices.ts";
import { listRigs } from "../../../data/rigs.ts";
import { worksOf } from "../../../data/work.ts";
import { action } from "../../routes/rates.tsx";
import { openSampleYard, refusal, type SampleYard, submit } from "../../routes/sample-yard.ts";
import { openRig } from "../../stations/frame/rig-view.server.ts";
import { frozenNow } from "../../stations/log/frozen.server.ts";
import { ratesView } from "./rates-view.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const NOW = new Date("2026-10-01T08:00:00Z");
const look = (season = "") => ratesView(yard.db, season, PRESETS.metric, NOW);
const row = (rig: string) => look().rows.find((each) => each.rig.startsWith(rig))!;
const plain = (text: string | null) => text?.replaceAll("\u00a0", " ");

describe("work rates of the yard", () => {
  it("are learnt from the log, with what they cost", () => {
    const drill = row("Electric drill");
    // By hand: 28.6 + 17.5 + 9.6 ha in 9.1 + 5.9 + 3.2 h; 231 + 148 + 80 litres.
    expect(plain(drill.figures.rate)).toBe(`${(55.7 / 18.2).toFixed(2)} ha/h`);
    // 9 km/h over 4 m, 70 % of it in the field: what Match reckons of the rig as it stands.
    expect(plain(drill.match)).toMatch(/^2\.\d\d ha\/h$/);
    expect(plain(drill.figures.fuel)).toBe(`${(459 / 55.7).toFixed(1)} l/ha`);
    // 32 discs at 38 wear 3 cm at 4 mm in 55.7 ha.
    const wear = (32 * 38 * (0.004 / 55.7)) / 0.03;
    const sum = (459 / 55.7) * 1.32 + (18.2 / 55.7) * 27 + wear;
    expect(plain(drill.cost.sum)).toBe(`${sum.toFixed(2)} EUR/ha`);
    expect(drill.cost.missing).toEqual([]);
    expect(row("Sprayer 24").cost.missing).toEqual(["wear"]);
    expect(look("2026").rows.length).toBeGreaterThan(0);
    expect(look("1999").rows).toEqual([]);
  });

  it("are compared before and after a setting was changed", async () => {
    const rig = listRigs(yard.db).find(({ name }) => name.startsWith("Electric drill"))!;
    const open = await openRig(new Request(`http://localhost/rigs/${rig.id}`), String(rig.id));
    const frozen = frozenNow(open);
    const work = worksOf(yard.db, [rig.id]).get(rig.id)!;
    const drive = (day: string, speed: number, hectares: number) => {
      const told = (hour: string) => ({ person: "Mira", at: new Date(`2026-09-${day}T${hour}:00:00Z`) });
      const readings = frozen.readings
        .filter(({ key }) => key !== "work.speed")
        .concat({ part: 0, key: "work.speed", value: speed, choice: null, grade: "taped" });
      const id = beginWork(yard.db, rig.id, { workId: work.id, frozen: { ...frozen, readings } }, told("06"));
      const end = { area: hectares * 1e4, parts: [], time: 4 * 3600, fuel: 0.1, note: "", used: [] };
      endWork(yard.db, begunOf(yard.db, id)!, end, told("12"));
    };
    drive("25", 2.5, 12);
    drive("26", 3, 15);
    const { changes } = row("Electric drill");
    const speed = changes.find(({ what }) => what.includes("10.8"))!;
    expect(plain(speed.what)).toContain("from 9.0 km/h to 10.8 km/h");
    expect(speed.rate).toContain("more");
  });

  it("take prices that are some, and refuse others by the field", async () => {
    const send = (fields: Record<string, string>) =>
      submit(action as never, "/rates", { fuel: "1.4", labour: "", money: "EUR", ...fields });
    expect(refusal(await send({ fuel: "dear", money: "" })).errors).toMatchObject({
      fuel: expect.any(String),
      money: expect.any(String),
    });
    expect(pricesOf(yard.db).fuel).toBe(1320);
    await send({});
    expect(pricesOf(yard.db)).toEqual({ fuel: expect.closeTo(1400, 9), labour: null, money: "EUR" });
    expect(row("Electric drill").cost.missing).toEqual(["labour"]);
  });
});
