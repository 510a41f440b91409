import { describe, expect, it } from "vitest";
import { hide } from "../core/fault/hidden.ts";
import { groundOf } from "../core/fault/observe.ts";
import { scored } from "../core/fault/score.ts";
import { openDatabase } from "./database.ts";
import { beginCase, caseOf, casesOf, stepCase } from "./faults.ts";
import { takeBack } from "./record.ts";

const told = (minute: number) => ({ person: "Ida", at: new Date(Date.UTC(2026, 10, 30, 8, minute)) });
const hidden = hide(77, "one", { area: "rate" });
const ground = groundOf(hidden);

describe("cases of finding a fault", () => {
  it("keep what is hidden, what was measured in its order, and what it was worth", () => {
    const db = openDatabase(":memory:");
    const id = beginCase(db, { rigId: null, hidden, ground }, told(0));
    stepCase(db, id, { kind: "measured", reading: { measurement: "speed", figures: [1.08] } }, told(1));
    stepCase(db, id, { kind: "measured", reading: { measurement: "catch", figures: [0.99] } }, told(2));
    const answer = { faults: [{ fault: "speed constant", figure: 1.08 }] };
    const score = scored(hidden, [], answer, () => [1]);
    stepCase(db, id, { kind: "named", answer, score }, told(3));
    const one = caseOf(db, id)!;
    expect(one).toMatchObject({ person: "Ida", rigId: null, hidden: { seed: 77 } });
    expect(
      one.steps.map((step) => (step.kind === "measured" ? step.reading.measurement : step.kind)),
    ).toEqual(["speed", "catch", "named"]);
    expect(casesOf(db, 10)).toEqual([one]);
  });

  it("takes a press once, however often it is sent; refuses a step of no case; a case taken back is gone", () => {
    const db = openDatabase(":memory:");
    const id = beginCase(db, { rigId: null, hidden, ground }, told(0));
    const press = "5f0c7f6e-54a5-4a5d-9b0b-6e1f7a3a2b10";
    for (let time = 0; time < 2; time += 1)
      stepCase(
        db,
        id,
        { kind: "measured", reading: { measurement: "joints", figures: [0, 0] } },
        { ...told(1), id: press },
      );
    expect(caseOf(db, id)!.steps).toHaveLength(1);
    expect(() =>
      stepCase(db, "no case", { kind: "measured", reading: { measurement: "joints", figures: [] } }, told(2)),
    ).toThrow(RangeError);
    takeBack(db, id, told(3));
    expect(caseOf(db, id)).toBeNull();
    expect(casesOf(db, 10)).toEqual([]);
  });
});
