/** Drives along a line with sensitivities set so, and profiles of the row camera. */
import { and, eq } from "drizzle-orm";
import type { CameraProfile } from "../core/steering/camera.ts";
import type { Off } from "../core/steering/off-line.ts";
import type { Quality } from "../core/steering/quality.ts";
import type { Settings } from "../core/steering/sensitivity.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import {
  aboutsOf,
  inOrder,
  isOfKind,
  newestFirst,
  record,
  standing,
  standingOf,
  type Told,
} from "./record.ts";
import { cameraProfile, fact, steeringDrive } from "./schema/index.ts";

const DRIVE = "steering-drive";
const PROFILE = "camera-profile";

export type SteeringDrive = {
  id: string;
  line: string;
  fileName: string;
  settings: Settings;
  quality: Quality;
  offs: Off[];
  note: string;
  person: string;
  at: string;
};

export type NewDrive = Omit<SteeringDrive, "id" | "person" | "at"> & { id?: string };

/** Keeps one drive; returns the id. */
export function keepDrive(
  db: Database,
  machineId: number,
  { id, settings, ...row }: NewDrive,
  told: Told,
): string {
  return record(db, { kind: DRIVE, about: { machineId }, id }, told, (seq) => {
    db.insert(steeringDrive)
      .values({
        seq,
        ...row,
        lineSensitivity: settings.line,
        headingSensitivity: settings.heading,
        headingLead: settings.lead,
      })
      .run();
  });
}

/** Drives of a machine that stand, in the order they were driven. */
export function drivesOf(db: Database, machineId: number): SteeringDrive[] {
  return db
    .select({ fact, row: steeringDrive })
    .from(fact)
    .innerJoin(steeringDrive, eq(steeringDrive.seq, fact.seq))
    .where(and(eq(fact.about, `machine ${machineId}`), isOfKind(DRIVE), standing()))
    .orderBy(...inOrder)
    .all()
    .map(({ fact: { id, person, happened }, row }) => ({
      id,
      line: row.line,
      fileName: row.fileName,
      settings: { line: row.lineSensitivity, heading: row.headingSensitivity, lead: row.headingLead },
      quality: row.quality,
      offs: row.offs,
      note: row.note,
      person,
      at: happened,
    }));
}

export type NewProfile = Omit<CameraProfile, "id" | "person" | "at"> & { id?: string };

/** Keeps a profile; returns the id. */
export function keepProfile(db: Database, machineId: number, { id, ...row }: NewProfile, told: Told): string {
  return record(db, { kind: PROFILE, about: { machineId }, id }, told, (seq) => {
    db.insert(cameraProfile)
      .values({ seq, ...row })
      .run();
  });
}

/** Profiles that stand of these machines, each machine's newest first. */
export function profilesOf(db: Database, machines: readonly number[]): Map<number, CameraProfile[]> {
  const found = new Map<number, CameraProfile[]>();
  const query = prepared(db, "camera profiles", () =>
    db
      .select({ fact, row: cameraProfile })
      .from(fact)
      .innerJoin(cameraProfile, eq(cameraProfile.seq, fact.seq))
      .where(standingOf(PROFILE))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const rows = query.all({ abouts: aboutsOf({ machine: machines }) });
  for (const { fact: of, row } of rows) {
    const { seq: _, ...rest } = row;
    const profile = { ...rest, id: of.id, person: of.person, at: of.happened };
    found.set(of.machineId!, [...(found.get(of.machineId!) ?? []), profile]);
  }
  return found;
}
