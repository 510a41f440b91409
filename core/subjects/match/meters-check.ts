/** What turns the seed meters: told, and such that the rest of the tool agrees. */
import { isFixed } from "../../dimension/attachment.ts";
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { chosen, type WholeRig } from "../../rig/whole.ts";
import { type ToolKindKey, UNMETERED } from "../../trade/kinds.ts";
import type { MeterDrive } from "../../trade/meters.ts";

/** Kinds of hydraulic functions each drive is fed by. */
const FED_BY: Partial<Record<MeterDrive, readonly string[]>> = {
  "oil generator": ["generator"],
  motor: ["motor"],
};

/** One row for what doses seed; nothing for what has no meters. `part` is its index. */
export function metersCheck({ parts, hoses }: WholeRig, part: number, rowOf: Checker): Check[] {
  const { rig } = parts[part]!;
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  if (kind === null || UNMETERED.includes(kind) || isFixed(rig.attachment)) return [];
  const row = rowOf("meters", "Meter drive");
  const drive = chosen<MeterDrive>(rig, "tool.meterDrive");
  if (drive === null) return [row.unknown("tool.meterDrive")];
  const pto = chosen(rig, "tool.pto");
  if (drive === "PTO generator" && pto === "none")
    return [
      row.fix(
        "tool.meterDrive",
        "Its generator is said to be on the PTO, and the tool to take no shaft.",
        "One of the two is wrong: look whether a shaft goes to it.",
      ),
    ];
  const own = hoses.functions.filter((fn) => fn.part === part);
  const fed = FED_BY[drive];
  if (fed && own.length > 0 && !own.some(({ kind }) => fed.includes(kind)))
    return [
      row.check(
        "tool.meterDrive",
        "Oil drives its meters, and none of its hydraulic functions does.",
        "Add the function to the implement: its hose has to go somewhere, and the lists leave its lever out.",
      ),
    ];
  return [row.good("tool.meterDrive", SAID[drive])];
}

const SAID: Record<MeterDrive, string> = {
  wheel: "By a ground wheel: lock-outs are released before work and pulled for the road.",
  "PTO generator": "Electric: the PTO first, then the current; to stop, the current first.",
  "oil generator": "Electric, by a generator driven by oil.",
  motor: "By a hydraulic motor.",
  none: "None on it: what feeds it doses.",
};
