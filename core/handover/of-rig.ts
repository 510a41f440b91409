/** What whoever takes a rig over has to know, on one page: what is set, what was odd, what stays as it is, what is open. */
import { dimension } from "../dimension/catalogue.ts";
import { entryFigure } from "../dimension/entry.ts";
import type { Rung } from "../ladder/ladder.ts";
import { joined, quantity, type Said, tapeLength, tell } from "../quantity/said.ts";
import { provenBy } from "../rig/resolve.ts";
import type { WholeRig } from "../rig/whole.ts";
import { rateSaid } from "../subjects/job/checks.ts";
import type { Judged } from "../subjects/judge-whole.ts";
import { provablesOf } from "../subjects/proof/provable.ts";
import { OPERATIONS } from "../trade/operations.ts";
import { TRIGGERS } from "../trade/recording.ts";

export type HandoverLine = {
  label: string;
  said: Said;
  tone: "plain" | "stop" | "warn";
  /** where it is looked at */
  path: string;
};

export type Handover = {
  set: HandoverLine[];
  odd: HandoverLine[];
  leave: HandoverLine[];
  open: HandoverLine[];
};

/** What was noted while it worked, newest first, and how its line was shifted. */
export type Seen = {
  notes: readonly { text: string; who: string }[];
  shifts: readonly { amount: number; why: string }[];
};

const plain = (label: string, said: Said, path: string): HandoverLine => ({
  label,
  said,
  tone: "plain",
  path,
});

/** Sorts what is known of a rig for whoever takes it over. */
export function handoverOf(whole: WholeRig, judged: Judged, rungs: readonly Rung[], seen: Seen): Handover {
  return {
    set: setLines(whole),
    odd: oddLines(whole, judged, seen),
    leave: leaveLines(whole, judged),
    open: openLines(whole, judged, rungs),
  };
}

function setLines({ work, parts }: WholeRig): HandoverLine[] {
  const readings = parts.flatMap(({ name, rig }) =>
    (
      [
        "work.depth",
        "rate.liquid",
        "rate.seed",
        "rate.seeds",
        "rate.spread",
        "guidance.trackSpacing",
      ] as const
    ).flatMap((key) => {
      const value = rig.values[key]?.value ?? null;
      if (value === null) return [];
      const entry = dimension(key, rig);
      const label = parts.length > 1 ? `${entry.label}, ${name}` : entry.label;
      return [
        plain(
          label,
          tell`${entryFigure(entry, value)}${rig.values[key].stale ? ", stale" : ""}`,
          `${entry.station}?at=${key}`,
        ),
      ];
    }),
  );
  if (!work) return [{ label: "Job", said: "No job is set.", tone: "warn", path: "job" }, ...readings];
  const { field, operations, crop, varieties, products, trigger, line } = work;
  const where = [field.name, field.farm, field.client]
    .filter((each, at, all) => each !== "" && all.indexOf(each) === at)
    .join(", ");
  return [
    plain("Field", field.area === null ? where : tell`${where}, ${quantity("area", field.area)}`, "job"),
    plain("Operation", operations.map((key) => OPERATIONS[key].label).join(", ") || "none", "job"),
    ...(crop ? [plain("Crop", [crop.name, ...varieties.map(({ name }) => name)].join(", "), "job")] : []),
    ...products.map(({ name, form, counted, rate }) =>
      plain(
        "Product",
        rate === null ? `${name}, no rate` : tell`${name}, ${rateSaid(form, counted, rate)} wanted`,
        "job",
      ),
    ),
    ...(trigger ? [plain("Recorded by", TRIGGERS[trigger].label, "job")] : []),
    ...(line ? [plain("Line", line.name, "guidance")] : []),
    ...readings,
  ];
}

function oddLines(whole: WholeRig, { findings }: Judged, { notes, shifts }: Seen): HandoverLine[] {
  return [
    ...notes.map(({ text, who }) => plain("Seen", tell`${text} (${who})`, "log")),
    ...shifts.map(({ amount, why }) =>
      plain(
        "Line shifted",
        tell`${tapeLength(Math.abs(amount))} to the ${amount > 0 ? "right" : "left"}: ${why}`,
        "guidance",
      ),
    ),
    ...findings
      .filter(({ severity }) => severity === "fix" || severity === "check")
      .map(
        ({ what, severity, station, part }): HandoverLine => ({
          label: severity === "fix" ? "Fix" : "Check",
          said: named(whole, part, what),
          tone: severity === "fix" ? "warn" : "plain",
          path: station,
        }),
      ),
  ];
}

const named = ({ parts }: WholeRig, part: number | undefined, said: Said): Said =>
  parts.length > 1 && part !== undefined ? tell`${parts[part]!.name}: ${said}` : said;

/** What was proved, calibrated or found on the ground: turned, it has to be done again. */
function leaveLines(whole: WholeRig, { reckoned }: Judged): HandoverLine[] {
  return [
    ...whole.parts.flatMap(({ rig }, part) => {
      const proven = provablesOf(rig).filter(({ terms }) => provenBy(terms, rig.proofs) !== null);
      return proven.length === 0
        ? []
        : [
            plain(
              "Proved in the field",
              named(
                whole,
                part,
                tell`${joined(
                  proven.map(({ label }) => label),
                  "; ",
                )}. Receiver, links, pin and wheels stay as they are.`,
              ),
              "proof",
            ),
          ];
    }),
    ...reckoned.ground.strips
      .filter(({ next }) => next === null)
      .map(({ part }) =>
        plain(
          "Set on the ground",
          named(
            whole,
            part,
            `Good in every step, on ${whole.ground[part]!.strip?.field ?? "a strip"}. Screws, links and tyre pressures stay as they are.`,
          ),
          "ground",
        ),
      ),
    ...reckoned.rate.flatMap(({ part, constants }) => {
      const { rig } = whole.parts[part]!;
      const { ended } = whole.dose[part]!;
      // Calibrated is what a calibration wrote and still counts.
      const good = constants.filter(({ key }) => {
        const { reading, stale } = rig.values[key];
        return (
          reading !== null &&
          stale === null &&
          ended.some((each) => each.accepted && each.reading === reading.id)
        );
      });
      return good.length === 0
        ? []
        : [
            plain(
              "Calibrated",
              named(
                whole,
                part,
                tell`${joined(
                  good.map(
                    ({ key }) =>
                      tell`${dimension(key, rig).label} ${entryFigure(dimension(key, rig), rig.values[key].value!)}`,
                  ),
                  "; ",
                )}. No other roll, nozzle or product without doing it again.`,
              ),
              "rate",
            ),
          ];
    }),
    ...(whole.hoses.pins.size > 0
      ? [
          plain(
            "Hoses",
            `${whole.hoses.pins.size} ${whole.hoses.pins.size === 1 ? "is" : "are"} plugged where somebody wants ${whole.hoses.pins.size === 1 ? "it" : "them"}.`,
            "hoses",
          ),
        ]
      : []),
  ];
}

/** Stops first, then what nobody could judge, then what of the morning is not done. */
function openLines(whole: WholeRig, { findings, checks }: Judged, rungs: readonly Rung[]): HandoverLine[] {
  return [
    ...findings
      .filter(({ severity }) => severity === "stop")
      .map(
        ({ what, station, part }): HandoverLine => ({
          label: "Stop",
          said: named(whole, part, what),
          tone: "stop",
          path: station,
        }),
      ),
    ...checks
      .filter(({ verdict }) => verdict === "unknown")
      .map(
        ({ label, said, station, part }): HandoverLine => ({
          label: "Not known",
          said: named(whole, part, tell`${label}: ${said}`),
          tone: "warn",
          path: station,
        }),
      ),
    ...rungs
      .filter(({ state }) => state === "not yet")
      .map(
        ({ label, why, next }): HandoverLine =>
          plain("Not yet", tell`${label}: ${why}`, next?.path ?? "ladder"),
      ),
  ];
}
