import { powerOf } from "../../forces/power-of-rig.ts";
import type { Subject } from "../../subject/subject.ts";
import { type BalanceOf, balanceOf } from "./balance-of-rig.ts";
import { balanceChecks } from "./checks.ts";
import { balanceLines } from "./hookup.ts";
import { SLIP, slipChecks } from "./slip.ts";

export const BALANCE: Subject<"balance", BalanceOf> = {
  key: "balance",
  label: "Balance",
  lead: "What stands on each axle, and what to put on or take off.",
  asks: "Does it stand?",
  changesOf: ["tractor", "implement"],
  shows: "rig",
  holds: "hook-up",
  onSheet: true,
  reckon: (whole) => balanceOf(whole, powerOf(whole)),
  calibrations: [SLIP],
  checks: (loads, whole) => [...balanceChecks(whole, loads), ...slipChecks(whole)],
  hookup: (loads, whole) => balanceLines(whole, loads),
};
