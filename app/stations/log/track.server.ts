/** The track of an entry: a receiver's log of where it was driven, kept as its passes. */
import { IsUUID, Length } from "class-validator";
import { degreesOf } from "../../../core/geodesy/degrees.ts";
import { fromPlane } from "../../../core/geodesy/plane.ts";
import { LONGEST_NAME } from "../../../core/place/given.ts";
import { passesOfTrack } from "../../../core/spoilt/passes.ts";
import { addTrack, begunOf } from "../../../data/log.ts";
import type { Told } from "../../../data/record.ts";
import { readLog } from "../../../formats/nmea/log.ts";
import { checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

type AtRig = { open: OpenRig; told: Told };

class TrackDto {
  @IsUUID(undefined, { message: "There is no such entry." })
  entry!: string;

  @Length(1, LONGEST_NAME, { message: "Say who brings it." })
  person!: string;
}

/** A day of driving at ten positions a second. */
const MOST_BYTES = 20_000_000;

async function bring({ open, told }: AtRig, { entry, person }: TrackDto, form: FormData): Promise<Outcome> {
  const begun = begunOf(open.db, entry);
  if (!begun || begun.rigId !== open.rig.id) return refused({ track: "This entry is not there any more." });
  const file = form.get("track");
  if (!(file instanceof File) || file.size === 0) return refused({ track: "Choose a log first." });
  if (file.size > MOST_BYTES) return refused({ track: "The log is over 20 MB. Cut it to this field." });
  const read = readLog(await file.text());
  if (!read.ok) return refused({ track: read.problem });
  const { origin, points } = read.log;
  const passes = passesOfTrack(points).map(({ points: way, heading, length }) => ({
    points: way.map((point): [number, number] => {
      const { latitude, longitude } = fromPlane(origin, point);
      return [degreesOf(latitude), degreesOf(longitude)];
    }),
    heading,
    length,
  }));
  if (passes.length === 0)
    return refused({ track: "There is no pass in it: nothing straight of 25 m or more." });
  addTrack(open.db, begun, { fileName: file.name.slice(0, 120), passes }, { ...told, person });
  return kept(`${passes.length} ${passes.length === 1 ? "pass is" : "passes are"} kept with it.`, { person });
}

export const TRACK_INTENTS: Intents<AtRig, Outcome | Promise<Outcome>> = {
  track: checkedBy<TrackDto, AtRig, Outcome | Promise<Outcome>>(TrackDto, bring),
};
