/** What each rig asks of its tractor, from what is on record of it now. */
import { fillCard } from "../../../core/card/fill.ts";
import { leadOf } from "../../../core/forces/power-of-rig.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { together } from "../../../core/rig/swath.ts";
import { type RigSetup, setupOf } from "../../../core/season/rerig.ts";
import type { Database } from "../../../data/handle.ts";
import type { RigTool } from "../../../data/rigs.ts";
import { findScheme, terminalOf } from "../../../data/schemes.ts";
import { madeOfRig, type Opened } from "../../stations/frame/opened.server.ts";

const USUAL_SCHEME = "axle-m";

/** What its terminal is told; null where nothing can be typed yet. */
function cardOf(db: Database, tractorId: number, { whole, judged }: Opened, units: Units): RigSetup["card"] {
  const scheme = findScheme(db, terminalOf(db, tractorId)?.schemeId ?? USUAL_SCHEME);
  if (!scheme) return null;
  const { lines } = fillCard(scheme, together(whole, leadOf(whole)), judged.findings, units, []);
  const typed = lines.flatMap(({ page, label, figure, unit, word }) =>
    figure === null
      ? []
      : [{ label: `${page}, ${label}`, typed: [figure, unit, word].filter(Boolean).join(" ") }],
  );
  return typed.length === 0 && lines.length > 0 ? null : typed;
}

/** Of a rig as it is kept. `parts`: its tools. */
export function setupOfRig(db: Database, parts: readonly RigTool[], units: Units): RigSetup {
  return madeOfRig(db, parts, ["setup", units], (opened) => setupOfOpened(db, parts, opened, units));
}

/** Of a rig as it was just judged. */
export function setupOfOpened(
  db: Database,
  parts: readonly RigTool[],
  opened: Opened,
  units: Units,
): RigSetup {
  return setupOf(
    opened.whole,
    opened.judged,
    parts.map(({ implement }) => implement.id),
    cardOf(db, parts[0]!.tractor.id, opened, units),
  );
}
