/** Varieties of a job, held against the map of them and against what was sown. */
import type { Check } from "../../finding/check.ts";
import type { Checker, Row } from "../../finding/checking.ts";
import { joined, quantity, tell } from "../../quantity/said.ts";
import { namesApart, type Sown, type Work } from "../../yard/work.ts";

const SET = "Set the job";

/** A map leaves so much of a field out, or has it twice, before it is said: the width of a tool along its edges (ours). */
const LEFT_OUT = 0.01;

/** Varieties by a map: whether it was read, covers the field, and says what the job says. */
export function mapCheck(work: Work, crop: string, row: Row): Check {
  const { varieties, varietyMap, field } = work;
  const sown = sownBefore(work);
  const names = varieties.map(({ name }) => name);
  if (!varietyMap)
    return row.check(
      "job",
      field.area === null
        ? `${crop} by a map: nobody told where ${field.name} ends, so none can be read for it.`
        : `${crop} by a map, and none is read for ${field.name}.`,
      "Read it on the page of the field: its hectares and gaps are told there, and it is held against what was sown.",
      SET,
    );
  const { shares, uncovered, twice, fileName } = varietyMap;
  const known = shares.map(({ variety }) => variety);
  const apart = namesApart(names, known);
  if (names.length > 0 && apart.onlyOne.length + apart.onlyOther.length > 0)
    return row.fix(
      "job",
      `${fileName} has ${known.join(", ")}; the job has ${names.join(", ")}.`,
      "One of them is of another field or season.",
      SET,
    );
  const odd = sown ? namesApart(known, sown.varieties) : null;
  if (odd && odd.onlyOne.length + odd.onlyOther.length > 0)
    return row.fix(
      "job",
      `${fileName} has ${known.join(", ")}; sown were ${sown!.varieties.join(", ")}.`,
      "What is recorded by variety would go to the wrong one.",
      SET,
    );
  const limit = LEFT_OUT * (field.area ?? 0);
  if (uncovered > limit)
    return row.fix(
      "job",
      tell`${quantity("area", uncovered)} of ${field.name} lie in no zone of ${fileName}.`,
      "What is done there is recorded without a variety.",
      SET,
    );
  if (twice > limit)
    return row.fix(
      "job",
      tell`${quantity("area", twice)} of ${field.name} lie in zones of two varieties in ${fileName}.`,
      "Which of them is recorded there depends on the terminal.",
      SET,
    );
  return row.good(
    "job",
    tell`${crop} by ${fileName}: ${joined(
      shares.map(({ variety, area }) => tell`${variety} ${quantity("area", area)}`),
      ", ",
    )}.`,
  );
}

/** Harvest names what was sown. */
export function sownChecks(work: Work, rowOf: Checker): Check[] {
  const { operations, varieties } = work;
  const sown = sownBefore(work);
  if (operations[0] !== "harvest" || !sown) return [];
  const names = varieties.map(({ name }) => name);
  const { onlyOne, onlyOther } = namesApart(names, sown.varieties);
  const row = rowOf("sown", "What was sown");
  return [
    onlyOne.length + onlyOther.length === 0
      ? row.good("job", `${names.join(", ")}, as the log of the sowing says.`)
      : row.fix(
          "job",
          `The job says ${names.join(", ")}; by the log ${sown.varieties.join(", ")} ${sown.varieties.length === 1 ? "was" : "were"} sown.`,
          "Harvest would be recorded under another variety than grew there.",
          SET,
        ),
  ];
}

/** A crop that was sown stands no longer than this before it is harvested (ours): what was sown earlier was another one. */
const STANDS = 430 * 24 * 3600 * 1000;

/** What was sown of it before this job, where the log says; null of a job that sows. */
function sownBefore({ operations: [operation], sown, at }: Work): Sown | null {
  if (operation === "sowing" || operation === "planting" || !sown || sown.varieties.length === 0) return null;
  return Date.parse(at) - Date.parse(sown.at) <= STANDS ? sown : null;
}
