import { joined, quantity, tapeLength, tell } from "../../quantity/said.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { cite, type HookupLine, line, read } from "../../subject/hookup-line.ts";
import { describeShaft, type PtoType } from "../../trade/pto.ts";
import { roadSpeed } from "./road-checks.ts";

/** Shafts and guards, and what is looked at before the road. */
export function matchLines(whole: WholeRig): HookupLine[] {
  return [...shaftLines(whole), ...roadLines(whole)];
}

function shaftLines(whole: WholeRig): HookupLine[] {
  return whole.parts.flatMap(({ rig, name }, index) => {
    const wanted = chosen<PtoType | "none">(rig, "tool.pto");
    if (wanted === null || wanted === "none") return [];
    const [low, high] = [known(rig, "tool.ptoLow"), known(rig, "tool.ptoHigh")];
    const band =
      low === null || high === null
        ? "the marked speed"
        : tell`${quantity("rotation", low)} to ${quantity("rotation", high)}`;
    return [
      line(
        "Shaft, hoses",
        `shaft ${index + 1}`,
        `${name}: drive shaft ${describeShaft(wanted)}, locked on both ends; guard whole and turning free, chains hooked.`,
        {
          protects: true,
          cites: read(whole, cite(index, "tool.pto", "pto.type", "tool.guard")),
        },
      ),
      line("Shaft, hoses", `speed ${index + 1}`, tell`PTO lever at ${band}, never over.`, {
        protects: true,
        cites: read(whole, cite(index, "tool.ptoLow", "tool.ptoHigh", "pto.speed")),
      }),
    ];
  });
}

function roadLines(whole: WholeRig): HookupLine[] {
  const { most, open } = roadSpeed(whole);
  const onMachine = whole.parts.filter(({ rig }) => chosen(rig, "tool.headTravels") !== "on its own trailer");
  const widths = onMachine.flatMap(({ rig }) => known(rig, "tool.transportWidth") ?? []);
  const heights = onMachine.flatMap(({ rig }) => known(rig, "tool.transportHeight") ?? []);
  const size = [
    widths.length > 0 ? tell`${tapeLength(Math.max(...widths))} wide` : "",
    heights.length > 0 ? tell`${tapeLength(Math.max(...heights))} high` : "",
  ].filter(Boolean);
  const braked = whole.parts.some(({ rig }) => chosen(rig, "tool.brakes") === "working");
  const cites = whole.parts.flatMap((_, index) => cite(index, "tool.transportWidth", "tool.transportHeight"));
  return [
    line("Road", "locks", "Transport locks in, lift and remotes locked, taps shut.", { protects: true }),
    ...(whole.parts.some(({ rig }) => rig.attachment === "front")
      ? [
          line(
            "Road",
            "sight",
            "Mirrors or camera for the tool in front set and clean: one sees past it at a junction, or is waved out.",
            { protects: true },
          ),
        ]
      : []),
    line("Road", "lights", "Lights, signs and warning plates on and working.", { protects: true }),
    ...(braked ? [line("Road", "brakes", "Implement's brakes coupled and tried.", { protects: true })] : []),
    line(
      "Road",
      "size",
      size.length > 0
        ? tell`${joined(size, ", ")}: local rules checked.`
        : "Width and height measured, local rules checked.",
      {
        cites: read(whole, cites),
      },
    ),
    line(
      "Road",
      "speed",
      most && open === null
        ? tell`Drive ${quantity("speed", most.value)} at most: ${most.what}.`
        : "Drive no faster than the slowest sign on tractor, implement and tyres.",
      {
        protects: true,
        cites: read(
          whole,
          whole.parts.flatMap((_, index) => cite(index, "tool.roadSpeed")),
        ),
      },
    ),
  ];
}
