import { database } from "../../../data/database.ts";
import { findMachine } from "../../../data/machines.ts";
import type { Machine } from "../../../data/rigs.ts";

/** The machine an address names, archived or not. @throws a response of 404 where there is none */
export function machineOr404(id: string): Machine {
  const machine = /^\d{1,9}$/.test(id) ? findMachine(database(), Number(id)) : null;
  if (!machine) throw new Response("There is no such machine in this yard.", { status: 404 });
  return machine;
}
