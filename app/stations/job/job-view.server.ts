/** What the job station shows: what is set, what could be, and what was set here before. */
import type { Family } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { dosingOf, hasTrigger, readoutsOf } from "../../../core/subjects/job/job-of-rig.ts";
import { OPERATIONS, operationsOf } from "../../../core/trade/operations.ts";
import { ALARMS, READOUTS, TRIGGER_KEYS, TRIGGERS } from "../../../core/trade/recording.ts";
import type { Work, WorkProduct } from "../../../core/yard/work.ts";
import { sizeKept } from "../../../data/areas.ts";
import { linesOf } from "../../../data/lines.ts";
import { listFields } from "../../../data/places.ts";
import { productsOf } from "../../../data/products.ts";
import { cropsOf, lastWorkOn } from "../../../data/work.ts";
import { notInFile } from "../../tasks/tasks-to-go.server.ts";
import { fileStops } from "../card/card-view.server.ts";
import { day } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { FAMILY_OF, type RateFamily } from "./job.dto.ts";

export type JobView = ReturnType<typeof jobView>;

/** A job as it would be typed in. `asked`: the field somebody chose just now. */
export function jobView(open: OpenRig, asked: number | null) {
  const { db, rig, whole, judged, preferences } = open;
  const { units } = preferences;
  const { work, part, readouts, alarms } = judged.reckoned.job;
  const lead = part === null ? null : whole.parts[part]!.rig;
  const before =
    asked !== null && asked !== work?.field.id
      ? lastWorkOn(db, asked, rig.id, operationsOf(lead?.tool ?? null))
      : null;
  const shown = asked !== null && asked !== work?.field.id ? (before?.work ?? null) : work;
  const fields = listFields(db).filter(({ archivedAt }) => archivedAt === null);
  const fieldId = asked ?? work?.field.id ?? null;
  const doing = part === null ? null : dosingOf(whole, part);
  return {
    units,
    /** what of it no task file says; null while none can be written */
    notInFile: work && fileStops(open).length === 0 ? notInFile(work) : null,
    set: work && { by: `${work.person}, ${day(work.at)}`, field: work.field.name, id: work.id },
    /** where the form was filled from a job on this field before */
    from:
      before === null
        ? null
        : `${before.work.person}, ${day(before.work.at)}${before.rig === rig.name ? "" : `, ${before.rig}`}`,
    fieldId,
    form: formOfWork(shown, units),
    fields: groupsOf(fields, units),
    operations: operationsOf(lead?.tool ?? null).map((key) => ({
      key,
      label: OPERATIONS[key].label,
      ...about(OPERATIONS[key]),
    })),
    crops: cropsOf(db),
    products: productsOf(db).map(({ id, name, form }) => ({ id, name, form })),
    counted: doing?.key === "rate.seeds",
    rateUnits: {
      "volume per area": unitOf("volume per area", units),
      "mass per area": unitOf("mass per area", units),
      "count per area": unitOf("count per area", units),
    } satisfies Record<RateFamily, string>,
    triggers: TRIGGER_KEYS.map((key) => ({
      key,
      label: TRIGGERS[key].label,
      has: part === null ? null : hasTrigger(key, whole, part),
    })),
    lines: fieldId === null ? [] : linesOf(db, fieldId).map(({ id, name }) => ({ id, name })),
    readouts: readouts.map((key) => ({ key, label: READOUTS[key] })),
    alarms: alarms.map((key) => ({ key, label: ALARMS[key] })),
    rows: lead?.tool === "planter" || lead?.tool === "drill",
    guided: lead !== null && readoutsOf(lead).includes("guidance"),
  };
}

const about = ({ product, crop }: (typeof OPERATIONS)[keyof typeof OPERATIONS]) => ({ product, crop });

function groupsOf(fields: ReturnType<typeof listFields>, units: Units) {
  const groups = new Map<string, { farm: string; fields: { id: number; name: string }[] }>();
  for (const { id, name, farm, client, bounded } of fields) {
    const key = [farm, client].filter(Boolean).join(", ") || "Nobody told whose";
    const group = groups.get(key) ?? { farm: key, fields: [] };
    const area = bounded ? `, ${say("area", sizeKept(bounded).area, units)}` : ", no boundary";
    group.fields.push({ id, name: `${name}${area}` });
    groups.set(key, group);
  }
  return [...groups.values()];
}

/** A season a job falls in where nobody told otherwise: this year. */
const thisSeason = () => String(new Date().getFullYear());

function formOfWork(work: Work | null, units: Units) {
  return {
    season: work?.season ?? thisSeason(),
    operation: work?.operations[0] ?? "",
    second: work?.operations[1] ?? "",
    crop: work?.crop?.name ?? "",
    varietyWay: work?.varietyWay ?? ("one" as const),
    varieties: work?.varieties.map(({ name, rows }) => ({ name, rows })) ?? [],
    products: work?.products.map((each) => ({ id: each.id, rate: rateTyped(each, units) })) ?? [],
    trigger: work?.trigger ?? "",
    line: work?.line?.id ?? "",
    screen: { ...work?.screen },
    screenActive: work?.screenActive ?? false,
    alarms: { ...work?.alarms },
    mutedRows: work?.mutedRows ?? "",
  };
}

export const familyOf = ({ form, counted }: Pick<WorkProduct, "form" | "counted">): RateFamily & Family =>
  counted ? "count per area" : FAMILY_OF[form];

function rateTyped(product: WorkProduct, units: Units): string {
  return product.rate === null ? "" : say(familyOf(product), product.rate, units).split("\u00a0")[0]!;
}
