/** Profiles of the hoe's row camera and drives of the tractor with the electric drill: made up, the drives by the practice machine. */
import { steerToLine } from "../../core/simulation/steered.ts";
import { qualityOf } from "../../core/steering/quality.ts";
import type { Database } from "../handle.ts";
import { toolsOf } from "../rigs.ts";
import { keepDrive, keepProfile } from "../steering.ts";

const KMH = 1 / 3.6;

const PROFILES = [
  {
    at: "2026-05-12T13:20:00.000Z",
    name: "Beans 50",
    rowSpacing: 0.5,
    sideOffset: -0.085,
    aim: -0.006,
    quality: 0.58,
    straight: 64,
    flat: true,
    stand: true,
    wind: 21 * KMH,
    speed: 9 * KMH,
  },
  {
    at: "2026-05-28T06:50:00.000Z",
    name: "Maize 75",
    rowSpacing: 0.75,
    sideOffset: 0.112,
    aim: 0.004,
    quality: 0.84,
    straight: 130,
    flat: true,
    stand: true,
    wind: 7 * KMH,
    speed: 11 * KMH,
  },
];

const DRIVES = [
  { at: "2026-09-21T07:05:00.000Z", line: 90, heading: 50, lead: 20, note: "7.9 km/h, stubble, tool up" },
  { at: "2026-09-21T07:14:00.000Z", line: 90, heading: 50, lead: 30, note: "the same" },
  { at: "2026-09-21T07:22:00.000Z", line: 90, heading: 60, lead: 40, note: "in a hurry" },
];

/** `hoe`, `drill`: rigs whose tractors they are of. */
export function plantSteering(db: Database, { hoe, drill }: { hoe: number; drill: number }): void {
  const tractorOf = (rigId: number) => toolsOf(db, rigId)[0]!.tractor.id;
  for (const { at, ...profile } of PROFILES)
    keepProfile(db, tractorOf(hoe), profile, { person: "Mira Tolland", at: new Date(at) });
  for (const { at, note, ...settings } of DRIVES) {
    const offs = steerToLine(settings, { from: 1.5, seconds: 60, seed: 12 }).map(({ seconds, off }) => ({
      time: Math.round(seconds * 10) / 10,
      off: Math.round(off * 1000) / 1000,
    }));
    keepDrive(
      db,
      tractorOf(drill),
      {
        line: "Long side",
        fileName: "drive.nmea",
        settings,
        quality: qualityOf(offs),
        offs: offs.filter((_, step) => step % 3 === 0),
        note,
      },
      { person: "Joren Talbeck", at: new Date(at) },
    );
  }
}
