import { type Attachment, isFixed } from "../dimension/attachment.ts";
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import { parseEntry } from "../dimension/entry.ts";
import { NOTHING_DOSED } from "../yard/dose.ts";
import { NO_GROUND } from "../yard/ground.ts";
import { NO_HOSES } from "../yard/rig-hoses.ts";
import { bareFacts, type RigFacts } from "./facts.ts";
import { resolveRig } from "./resolve.ts";
import { sampleReading } from "./sample.ts";
import { shareLines } from "./swath.ts";
import type { ToolOfRig, WholeRig } from "./whole.ts";

/** What was typed; undefined takes a line away from those it is laid over. */
export type Lines = Partial<Record<DimensionKey, string | undefined>>;

/** One tool and what was typed about it and the machine that carries it, for worked examples in tests. */
export function samplePart(attachment: Attachment, lines: Lines, behind: number | null = null): ToolOfRig {
  const readings: RigFacts["readings"] = {};
  for (const [key, text] of Object.entries(lines) as [DimensionKey, string | undefined][]) {
    if (text === undefined) continue;
    const parsed = parseEntry(dimension(key, attachment), text, "m");
    if (!parsed.ok) throw new RangeError(`${key}: ${text}: ${parsed.problem}`);
    readings[key] = [sampleReading(key, parsed.value.value, { step: parsed.value.step, rawText: text })];
  }
  return {
    id: 1,
    name: `tool ${behind === null ? 1 : behind + 2}`,
    rig: resolveRig(bareFacts(attachment, readings)),
    behind,
    hitch: "hitch",
  };
}

export const NO_LIMITS = { country: "", width: null, height: null, speed: null, unbraked: null };

export function sampleWhole(parts: readonly ToolOfRig[], rest: Partial<WholeRig> = {}): WholeRig {
  return {
    tractor: "tractor",
    selfPropelled: isFixed(parts[0]!.rig.attachment),
    parts: shareLines(parts),
    weights: [],
    tyres: { front: null, rear: null, tools: parts.map(() => null) },
    limits: NO_LIMITS,
    hoses: NO_HOSES,
    ground: parts.map(() => NO_GROUND),
    dose: parts.map(() => NOTHING_DOSED),
    work: null,
    camera: [],
    ...rest,
  };
}

/** A tractor with a carried tool behind: masses and lengths of the worked balance example, a linkage of usual size. */
export const MOUNTED: Lines = {
  "tractor.front": "2400 kg",
  "tractor.rear": "3800 kg",
  "tractor.wheelbase": "2.65",
  "tractor.power": "100 kW",
  "axle.pin": "1.05",
  "tool.mass": "1650 kg",
  "tool.cg": "0.75",
  "hitch.lowerBack": "0.1",
  "hitch.lowerUp": "0.55",
  "hitch.upperBack": "0.2",
  "hitch.upperUp": "1.0",
  "hitch.linkLeft": "0.95",
  "hitch.linkRight": "0.95",
  "hitch.pivots": "0.52",
  "tool.span": "0.87",
  "tool.mast": "0.61",
  "work.topLink": "0.80",
  "work.ballHeight": "0.5",
  "hitch.ballLow": "0.2",
  "hitch.ballHigh": "1.0",
};

/** A tractor with a drawn tool: 3.5 t on a pin, everything told. */
export const DRAWN: Lines = {
  "tractor.front": "2400 kg",
  "tractor.rear": "3800 kg",
  "tractor.wheelbase": "2.65",
  "tractor.power": "100 kW",
  "tractor.roadSpeed": "40 km/h",
  "axle.pin": "1.1",
  "hitch.pin": "30 mm",
  "tool.eye": "32 mm",
  "hitch.verticalLimit": "1500 kg",
  "hitch.towLimit": "8000 kg",
  "tool.mass": "3000 kg",
  "tool.cg": "4.5",
  "tool.load": "500 kg",
  "tool.loadCg": "4.5",
  "pin.pivot": "5",
  "tool.chain": "40 kN",
  "tool.kind": "drill",
  "tool.draft": "drill, pneumatic",
  "tool.pto": "none",
  "tool.width": "6",
  "work.speed": "10 km/h",
};
