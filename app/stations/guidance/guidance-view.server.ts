/** What the guidance station shows of a rig on a field: what passes are laid by, its lines, how far a fill lasts. */

import { type Geographic, type OnPlane, toPlane } from "../../../core/geodesy/plane.ts";
import type { BentGiven } from "../../../core/guidance/bent.ts";
import { LINE_WORDS } from "../../../core/place/line.ts";
import { onPlane, type PlaneField, turn } from "../../../core/place/plane-field.ts";
import { say } from "../../../core/quantity/say.ts";
import { known } from "../../../core/rig/whole.ts";
import { usesCamera } from "../../../core/subjects/guidance/camera-checks.ts";
import { dosingOf } from "../../../core/subjects/job/job-of-rig.ts";
import { sizeKept } from "../../../data/areas.ts";
import { type FieldLine, linesOf } from "../../../data/lines.ts";
import { type FieldBounded, listFields } from "../../../data/places.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { turnFigures, turnView } from "./turn-view.server.ts";

export type GuidanceView = ReturnType<typeof guidanceView>;
export type PlanView = NonNullable<GuidanceView["plan"]>;

export function guidanceView(open: OpenRig, asked: number | null) {
  const { db, whole, judged, preferences } = open;
  const { spacing, radius } = judged.reckoned.guidance;
  const fields = listFields(db).filter(({ archivedAt, bounded }) => archivedAt === null && bounded !== null);
  const wanted = asked ?? whole.work?.field.id ?? null;
  const field = fields.find(({ id }) => id === wanted) ?? null;
  return {
    units: preferences.units,
    spacing,
    radius,
    job: whole.work?.field.name ?? null,
    fields: fields.map(({ id, name, farm }) => ({ id, name: farm ? `${name}, ${farm}` : name })),
    fieldId: field?.id ?? null,
    /** of a field somebody asked for that has no boundary */
    unbounded: wanted !== null && field === null ? (whole.work?.field.name ?? "This field") : null,
    plan: field && spacing !== null ? planOf(open, field, spacing, radius) : null,
    turn: turnView(open),
    camera: usesCamera(whole.parts[judged.reckoned.guidance.part ?? 0]!.rig),
  };
}

function planOf(open: OpenRig, field: FieldBounded, spacing: number, radius: number | null) {
  const { db, whole, judged, preferences } = open;
  const plane = onPlane(field.bounded!.boundary);
  const part = judged.reckoned.guidance.part!;
  return {
    units: preferences.units,
    fieldId: field.id,
    name: field.name,
    plane: rounded(plane),
    spacing,
    radius,
    ...turnFigures(open, spacing, radius),
    ...linesOn(linesOf(db, field.id), plane),
    fill: fillOf(open, part),
    drill: drillOf(whole.parts[part]!.rig),
    area: say("area", sizeKept(field.bounded!).area, preferences.units),
  };
}

/** To the millimetre: what the page draws and lays by. */
const toMillimetre = ({ east, north }: OnPlane): OnPlane => ({
  east: Math.round(east * 1000) / 1000,
  north: Math.round(north * 1000) / 1000,
});

const rounded = ({ origin, rings }: PlaneField): PlaneField => ({
  origin,
  rings: rings.map((ring) => ring.map(toMillimetre)),
});

const shiftOf = ({ shifts }: FieldLine) => shifts.reduce((sum, { amount }) => sum + amount, 0);

/** Lines of a field as passes are laid by them: straight ones, and those that bend. */
function linesOn(lines: readonly FieldLine[], plane: PlaneField) {
  return {
    lines: lines.flatMap((line) => straightOf(line, plane)),
    bent: lines.flatMap((line) => bentOf(line, plane)),
  };
}

/** A line that bends on the plane of the field, its shifts counted. */
function bentOf(
  line: FieldLine,
  { origin }: PlaneField,
): { id: string; name: string; across: number; given: BentGiven }[] {
  const { id, name, shape } = line;
  const at = (place: Geographic) => toMillimetre(toPlane(origin, place));
  const given = { id, name, across: shiftOf(line) };
  if (shape.kind === "curve") return [{ ...given, given: { kind: "curve", points: shape.points.map(at) } }];
  if (shape.kind === "circle")
    return [{ ...given, given: { kind: "circle", centre: at(shape.centre), radius: shape.radius } }];
  return [];
}

/** A straight line as passes are laid by it: its heading, and how far right of the middle of the field it lies, its shifts counted. */
function straightOf(line: FieldLine, plane: PlaneField) {
  const { id, name, shape } = line;
  const shifted = shiftOf(line);
  if (shape.kind !== "ab" && shape.kind !== "heading") return [];
  const a = toPlane(plane.origin, shape.a);
  const b =
    shape.kind === "ab"
      ? toPlane(plane.origin, shape.b)
      : { east: a.east + Math.sin(shape.heading) * 100, north: a.north + Math.cos(shape.heading) * 100 };
  const heading = Math.atan2(b.east - a.east, b.north - a.north);
  return [
    {
      id,
      name,
      kind: LINE_WORDS[shape.kind],
      heading,
      across: turn(a, heading).across + shifted,
      shifted,
    },
  ];
}

/** How much ground one fill does, m²; null where tank or rate is not known. */
function fillOf({ whole }: OpenRig, part: number) {
  const doing = dosingOf(whole, part);
  if (!doing || doing.key === "rate.seeds") return null;
  const { rig } = whole.parts[doing.part]!;
  const rate = known(rig, doing.key);
  const liquid = doing.key === "rate.liquid";
  const holds = known(rig, liquid ? "rate.tank" : "rate.hopper");
  const rest = liquid ? (known(rig, "rate.tankRest") ?? 0) : 0;
  if (rate === null || rate === 0 || holds === null || holds <= rest) return null;
  return { lasts: (holds - rest) / rate, of: liquid ? ("tank" as const) : ("hopper" as const) };
}

/** What tramlines are laid by; null of what has no rows to shut. */
function drillOf(rig: OpenRig["resolved"]) {
  if (rig.tool !== "drill") return null;
  const [width, rows, rowSpacing] = [
    known(rig, "tool.width"),
    known(rig, "rows.count"),
    known(rig, "rows.spacing"),
  ];
  return width === null || rows === null || rowSpacing === null ? null : { width, rows, rowSpacing };
}
