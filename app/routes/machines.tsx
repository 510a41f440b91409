import { database } from "../../data/database.ts";
import { listArchivedMachines, listMachines } from "../../data/machines.ts";
import { byRig, listEveryTool, type Machine } from "../../data/rigs.ts";
import { machineName } from "../../data/whole.ts";
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
    couple: coupleOf(new URL(request.url).searchParams.get("imported"), found),
    tractors: rows("tractor", "self-propelled"),
    implements: rows("implement"),
    away: listArchivedMachines(db),
  };
}

/** A machine that drives and a tool that came in one file: they may be coupled at once. Null where there are not both. */
function coupleOf(imported: string | null, machines: readonly Machine[]) {
  const came = (imported ?? "")
    .split(",")
    .flatMap((id) => machines.find((each) => String(each.id) === id) ?? []);
  const driver = came.find(({ kind }) => kind !== "implement");
  const tool = came.find(({ kind }) => kind === "implement");
  return driver && tool
    ? { names: [driver, tool].map(machineName), href: `/rigs/new?tractor=${driver.id}&implement=${tool.id}` }
    : null;
}

export function meta() {
  return [{ title: "Machines · Ambrek" }];
}

export default MachinesPage;
