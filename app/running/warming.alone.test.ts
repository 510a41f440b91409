import { afterEach, describe, expect, it, vi } from "vitest";
import { openDatabase } from "../../data/database.ts";
import { plantedYard } from "../../data/demo/planted.ts";
import { keepEvent } from "../../data/hookup.ts";
import { coupledRigs } from "../../data/in-use.ts";
import { markOf } from "../../data/record.ts";
import { turnedAway } from "../session/door.server.ts";
import { warmingPages } from "./warming.server.ts";

const letIn = (page: string) => turnedAway(new Request(new URL(page, "http://127.0.0.1:4180"))) === null;

describe("pages a thread makes for nobody", () => {
  afterEach(() => vi.unstubAllEnvs());

  it("are the yard and the rig that was coupled last", () => {
    const db = plantedYard();
    keepEvent(db, 7, "coupled", { person: "Mira", at: new Date("2026-11-29T08:00:00Z") });
    expect(coupledRigs(db)[0]).toBe(7);
    const mark = markOf(db);
    expect(warmingPages(db)).toEqual(["/", "/rigs/7/hook-up"]);
    expect(warmingPages(db).every(letIn)).toBe(true);
    expect(markOf(db)).toBe(mark);
  });

  it("are on the network what is answered to somebody without a device", () => {
    vi.stubEnv("AMBREK_LAN", "yes");
    const pages = warmingPages(plantedYard());
    expect(pages).toEqual(["/enter"]);
    expect(pages.every(letIn)).toBe(true);
  });

  it("need no rig", () => {
    expect(warmingPages(openDatabase(":memory:"))).toEqual(["/"]);
    vi.stubEnv("AMBREK_LAN", "yes");
    expect(warmingPages(openDatabase(":memory:"))).toEqual(["/enter"]);
  });
});
