/** Everything that is left between what is coupled to this machine now and this rig at work, in the order it is done. */
import { isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { rerigOf } from "../../../core/season/rerig.ts";
import { swapOf } from "../../../core/season/swap.ts";
import { rerigSeconds } from "../../../data/plan.ts";
import { everyRig, listEveryTool } from "../../../data/rigs.ts";
import { shortName } from "../../../data/whole.ts";
import { coupledByMachine } from "../../yard/down/down-view.server.ts";
import { minutesWords } from "../../yard/plan/plan-words.ts";
import { setupOfOpened, setupOfRig } from "../../yard/plan/setups.server.ts";
import { rowsOf } from "../../yard/season/tape-list-view.server.ts";
import { rigAddress } from "../frame/address.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export function errandsView(open: OpenRig) {
  const { db, rig, parts, whole, judged, preferences } = open;
  const { units } = preferences;
  const now = coupledByMachine(db, everyRig(listEveryTool(db))).get(rig.tractor.id);
  const coupled = now?.[0]?.id === rig.id;
  const from = now && !coupled ? setupOfRig(db, now, units) : null;
  const seconds = rerigSeconds(db);
  const rerig = rerigOf(from, setupOfOpened(db, parts, { whole, judged }, units), seconds);
  const { stops, toRead, unknown } = swapOf(judged, rerig, seconds.read);
  const toolOf = (part: number | undefined) =>
    parts.length > 1 && part !== undefined ? parts[part]!.couplingId : null;
  return {
    coupled,
    machine: shortName(rig.tractor),
    from: now && !coupled ? now[0]!.name : null,
    minutes: minutesWords(rerig.seconds),
    lines: rerig.lines.map(({ said }) => inWords(said, units)),
    notCounted: rerig.unknown,
    stops: [...stops, ...toRead].map(({ id, what, why, station, subject, part }) => ({
      id,
      what: inWords(what, units),
      why: inWords(why, units),
      href: rigAddress(rig.id, station, {
        at: isDimensionKey(subject) ? subject : null,
        tool: toolOf(part),
      }),
    })),
    readings: rowsOf(whole, units).map(({ key, station, label, fromTo, of, now: value, part }) => ({
      key: `${part} ${key}`,
      label: of ? `${label}, ${of}` : label,
      fromTo,
      value,
      href: rigAddress(rig.id, station, { at: key, tool: toolOf(part) }),
    })),
    unknown: unknown.map(({ label, station }) => ({ label, href: rigAddress(rig.id, station) })),
  };
}
export type ErrandsView = ReturnType<typeof errandsView>;
