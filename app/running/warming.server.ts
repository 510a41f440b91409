/** What a thread answers nobody once it is there: whoever comes first would wait for it to be read, compiled and judged. */
import type { Database } from "../../data/handle.ts";
import { coupledRigs } from "../../data/in-use.ts";
import { listRigs, toolsOf } from "../../data/rigs.ts";
import { isOnNetwork } from "../session/who.server.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { openedOf } from "../stations/frame/opened.server.ts";

/** Pages that make a thread ready for most others. On the network nobody is let in without a device: there it is the page they come in by. */
export function warmingPages(db: Database): string[] {
  const id = coupledRigs(db)[0] ?? listRigs(db)[0]?.id;
  if (!isOnNetwork()) return ["/", ...(id === undefined ? [] : [rigAddress(id, "hook-up")])];
  if (id !== undefined) void openedOf(db, toolsOf(db, id)).judged;
  return ["/enter"];
}
