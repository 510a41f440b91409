import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { soilLimitsOf } from "../../data/settings.ts";
import { action, loader } from "../routes/limits.tsx";
import { openSampleYard, refusal, type SampleYard, submit } from "../routes/sample-yard.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const send = (wet: string, moist: string, dry: string) =>
  submit(action, "/limits", {
    intent: "soil",
    wet,
    moist,
    dry,
    wetUnit: "cm",
    moistUnit: "cm",
    dryUnit: "cm",
  });

describe("how deep the ground may be pressed", () => {
  it("is ours until somebody says otherwise, and ours again once it is emptied", async () => {
    const before = soilLimitsOf(yard.db);
    expect(before).toEqual({
      wet: { depth: 0.35, told: false },
      moist: { depth: 0.5, told: false },
      dry: { depth: 0.7, told: false },
    });
    await send("30", "", "80 cm");
    expect(soilLimitsOf(yard.db)).toEqual({
      wet: { depth: 0.3, told: true },
      moist: { depth: 0.5, told: false },
      dry: { depth: 0.8, told: true },
    });
    const { soil } = await (
      loader as (sent: object) => Promise<{ soil: { states: { typed: string; ours: string }[] } }>
    )({
      request: new Request("http://localhost/limits"),
      params: {},
    });
    expect(soil.states.map(({ typed }) => typed.replace("\u00a0", " "))).toEqual(["30 cm", "", "80 cm"]);
    await send("", "", "");
    expect(soilLimitsOf(yard.db)).toEqual(before);
  });

  it("is refused where wet ground would bear more than dry, or nothing at all", async () => {
    const wrong = async (...typed: [string, string, string]) =>
      Object.keys(refusal(await send(...typed)).errors);
    expect(await wrong("60", "50", "")).toEqual(["wet"]);
    expect(await wrong("", "90", "80")).toEqual(["moist"]);
    expect(await wrong("0", "", "")).toEqual(["wet"]);
    expect(await wrong("", "", "300")).toEqual(["dry"]);
    expect(await wrong("much", "", "")).toEqual(["wet"]);
    expect(soilLimitsOf(yard.db).wet.told).toBe(false);
  });
});
