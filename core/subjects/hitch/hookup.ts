/** What the hitch puts on the hook-up list: links and rods, the coupling itself, and what is tried before driving off. */

import { isAhead, isBuiltOn, onLinks, onPin } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { capitalSaid, fineLength, quantity, type Said, tapeLength, tell } from "../../quantity/said.ts";
import { chosen, known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { cite, type HookupLine, line, read } from "../../subject/hookup-line.ts";
import { CATEGORY_SIZES, type Category, fitPin } from "../../trade/category.ts";
import { DRAWBAR_SIZES, type DrawbarCategory } from "../../trade/drawbar.ts";
import { shorten } from "./checks.ts";
import { EQUAL, type HitchOf, habitOf } from "./hitch-of-part.ts";
import { isSet } from "./remedies.ts";

type Given = { whole: WholeRig; hitches: readonly HitchOf[] };

/** What is done to hitch each tool, and what is tried before driving off. */
export function hitchLines(whole: WholeRig, hitches: readonly HitchOf[]): HookupLine[] {
  const given = { whole, hitches };
  return [
    ...whole.parts.flatMap((part, index) => linkLines(part, index, given)),
    ...whole.parts.flatMap((part, index) => coupleLines(part, index, given)),
    ...tryLines(whole),
  ];
}

/** Links and rods are looked at while nothing hangs on them. */
function linkLines({ rig, name }: ToolOfRig, index: number, given: Given): HookupLine[] {
  if (!onLinks(rig.attachment)) return [];
  const { whole } = given;
  const both = (what: string, left: DimensionKey, right: DimensionKey, key: string, rod: "link" | "rod") => {
    const [l, r] = [known(rig, left), known(rig, right)];
    if (l === null || r === null)
      return line("Before", `${key} ${index + 1}`, `${what} for ${name}: measure both before coupling.`);
    return line(
      "Before",
      `${key} ${index + 1}`,
      Math.abs(l - r) <= EQUAL
        ? tell`${what} for ${name} equal: ${tapeLength(Math.min(l, r))}.`
        : tell`${what} for ${name}: ${tapeLength(l)} left, ${tapeLength(r)} right. ${shorten(l - r, rod)}`,
      { cites: read(whole, cite(index, left, right)) },
    );
  };
  return [
    both("Lower links", "hitch.linkLeft", "hitch.linkRight", "links", "link"),
    ...(rig.attachment === "links"
      ? []
      : [both("Lift rods", "hitch.rodLeft", "hitch.rodRight", "rods", "rod")]),
  ];
}

function coupleLines(part: ToolOfRig, index: number, given: Given): HookupLine[] {
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
      line("Couple", key("head cable"), `${name}: multi-coupler home and locked, its cable in.`),
      line(
        "Try",
        key("recognised"),
        `In the terminal: the head it recognised is ${name}, with its width and its kind.`,
        { cites: read(given.whole, cite(index, "tool.kind", "tool.width")) },
      ),
    ];
  return [back, ...hookLines(part, index, given)];
}

function approach({ rig, name, behind }: ToolOfRig, { parts }: WholeRig): string {
  if (behind !== null) return `Back ${parts[behind]!.name} up to ${name}. Nobody between the two.`;
  const nobody = "Nobody between tractor and implement.";
  if (rig.attachment === "front") return `Drive up to ${name} in position control. ${nobody}`;
  return onPin(rig.attachment)
    ? `Back up to ${name}, its jack on firm ground. ${nobody}`
    : `Back up to ${name} in position control. ${nobody}`;
}

function pinLines({ rig, name, hitch }: ToolOfRig, index: number, given: Given): HookupLine[] {
  const { whole } = given;
  const key = (what: string) => `${what} ${index + 1}`;
  const category = chosen<DrawbarCategory>(rig, "hitch.drawbarCategory");
  const pin = known(rig, "hitch.pin") ?? (category ? DRAWBAR_SIZES[category].pin : null);
  const eye = known(rig, "tool.eye");
  const chain = known(rig, "tool.chain");
  const bush =
    pin !== null && eye !== null && eye - pin > 0.003 ? tell`, eye bushed to ${fineLength(pin + 0.001)}` : "";
  return [
    line(
      "Couple",
      key("pin"),
      tell`${name} on ${hitch}: ${pin === null ? "the pin that belongs to it" : tell`pin ${fineLength(pin)}`}${bush}, clip in.`,
      {
        protects: true,
        cites: read(whole, cite(index, "hitch.pin", "hitch.drawbarCategory", "tool.eye")),
      },
    ),
    line(
      "Couple",
      key("chain"),
      tell`Safety chain hooked${chain === null ? ": its tag must name more than the weight behind it" : tell`, ${quantity("force", chain)}`}.`,
      {
        protects: true,
        cites: read(whole, cite(index, "tool.chain")),
      },
    ),
    line("Couple", key("jack"), `${name}: jack up and stowed, chocks away.`),
  ];
}

function hookLines(part: ToolOfRig, index: number, given: Given): HookupLine[] {
  const { rig, name, hitch } = part;
  const { whole } = given;
  const key = (what: string) => `${what} ${index + 1}`;
  const tractor = chosen<Category>(rig, "hitch.category");
  const tool = chosen<Category>(rig, "tool.category");
  const top = rig.attachment !== "links";
  const cure = given.hitches[index]?.cure ?? null;
  const length = cure && !cure.beyond ? cure.length : known(rig, "work.topLink");
  return [
    ...(isAhead(rig.attachment)
      ? []
      : [line("Couple", key("links out"), "Stabiliser pins out: both lower links swing free.")]),
    line(
      "Couple",
      key("lower pins"),
      tell`${name} on ${hitch}: ${pinText("lower pins", "lowerPin", known(rig, "tool.lowerPin"), tractor, tool)}, secured.`,
      {
        protects: true,
        cites: read(whole, cite(index, "hitch.category", "tool.category", "tool.lowerPin")),
      },
    ),
    ...(top
      ? [
          line(
            "Couple",
            key("upper pin"),
            tell`${capitalSaid(pinText("upper pin", "upperPin", known(rig, "tool.upperPin"), tractor, tool))}, secured.`,
            {
              protects: true,
              cites: read(whole, cite(index, "hitch.category", "tool.category", "tool.upperPin")),
            },
          ),
          line("Couple", key("top link"), topText(rig, length), {
            cites: read(
              whole,
              cite(index, "work.topLink", "work.topHole", "work.slotSchool", "hitch.upperUp"),
            ),
          }),
        ]
      : []),
    line("Couple", key("stands"), `${name}: stands up and pinned, once it hangs.`),
    ...centreLines(part, index, whole),
    line("Couple", key("stabilisers"), stabiliserText(rig), {
      cites: read(whole, cite(index, "tool.kind", "work.stabilisers")),
    }),
    ...sprungLines(part, index, whole),
  ];
}

/** Links that swing are pinned out while one couples, and hold the tool in the middle again after (common practice, no source). */
function centreLines({ rig, name }: ToolOfRig, index: number, whole: WholeRig): HookupLine[] {
  if (isAhead(rig.attachment)) return [];
  return [
    line(
      "Couple",
      `centre ${index + 1}`,
      `Lift ${name} clear, centre it behind the tractor, stabiliser pins in again, alike on both sides.`,
      { cites: read(whole, cite(index, "work.stabilisers")) },
    ),
  ];
}

/** A front mower on springs of its own: the linkage at its mark, and the bracket of its transport lock (common practice; its book comes first). */
function sprungLines({ rig, name }: ToolOfRig, index: number, whole: WholeRig): HookupLine[] {
  if (chosen(rig, "tool.springs") !== "own") return [];
  const cites = read(whole, cite(index, "tool.springs"));
  return [
    line(
      "Couple",
      `mark ${index + 1}`,
      `${name}: linkage held where its stand is a hand's breadth (5 cm, 2 in) off the ground; after that by its sight marks, seen from the cab.`,
      { cites },
    ),
    line(
      "Couple",
      `bracket ${index + 1}`,
      `${name}: lock bracket of its transport cylinder out for work; in again before uncoupling.`,
      { protects: true, cites },
    ),
  ];
}

/** "lower pins 22 mm with bushings 22 to 28 mm": by the sizes measured, or else the categories'. */
function pinText(
  what: string,
  which: "lowerPin" | "upperPin",
  measured: number | null,
  tractor: Category | null,
  tool: Category | null,
): Said {
  const pin = measured ?? (tool ? CATEGORY_SIZES[tool][which] : null);
  if (pin === null || !tractor) return `${what}: look that they fill the balls`;
  const fit = fitPin(pin, CATEGORY_SIZES[tractor][which]);
  const size = tell`${what} ${fineLength(pin)}`;
  if (fit.kind === "bushing")
    return tell`${size} with bushing ${fineLength(fit.inner)} to ${fineLength(fit.outer)}`;
  return fit.kind === "fits"
    ? tell`${size} in category ${tractor} balls`
    : tell`${size} do not go into category ${tractor} balls`;
}

function topText(rig: ToolOfRig["rig"], length: number | null): Said {
  const slot = chosen(rig, "work.topHole") === "slot";
  const school = chosen(rig, "work.slotSchool");
  const where = slot
    ? `in the slot, ${school === "front" ? "a little to the front and free to move" : "in the middle on level ground"}`
    : "in its fixed hole";
  if (length === null) return tell`Top link ${where}.`;
  const now = known(rig, "work.topLink");
  const stays = now !== null && isSet(now - length);
  return stays
    ? tell`Top link ${where}, ${tapeLength(now)} as it is.`
    : tell`Top link ${where}, set to ${tapeLength(length)}.`;
}

function stabiliserText(rig: ToolOfRig["rig"]): string {
  const habit = habitOf(rig);
  const work = chosen<string>(rig, "work.stabilisers") ?? habit?.stabilisers ?? null;
  return `Stabilisers rigid for the road${work ? `; ${work} at work` : ""}.`;
}

/** What hangs on links is levelled on level ground: across by a lift rod, along by what sets it. */
function levelLines(
  { rig, name }: Pick<ToolOfRig, "rig" | "name">,
  index: number,
  whole: WholeRig,
): HookupLine[] {
  if (!onLinks(rig.attachment)) return [];
  const along =
    rig.attachment === "links" || rig.attachment === "semi" || chosen(rig, "work.topHole") === "slot"
      ? "by the lower links in front and its wheel behind"
      : "by the top link";
  return [
    ...(rig.attachment === "links"
      ? []
      : [
          line(
            "Try",
            `across ${index + 1}`,
            `${name}: level across on level ground, set with one lift rod.`,
            {
              cites: read(whole, cite(index, "hitch.rodLeft", "hitch.rodRight")),
            },
          ),
        ]),
    line("Try", `along ${index + 1}`, `${name}: level front to rear, ${along}.`, {
      cites: read(whole, cite(index, "work.topLink", "work.topHole")),
    }),
  ];
}

function tryLines(whole: WholeRig): HookupLine[] {
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
              cites: read(whole, cite(index, "tool.eyeHeight", "hitch.pinHeight")),
            }),
          ]
        : levelLines({ rig, name }, index, whole),
    ),
  ];
}
