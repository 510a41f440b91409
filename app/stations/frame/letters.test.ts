import { beforeAll, describe, expect, it } from "vitest";
import { isDimensionKey, unchanging } from "../../../core/dimension/catalogue.ts";
import { walkRound } from "../../../core/subjects/walk.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { listRigs } from "../../../data/rigs.ts";
import { readWritten } from "../../drawing/written.ts";
import { frameOf, seenFrom } from "./rig-view.server.ts";
import { sampleOpen } from "./sample-open.server.ts";

let db: Database;
beforeAll(() => {
  db = plantedYard();
});

describe("a letter of the drawing", () => {
  it.each(walkRound().map(({ key }) => key))(
    "on %s opens its own reading of the tool that is drawn, in the same view",
    (station: string) => {
      let letters = 0;
      for (const { name } of listRigs(db)) {
        const first = sampleOpen(db, name);
        for (const index of first.parts.keys())
          for (const view of ["plan", "side", "rear"]) {
            const open = seenFrom(first, index);
            const { drawn, opens } = frameOf(open, station, new Request(`http://ambrek/?view=${view}`));
            for (const { target } of readWritten(drawn!).desk.marks) {
              const url = new URL(opens[target]!, "http://ambrek");
              const wanted = isDimensionKey(target) ? unchanging(target).station : "tool";
              expect(url.pathname, `${name} ${target}`).toBe(`/rigs/${open.rig.id}/${wanted}`);
              expect(url.searchParams.get("at")).toBe(target);
              expect(url.searchParams.get("tool")).toBe(
                open.parts.length > 1 ? String(open.rig.couplingId) : null,
              );
              expect(url.searchParams.get("view")).toBe(view === "plan" ? null : view);
              letters += 1;
            }
          }
      }
      expect(letters).toBeGreaterThan(0);
    },
  );
});
