/** The job station: is it told where, what and with what, will it be recorded, and does somebody see and hear it? */

import { dimension } from "../../dimension/catalogue.ts";
import { entryFigure } from "../../dimension/entry.ts";
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { quantity, type Said, tapeLength, tell } from "../../quantity/said.ts";
import { askedKeys, guidedBy, usesTerminal } from "../../rig/asked.ts";
import { isBelieved, type ResolvedRig } from "../../rig/resolve.ts";
import { together } from "../../rig/swath.ts";
import { chosen, type WholeRig } from "../../rig/whole.ts";
import { OPERATIONS, operationsOf } from "../../trade/operations.ts";
import { ALARMS, READOUTS, TRIGGERS } from "../../trade/recording.ts";
import { judgeDose, type ProductForm } from "../../yard/product.ts";
import { readRows, type Work } from "../../yard/work.ts";
import { dosingOf, hasTrigger, type JobReckoned, rowsOf } from "./job-of-rig.ts";
import { mapCheck, sownChecks } from "./variety-checks.ts";

const SET = "Set the job";

/** What is looked at of the job a rig is set for. */
export function jobChecks(whole: WholeRig, job: JobReckoned): Check[] {
  const { work, part } = job;
  if (part === null) return [];
  const rig = together(whole, part);
  const rowOf = checkerOf("job", rig, whole.parts.length > 1 ? part : undefined);
  const controller = controllerCheck(rig, work, rowOf);
  if (!work)
    return [
      rowOf("set", "Job").judged(
        "unknown",
        "job",
        "No job is set: nobody told where, what and with what.",
        "What a terminal records is only worth as much as what it was told: the field, the crop, the rate.",
        SET,
      ),
      ...controller,
    ];
  return [
    fieldCheck(work, rowOf),
    operationCheck(rig, work, rowOf),
    ...controller,
    ...cropChecks(work, rowOf),
    ...rotationCheck(work, rowOf),
    ...rateChecks(whole, work, part, rowOf),
    ...(usesTerminal(rig) ? [triggerCheck(whole, work, part, rowOf)] : []),
    ...lineCheck(rig, work, rowOf),
    ...widthCheck(rig, rowOf),
    ...(usesTerminal(rig) ? [screenCheck(job, work, rowOf), ...alarmChecks(job, work, rig, rowOf)] : []),
  ];
}

function fieldCheck({ field }: Work, rowOf: Checker): Check {
  const row = rowOf("field", "Field");
  const name = [field.client, field.farm, field.name]
    .filter((each, at, all) => each !== "" && all.indexOf(each) === at)
    .join(", ");
  return field.area === null
    ? row.check(
        "job",
        `${name}: nobody told where it ends.`,
        "Without a boundary the hectares worked are held against nothing, and the terminal finds the field by name alone.",
        "Enter its boundary",
      )
    : row.good("job", tell`${name}, ${quantity("area", field.area)}.`);
}

function operationCheck(rig: ResolvedRig, { operations }: Work, rowOf: Checker): Check {
  const row = rowOf("operation", "Operation");
  const [first] = operations;
  if (!first)
    return row.stop(
      "job",
      "No operation is chosen.",
      "Without one nothing is recorded on many terminals.",
      SET,
    );
  if (!operationsOf(rig.tool).includes(first))
    return row.fix(
      "job",
      `${OPERATIONS[first].label} is not what this tool does.`,
      "The record would say that something else was done here.",
      SET,
    );
  return row.good("job", `${OPERATIONS[first].label}.`);
}

/** A rate controller enters the operation by itself. */
function controllerCheck(rig: ResolvedRig, work: Work | null, rowOf: Checker): Check[] {
  if (!askedKeys(rig).has("tool.rateController")) return [];
  const row = rowOf("controller", "Rate controller");
  const has = chosen(rig, "tool.rateController");
  if (has === null) return [row.unknown("tool.rateController")];
  const added = (work?.operations.length ?? 0) > 1;
  if (has === "yes" && added)
    return [
      row.fix(
        "job",
        "The rate controller enters the operation itself, and a second one was added.",
        "The field is then recorded twice. Take the second one off in the terminal, then here.",
        SET,
      ),
    ];
  return [
    row.good(
      "tool.rateController",
      has === "yes"
        ? "It enters the operation itself; none was added."
        : "There is none: the operation is added by hand.",
    ),
  ];
}

function cropChecks(work: Work, rowOf: Checker): Check[] {
  const {
    operations: [operation],
    crop,
    varieties,
    varietyWay,
  } = work;
  if (!operation) return [];
  const wanted = OPERATIONS[operation].crop;
  if (wanted === "not asked") return [];
  const row = rowOf("crop", "Crop and variety");
  const harvest = operation === "harvest";
  if (!crop)
    return [
      wanted === "needed"
        ? row.stop(
            "job",
            "No crop is told.",
            harvest
              ? "Harvest is not recorded without crop and variety."
              : "The record could not be told apart later.",
            SET,
          )
        : row.note("job", "No crop is told: the record says nothing of what stands there.", "", SET),
    ];
  const named = varieties
    .map(({ name, rows }) => (rows === "" ? name : `${name} in rows ${rows}`))
    .join(", ");
  if (varieties.length === 0 && wanted === "needed")
    return [
      harvest
        ? row.stop(
            "job",
            `${crop.name}, and no variety.`,
            "Harvest is not recorded without crop and variety.",
            SET,
          )
        : row.fix("job", `${crop.name}, and no variety.`, "The record could not be told apart later.", SET),
    ];
  if (varietyWay === "rows" && !rowsAgree(varieties.map(({ rows }) => rows)))
    return [
      row.fix(
        "job",
        `Rows of the varieties do not read, or one is there twice: ${named}.`,
        "Say which rows each has: 1-8, 9-16.",
        SET,
      ),
    ];
  if (varietyWay === "map") return [mapCheck(work, crop.name, row)];
  return [row.good("job", `${crop.name}${named ? `: ${named}` : ""}.`), ...sownChecks(work, rowOf)];
}

function rowsAgree(texts: readonly string[]): boolean {
  const read = texts.map(readRows);
  if (read.some((each) => each === null || each.length === 0)) return false;
  const all = read.flat();
  return new Set(all).size === all.length;
}

/** The same crop two seasons running (common practice, no source): disease and volunteers; sometimes meant. */
function rotationCheck({ operations: [operation], crop, field: { before } }: Work, rowOf: Checker): Check[] {
  if (!crop || (operation !== "sowing" && operation !== "planting")) return [];
  const row = rowOf("rotation", "What stood there before");
  if (!before)
    return [
      row.note(
        "job",
        "No record says what stood there before.",
        "Crop after itself could not be noticed.",
        SET,
      ),
    ];
  return [
    before.crop === crop.name
      ? row.check(
          "job",
          `${crop.name} after ${before.crop}, of ${before.season}.`,
          "Meant so, or the wrong field: two of one crop running bring disease and volunteers.",
          SET,
        )
      : row.good("job", `${before.crop}, in ${before.season}.`),
  ];
}

/** As fine as a terminal shows it. */
const SAME_RATE = 0.005;

function rateChecks(whole: WholeRig, work: Work, lead: number, rowOf: Checker): Check[] {
  const [operation] = work.operations;
  const wanted = operation ? OPERATIONS[operation].product : null;
  if (wanted === null || wanted === "crop") return [];
  if (work.products.length === 0)
    return [
      rowOf("product", "Product and rate").stop(
        "job",
        "No product is told.",
        "The record would say that nothing was put out.",
        SET,
      ),
    ];
  const doing = dosingOf(whole, lead);
  const doses = work.products.flatMap((product, at) =>
    doseCheck(product, rowOf(at === 0 ? "dose" : `dose ${at + 1}`, "Dose")),
  );
  return [
    ...work.products.map((product, at): Check => productCheck(whole, work, doing, product, at, rowOf)),
    ...doses,
  ];
}

/** The rate beside what the label says. Nothing where nobody told what it says: most products of a yard have none entered. */
function doseCheck(product: Work["products"][number], row: ReturnType<Checker>): Check[] {
  const { name, form, rate, counted, doseLow, doseHigh } = product;
  if (rate === null || rate === 0) return [];
  const judged = judgeDose(product, { rate, counted });
  const figure = (dose: number) => rateSaid(form, false, dose);
  const range =
    doseLow !== null && doseHigh !== null
      ? tell`${figure(doseLow)} to ${figure(doseHigh)}`
      : doseHigh !== null
        ? tell`up to ${figure(doseHigh)}`
        : doseLow !== null
          ? tell`from ${figure(doseLow)} on`
          : "";
  const said = tell`${name}, ${rateSaid(form, counted, rate)}; its label says ${range}`;
  switch (judged) {
    case "none told":
      return [];
    case "unknown":
      return [
        row.judged(
          "unknown",
          "job",
          tell`${said}. What a thousand grains weigh is not known.`,
          "Tell it at Rate.",
          "Look at the job",
        ),
      ];
    case "within":
      return [row.good("job", tell`${said}.`)];
    case "under":
      return [row.check("job", tell`${said}: under it.`, "It may not work. The label comes first.", SET)];
    case "over":
      return [
        form === "liquid"
          ? row.stop(
              "job",
              tell`${said}: over it.`,
              "More than a label permits is unlawful in many places, and harms crop, water and people. The label comes first.",
              SET,
            )
          : row.fix(
              "job",
              tell`${said}: over it.`,
              "The label, and what the field may be given by law, come first.",
              SET,
            ),
      ];
  }
}

type Doing = ReturnType<typeof dosingOf>;

function productCheck(
  whole: WholeRig,
  work: Work,
  doing: Doing,
  product: Work["products"][number],
  at: number,
  rowOf: Checker,
): Check {
  const row = rowOf(at === 0 ? "product" : `product ${at + 1}`, "Product and rate");
  if (product.rate === null || product.rate === 0)
    return row.stop(
      "job",
      product.rate === 0 ? `${product.name} at a rate of zero.` : `${product.name}, and no rate.`,
      "A new product or variety sets the rate to zero on many terminals: then nothing is put out.",
      SET,
    );
  const say = rateSaid(product.form, product.counted, product.rate);
  // One boom, one meter: what else is in the tank comes with the first.
  if (at > 0 || !doing) return row.good("job", tell`${product.name}, ${say}.`);
  return setCheck(whole.parts[doing.part]!.rig, doing, { ...product, rate: product.rate }, work, say, row);
}

/** A rate as it is said of what it is put out as, SI. */
export function rateSaid(form: Work["products"][number]["form"], counted: boolean, rate: number): Said {
  return quantity(form === "liquid" ? "volume per area" : counted ? "count per area" : "mass per area", rate);
}

function setCheck(
  rig: ResolvedRig,
  { key }: { key: "rate.liquid" | "rate.seed" | "rate.seeds" | "rate.spread" },
  product: { name: string; form: ProductForm; rate: number },
  { varietySince, varieties }: Work,
  say: Said,
  row: ReturnType<Checker>,
): Check {
  const { value, stale, reading, doubt } = rig.values[key];
  if (value === null || !isBelieved(doubt))
    return row.unknown(key, tell`The job wants ${say} of ${product.name}.`);
  const set = entryFigure(dimension(key, rig), value);
  if (Math.abs(value / product.rate - 1) > SAME_RATE)
    return row.judged(
      "stop",
      key,
      tell`The job wants ${say} of ${product.name}, the terminal was last told ${set}.`,
      "Enter the one that is right there, then here.",
      "Enter the rate",
      product.rate,
    );
  if (
    stale === null &&
    product.form === "seed" &&
    varieties.length > 0 &&
    (reading?.measuredAt ?? "") < varietySince
  )
    return row.stop(
      key,
      tell`${say} was entered before the variety was chosen.`,
      "Choosing a variety sets the rate back on many terminals. Look at it there, and enter it again here.",
      "Enter the rate",
    );
  return row.good(key, tell`${product.name}, ${say}, and so set.`);
}

function triggerCheck(whole: WholeRig, { trigger }: Work, part: number, rowOf: Checker): Check {
  const row = rowOf("trigger", "Recorded by");
  if (trigger === null)
    return row.stop(
      "job",
      "Nobody chose what the record starts and stops by.",
      "Nothing is recorded, or all of it, turns and roads as well.",
      SET,
    );
  const { label, needs } = TRIGGERS[trigger];
  const has = hasTrigger(trigger, whole, part);
  if (has === false)
    return row.fix(
      "job",
      `${label}: this rig has none, it needs ${needs}.`,
      "The record would never start, or never stop.",
      SET,
    );
  if (has === null)
    return row.check(
      trigger === "remote" || trigger === "detent" || trigger === "bus" ? "functions" : "job",
      `${label}: it needs ${needs}, and nobody told that it has one.`,
      "Lower and raise once, and watch the coverage.",
      "Look",
    );
  return trigger === "manual"
    ? row.note(
        "job",
        "By hand: it is forgotten at every headland.",
        "Take another where the rig has one.",
        SET,
      )
    : row.good("job", `${label}.`);
}

/** Shifts of more than that altogether are looked at: drift of a day is a few centimetres (ours). */
export const MUCH_SHIFTED = 0.1;

function lineCheck(rig: ResolvedRig, { line }: Work, rowOf: Checker): Check[] {
  if (!guidedBy(rig).lines) return [];
  const row = rowOf("line", "Line");
  if (!line)
    return [
      row.fix("job", "No line is chosen.", "Steering engages on none, or on the one of another field.", SET),
    ];
  return [
    Math.abs(line.shifted) > MUCH_SHIFTED
      ? row.check(
          "line",
          tell`${line.name} was shifted by ${tapeLength(Math.abs(line.shifted))} to the ${line.shifted > 0 ? "right" : "left"} altogether.`,
          "Shifts are regretted: the next tool on this line comes beside the rows.",
          "Look at the shifts",
        )
      : row.good("job", `${line.name}.`),
  ];
}

/** A tool that works as wide as it is may lack a blade's reach. */
const REACH = 0.02;

function widthCheck(rig: ResolvedRig, rowOf: Checker): Check[] {
  if (!askedKeys(rig).has("tool.overall")) return [];
  const row = rowOf("width", "Width it has and works");
  const [overall, width] = [rig.values["tool.overall"], rig.values["tool.width"]];
  if (width.value === null || !isBelieved(width.doubt)) return [row.unknown("tool.width")];
  if (overall.value === null || !isBelieved(overall.doubt)) return [];
  return overall.value < width.value - REACH
    ? [
        row.fix(
          "tool.overall",
          tell`It works ${tapeLength(width.value)} and is ${tapeLength(overall.value)} wide.`,
          "No tool works wider than it is, but a spreader. One of the two is wrong.",
        ),
      ]
    : [
        row.good(
          "tool.overall",
          tell`Works ${tapeLength(width.value)}, is ${tapeLength(overall.value)} wide.`,
        ),
      ];
}

const listed = (names: readonly string[]) =>
  names.map((name) => name.charAt(0).toLowerCase() + name.slice(1)).join("; ");

function screenCheck({ readouts }: JobReckoned, { screen, screenActive }: Work, rowOf: Checker): Check {
  const row = rowOf("screen", "In sight while it works");
  const missing = readouts.filter((key) => screen[key] === undefined);
  if (missing.length === readouts.length)
    return row.judged(
      "unknown",
      "job",
      "Nobody told what the working screen shows.",
      "A third of the work: what is not in sight is not noticed.",
      SET,
    );
  if (missing.length > 0)
    return row.fix(
      "job",
      `Not in sight: ${listed(missing.map((key) => READOUTS[key]))}.`,
      "What is not in sight is not noticed.",
      SET,
    );
  return screenActive
    ? row.good(
        "job",
        `All ${readouts.length} readouts, on ${new Set(Object.values(screen)).size} ${new Set(Object.values(screen)).size === 1 ? "page" : "pages"}, and the set is active.`,
      )
    : row.fix(
        "job",
        "The set of pages is laid out, and not the active one.",
        "The terminal shows the last job's.",
        SET,
      );
}

function alarmChecks(
  { alarms }: JobReckoned,
  { alarms: told, mutedRows }: Work,
  rig: ResolvedRig,
  rowOf: Checker,
): Check[] {
  if (alarms.length === 0) return [];
  const row = rowOf("alarms", "Alarms");
  const of = (state: "off" | "shown") =>
    alarms.filter((key) => told[key] === state).map((key) => ALARMS[key]);
  const untold = alarms.filter((key) => told[key] === undefined).map((key) => ALARMS[key]);
  const [off, shown] = [of("off"), of("shown")];
  return [
    off.length > 0
      ? row.fix("job", `Off: ${listed(off)}.`, "Nobody notices when it happens.", SET)
      : untold.length > 0
        ? row.judged(
            "unknown",
            "job",
            `Nobody told whether it warns of: ${listed(untold)}.`,
            "An alarm nobody hears is none.",
            SET,
          )
        : shown.length > 0
          ? row.check(
              "job",
              `Shown, not heard: ${listed(shown)}.`,
              "In the field nobody looks at the terminal all the time.",
              SET,
            )
          : row.good("job", "All of them seen and heard."),
    ...mutedCheck(mutedRows, rig, rowOf),
  ];
}

function mutedCheck(muted: string, rig: ResolvedRig, rowOf: Checker): Check[] {
  if (muted.trim() === "") return [];
  const row = rowOf("muted", "Muted rows");
  const rows = readRows(muted);
  const count = rowsOf(rig);
  const working = rows?.filter((each) => count === null || each <= count) ?? [];
  return [
    rows === null || working.length > 0
      ? row.fix(
          "job",
          `Muted: rows ${muted}, and they work.`,
          "A row that sows nothing is then found when the crop comes up.",
          SET,
        )
      : row.good("job", `Muted: rows ${muted}, which this tool does not have.`),
  ];
}
