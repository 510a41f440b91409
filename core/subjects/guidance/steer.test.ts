import { describe, expect, it } from "vitest";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { CameraProfile } from "../../steering/camera.ts";
import { GUIDANCE, reckonGuidance } from "./subject.ts";

const HOE: Lines = {
  ...MOUNTED,
  "tool.kind": "hoe",
  "tool.width": "3",
  "work.overlap": "0",
  "tool.lateral": "0",
  "pin.workFront": "0.6",
  "pin.workRear": "1.4",
  "rows.spacing": "50 cm",
  "tractor.steerRoutine": "full",
  "tractor.effortLeft": "14 %",
  "tractor.effortRight": "15 %",
};
const PROFILE: CameraProfile = {
  id: "p",
  name: "Fifty",
  rowSpacing: 0.5,
  sideOffset: 0.1,
  aim: 0,
  quality: 0.8,
  straight: 120,
  flat: true,
  stand: true,
  wind: 2,
  speed: 3,
  person: "Ola",
  at: "2026-05-01T08:00:00.000Z",
};
const rows = (over: Lines = {}, camera: readonly CameraProfile[] = []) => {
  const whole = sampleWhole([samplePart("mounted", { ...HOE, ...over })], { camera });
  return new Map(GUIDANCE.checks(reckonGuidance(whole), whole).map((check) => [check.id, check]));
};
const verdict = (id: string, over: Lines = {}, camera: readonly CameraProfile[] = []) =>
  rows(over, camera).get(id)?.verdict ?? "none";

describe("ready to steer", () => {
  it("asks for the full routine, and harder where rows are sensed", () => {
    expect(verdict("steer-routine")).toBe("unknown");
    expect(rows().get("steer-routine")).toMatchObject({ target: "tractor.steerResult" });
    expect(verdict("steer-routine", { "tractor.steerResult": "kept" })).toBe("good");
    expect(verdict("steer-routine", { "tractor.steerResult": "lost" })).toBe("note");
    expect(verdict("steer-routine", { "tractor.steerRoutine": undefined })).toBe("unknown");
    expect(verdict("steer-routine", { "tractor.steerRoutine": "quick" })).toBe("note");
    expect(verdict("steer-routine", { "tractor.steerRoutine": "quick", "tractor.rowCamera": "yes" })).toBe(
      "fix",
    );
    expect(verdict("steer-routine", { "tractor.steerRoutine": "none" })).toBe("fix");
  });

  it("compares the effort of both sides, and never calls one of them good alone", () => {
    expect(verdict("steer-effort")).toBe("good");
    expect(verdict("steer-effort", { "tractor.effortRight": undefined })).toBe("unknown");
    expect(rows({ "tractor.effortRight": "19 %" }).get("steer-effort")).toMatchObject({
      verdict: "check",
      target: "tractor.effortRight",
    });
  });

  it("wants no rear-steer offset, of a machine that steers behind alone asked", () => {
    const all: Lines = { "tractor.steering": "all wheels", "tractor.wheelbase": "2.8" };
    expect(verdict("steer-rear")).toBe("none");
    expect(verdict("steer-rear", all)).toBe("unknown");
    expect(verdict("steer-rear", { ...all, "tractor.rearSteer": "0°" })).toBe("good");
    expect(rows({ ...all, "tractor.rearSteer": "0.6° right" }).get("steer-rear")).toMatchObject({
      verdict: "fix",
      advised: 0,
    });
  });
});

describe("the row camera", () => {
  const camera: Lines = { "tractor.rowCamera": "yes", "work.cameraMode": "both" };

  it("is calibrated once roll and speed are looked at", () => {
    expect(verdict("camera-shown")).toBe("none");
    expect(verdict("camera-shown", camera)).toBe("unknown");
    expect(verdict("camera-shown", { ...camera, "tractor.shownPlausible": "both" })).toBe("good");
    expect(verdict("camera-shown", { ...camera, "tractor.shownPlausible": "roll" })).toBe("fix");
  });

  it("is asked of what follows rows, and of nothing that makes them", () => {
    expect(verdict("camera-profile")).toBe("none");
    expect(verdict("camera-profile", { "tractor.rowCamera": "yes", "tool.kind": "drill" })).toBe("none");
    expect(verdict("camera-profile", camera)).toBe("fix");
  });

  it("wants a profile of this row spacing, made as it should be", () => {
    expect(verdict("camera-profile", camera, [PROFILE])).toBe("good");
    expect(verdict("camera-profile", camera, [{ ...PROFILE, rowSpacing: 0.75 }])).toBe("fix");
    expect(verdict("camera-profile", camera, [{ ...PROFILE, wind: 6 }, PROFILE])).toBe("check");
    expect(verdict("camera-profile", { ...camera, "rows.spacing": undefined }, [PROFILE])).toBe("unknown");
  });

  it("advises a threshold where mode or quality ask for another", () => {
    const at = (mode: string | undefined, threshold: string | undefined, quality = 0.8) =>
      rows({ ...camera, "work.cameraMode": mode, "work.cameraThreshold": threshold }, [
        { ...PROFILE, quality },
      ]).get("camera-threshold")!;
    expect(at(undefined, "50 %").verdict).toBe("unknown");
    // Nobody read it: terminals are preset to 50 %.
    expect(at("both", undefined).verdict).toBe("good");
    expect(at("camera", "35 %")).toMatchObject({ verdict: "check", advised: 0.5 });
    expect(at("both", "35 %").verdict).toBe("good");
    expect(at("both", "75 %", 0.95)).toMatchObject({ verdict: "check", advised: 0.5 });
    expect(at("both", "60 %", 0.66)).toMatchObject({ verdict: "check", advised: expect.closeTo(0.45, 9) });
    expect(at("receiver", "75 %").verdict).toBe("check");
  });
});
