/** Tools as tests need them: a rig of one tool, with what was seen of it. */
import { DRAWN, type Lines, samplePart } from "../../../rig/sample-whole.ts";
import type { ToolOfRig } from "../../../rig/whole.ts";
import type { ToolKindKey } from "../../../trade/kinds.ts";
import { type Adjuster, type Look, NO_GROUND, type PartGround, type Seen } from "../../../yard/ground.ts";
import type { GroundOf } from "../ground-of-rig.ts";
import { BLANK } from "./guide.ts";
import { givenOf } from "./standing.ts";

export const sampleTool = (tool: ToolKindKey, more: Lines = {}): ToolOfRig =>
  samplePart("drawn", {
    ...DRAWN,
    "tool.kind": tool,
    "tool.width": "6 m",
    "pin.workFront": "4 m",
    "pin.workRear": "6 m",
    "work.depth": "22 cm",
    "rows.count": "4",
    "rows.spacing": "43 cm",
    ...more,
  });

export const sampleAdjuster = (id: number, label: string, more: Partial<Adjuster>): Adjuster => ({
  id,
  label,
  form: "spindle",
  low: 0,
  high: 20,
  storage: null,
  start: null,
  effect: null,
  acts: null,
  pair: null,
  learntFrom: null,
  error: null,
  master: null,
  x: null,
  y: null,
  up: null,
  how: "",
  setting: 10,
  ...more,
});

let count = 0;

/** A look, each a minute after the one before; where the adjusters stood as told. */
export function sampleLook(
  step: string,
  seen: Partial<Seen>,
  settings: readonly [number, number][] = [],
): Look {
  count += 1;
  return {
    ...BLANK,
    ...seen,
    id: `look ${count}`,
    step,
    texts: {},
    settings: new Map(settings),
    person: "Mira",
    at: new Date(Date.UTC(2026, 5, 1, 8, count)).toISOString(),
  };
}

const STRIP = {
  id: "strip",
  field: "Long Acre",
  soil: null,
  moisture: null,
  crop: "",
  person: "Mira",
  at: "2026-06-01T08:00:00.000Z",
} as const;

/** What a step is judged with, in a strip that was begun. `looks` in the order they were taken. */
export function sampleGiven(
  part: ToolOfRig,
  looks: readonly Look[] = [],
  more: Partial<PartGround> = {},
  map: GroundOf | null = null,
) {
  return givenOf(part, { ...NO_GROUND, strip: STRIP, ...more, looks: [...looks].reverse() }, map);
}
