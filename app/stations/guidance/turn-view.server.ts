/** What the guidance station drives a turn by: the rig's shape, how far its drawbars may bend, the turn's figures. */
import { turnLength } from "../../../core/guidance/turning.ts";
import type { TurningRig } from "../../../core/motion/headland.ts";
import type { Limit } from "../../../core/subjects/guidance/turn-limits.ts";
import type { BentBar } from "../../../core/subjects/guidance/turn-reckoned.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type TurnView = NonNullable<ReturnType<typeof turnView>>;

/** A limit a drawbar has: radians, or not known. */
export type BarLimit = { of: "tyre" | "shaft" | "hoses"; upTo: number | null; known: boolean };

/** Null where no turn can be driven: width, radius or the way the rig hangs together is not known. */
export function turnView({ judged, whole, preferences }: OpenRig) {
  const { turn, spacing, radius } = judged.reckoned.guidance;
  if (turn === null || "key" in turn || spacing === null || radius === null) return null;
  const { turning, unknown, widthAssumed } = turn.rig;
  return {
    units: preferences.units,
    spacing,
    radius,
    least: turn.least,
    turning: rounded(turning),
    /** its frame bends in the middle, and is driven here as if it did not */
    inLine: whole.parts[0]!.rig.values["tractor.steering"].choice === "articulated",
    /** what is drawn as a rig of this kind usually is */
    assumed: unknown !== null || widthAssumed,
    bars: turn.bars.map((bar) => ({
      name: whole.parts[bar.part]!.name,
      joint: bar.joint,
      limits: limitsOf(bar),
    })),
  };
}

function limitsOf({ limits }: BentBar): BarLimit[] {
  const one = (of: BarLimit["of"], limit: Limit<unknown> | string | null): BarLimit[] =>
    limit === null || typeof limit === "string"
      ? []
      : "upTo" in limit
        ? [{ of, upTo: limit.upTo, known: true }]
        : [{ of, upTo: null, known: false }];
  return [...one("tyre", limits.tyre), ...one("shaft", limits.shaft), ...one("hoses", limits.hoses)];
}

/** To the millimetre. */
function rounded({ train, bodies, works }: TurningRig): TurningRig {
  const round = (metres: number) => Math.round(metres * 1000) / 1000;
  return {
    train: train.map(({ behind, hitch, pivot }) => ({ behind, hitch: round(hitch), pivot: round(pivot) })),
    bodies: bodies.map(({ outlines }) => ({
      outlines: outlines.map((outline) => outline.map(({ x, y }) => ({ x: round(x), y: round(y) }))),
    })),
    works: works.map(({ body, rear, front, middle }) => ({
      body,
      rear: round(rear),
      front: round(front),
      middle: round(middle),
    })),
  };
}

/** One turn into the next pass, and the headland it takes: metres; the depth null where nose or radius is not known. */
export function turnFigures({ judged }: OpenRig, spacing: number, radius: number | null) {
  const { turn } = judged.reckoned.guidance;
  if (turn === null || "key" in turn)
    return { turnMetres: radius === null ? null : turnLength(spacing, radius), headland: null };
  const [round] = turn.ways;
  return { turnMetres: round!.length, headland: turn.rig.unknown === null ? round!.depth : null };
}
