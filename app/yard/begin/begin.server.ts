import { ATTACHMENTS } from "../../../core/dimension/attachment.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { MACHINE_TYPES } from "../../../core/dimension/usual.ts";
import { sameName } from "../../../core/place/given.ts";
import { nameOf, readingsOf, sectionsOf } from "../../../core/rig/begun.ts";
import { TOOL_KINDS } from "../../../core/trade/kinds.ts";
import type { Database } from "../../../data/handle.ts";
import { addPoint, createMachine, pointsOf } from "../../../data/machines.ts";
import { keepReading, keepSections } from "../../../data/readings.ts";
import type { Told } from "../../../data/record.ts";
import { createRig, type RigTool, rigsCalled, toolsOf } from "../../../data/rigs.ts";
import { type Beginning, type BegunToolDto, toolsTold } from "./begin.dto.ts";

/** Make and model of what people call a machine by: its first word, and the rest; by one word alone, what it is. */
function named(called: string, otherwise: string): { make: string; model: string } {
  const [make = "", ...rest] = called.split(/\s+/);
  return { make: make.slice(0, 40), model: (rest.join(" ") || otherwise).slice(0, 40) };
}

/** What a rig of these tools is called. */
const rigName = (tools: readonly BegunToolDto[]) => tools.map(nameOf).join(" and ");

const UNKNOWN = { fleetNumber: "", serial: "", busName: "" };

/** The machine, its tools, the rig and what was told of them, as one. Returns the rig's number. */
export function beginRig(db: Database, beginning: Beginning, by: Told): number {
  const { first } = beginning;
  const { kind, label } = MACHINE_TYPES[first.machine];
  const tools = toolsTold(beginning);
  return db.transaction(() => {
    const tractorId = createMachine(
      db,
      kind,
      { ...named(first.driven, label.toLowerCase()), ...UNKNOWN },
      by,
    );
    const pointOf = (wanted: string) => pointsOf(db, tractorId).find((each) => each.kind === wanted)?.id;
    const couplings = tools.map(({ tool, hung, attachment }) => {
      const [hitch] = ATTACHMENTS[attachment].hitches;
      if (pointOf(hitch) === undefined) addPoint(db, tractorId, hitch, hitch, by);
      const details = { ...named(hung, TOOL_KINDS[tool].label.toLowerCase()), ...UNKNOWN, attachment };
      const implementId = createMachine(db, "implement", details, by);
      return { pointId: pointOf(hitch)!, implementId, behind: null };
    });
    const id = createRig(
      db,
      {
        name: rigName(tools),
        tractorId,
        receiverPointId: pointOf("receiver mount")!,
        couplings,
      },
      by,
    );
    for (const [at, rig] of toolsOf(db, id).entries()) keepTold(db, rig, tools[at]!, at === 0, by);
    return id;
  });
}

/** What the rig is called that stands in the yard already, of machines called the same; null where there is none. */
export function begunBefore(db: Database, beginning: Beginning): string | null {
  const tools = toolsTold(beginning);
  const name = rigName(tools);
  const asTold = [beginning.first.driven, ...tools.map(({ hung }) => hung)];
  const isIt = (id: number) => {
    const parts = toolsOf(db, id);
    const machines = [parts[0]!.tractor, ...parts.map(({ implement }) => implement)];
    return (
      machines.length === asTold.length &&
      machines.every(({ make, model }, at) => {
        const told = named(asTold[at]!, model);
        return sameName(make, told.make) && sameName(model, told.model);
      })
    );
  };
  return rigsCalled(db, name).some(isIt) ? name : null;
}

/** What was told of one tool; of the machine that drives, once. */
function keepTold(db: Database, rig: RigTool, told: BegunToolDto, machineToo: boolean, by: Told): void {
  for (const { key, text, value, step, by: instrument } of readingsOf(told).readings)
    if (machineToo || dimension(key, rig.attachment).subject !== "tractor")
      keepReading(db, rig, { key, rawText: text, value, step, instrument, ...by });
  const sections = sectionsOf(told);
  if (sections?.ok) keepSections(db, rig, sections.value, { instrument: "book", ...by });
}
