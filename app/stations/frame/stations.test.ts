import { describe, expect, it } from "vitest";
import type { Check } from "../../../core/finding/check.ts";
import type { Finding } from "../../../core/finding/finding.ts";
import { samplePart, sampleWhole } from "../../../core/rig/sample-whole.ts";
import { cureHref, pegsOf } from "./stations.ts";

const whole = sampleWhole([samplePart("drawn", {})]);

const finding = (station: Finding["station"], severity: Finding["severity"]): Finding => ({
  id: `${station} ${severity}`,
  station,
  severity,
  subject: "tool.mass",
  what: "",
  why: "",
  next: { label: "", target: "tool.mass" },
});
const check = (station: Check["station"], verdict: Check["verdict"]): Check => ({
  id: station,
  station,
  verdict,
  label: "",
  said: "",
  why: "",
  target: "tool.mass",
  next: "",
});
const words = (walked: Partial<Parameters<typeof pegsOf>[1]>) =>
  Object.fromEntries(
    pegsOf(
      7,
      {
        whole,
        findings: [],
        checks: [],
        coupled: false,
        climbed: { good: 2, all: 9 },
        ...walked,
      },
      null,
    ).map(({ key, word }) => [key, word]),
  );

describe("the pegs of the walk-round", () => {
  it("say the worst of each station; a note is no trouble", () => {
    const said = words({
      findings: [finding("match", "check"), finding("match", "fix"), finding("tool", "note")],
    });
    expect(said).toMatchObject({ match: "fix", tool: "open", hitch: "good" });
    expect(words({ whole: sampleWhole([samplePart("drawn", { "tool.width": "4 m" })]) }).tool).toBe("good");
  });

  it("call nothing good that could not be judged", () => {
    expect(words({ checks: [check("balance", "unknown"), check("match", "good")] })).toMatchObject({
      balance: "open",
      match: "good",
    });
  });

  it("hold the hook-up list back by the first stations, the card by the others", () => {
    expect(words({ findings: [finding("hitch", "stop")] })).toMatchObject({
      "hook-up": "stop",
      card: "good",
    });
    expect(words({ findings: [finding("antenna", "stop")] })).toMatchObject({
      "hook-up": "open",
      card: "stop",
    });
    expect(words({ coupled: true })).toMatchObject({ "hook-up": "coupled" });
  });

  it("keep the tool in view from station to station", () => {
    const [first] = pegsOf(
      7,
      { whole, findings: [], checks: [], coupled: false, climbed: { good: 0, all: 9 } },
      12,
    );
    expect(first!.href).toBe("/rigs/7/match?tool=12");
  });
});

describe("where a finding is cured", () => {
  const at = (target: Finding["next"]["target"], part?: number, couplings: number[] = []) =>
    cureHref(7, { station: "balance", next: { target }, part }, couplings);
  it("is the station with the reading open, on the tool it is about", () => {
    expect(at("tool.mass")).toBe("/rigs/7/balance?at=tool.mass");
    expect(at("tool.mass", 1, [11, 12])).toBe("/rigs/7/balance?at=tool.mass&tool=12");
    expect(at("tool.mass", 0, [11])).toBe("/rigs/7/balance?at=tool.mass");
  });

  it("is a list of the machine, or the limits of the yard", () => {
    expect(at("weights")).toBe("/rigs/7/balance#weights");
    expect(at("remotes")).toBe("/rigs/7/lists/remotes");
    expect(at("functions", 1, [11, 12])).toBe("/rigs/7/lists/functions?tool=12");
    expect(at("tyres", 1, [11, 12])).toBe("/rigs/7/balance?tool=12#tyres");
    expect(at("limits")).toBe("/limits");
  });
});
