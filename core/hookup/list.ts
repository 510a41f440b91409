/**
 * The hook-up list of one rig: what to do in order, each line with the readings its figures come from. A line is a function of
 * the rig: another pin category is another line, and a tick on the old one no longer holds.
 */

import { isBuiltOn, onLinks, onPin } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, isDimensionKey } from "../dimension/catalogue.ts";
import type { Check } from "../finding/check.ts";
import { printLength } from "../quantity/length.ts";
import { say, sayFine } from "../quantity/say.ts";
import type { Units } from "../quantity/units.ts";
import { onTracks } from "../rig/supports.ts";
import { chosen, known, type Part, type Whole } from "../rig/whole.ts";
import type { BalanceOf } from "../subjects/balance/balance-of-rig.ts";
import { setText } from "../subjects/balance/ballast-checks.ts";
import { shorten } from "../subjects/hitch/checks.ts";
import { type HitchOf, habitOf } from "../subjects/hitch/hitch-of-part.ts";
import type { Hoses } from "../subjects/hoses/checks.ts";
import { pluggedAtCoupling, remotesOf } from "../subjects/hoses/problem.ts";
import type { Judged } from "../subjects/judge-whole.ts";
import { CATEGORY_SIZES, type Category, fitPin } from "../trade/category.ts";
import { DRAWBAR_SIZES, type DrawbarCategory } from "../trade/drawbar.ts";
import { describeShaft, type PtoType } from "../trade/pto.ts";
import { remoteName } from "../yard/circuit.ts";

export const GROUPS = ["Before", "Couple", "Shaft, hoses", "Try", "Road"] as const;
export type Group = (typeof GROUPS)[number];

/** A reading a line was written from. */
export type Cite = { key: DimensionKey; part: number };

export type HookupLine = {
  /** stays the same whatever the line says */
  key: string;
  group: Group;
  text: string;
  /** it protects people: never skipped, only declared not to apply, with a reason */
  protects: boolean;
  /** a stop stands: the line cannot be ticked, only cured */
  stop: boolean;
  cites: Cite[];
};

type Known = {
  whole: Whole;
  checks: readonly Check[];
  hitches: readonly HitchOf[];
  loads: BalanceOf;
  hoses: Hoses;
  units: Units;
};

export function hookupList(whole: Whole, judged: Judged, units: Units): HookupLine[] {
  const { hitch: hitches, hoses, balance: loads } = judged.reckoned;
  const given: Known = { whole, checks: judged.checks, hitches, loads, hoses, units };
  const lines = [
    ...stopLines(given),
    ...beforeLines(given),
    ...whole.parts.flatMap((part, index) => coupleLines(part, index, given)),
    ...shaftLines(given),
    ...tryLines(given),
    ...roadLines(given),
  ];
  return GROUPS.flatMap((group) => lines.filter((line) => line.group === group));
}

type Rest = Partial<Pick<HookupLine, "protects" | "stop" | "cites">>;

function line(group: Group, key: string, text: string, rest: Rest = {}): HookupLine {
  return { group, key, text, protects: false, stop: false, cites: [], ...rest };
}

const cite = (part: number, ...keys: DimensionKey[]): Cite[] => keys.map((key) => ({ key, part }));

/** Only what somebody read is cited. */
function read({ whole }: Known, cites: Cite[]): Cite[] {
  return cites.filter(({ key, part }) => whole.parts[part]!.rig.values[key].reading !== null);
}

function stopLines({ checks }: Known): HookupLine[] {
  return checks
    .filter(({ verdict }) => verdict === "stop")
    .map(({ id, said, target, part = 0 }) =>
      line("Before", `stop ${id}`, `Cure first: ${said}`, {
        protects: true,
        stop: true,
        cites: isDimensionKey(target) ? cite(part, target) : [],
      }),
    );
}

function beforeLines(given: Known): HookupLine[] {
  return [
    line("Before", "engine", "Engine off, key with you, park brake on, PTO stopped.", { protects: true }),
    ...pressureLines(given),
    ...ballastLines(given),
    ...given.whole.parts.flatMap((part, index) => linkLines(part, index, given)),
  ];
}

function pressureLines(given: Known): HookupLine[] {
  const { rig } = given.whole.parts[0]!;
  if (onTracks(rig)) return [];
  const axles = [
    ["Front", "tractor.pressureFrontLeft", "tractor.pressureFrontRight"],
    ["Rear", "tractor.pressureRearLeft", "tractor.pressureRearRight"],
  ] as const;
  const told = axles.flatMap(([axle, left, right], index) => {
    const now = known(rig, left);
    const tyres = given.loads.ok ? given.loads.tyres[index] : undefined;
    const wanted = tyres?.road?.answer.kind === "pressure" ? tyres.road.answer.pressure : now;
    return wanted === null
      ? []
      : [{ text: `${axle} ${say("pressure", wanted, given.units)}`, keys: [left, right] }];
  });
  const text =
    told.length === 0
      ? "Gauge the tyres: alike on each axle."
      : `Tyres alike on each axle: ${told.map((each) => each.text.toLowerCase()).join(", ")} for the road.`;
  return [
    line("Before", "tyres", text, {
      cites: read(
        given,
        told.flatMap(({ keys }) => cite(0, ...keys)),
      ),
    }),
  ];
}

function ballastLines({ loads, whole, units }: Known): HookupLine[] {
  if (!loads.ok || !loads.proposal.ok) return [];
  const { proposal } = loads;
  if (proposal.set.length === 0 && loads.fitted.mass === 0) return [];
  return [
    line("Before", "ballast", `Ballast on: ${setText(proposal, units)}, pinned.`, {
      protects: true,
      cites: whole.parts.flatMap((part, index) =>
        part.rig.values["tool.mass"].reading ? cite(index, "tool.mass") : [],
      ),
    }),
  ];
}

/** Links and rods are looked at while nothing hangs on them. */
function linkLines({ rig, name }: Part, index: number, given: Known): HookupLine[] {
  if (!onLinks(rig.attachment)) return [];
  const { units } = given;
  const both = (what: string, left: DimensionKey, right: DimensionKey, key: string, rod: "link" | "rod") => {
    const [l, r] = [known(rig, left), known(rig, right)];
    if (l === null || r === null)
      return line("Before", `${key} ${index + 1}`, `${what} for ${name}: measure both before coupling.`);
    return line(
      "Before",
      `${key} ${index + 1}`,
      Math.abs(l - r) <= 0.005
        ? `${what} for ${name} equal: ${printLength(Math.min(l, r), units.tape)}.`
        : `${what} for ${name}: ${printLength(l, units.tape)} left, ${printLength(r, units.tape)} right. ${shorten(l - r, rod, units)}`,
      { cites: read(given, cite(index, left, right)) },
    );
  };
  return [
    both("Lower links", "hitch.linkLeft", "hitch.linkRight", "links", "link"),
    ...(rig.attachment === "links"
      ? []
      : [both("Lift rods", "hitch.rodLeft", "hitch.rodRight", "rods", "rod")]),
  ];
}

function coupleLines(part: Part, index: number, given: Known): HookupLine[] {
  const { rig, name } = part;
  const key = (what: string) => `${what} ${index + 1}`;
  if (isBuiltOn(rig.attachment))
    return [
      line(
        "Couple",
        key("frame"),
        `${name}: frame, pendulum and lift looked over, transport cradles free of cracks.`,
      ),
      line(
        "Couple",
        key("tank"),
        `${name}: tank, hoses and strainers rinsed, the last product written down. Gloves and apron on.`,
        {
          protects: true,
        },
      ),
    ];
  const back = line("Couple", key("back up"), approach(part, given.whole), { protects: true });
  if (onPin(rig.attachment)) return [back, ...pinLines(part, index, given)];
  if (rig.attachment === "head")
    return [
      line("Couple", key("hook"), `Hook ${name}: both hooks under, lift, both locks closed.`, {
        protects: true,
      }),
      line("Couple", key("stands"), `${name}: stands up and pinned.`),
    ];
  return [back, ...hookLines(part, index, given)];
}

function approach({ rig, name, behind }: Part, { parts }: Whole): string {
  if (behind !== null) return `Back ${parts[behind]!.name} up to ${name}. Nobody between the two.`;
  const nobody = "Nobody between tractor and implement.";
  if (rig.attachment === "front") return `Drive up to ${name} in position control. ${nobody}`;
  return onPin(rig.attachment)
    ? `Back up to ${name}, its jack on firm ground. ${nobody}`
    : `Back up to ${name} in position control. ${nobody}`;
}

function pinLines({ rig, name, hitch }: Part, index: number, given: Known): HookupLine[] {
  const { units } = given;
  const key = (what: string) => `${what} ${index + 1}`;
  const category = chosen<DrawbarCategory>(rig, "hitch.drawbarCategory");
  const pin = known(rig, "hitch.pin") ?? (category ? DRAWBAR_SIZES[category].pin : null);
  const eye = known(rig, "tool.eye");
  const chain = known(rig, "tool.chain");
  const bush =
    pin !== null && eye !== null && eye - pin > 0.003 ? `, eye bushed to ${sayFine(pin + 0.001, units)}` : "";
  return [
    line(
      "Couple",
      key("pin"),
      `${name} on ${hitch}: ${pin === null ? "the pin that belongs to it" : `pin ${sayFine(pin, units)}`}${bush}, clip in.`,
      {
        protects: true,
        cites: read(given, cite(index, "hitch.pin", "hitch.drawbarCategory", "tool.eye")),
      },
    ),
    line(
      "Couple",
      key("chain"),
      `Safety chain hooked${chain === null ? ": its tag must name more than the weight behind it" : `, ${say("force", chain, units)}`}.`,
      {
        protects: true,
        cites: read(given, cite(index, "tool.chain")),
      },
    ),
    line("Couple", key("jack"), `${name}: jack up and stowed, chocks away.`),
  ];
}

function hookLines({ rig, name, hitch }: Part, index: number, given: Known): HookupLine[] {
  const { units } = given;
  const key = (what: string) => `${what} ${index + 1}`;
  const tractor = chosen<Category>(rig, "hitch.category");
  const tool = chosen<Category>(rig, "tool.category");
  const top = rig.attachment !== "links";
  const cure = given.hitches[index]?.cure ?? null;
  const length = cure && !cure.beyond ? cure.length : known(rig, "work.topLink");
  return [
    line(
      "Couple",
      key("lower pins"),
      `${name} on ${hitch}: ${pinText("lower pins", "lowerPin", known(rig, "tool.lowerPin"), tractor, tool, units)}, secured.`,
      {
        protects: true,
        cites: read(given, cite(index, "hitch.category", "tool.category", "tool.lowerPin")),
      },
    ),
    ...(top
      ? [
          line(
            "Couple",
            key("upper pin"),
            `${capital(pinText("upper pin", "upperPin", known(rig, "tool.upperPin"), tractor, tool, units))}, secured.`,
            {
              protects: true,
              cites: read(given, cite(index, "hitch.category", "tool.category", "tool.upperPin")),
            },
          ),
          line("Couple", key("top link"), topText(rig, length, units), {
            cites: read(
              given,
              cite(index, "work.topLink", "work.topHole", "work.slotSchool", "hitch.upperUp"),
            ),
          }),
        ]
      : []),
    line("Couple", key("stands"), `${name}: stands up and pinned, once it hangs.`),
    line("Couple", key("stabilisers"), stabiliserText(rig), {
      cites: read(given, cite(index, "tool.kind", "work.stabilisers")),
    }),
  ];
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** "lower pins 22 mm with bushings 22 to 28 mm": by the sizes measured, or else the categories'. */
function pinText(
  what: string,
  which: "lowerPin" | "upperPin",
  measured: number | null,
  tractor: Category | null,
  tool: Category | null,
  units: Units,
): string {
  const pin = measured ?? (tool ? CATEGORY_SIZES[tool][which] : null);
  if (pin === null || !tractor) return `${what}: look that they fill the balls`;
  const fit = fitPin(pin, CATEGORY_SIZES[tractor][which]);
  const size = `${what} ${sayFine(pin, units)}`;
  if (fit.kind === "bushing")
    return `${size} with bushing ${sayFine(fit.inner, units)} to ${sayFine(fit.outer, units)}`;
  return fit.kind === "fits"
    ? `${size} in category ${tractor} balls`
    : `${size} do not go into category ${tractor} balls`;
}

function topText(rig: Part["rig"], length: number | null, units: Units): string {
  const slot = chosen(rig, "work.topHole") === "slot";
  const school = chosen(rig, "work.slotSchool");
  const where = slot
    ? `in the slot, ${school === "front" ? "a little to the front and free to move" : "in the middle on level ground"}`
    : "in its fixed hole";
  return `Top link ${where}${length === null ? "" : `, set to ${printLength(length, units.tape)}`}.`;
}

function stabiliserText(rig: Part["rig"]): string {
  const habit = habitOf(rig);
  const work = chosen<string>(rig, "work.stabilisers") ?? habit?.stabilisers ?? null;
  return `Stabilisers rigid for the road${work ? `; ${work} at work` : ""}.`;
}

function shaftLines(given: Known): HookupLine[] {
  return [
    ...given.whole.parts.flatMap(({ rig, name }, index) => {
      const wanted = chosen<PtoType | "none">(rig, "tool.pto");
      if (wanted === null || wanted === "none") return [];
      const [low, high] = [known(rig, "tool.ptoLow"), known(rig, "tool.ptoHigh")];
      const band =
        low === null || high === null
          ? "the marked speed"
          : `${say("rotation", low, given.units)} to ${say("rotation", high, given.units)}`;
      return [
        line(
          "Shaft, hoses",
          `shaft ${index + 1}`,
          `${name}: drive shaft ${describeShaft(wanted)}, locked on both ends; guard whole and turning free, chains hooked.`,
          {
            protects: true,
            cites: read(given, cite(index, "tool.pto", "pto.type", "tool.guard")),
          },
        ),
        line("Shaft, hoses", `speed ${index + 1}`, `PTO lever at ${band}, never over.`, {
          protects: true,
          cites: read(given, cite(index, "tool.ptoLow", "tool.ptoHigh", "pto.speed")),
        }),
      ];
    }),
    line(
      "Shaft, hoses",
      "hoses",
      "Pressure relieved, couplings wiped, hoses and cables in and clear of links and wheels. Never feel for a leak with a hand.",
      { protects: true },
    ),
    ...hoseLines(given),
  ];
}

/** What is plugged in at coupling, by the assignment; what is swapped later has its own place at the station. */
function hoseLines({ hoses: { problem, solved }, whole }: Known): HookupLine[] {
  if (!problem || !solved) return [];
  const remotes = remotesOf(problem);
  return pluggedAtCoupling(solved.stages, solved.plan).map(({ fn, remote }) => {
    const { name, part } = whole.hoses.functions[fn]!;
    const of = whole.parts.length > 1 ? `${whole.parts[part]!.name}, ` : "";
    return line(
      "Shaft, hoses",
      `hose ${problem.functions[fn]!.id}`,
      `${of}${name} into ${remoteName(remotes[remote]!)}.`,
    );
  });
}

function tryLines(given: Known): HookupLine[] {
  const { whole } = given;
  const built = whole.parts.some(({ rig }) => isBuiltOn(rig.attachment));
  const lifted = whole.parts.some(({ rig }) => !onPin(rig.attachment) && !isBuiltOn(rig.attachment));
  return [
    ...(built
      ? [
          line(
            "Try",
            "boom",
            "Unfold and fold once, nobody within reach of the boom, no line overhead: both wings rest in their cradles.",
            { protects: true },
          ),
        ]
      : []),
    ...(whole.parts.every(({ rig }) => isBuiltOn(rig.attachment))
      ? []
      : [
          lifted
            ? line(
                "Try",
                "lift",
                "Lift and lower once, slowly, nobody near: nothing touches, the shaft neither bottoms nor parts.",
                { protects: true },
              )
            : line(
                "Try",
                "turn",
                "Pull ahead and turn once each way, slowly: nothing touches, hoses reach, the shaft neither bottoms nor parts.",
              ),
        ]),
    ...whole.parts.flatMap(({ rig, name }, index) =>
      onPin(rig.attachment)
        ? [
            line("Try", `level ${index + 1}`, `${name}: frame level at work.`, {
              cites: read(given, cite(index, "tool.eyeHeight", "hitch.pinHeight")),
            }),
          ]
        : [],
    ),
  ];
}

function roadLines(given: Known): HookupLine[] {
  const { checks, whole, units } = given;
  const speed = checks.find(({ id, verdict }) => id === "road-speed" && verdict === "good");
  const onMachine = whole.parts.filter(({ rig }) => chosen(rig, "tool.headTravels") !== "on its own trailer");
  const widths = onMachine.flatMap(({ rig }) => known(rig, "tool.transportWidth") ?? []);
  const heights = onMachine.flatMap(({ rig }) => known(rig, "tool.transportHeight") ?? []);
  const size = [
    widths.length > 0 ? `${printLength(Math.max(...widths), units.tape)} wide` : "",
    heights.length > 0 ? `${printLength(Math.max(...heights), units.tape)} high` : "",
  ].filter(Boolean);
  const braked = whole.parts.some(({ rig }) => chosen(rig, "tool.brakes") === "working");
  const cites = whole.parts.flatMap((_, index) => cite(index, "tool.transportWidth", "tool.transportHeight"));
  return [
    line("Road", "locks", "Transport locks in, lift and remotes locked, taps shut.", { protects: true }),
    line("Road", "lights", "Lights, signs and warning plates on and working.", { protects: true }),
    ...(braked ? [line("Road", "brakes", "Implement's brakes coupled and tried.", { protects: true })] : []),
    line(
      "Road",
      "size",
      size.length > 0
        ? `${size.join(", ")}: local rules checked.`
        : "Width and height measured, local rules checked.",
      {
        cites: read(given, cites),
      },
    ),
    line(
      "Road",
      "speed",
      speed
        ? `Drive ${speed.said.charAt(0).toLowerCase()}${speed.said.slice(1)}`
        : "Drive no faster than the slowest sign on tractor, implement and tyres.",
      {
        protects: true,
        cites: read(
          given,
          whole.parts.flatMap((_, index) => cite(index, "tool.roadSpeed")),
        ),
      },
    ),
  ];
}

/** How a cited reading reads: "Implement's hitch category". */
export function citeLabel({ whole }: Pick<Known, "whole">, { key, part }: Cite): string {
  return dimension(key, whole.parts[part]!.rig.attachment).label;
}
