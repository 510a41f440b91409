/** What the demo yard knows of the ground under its tools: adjusters, strips that were begun, and depth maps. */
import { gridOf } from "../../core/subjects/ground/grid.ts";
import { addAdjuster, keepDepthMap, keepSetting, settingsOf } from "../ground.ts";
import type { Database } from "../handle.ts";
import { type RigTool, toolsOf } from "../rigs.ts";
import { beginStrip, keepLook, keepPreset } from "../strips.ts";
import { wholesOf } from "../whole.ts";
import { type DemoGround, GROUNDS } from "./grounds.ts";
import { BY } from "./told.ts";

/** Adjusters with where they stand, and what was seen and dug, of every tool that has some. */
export function plantGround(db: Database, rigs: readonly RigTool[]): void {
  for (const tool of rigs.flatMap(({ id }) => toolsOf(db, id))) {
    const demo = GROUNDS[tool.implement.fleetNumber];
    if (!demo) continue;
    plantAdjusters(db, tool, demo);
    plantStrip(db, tool, demo);
    plantMap(db, tool, demo);
  }
}

/** The season before, at the same time of the year. */
const YEAR = 365 * 24 * 3_600_000;

function plantAdjusters(db: Database, { implement }: RigTool, { adjusters, person, at }: DemoGround): void {
  const ids = new Map<string, number>();
  const when = new Date(at);
  for (const [index, each] of adjusters.entries()) {
    const { setting, was, pairedWith, slaveOf, sits, effect = null, acts = null, ...rest } = each;
    const [x, y, up] = sits ?? [null, null, null];
    const pair = pairedWith === undefined ? null : { id: ids.get(pairedWith)!, difference: 0 };
    const master = slaveOf === undefined ? null : ids.get(slaveOf)!;
    const told = {
      start: null,
      ...rest,
      effect,
      acts,
      storage: null,
      pair,
      master,
      x,
      y,
      up,
      place: index + 1,
    };
    const id = addAdjuster(db, implement.id, told, BY);
    ids.set(rest.label, id);
    if (was !== undefined) keepSetting(db, id, was, { person, at: new Date(when.getTime() - YEAR) });
    keepSetting(db, id, setting, { person, at: when });
  }
}

/** Looks come a minute after another, once the strip was begun. */
const MINUTE = 60_000;

function plantStrip(
  db: Database,
  { couplingId, implement }: RigTool,
  { strip, preset, person, at }: DemoGround,
): void {
  const settings = settingsOf(db, implement.id);
  if (preset) {
    const { before, ...kept } = preset;
    keepPreset(db, implement.id, settings, kept, { person, at: new Date(before) });
  }
  if (!strip) return;
  const begun = new Date(at);
  const { looks, ...ground } = strip;
  const id = beginStrip(db, couplingId, ground, { person, at: begun });
  for (const [index, { step, figures = {}, lists = {}, choices = {} }] of looks.entries()) {
    const told = { person, at: new Date(begun.getTime() + (index + 1) * MINUTE) };
    keepLook(db, id, settings, { step, figures, lists, choices, texts: {} }, told);
  }
}

function plantMap(db: Database, tool: RigTool, { map, person }: DemoGround): void {
  if (!map) return;
  const whole = wholesOf(db, toolsOf(db, tool.id)).get(tool.id)!;
  const part = whole.parts.find(({ id }) => id === tool.couplingId)!;
  const places = gridOf(part, map.across);
  const points = places.map(({ label, x, y }, at) => ({ label, x, y, depth: map.depths[at]! / 100 }));
  keepDepthMap(db, tool, { ...map, points }, { person, at: new Date(map.at) });
}
