/** The rate station: is each constant calibrated and still true, do the nozzles agree, and is the rate entered after what was changed? */

import { counted } from "../../calibration/judge.ts";
import { moreOrLess, percent } from "../../calibration/percent.ts";
import { dimension } from "../../dimension/catalogue.ts";
import { CHANGES } from "../../dimension/change.ts";
import { entryFigure } from "../../dimension/entry.ts";
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import type { Target } from "../../finding/finding.ts";
import { joined, quantity, type Said, tell } from "../../quantity/said.ts";
import { askedKeys } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { EVEN } from "../../trade/overlap.ts";
import { meterSpeed } from "../../trade/seeding.ts";
import { type PartDose, standingParts } from "../../yard/dose.ts";
import { thinSaid } from "./calibrations/stand.ts";
import { judgeKeptRows } from "./count/stand.ts";
import { NOZZLE, ROW } from "./parts.ts";
import type { ConstantStanding, PartRate, RateReckoned, SprayWindow } from "./rate-of-rig.ts";

/** What is looked at of each tool that doses or is harvested with. */
export function rateChecks({ parts, dose }: WholeRig, rates: RateReckoned): Check[] {
  return rates.flatMap((rate): Check[] => {
    const { rig } = parts[rate.part]!;
    const rowOf = checkerOf("rate", rig, rate.part);
    return [
      ...setChecks(rig, rowOf),
      ...declaredChecks(rig, rowOf),
      ...rate.constants.map((constant) => constantCheck(constant, rig, rowOf)),
      ...(rig.tool === "planter" ? [standCheck(rig, dose[rate.part]!, rowOf)] : []),
      ...(rig.tool === "sprayer" ? [nozzleCheck(rate, rig, dose[rate.part]!, rowOf)] : []),
      ...windowChecks(rate, rig, rowOf),
      ...meterChecks(rig, rowOf),
      ...planterChecks(rig, rowOf),
      ...evennessChecks(rig, rowOf),
    ];
  });
}

const RATES = ["rate.liquid", "rate.seed", "rate.seeds", "rate.spread"] as const;

/** After another product many terminals stand at no rate, or at the last one's. */
function setChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  const asked = askedKeys(rig);
  return RATES.filter((key) => asked.has(key)).map((key) => {
    const row = rowOf(key, "Rate set");
    const { value, stale } = rig.values[key];
    if (stale)
      return row.stop(
        key,
        tell`${CHANGES[stale.kind].label}${stale.note ? `: ${stale.note}` : ""}. The rate was entered before that.`,
        "Many terminals set it back to nothing then, or keep the last one's. Enter it again there, then here.",
        "Enter the rate",
      );
    if (value === null) return row.unknown(key);
    return row.good(key, tell`${entryFigure(dimension(key, rig), value)} is set.`);
  });
}

const DECLARED = [
  { name: "roll", label: "Meter roll", told: "rate.rollDeclared", is: "rate.rollFitted" },
  { name: "ranks", label: "Ranks fed", told: "rate.ranksDeclared", is: "rate.ranksFitted" },
] as const;

/** What the terminal was told is fitted, against what is. */
function declaredChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  const asked = askedKeys(rig);
  return DECLARED.filter(({ told }) => asked.has(told)).map(({ name, label, told, is }) => {
    const row = rowOf(name, label);
    const [declared, fitted] = [chosen(rig, told), chosen(rig, is)];
    if (fitted === null) return row.unknown(is);
    if (declared === null) return row.unknown(told);
    const say = (key: typeof told | typeof is, choice: string) =>
      dimension(key, rig)
        .choices?.find((each) => each.key === choice)
        ?.label.toLowerCase() ?? choice;
    return declared === fitted
      ? row.good(told, `${say(is, fitted)}, and so told.`)
      : row.stop(
          told,
          `The terminal believes “${say(told, declared)}”, and “${say(is, fitted)}” is fitted.`,
          "The rate is wrong by far more than any calibration mends. Tell the terminal, or change it; the two often stand on different pages.",
          "Put it right",
        );
  });
}

/** Where a calibration is made. */
export const calibrate = (key: string): Target => `calibrate ${key}`;

function constantCheck(constant: ConstantStanding, rig: ResolvedRig, rowOf: Checker): Check {
  const { key, by, value, calibrated, leftSince } = constant;
  const entry = dimension(key, rig);
  const row = rowOf(key, entry.label);
  const { stale } = rig.values[key];
  const target = calibrate(by[0]!.key);
  if (value === null)
    return row.judged("unknown", target, `${entry.label} is not known.`, entry.matters, "Calibrate");
  const figure = entryFigure(entry, value);
  if (stale)
    return row.fix(
      target,
      tell`${entry.label} ${figure} is from before: ${CHANGES[stale.kind].label.toLowerCase()}.`,
      entry.matters,
      "Calibrate again",
    );
  if (leftSince?.found != null && leftSince.had)
    return row.check(
      target,
      tell`${entry.label} ${figure} was left as it stood; the last test found ${percent(leftSince.found / leftSince.had - 1)}.`,
      entry.matters,
      "Calibrate again",
    );
  if (!calibrated)
    return row.check(
      target,
      tell`${entry.label} ${figure} as it was read: nobody calibrated it here.`,
      entry.matters,
      "Calibrate",
    );
  return row.good(target, tell`${figure}: ${endedSaid(calibrated)}.`);
}

/** "by 3 runs that differ by 0.4 %; it had moved by −5.8 %" */
function endedSaid({ runs, variation, had, found }: NonNullable<ConstantStanding["calibrated"]>): Said {
  const repeats = variation === null ? "" : tell`, which differ by ${percent(variation, { sign: false })}`;
  const moved = had && found !== null ? tell`; it moved by ${percent(found / had - 1)}` : "";
  return tell`calibrated by ${counted(runs, "run")}${repeats}${moved}`;
}

function nozzleCheck({ nozzles }: PartRate, rig: ResolvedRig, { parts }: PartDose, rowOf: Checker): Check {
  const row = rowOf("nozzles", "Nozzles");
  const target = calibrate("nozzles");
  const why =
    "A worn nozzle puts too much on a strip as wide as it sprays, along the whole field; a blocked one leaves it bare.";
  if (nozzles === null)
    return row.judged(
      "unknown",
      target,
      parts[NOZZLE.key]?.some(({ stale }) => stale)
        ? "They were changed since they were caught."
        : "Nobody caught them with a jug.",
      why,
      "Catch them",
    );
  const bad = nozzles.found.filter(({ state }) => state !== "good");
  if (bad.length > 0)
    return row.fix(
      target,
      joined(
        bad.slice(0, 4).map(({ said }) => said),
        " ",
      ),
      why,
      "Look at the boom",
    );
  const count = known(rig, "rows.count");
  const all = count !== null && nozzles.found.length < count;
  return all
    ? row.judged(
        "unknown",
        target,
        `${nozzles.found.length} of ${count} were caught, and are good; nothing is known of the others.`,
        why,
        "Catch the others",
      )
    : row.good(
        target,
        tell`All ${String(nozzles.found.length)} are good${nozzles.variation === null ? "" : tell`, and differ by ${percent(nozzles.variation, { sign: false })}`}.`,
      );
}

/** The stand as it was counted last, row by row. */
function standCheck(rig: ResolvedRig, { parts }: PartDose, rowOf: Checker): Check {
  const row = rowOf("stand", "Stand");
  const target = calibrate("stand");
  const why = "A row unit that skips leaves a strip as long as the field, and nothing but a count shows it.";
  const tested = parts[ROW.key] ?? [];
  const kept = standingParts(tested);
  if (kept.length === 0)
    return row.judged(
      "unknown",
      target,
      tested.length > 0
        ? "Its row units were changed since it was counted."
        : "Nobody counted a stand of it.",
      why,
      "Count it",
    );
  const thin = judgeKeptRows(kept).filter((each) => each.thin);
  if (thin.length > 0)
    return row.fix(
      target,
      joined(
        thin.slice(0, 4).map(({ place, off }) => thinSaid(place, off)),
        " ",
      ),
      why,
      "Look at it",
    );
  const count = known(rig, "rows.count");
  return count !== null && kept.length < count
    ? row.judged(
        "unknown",
        target,
        `${kept.length} of ${count} rows were counted, and are alike.`,
        why,
        "Count the others",
      )
    : row.good(target, `All ${kept.length} rows counted are alike.`);
}

function windowChecks({ window }: PartRate, rig: ResolvedRig, rowOf: Checker): Check[] {
  if (rig.tool !== "sprayer") return [];
  const row = rowOf("window", "Speed the nozzle holds");
  if (window === null) {
    const missing = (["rate.nozzle", "rate.liquid", "rows.spacing"] as const).find(
      (key) => (key === "rate.nozzle" ? chosen(rig, key) : known(rig, key)) === null,
    );
    return missing ? [row.unknown(missing)] : [];
  }
  if (window.pressures === null)
    return [row.unknown(known(rig, "rate.pressureLow") === null ? "rate.pressureLow" : "rate.pressureHigh")];
  if (window.now === null) return [row.unknown("work.speed")];
  return [windowCheck(window, row), ...pumpCheck(window, rig, rowOf)];
}

function windowCheck({ speeds, now, pressures }: SprayWindow, row: ReturnType<Checker>): Check {
  const { low, high } = speeds!;
  const { speed, pressure } = now!;
  const range = tell`${quantity("speed", low)} to ${quantity("speed", high)}`;
  const at = tell`${quantity("speed", speed)} takes ${quantity("pressure", pressure)}`;
  if (speed >= low && speed <= high) return row.good("work.speed", tell`${range}; ${at}.`);
  return row.fix(
    "rate.nozzle",
    tell`It holds the rate from ${range}; ${at}, and its table goes from ${quantity("pressure", pressures!.low)} to ${quantity("pressure", pressures!.high)}.`,
    speed < low
      ? "Below its lowest pressure the fan falls in. Drive faster, or take a smaller nozzle."
      : "Above its highest pressure it drifts. Drive slower, or take a larger nozzle.",
    "Choose a nozzle",
  );
}

function pumpCheck({ now }: SprayWindow, rig: ResolvedRig, rowOf: Checker): Check[] {
  const pump = known(rig, "rate.pumpFlow");
  const row = rowOf("pump", "Pump");
  if (pump === null) return [row.unknown("rate.pumpFlow")];
  const { boomFlow } = now!;
  if (boomFlow === 0) return [row.unknown("rows.count")];
  const said = tell`The boom takes ${quantity("flow", boomFlow)}, the pump gives it ${quantity("flow", pump)}`;
  return [
    boomFlow <= pump
      ? row.good("rate.pumpFlow", tell`${said}.`)
      : row.fix(
          "rate.pumpFlow",
          tell`${said}: ${moreOrLess(boomFlow / pump - 1)}.`,
          "The rate falls however the valve stands. Drive slower, or put out less.",
          "Look at it",
        ),
  ];
}

/** Whether the meter turns as fast as it doses evenly, at the speed that is driven. */
function meterChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  const asked = askedKeys(rig);
  if (!asked.has("rate.meterLow")) return [];
  const row = rowOf("meter", "Meter's turns");
  const needed = [
    "rate.seed",
    "rate.displacement",
    "tool.width",
    "work.speed",
    "rate.meterLow",
    "rate.meterHigh",
  ] as const;
  const missing = needed.find((key) => known(rig, key) === null);
  if (missing) return [row.unknown(missing)];
  const [rate, displacement, width, speed, low, high] = needed.map((key) => known(rig, key)!) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const turns = meterSpeed(rate, width, speed, displacement);
  const said = tell`${quantity("rotation", turns)} at ${quantity("speed", speed)}; evenly from ${quantity("rotation", low)} to ${quantity("rotation", high)}`;
  if (turns >= low && turns <= high) return [row.good("work.speed", tell`${said}.`)];
  return [
    row.fix(
      "rate.rollFitted",
      tell`The meter turns ${said}.`,
      turns < low
        ? "So slow the seed comes in pulses: take a roll for lower rates."
        : "So fast its cells are not filled, and the rate falls: take a roll for higher rates, or drive slower.",
      "Change the roll",
    ),
  ];
}

/** What a planter's terminal was told of rows and alarms, against what is so. */
function planterChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  if (rig.tool !== "planter") return [];
  const rows = known(rig, "rows.count");
  const controlled = known(rig, "rate.rows");
  const muted = known(rig, "rate.rowsMuted");
  const off = known(rig, "rate.rowsOff");
  return [
    ...(controlled === null || rows === null
      ? [rowOf("rows", "Rows controlled").unknown(controlled === null ? "rate.rows" : "rows.count")]
      : [
          controlled === rows
            ? rowOf("rows", "Rows controlled").good("rate.rows", `All ${rows} rows.`)
            : rowOf("rows", "Rows controlled").fix(
                "rate.rows",
                `The terminal controls ${controlled} rows, and it has ${rows}.`,
                "It divides what it counts by the rows it believes in: every rate is wrong by that.",
                "Put it right",
              ),
        ]),
    ...(muted !== null && off !== null && muted > off
      ? [
          rowOf("muted", "Row alarms").fix(
            "rate.rowsMuted",
            `${muted} row alarms are muted, and ${off} rows are off on purpose.`,
            "A row that stops says nothing: an empty strip as long as the field.",
            "Put them on",
          ),
        ]
      : []),
  ];
}

/** Whether what falls is even enough, once it was caught. */
function evennessChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  if (rig.tool !== "spreader") return [];
  const { value, stale } = rig.values["rate.evenness"];
  if (value === null || stale) return [];
  const row = rowOf("even", "Evenness");
  const said = tell`What falls differs by ${percent(value, { sign: false })} at the spacing that was tested`;
  return [
    value <= EVEN
      ? row.good(calibrate("trays"), tell`${said}.`)
      : row.fix(
          calibrate("trays"),
          tell`${said}; up to ${percent(EVEN, { sign: false, decimals: 0 })} is even.`,
          "Strips of too much lodge, strips of too little stay thin.",
          "Look at it",
        ),
  ];
}
