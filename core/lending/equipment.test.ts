import { describe, expect, it } from "vitest";
import { type Equipment, holdEquipment, NO_EQUIPMENT } from "./equipment.ts";

const WEIGHTS = [
  { label: "front block", mass: 600, place: 3.4, count: 1 },
  { label: "wheel weight", mass: 85, place: 0, count: 4 },
];
const told: Equipment = { ...NO_EQUIPMENT, weights: WEIGHTS };

describe("what of a machine stands in no reading", () => {
  it("is taken over where nothing is told of it here, kind by kind", () => {
    expect(holdEquipment(NO_EQUIPMENT, told)).toEqual({ taken: ["weights"], differing: [] });
    expect(holdEquipment(NO_EQUIPMENT, NO_EQUIPMENT)).toEqual({ taken: [], differing: [] });
  });

  it("stays as it is told here, and says where the file has it otherwise", () => {
    const other = { ...told, weights: [{ ...WEIGHTS[0]!, mass: 900 }] };
    expect(holdEquipment(other, told)).toEqual({ taken: [], differing: ["weights"] });
    // A file that tells nothing differs from nothing.
    expect(holdEquipment(other, NO_EQUIPMENT)).toEqual({ taken: [], differing: [] });
  });

  it("is the same in whatever order it is told", () => {
    const [block, wheel] = WEIGHTS;
    const turned = { ...told, weights: [wheel!, { count: 1, place: 3.4, mass: 600, label: block!.label }] };
    expect(holdEquipment(turned, told)).toEqual({ taken: [], differing: [] });
  });
});
