import { database } from "../../data/database.ts";
import { listArchivedMachines, listMachines } from "../../data/machines.ts";
import { byRig, listEveryTool, type Machine } from "../../data/rigs.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { MachinesPage } from "../yard/machine/MachinesPage.tsx";
import type { Route } from "./+types/machines";

export async function loader({ request }: Route.LoaderArgs) {
  const db = database();
  const preferences = await readPreferences(request);
  const find = (new URL(request.url).searchParams.get("find") ?? "").trim().slice(0, 60);
  const used = new Map<number, number>();
  for (const parts of byRig(listEveryTool(db).filter(({ archivedAt }) => archivedAt === null)).values())
    for (const id of new Set(parts.flatMap(({ tractor, implement }) => [tractor.id, implement.id])))
      used.set(id, (used.get(id) ?? 0) + 1);
  const words = find.toLowerCase().split(/\s+/);
  const found = listMachines(db).filter(({ make, model, fleetNumber, serial }) => {
    const text = `${make} ${model} ${fleetNumber} ${serial}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const rows = (...kinds: Machine["kind"][]) =>
    found
      .filter(({ kind }) => kinds.includes(kind))
      .map((machine) => ({ ...machine, rigs: used.get(machine.id) ?? 0 }));
  return {
    preferences,
    find,
    tractors: rows("tractor", "self-propelled"),
    implements: rows("implement"),
    away: listArchivedMachines(db),
  };
}

export function meta() {
  return [{ title: "Machines · Ambrek" }];
}

export default MachinesPage;
