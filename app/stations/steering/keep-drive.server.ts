/** A drive along a line, read off its receiver's log and kept with what the sensitivities were set to. */
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { type Off, offsFromLine } from "../../../core/steering/off-line.ts";
import { isLongEnough, qualityOf } from "../../../core/steering/quality.ts";
import { factOf, type Told, takeBack } from "../../../data/record.ts";
import { keepDrive } from "../../../data/steering.ts";
import { readLog } from "../../../formats/nmea/log.ts";
import { checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { DriveDto, OfSteeringDto, readSensitivity } from "./steering.dto.ts";
import { asideOf, linesFor } from "./steering-view.server.ts";

/** Of an open rig, told by somebody. */
export type AtRig = { open: OpenRig; told: Told };

const MOST_LOG = 20_000_000;
/** So many positions are kept for the picture. */
const MOST_OFFS = 240;
/** An antenna further than this from any pass was not on the line, metres (ours). */
const FAR = 3;

async function drive({ open, told }: AtRig, value: DriveDto, form: FormData): Promise<Outcome> {
  const line = linesFor(open).find(({ id }) => id === value.line);
  if (!line) return refused({ line: "This line is not there any more." });
  const file = form.get("log");
  if (!(file instanceof File) || file.size === 0) return refused({ log: "Choose a log first." });
  if (file.size > MOST_LOG) return refused({ log: "The log is over 20 MB. Cut it to the run." });
  const read = readLog(await file.text());
  if (!read.ok) return refused({ log: read.problem });
  const { spacing } = open.judged.reckoned.guidance;
  if (spacing === null || spacing <= 0)
    return refused({ log: "Width or overlap is not known: nobody can tell which pass it was on." });
  const offs = offsFromLine(read.log, line.shape, { spacing, shifted: line.shifted, aside: asideOf(open) });
  if (!isLongEnough(offs))
    return refused({ log: "It needs 20 s of driving at least, from the moment it is engaged." });
  const quality = qualityOf(offs);
  if (quality.rms > FAR)
    return refused({ log: "It lies far from every pass of this line: is it another line's log?" });
  const settings = {
    line: readSensitivity(value.lineSensitivity),
    heading: readSensitivity(value.headingSensitivity),
    lead: readSensitivity(value.headingLead),
  };
  const id = keepDrive(
    open.db,
    open.rig.tractor.id,
    {
      line: line.name.slice(0, LONGEST_NAME),
      fileName: file.name.slice(0, 120),
      settings,
      quality,
      offs: thinned(offs),
      note: value.note,
    },
    { ...told, person: value.person },
  );
  return kept("The drive is kept.", { id, person: value.person });
}

function thinned(offs: readonly Off[]): Off[] {
  const every = Math.max(1, Math.ceil(offs.length / MOST_OFFS));
  return offs
    .filter((_, at) => at % every === 0)
    .map(({ time, off }) => ({ time: Math.round(time * 10) / 10, off: Math.round(off * 1000) / 1000 }));
}

const OWN = ["steering-drive", "camera-profile"];

/** Only drives and profiles of this machine are taken back here. */
export function takeBackOfMachine({ open, told }: AtRig, { id }: OfSteeringDto): Outcome {
  const fact = factOf(open.db, id);
  return fact &&
    OWN.includes(fact.kind) &&
    fact.machineId === open.rig.tractor.id &&
    takeBack(open.db, id, told)
    ? kept("Taken back.")
    : refused({ form: "It is not there any more, or was taken back before." });
}

export const DRIVE_INTENTS: Intents<AtRig, Outcome | Promise<Outcome>> = {
  drive: checkedBy<DriveDto, AtRig, Outcome | Promise<Outcome>>(DriveDto, drive),
  "take-back": checkedBy(OfSteeringDto, takeBackOfMachine),
};
