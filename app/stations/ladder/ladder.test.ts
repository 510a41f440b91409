import { beforeEach, describe, expect, it } from "vitest";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { keepEvent } from "../../../data/hookup.ts";
import { ladderNow } from "../frame/ladder-now.server.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { keepRung } from "./ladder.server.ts";
import { rungsOf } from "./rungs.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = () => sampleOpen(db, "Meadow drill");
const rungs = () => {
  const now = open();
  return rungsOf(now.whole, now.judged, ladderNow(now));
};
const rung = (key: string) => rungs().find((each) => each.key === key)!;

describe("the start-of-work ladder", () => {
  it("stands where the rig stands: coupled by its list, its figures read back", () => {
    expect(rung("coupled")).toMatchObject({ state: "good", byPerson: false });
    expect(rung("figures").state).toBe("good");
    expect(rung("position")).toMatchObject({ state: "not yet", byPerson: true, next: null });
    for (const { state, next, byPerson, why } of rungs()) {
      expect(why).not.toBe("");
      if (state === "not yet") expect(byPerson || next !== null).toBe(true);
    }
  });

  it("takes a tick only where no station can know, and by name", () => {
    expect(keepRung(open(), sampleForm({ rung: "coupled" }), arrived())).toMatchObject({
      ok: false,
      errors: { form: "That rung is told by its station, not ticked." },
    });
    expect(keepRung(open(), sampleForm({ rung: "dance" }), arrived())).toMatchObject({ ok: false });
    expect(keepRung(open(), sampleForm({ rung: "position", person: "" }), arrived())).toMatchObject({
      ok: false,
    });
    expect(rung("position").state).toBe("not yet");
    expect(keepRung(open(), sampleForm({ rung: "position" }), arrived())).toMatchObject({
      ok: true,
      person: "Mira",
    });
    expect(rung("position").state).toBe("good");
    expect(rung("position").why).toContain("Mira");
  });

  it("is climbed anew once the rig was uncoupled", () => {
    keepRung(open(), sampleForm({ rung: "position" }), arrived());
    keepEvent(db, open().rig.id, "uncoupled", { person: "Mira", at: new Date() });
    expect(rung("coupled").state).toBe("not yet");
    keepEvent(db, open().rig.id, "coupled", { person: "Mira", at: new Date(Date.now() + 1000) });
    expect(rung("position").state).toBe("not yet");
  });
});
