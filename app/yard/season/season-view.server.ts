/** What a yard has to do before a season: what is stale, what is due, what was proved and no longer is. */
import { dimension } from "../../../core/dimension/catalogue.ts";
import { CHANGES } from "../../../core/dimension/change.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { provables } from "../../../core/proof/provable.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import { dueOf, dueProofs, dueWords } from "../../../core/rig/due.ts";
import { lapsedBy, provenBy, resolveRig } from "../../../core/rig/resolve.ts";
import { factsOf } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { hourMarks } from "../../../data/live.ts";
import { listEveryPart, type Rig } from "../../../data/rigs.ts";
import { day } from "../../stations/print.ts";
import { toolName } from "../../stations/rig-view.server.ts";

export type SeasonLine = {
  key: string;
  what: string;
  why: string;
  href: string;
  kind: "stale" | "due" | "prove";
};
export type SeasonRig = { id: number; name: string; tool: string; lines: SeasonLine[] };

export function seasonView(db: Database, today: string, units: Units): SeasonRig[] {
  const parts = listEveryPart(db).filter(
    ({ archivedAt, tractor }) => archivedAt === null && !tractor.practice,
  );
  const facts = factsOf(db, parts);
  const hours = hourMarks(
    db,
    parts.map(({ tractor }) => tractor.id),
  );
  return parts
    .map((part): SeasonRig => {
      const own = facts.get(part.couplingId)!;
      const rig = resolveRig(own);
      const href = (station: string, key: string) =>
        `/rigs/${part.id}/${station}?at=${key}&tool=${part.couplingId}`;
      const due = dueOf(rig, { today, hours: hours.get(part.tractor.id) ?? [] });
      const old = new Set(dueProofs(rig, today));
      return {
        id: part.couplingId,
        name: part.name,
        tool: toolName(part),
        lines: [
          ...askedOf(rig).flatMap((entry): SeasonLine[] => {
            if (!mine(part, entry.subject)) return [];
            const { stale, value } = rig.values[entry.key];
            const about = {
              key: entry.key,
              what: named(entry.label, value === null ? "" : printEntry(entry, value, units)),
            };
            if (stale)
              return [
                {
                  ...about,
                  kind: "stale",
                  why: `${CHANGES[stale.kind].label.toLowerCase()}, ${day(stale.at)}`,
                  href: href(entry.station, entry.key),
                },
              ];
            const late = due.find(({ key }) => key === entry.key);
            return late
              ? [
                  {
                    ...about,
                    kind: "due",
                    why: dueWords(late).replace("due: ", ""),
                    href: href(entry.station, entry.key),
                  },
                ]
              : [];
          }),
          ...provables(part.attachment).flatMap(({ key, label, terms }): SeasonLine[] => {
            const standing = provenBy(terms, rig.proofs);
            const about = {
              key: `proof ${key}`,
              what: label,
              kind: "prove" as const,
              href: `/rigs/${part.id}/proof?tool=${part.couplingId}`,
            };
            if (standing)
              return old.has(standing) ? [{ ...about, why: `proved ${day(standing.at)}: a season ago` }] : [];
            const lapsed = lapsedBy(terms, own);
            if (!lapsed) return [];
            const by =
              "kind" in lapsed.by
                ? CHANGES[lapsed.by.kind].label.toLowerCase()
                : `${dimension(lapsed.by.key).label.toLowerCase()} read again`;
            return [{ ...about, why: `proved ${day(lapsed.proof.at)}, since then ${by}` }];
          }),
        ],
      };
    })
    .filter(({ lines }) => lines.length > 0);
}

/** What is read of the tractor stands once, with the first tool of a rig. */
function mine({ position }: Rig, subject: string): boolean {
  return position === 1 || (subject !== "tractor" && subject !== "receiver mount");
}

function named(label: string, value: string): string {
  return value ? `${label}, ${value}` : label;
}
