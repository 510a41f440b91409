import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { listRigs } from "../../../data/rigs.ts";
import { drivesOf, profilesOf } from "../../../data/steering.ts";
import { action as cameraAction, loader as cameraLoader } from "../../routes/camera.tsx";
import { loader as practiceLoader } from "../../routes/practice-nmea.ts";
import { ask, openSampleYard, refusal, type SampleYard } from "../../routes/sample-yard.ts";
import { action, loader } from "../../routes/steering.tsx";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const rigNamed = (name: string) => listRigs(yard.db).find((each) => each.name.startsWith(name))!;
const params = (id: number) => ({ rigId: String(id) });
const look = async (id: number) => (await ask(loader, `/rigs/${id}/steering`, params(id))).steering;

type Sent = { request: Request; params: Record<string, string>; context: object };

/** A form with a file beside it. */
function send(
  to: unknown,
  path: string,
  id: number,
  fields: Record<string, string>,
  log: string | null = null,
) {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, value);
  if (log !== null) body.set("log", new File([log], "drive.nmea"));
  const request = new Request(`http://localhost${path}`, { method: "POST", body });
  return (to as (sent: Sent) => Promise<unknown>)({ request, params: params(id), context: {} });
}

/** The practice machine's log along the first line of the rig's field. */
async function practised(id: number, set: Record<string, string>): Promise<{ log: string; line: string }> {
  const [line] = (await look(id)).lines;
  const query = new URLSearchParams({ line: line!.id, ...set });
  const answer = await ask(practiceLoader, `/rigs/${id}/practice.nmea?${query}`, params(id));
  return { log: await answer.text(), line: line!.id };
}

const TYPED = {
  intent: "drive",
  lineSensitivity: "",
  headingSensitivity: "",
  headingLead: "",
  note: "",
  person: "Ola",
};

describe("drives along a line", () => {
  it("are read off a log: a practice machine that overshoots is told so, and one step is compared", async () => {
    const { id, tractor } = rigNamed("Planter");
    const drive = async (lead: string) => {
      const set = { lineSensitivity: "90", headingSensitivity: "50", headingLead: lead };
      const { log, line } = await practised(id, set);
      return send(action, `/rigs/${id}/steering`, id, { ...TYPED, ...set, line }, log);
    };
    await drive("20");
    await drive("80");
    const kept = drivesOf(yard.db, tractor.id);
    expect(kept).toHaveLength(2);
    // Engaged 1.5 m to the right, whatever the antenna's place on the machine.
    expect(kept[0]!.offs[0]!.off).toBeCloseTo(1.5, 1);
    expect(kept[0]!.quality.overshoot!).toBeGreaterThan(0.3);
    const { drives } = await look(id);
    expect(drives[0]!.compared).toContain("Heading lead 20 → 80: better");
    expect(drives[1]!.advice).toContain("heading lead one step up");
    expect(drives[0]!.offs.length).toBeLessThanOrEqual(300);
    await send(action, `/rigs/${id}/steering`, id, { intent: "take-back", id: kept[1]!.id });
    expect(drivesOf(yard.db, tractor.id)).toHaveLength(1);
  });

  it("are refused by field where there is no log, too short a one, or one of another line", async () => {
    const { id } = rigNamed("Planter");
    const { log, line } = await practised(id, {});
    const refused = async (fields: Record<string, string>, content: string | null) =>
      refusal(await send(action, `/rigs/${id}/steering`, id, { ...TYPED, line, ...fields }, content)).errors;
    expect(await refused({}, null)).toEqual({ log: "Choose a log first." });
    expect((await refused({}, "no log")).log).toContain("checksum");
    expect((await refused({}, log.split("\r\n").slice(0, 90).join("\r\n"))).log).toContain("20 s of driving");
    expect(await refused({ person: "" }, log)).toHaveProperty("person");
    expect(await refused({ headingLead: "much" }, log)).toHaveProperty("headingLead");
    expect(await refused({ line: "8b0e2b1e-6a52-4c0e-9d1f-000000000000" }, log)).toHaveProperty("line");
  });

  it("shows the four conditions in their order, and nothing of a rig that nothing steers", async () => {
    const { rungs } = await look(rigNamed("Planter").id);
    expect(rungs.map(({ key }) => key)).toEqual(["position", "line", "enabled", "engaged"]);
    await expect(
      ask(practiceLoader, "/rigs/1/practice.nmea", params(rigNamed("Planter").id)),
    ).rejects.toMatchObject({ status: 404 });
  });
});

describe("profiles of the row camera", () => {
  const PROFILE = {
    intent: "profile",
    name: "Beet 45",
    rowSpacing: "45",
    rowSpacingUnit: "cm",
    sideOffset: "9.5",
    sideOffsetUnit: "cm",
    side: "left",
    aim: "-0.4",
    quality: "81",
    straight: "110",
    straightUnit: "m",
    wind: "6",
    windUnit: "km/h",
    speed: "10",
    speedUnit: "km/h",
    flat: "yes",
    stand: "yes",
    person: "Mira Tolland",
  };

  it("are kept in SI, found by spacing, and refused by field", async () => {
    const { id, tractor } = rigNamed("Row hoe");
    const send1 = (over: Record<string, string> = {}) =>
      send(cameraAction, `/rigs/${id}/camera`, id, { ...PROFILE, ...over });
    expect(refusal(await send1({ rowSpacing: "4.5" })).errors).toHaveProperty("rowSpacing");
    expect(refusal(await send1({ quality: "181" })).errors).toHaveProperty("quality");
    expect(refusal(await send1({ aim: "straight" })).errors).toHaveProperty("aim");
    expect(profilesOf(yard.db, [tractor.id]).get(tractor.id)).toHaveLength(2);
    await send1();
    const [newest] = profilesOf(yard.db, [tractor.id]).get(tractor.id)!;
    expect(newest).toMatchObject({
      name: "Beet 45",
      rowSpacing: 0.45,
      sideOffset: -0.095,
      quality: 0.81,
      flat: true,
    });
    expect(newest!.speed).toBeCloseTo(10 / 3.6, 9);
    const { camera } = await ask(cameraLoader, `/rigs/${id}/camera`, params(id));
    // Rows of the hoe stand 50 cm apart: the older one is for them.
    expect(camera.profiles.find(({ id: each }) => each === camera.fitting)!.name).toBe("Beans 50");
    await send(cameraAction, `/rigs/${id}/camera`, id, { intent: "take-back", id: newest!.id });
    expect(profilesOf(yard.db, [tractor.id]).get(tractor.id)).toHaveLength(2);
  });
});
