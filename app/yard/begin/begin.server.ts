import { ATTACHMENTS } from "../../../core/dimension/attachment.ts";
import { MACHINE_TYPES } from "../../../core/dimension/usual.ts";
import { nameOf, readingsOf } from "../../../core/rig/begun.ts";
import { TOOL_KINDS } from "../../../core/trade/kinds.ts";
import type { Database } from "../../../data/handle.ts";
import { addPoint, createMachine, pointsOf } from "../../../data/machines.ts";
import { keepReading } from "../../../data/readings.ts";
import type { Told } from "../../../data/record.ts";
import { createRig, findRig } from "../../../data/rigs.ts";
import type { BeginDto } from "./begin.dto.ts";

/** Make and model of what people call a machine by: its first word, and the rest; by one word alone, what it is. */
function named(called: string, otherwise: string): { make: string; model: string } {
  const [make = "", ...rest] = called.split(/\s+/);
  return { make: make.slice(0, 40), model: (rest.join(" ") || otherwise).slice(0, 40) };
}

const UNKNOWN = { fleetNumber: "", serial: "", busName: "" };

/** Both machines, the rig and what was told of them, as one. Returns the rig's number. */
export function beginRig(db: Database, told: BeginDto, by: Told): number {
  const { kind, label } = MACHINE_TYPES[told.machine];
  const { attachment } = told;
  const tool = TOOL_KINDS[told.tool].label;
  return db.transaction(() => {
    const tractorId = createMachine(db, kind, { ...named(told.driven, label.toLowerCase()), ...UNKNOWN }, by);
    const details = { ...named(told.hung, tool.toLowerCase()), ...UNKNOWN, attachment };
    const implementId = createMachine(db, "implement", details, by);
    const [hitch] = ATTACHMENTS[attachment].hitches;
    const pointOf = (wanted: string) => pointsOf(db, tractorId).find((each) => each.kind === wanted)?.id;
    if (pointOf(hitch) === undefined) addPoint(db, tractorId, hitch, hitch, by);
    const id = createRig(
      db,
      {
        name: nameOf(told),
        tractorId,
        receiverPointId: pointOf("receiver mount")!,
        couplings: [{ pointId: pointOf(hitch)!, implementId, behind: null }],
      },
      by,
    );
    const rig = findRig(db, id)!;
    for (const { key, text, value, step, by: instrument } of readingsOf(told).readings)
      keepReading(db, rig, { key, rawText: text, value, step, instrument, ...by });
    return id;
  });
}
