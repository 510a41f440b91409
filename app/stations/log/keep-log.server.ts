/** What is written of a day's work: begun, loads and notes, ended. */
import { addLoad, addNote, beginWork, begunOf, endWork } from "../../../data/log.ts";
import { keepPhoto } from "../../../data/readings.ts";
import { factOf } from "../../../data/record.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { amountOf } from "../../yard/amount.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { photoIn } from "../reading/photo.server.ts";
import { written } from "../writing/written.server.ts";
import { frozenNow } from "./frozen.server.ts";
import {
  BeginWorkDto,
  EndWorkDto,
  LoadDto,
  MOST_PARTS,
  MOST_USED,
  NoteDto,
  readHours,
  readUsed,
} from "./log.dto.ts";

/** Begins the job that is set. One that was set otherwise meanwhile is begun all the same: that is what was driven. */
export const keepBegunWork = written(BeginWorkDto, ({ open, value, told }): Outcome => {
  const { db, rig, whole } = open;
  const set = factOf(db, value.work);
  if (!set || set.rigId !== rig.id || set.kind !== "work")
    return refused({ form: "There is no such job of this rig." });
  beginWork(db, rig.id, { workId: value.work, frozen: frozenNow(open), id: value.id }, told);
  const where = whole.work?.field.name ?? "";
  return kept(`Begun${where && ` on ${where}`}`, {
    id: value.id,
    undo: { intent: "take-back", id: value.id },
  });
});

function begunHere({ db, rig }: OpenRig, id: string) {
  const begun = begunOf(db, id);
  return begun?.rigId === rig.id ? begun : null;
}

const GONE = refused({ form: "This work is not in the log any more." });
const OVER = refused({ form: "It was ended before. Take the end back first." });

/** Ends it. */
export const keepEndedWork = written(EndWorkDto, ({ open, value, told }): Outcome => {
  const begun = begunHere(open, value.begun);
  if (!begun) return GONE;
  if (begun.ended) return OVER;
  const at = value.ended === "" ? told.at : new Date(value.ended);
  if (at.toISOString() <= begun.at)
    return refused({ ended: "That is before it was begun. Set the time right, or take the beginning back." });
  if (at > told.now) return refused({ ended: "That has not come yet." });
  const row = value as unknown as Record<string, string>;
  const area = (text: string) => {
    const read = amountOf(text, { family: "area", unit: value.areaUnit, optional: true });
    return read.ok ? read.value : null;
  };
  const fuel = amountOf(value.fuel, { family: "volume", unit: value.fuelUnit, optional: true });
  endWork(
    open.db,
    begun,
    {
      id: value.id,
      area: area(value.area) || null,
      parts: rows(MOST_PARTS)
        .filter((at) => row[`area${at}`] !== "")
        .map((at) => ({
          parts: Number(row[`some${at}`]),
          of: Number(row[`of${at}`]),
          area: area(row[`area${at}`]!)!,
        })),
      time: readHours(value.time),
      fuel: (fuel.ok && fuel.value) || null,
      note: value.note,
      used: rows(MOST_USED).flatMap((at) => {
        const read = readUsed(row[`used${at}`]!, row[`used${at}Unit`]!);
        return read.ok && read.value !== null
          ? [{ productId: Number(row[`used${at}Of`]), amount: read.value }]
          : [];
      }),
    },
    { ...told, at },
  );
  return kept("Ended", { id: value.id, undo: { intent: "take-back", id: value.id } });
});

const rows = (count: number) => Array.from({ length: count }, (_, at) => at);

/** Keeps a load. */
export const keepLoad = written(LoadDto, ({ open, value, told }): Outcome => {
  const begun = begunHere(open, value.begun);
  if (!begun) return GONE;
  const mass = amountOf(value.mass, { family: "mass", unit: value.massUnit, optional: true });
  addLoad(
    open.db,
    begun,
    {
      id: value.id,
      name: value.name,
      number: value.number,
      destination: value.destination,
      mass: (mass.ok && mass.value) || null,
      moisture: value.moisture === "" ? null : Number(value.moisture.replace(",", ".")) / 100,
    },
    told,
  );
  return kept("", { id: value.id });
});

/** Keeps a note, perhaps with a picture. */
export const keepNote = written(NoteDto, async ({ open, value, told, form }): Promise<Outcome> => {
  const begun = begunHere(open, value.begun);
  if (!begun) return GONE;
  const picture = await photoIn(form);
  if ("problem" in picture) return refused({ photo: picture.problem });
  open.db.transaction(() => {
    const photoId = picture.photo ? keepPhoto(open.db, picture.photo, told.now) : null;
    addNote(open.db, begun, { id: value.id, text: value.text, photoId }, told);
  });
  return kept("", { id: value.id });
});
