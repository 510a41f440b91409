/**
 * Sequences an implement begins with, by the functions it has (common practice; the maker's book comes first). People edit
 * them afterwards, each implement its own.
 */
import type { MeterDrive } from "../trade/meters.ts";
import { reverseOf } from "./check.ts";
import { endOf } from "./run.ts";
import type { Back, Need, Sequence, SequenceKind, Step, World } from "./step.ts";

export type Machine = {
  /** kinds of its functions, as in core/hoses/kinds.ts */
  has: ReadonlySet<string>;
  /** key of core/match/kinds.ts; null where nobody told */
  kind: string | null;
  /** driven by the tractor's PTO */
  driven: boolean;
  /** it must not turn while folded: its drive waits for it to be unfolded, and folding for it to stand */
  stillFolded: boolean;
  /** it hangs on links or pins of its own */
  carried: boolean;
  /** carried in front, on a wheel of its own behind */
  semi: boolean;
  /** springs of its own carry it in front: its transport cylinder has a lock bracket */
  sprung: boolean;
  /** kinds of functions a controller drives */
  automatic: readonly string[];
  /** what turns its seed meters; null where nobody told, or it has none */
  meters: MeterDrive | null;
  /** how many pins keep those meters still on the road */
  lockouts: 1 | 2;
  /** a line charged to a pressure and shut off at work: the pressure in words, and what its tap is called; null: not told */
  charge: string | null;
  tap: string | null;
};

type Given = Partial<Omit<Step, "id" | "text">>;

function step(id: string, text: string, given: Given): Step {
  return {
    id,
    actor: "outside",
    fns: [],
    way: null,
    text,
    look: "",
    caution: "",
    needs: [],
    sets: {},
    after: [],
    back: null,
    stays: false,
    ...given,
  };
}

const back = (text: string, given: Partial<Omit<Back, "text">> = {}): Back => ({
  text,
  way: null,
  look: "",
  needs: [],
  caution: "",
  ...given,
});

const is = (part: string, state: string): Need => ({ part, is: state });
const CLEAR = is("people", "clear");

/** A machine's parts before anybody touches it: uncoupled, folded, locked. Parts it does not have are absent. */
export function atRest(machine: Machine): World {
  const { has, driven } = machine;
  const parts: Record<string, [boolean, string]> = {
    coupled: [true, "no"],
    hoses: [has.size > 0, "off"],
    jack: [has.has("jack"), "down"],
    bracket: [machine.sprung, "in"],
    stands: [!has.has("jack"), "down"],
    plugs: [true, "off"],
    shaft: [driven, "off"],
    people: [true, "unknown"],
    locks: [folds(has), "in"],
    cradle: [has.has("wings") && has.has("undercarriage"), "carrying"],
    wings: [has.has("wings"), "folded"],
    undercarriage: [has.has("undercarriage"), "up"],
    "wings float": [has.has("wings"), "off"],
    "undercarriage float": [has.has("undercarriage"), "off"],
    lift: [lifting(machine), "raised"],
    suspension: [has.has("suspension"), "slack"],
    tap: [has.has("suspension"), "shut"],
    PTO: [driven, "stopped"],
    generator: [has.has("generator"), "stopped"],
    current: [electric(machine) !== null, "off"],
    fan: [has.has("fan"), "stopped"],
    downforce: [has.has("downforce"), "off"],
    drive: [mechanical(machine), "locked"],
    "small-seed drive": [mechanical(machine) && machine.lockouts === 2, "locked"],
    "lift float": [has.has("mower lift"), "off"],
  };
  return Object.fromEntries(
    Object.entries(parts).flatMap(([part, [there, state]]) => (there ? [[part, state]] : [])),
  );
}

const LIFTS = ["lift", "front lift", "rear lift", "mower lift", "side lift"];
const lifts = (has: ReadonlySet<string>) => LIFTS.filter((kind) => has.has(kind));
/** It leaves the ground, by lifts of its own or by the tractor's linkage. */
const lifting = ({ has, carried }: Machine) => lifts(has).length > 0 || carried;

/** What moves it up and down: levers of its own, or else the linkage. */
function mover({ has }: Machine, way: Step["way"]): Pick<Step, "actor" | "fns" | "way"> {
  const fns = lifts(has);
  return fns.length > 0 ? { actor: "lever", fns, way } : { actor: "driver", fns: [], way: null };
}

const folds = (has: ReadonlySet<string>) => has.has("wings") || has.has("mower lift");
/** What turns the seed meters: as told, or else the likeliest by what else it has. Null where it has none. */
function metersOf({ meters, kind, has, driven }: Machine): MeterDrive | null {
  if (meters !== null) return meters;
  if (kind !== "drill" && kind !== "planter") return null;
  if (has.has("generator")) return "oil generator";
  return kind === "planter" && driven ? "PTO generator" : "wheel";
}

/** Where nobody told it, a step that follows from it says so. */
const supposed = ({ meters }: Machine) =>
  meters === null ? "Assumed: nobody told what drives its meters." : "";

/** Which generator makes the current for electric meters; null where they are turned otherwise. */
function electric(machine: Machine): "PTO" | "oil" | null {
  const meters = metersOf(machine);
  return meters === "PTO generator" ? "PTO" : meters === "oil generator" ? "oil" : null;
}

/** Meters turned by a ground wheel have a lock-out for the road. */
const mechanical = (machine: Machine) => metersOf(machine) === "wheel";

/** A drive that must stand before a folded part is moved, or the other way round. */
const standing = ({ driven, stillFolded }: Machine): Need[] =>
  driven && stillFolded ? [is("PTO", "stopped")] : [];
const unlocked = ({ has, stillFolded }: Machine): Need[] =>
  stillFolded && folds(has) ? [is("locks", "out")] : [];

/** What shuts the charged line off, by its name where it was told. */
const tapOf = ({ tap }: Machine) => (tap === null ? "the suspension's tap" : `the ${tap}`);

const COUNT_THE_REST = "Walk round it once: nobody within reach, no line overhead, level ground.";

function lookRound(id = "clear"): Step {
  return step(id, COUNT_THE_REST, {
    actor: "driver",
    look: "Everybody in sight, and further away than it reaches.",
    caution: "Wings and turning ploughs reach further than they look.",
    sets: { people: "clear" },
  });
}

function hookUp({ has, driven }: Machine): Step[] {
  const steps = [
    step("coupled", "Hook-up list done: coupled, pins secured, chain on.", {
      look: "Every line of the list is ticked.",
      sets: {
        coupled: "yes",
        plugs: "in",
        ...(driven ? { shaft: "on" } : {}),
        ...(has.has("jack") ? {} : { stands: "up" }),
      },
    }),
  ];
  if (has.size > 0)
    steps.push(
      step("hoses", "Hoses in by their tags, both ends of each.", {
        look: "Couplings wiped and home; none chafes when the links move. The first time, or after a new hose: each lever held until its air is out, before any depth is set.",
        caution: "Relieve first. Never feel for a leak with a hand.",
        needs: [is("coupled", "yes")],
        sets: { hoses: "in" },
      }),
    );
  if (has.has("jack"))
    steps.push(
      step("jack up", "Jack up, right off the ground.", {
        actor: "lever",
        fns: ["jack"],
        way: "in",
        look: "The drawbar hangs on its pin, the jack hangs free.",
        caution: "Nobody near the drawbar.",
        needs: [is("coupled", "yes"), is("hoses", "in")],
        sets: { jack: "up" },
        back: back("Jack down until it carries.", { way: "out", needs: [is("hoses", "in")] }),
      }),
      step("jack stowed", "Swing the jack up, pin it, shut its tap.", {
        look: "Pin through and clipped, tap across the line.",
        needs: [is("jack", "up")],
        sets: { jack: "stowed" },
        back: back("Open the tap, swing the jack down, pin it."),
      }),
    );
  return steps;
}

function unfold(machine: Machine): Step[] {
  const { has } = machine;
  const steps = [lookRound()];
  const stowed = has.has("jack") ? [is("jack", "stowed")] : [];
  if (folds(has))
    steps.push(
      step("locks out", "Transport locks out.", {
        look: "Both sides, pins in their holders.",
        needs: [CLEAR],
        sets: { locks: "out" },
        back: back("Transport locks in.", {
          look: "Both sides, clips in.",
          needs: has.has("wings") ? [is("wings", "folded")] : [],
        }),
      }),
    );
  if (machine.sprung)
    steps.push(
      step("bracket out", "Lock bracket of the transport cylinder out; linkage to its mark.", {
        look: "The stand is a hand's breadth off the ground, or the sight marks meet.",
        needs: [CLEAR],
        sets: { bracket: "out" },
        stays: true,
      }),
    );
  if (has.has("wings") && has.has("undercarriage"))
    steps.push(
      step("off cradle", "Undercarriage down until the wings come off the cradle.", {
        actor: "lever",
        fns: ["undercarriage"],
        way: "out",
        look: "A hand of air over both cradles.",
        caution: "The whole tool rises.",
        needs: [CLEAR, is("locks", "out"), ...stowed],
        sets: { cradle: "clear", undercarriage: "lifted" },
        back: back("Undercarriage up until the cradle carries the wings.", {
          way: "in",
          look: "Both wings lie in the cradle.",
          needs: [CLEAR, is("wings", "folded")],
        }),
      }),
    );
  if (has.has("wings"))
    steps.push(
      step("wings out", "Unfold the wings, right out.", {
        actor: "lever",
        fns: ["wings"],
        way: "out",
        look: "Full extension both sides, cylinders at their stops.",
        caution: "Wings may not be opened while the cradle or a lock holds them.",
        needs: [
          CLEAR,
          is("locks", "out"),
          ...stowed,
          ...(has.has("undercarriage") ? [is("cradle", "clear")] : []),
        ],
        sets: { wings: "out" },
        back: back("Fold the wings, right in.", {
          way: "in",
          look: "Both at their stops.",
          needs: [
            CLEAR,
            ...standing(machine),
            is("wings float", "off"),
            ...(lifts(has).length > 0 ? [is("lift", "raised")] : []),
          ],
          caution: "Nobody within reach, no line overhead.",
        }),
      }),
    );
  if (has.has("undercarriage"))
    steps.push(
      step("undercarriage down", "Undercarriage down, to its full extension.", {
        actor: "lever",
        fns: ["undercarriage"],
        way: "out",
        look: "Cylinders at their stops.",
        needs: has.has("wings") ? [is("wings", "out")] : [CLEAR],
        sets: { undercarriage: "down" },
        back: back("Undercarriage up to where the wings clear the cradle.", {
          way: "in",
          needs: [is("undercarriage float", "off")],
        }),
      }),
    );
  for (const kind of ["wings", "undercarriage"].filter((each) => has.has(each)))
    steps.push(
      step(`${kind} float`, `${kind === "wings" ? "Wings" : "Undercarriage"} into float.`, {
        actor: "lever",
        fns: [kind],
        way: "float",
        look: "The lever stays in float by itself.",
        needs: kind === "wings" ? [is("wings", "out")] : [is("undercarriage", "down")],
        sets: { [`${kind} float`]: "on" },
        back: back(`${kind === "wings" ? "Wings" : "Undercarriage"} out of float.`, { way: "neutral" }),
      }),
    );
  if (has.has("mower lift"))
    steps.push(
      step("bed down", "Bed down to the ground, then into float.", {
        actor: "lever",
        fns: ["mower lift"],
        way: "float",
        look: "The bed lies level on its skids.",
        caution: "The bed swings down fast.",
        needs: [CLEAR, is("locks", "out")],
        sets: { lift: "lowered", "lift float": "on" },
        back: back("Bed up until its lock catches.", {
          way: "out",
          look: "The lock has caught.",
          needs: [CLEAR, ...standing(machine)],
        }),
      }),
    );
  if (has.has("suspension"))
    steps.push(
      step("tap open", `Open ${tapOf(machine)}.`, {
        needs: has.has("mower lift") ? [is("lift float", "on")] : [],
        sets: { tap: "open" },
        stays: true,
      }),
      step("charge", `Charge the suspension to ${machine.charge ?? "its working pressure"}.`, {
        actor: "lever",
        fns: ["suspension"],
        way: "out",
        look:
          machine.charge === null
            ? "The gauge stands at the pressure of its book, which nobody told here."
            : `The gauge stands at ${machine.charge}.`,
        needs: [is("tap", "open")],
        sets: { suspension: "charged" },
        stays: true,
      }),
      step("tap shut", `Shut ${tapOf(machine)}; it stays shut until uncoupling.`, {
        look: "The gauge stands still with the lever in neutral.",
        needs: [is("suspension", "charged")],
        sets: { tap: "shut" },
        stays: true,
      }),
    );
  const parts = lifts(has).filter((kind) => kind === "front lift" || kind === "rear lift");
  if (parts.length === 2)
    steps.push(
      step("lifts down", "Lower front and rear lift together.", {
        actor: "lever",
        fns: parts,
        way: "in",
        look: "Both sides touch at once.",
        needs: has.has("wings") ? [is("wings", "out")] : [CLEAR],
        sets: { lift: "lowered" },
        back: back("Raise front and rear lift together.", { way: "out", look: "Everything off the ground." }),
      }),
      step("phase", "Hold both lifts right up, then right down, until they run even.", {
        actor: "lever",
        fns: parts,
        way: "out",
        look: "Both sides at their stops, up and down.",
        needs: [is("lift", "lowered")],
        sets: { phase: "even" },
      }),
    );
  return steps;
}

function start(machine: Machine): Step[] {
  const { has, driven, automatic } = machine;
  const steps: Step[] = [];
  if (automatic.length > 0)
    steps.push(
      step(
        "automatic",
        "In the terminal: each of these on the remote it is really plugged into, set to automatic.",
        {
          actor: "terminal",
          fns: automatic,
          look: "The numbers in the terminal are those on the couplings.",
          caution: "On another number it moves what is plugged in there.",
        },
      ),
    );
  if (mechanical(machine))
    steps.push(
      step("drive free", "Release the drive lock-out, both sides.", {
        look: "The pins drop in as the wheel turns; a tight chain can hold them out.",
        caution: supposed(machine),
        sets: { drive: "free" },
      }),
      ...(machine.lockouts === 2
        ? [
            step("small-seed free", "Release the small-seed box's own lock-out.", {
              look: "Its pin drops in as the wheel turns, too.",
              sets: { "small-seed drive": "free" },
            }),
          ]
        : []),
    );
  if (driven)
    steps.push(
      step("PTO on", "PTO in at low revs, then up to its speed.", {
        actor: "PTO",
        look: "It runs smooth and steady.",
        caution: "Nobody near the shaft.",
        needs: unlocked(machine),
        sets: { PTO: "running" },
      }),
    );
  if (has.has("generator"))
    steps.push(
      step("generator up", "Generator's lever into detent, up to its speed.", {
        actor: "lever",
        fns: ["generator"],
        way: "detent",
        look: "The terminal shows its speed, and it stands still.",
        sets: { generator: "running" },
      }),
    );
  if (electric(machine) !== null)
    steps.push(
      step("current on", "Switch the generator's current on in the terminal.", {
        actor: "terminal",
        look: "No error; the meters answer.",
        // A generator on the oil has no such order: the rule belongs to the PTO.
        ...(electric(machine) === "PTO" && driven
          ? {
              caution: ["Before the PTO runs it ends in an error, and one starts again.", supposed(machine)]
                .filter(Boolean)
                .join(" "),
              needs: [is("PTO", "running")],
            }
          : {}),
        sets: { current: "on" },
      }),
    );
  if (has.has("fan"))
    steps.push(
      step("fan on", "Fan's lever into detent, up to its speed.", {
        actor: "lever",
        fns: ["fan"],
        way: "detent",
        look: "The terminal shows its speed, and it stands still.",
        sets: { fan: "running" },
      }),
    );
  if (has.has("downforce"))
    steps.push(
      step("downforce on", "Switch downforce on.", {
        actor: "terminal",
        look: "The pressure stands at what was set.",
        caution: "It is off until switched on: forgotten, the first pass is lost.",
        sets: { downforce: "on" },
      }),
    );
  if (lifting(machine) && !has.has("mower lift"))
    steps.push(
      step(
        "lower",
        lifts(has).length > 0 ? "Lower to work while rolling." : "Lower the linkage to work while rolling.",
        {
          ...mover(machine, "in"),
          look: "The terminal begins to record; seed or tools are in the ground.",
          sets: { lift: "lowered" },
        },
      ),
    );
  return steps;
}

/** A large semi-mounted plough turns over in three pushes of one macro, lower links raised first. */
const PUSHES = [
  [
    "push 1",
    "First push: wheels up, top link in, the front half over, the rear half right over.",
    "The rear half lies at its stop.",
  ],
  ["push 2", "Second push: the front half right over.", "Both halves lie at their stops."],
  ["push 3", "Third push: wheels down, top link out.", "It stands on its wheels again."],
] as const;

function turning({ has, kind, semi, carried }: Machine): Step[] {
  const raised = carried || lifts(has).length > 0 ? [is("lift", "raised")] : [];
  const caution = "Raised high enough to clear the ground; nobody within reach.";
  if (!has.has("turnover")) return [];
  if (kind !== "plough" || !semi)
    return [
      step("turn over", "Turn the plough right over.", {
        actor: "lever",
        fns: ["turnover"],
        way: "out",
        look: "It has reached its stop.",
        caution,
        needs: raised,
      }),
    ];
  return PUSHES.map(([id, text, look], at) =>
    step(id, text, {
      actor: "lever",
      fns: ["turnover"],
      way: "out",
      look,
      caution,
      needs: raised,
      after: at === 0 ? [] : [PUSHES[at - 1]![0]],
    }),
  );
}

function headland(machine: Machine): Step[] {
  const { has } = machine;
  const steps: Step[] = [];
  if (lifting(machine))
    steps.push(
      step("raise", "Raise at the headland line.", {
        ...mover(machine, "out"),
        look: "The record stops.",
        sets: { lift: "raised", ...(has.has("mower lift") ? { "lift float": "off" } : {}) },
      }),
    );
  if (has.has("marker"))
    steps.push(
      step("marker", "Change the marker over.", {
        actor: "lever",
        fns: ["marker"],
        way: "in",
        look: "The one on the worked side is up.",
        needs: lifting(machine) ? [is("lift", "raised")] : [],
      }),
    );
  steps.push(...turning(machine));
  if (lifting(machine))
    steps.push(
      step("lower again", "Lower at the headland line.", {
        ...mover(machine, has.has("mower lift") ? "float" : "in"),
        look: "The record starts.",
        needs: [is("lift", "raised")],
        sets: { lift: "lowered", ...(has.has("mower lift") ? { "lift float": "on" } : {}) },
      }),
    );
  return steps;
}

function stop(machine: Machine): Step[] {
  const { has, driven } = machine;
  const steps: Step[] = [];
  if (lifting(machine))
    steps.push(
      step("raise", "Raise out of the ground.", {
        ...mover(machine, "out"),
        look: "The record stops.",
        sets: { lift: "raised", ...(has.has("mower lift") ? { "lift float": "off" } : {}) },
      }),
    );
  if (electric(machine) !== null)
    steps.push(
      step("current off", "Switch the generator's current off in the terminal.", {
        actor: "terminal",
        look: "The meters stand.",
        sets: { current: "off" },
      }),
    );
  if (has.has("generator"))
    steps.push(
      step("generator off", "Generator's lever into float, let it run down.", {
        actor: "lever",
        fns: ["generator"],
        way: "float",
        sets: { generator: "stopped" },
      }),
    );
  if (has.has("fan"))
    steps.push(
      step("fan off", "Fan's lever into float, let it run down.", {
        actor: "lever",
        fns: ["fan"],
        way: "float",
        caution: "Shut off hard, it breaks its motor.",
        sets: { fan: "stopped" },
      }),
    );
  if (has.has("downforce"))
    steps.push(
      step("downforce off", "Switch downforce off.", { actor: "terminal", sets: { downforce: "off" } }),
    );
  if (driven)
    steps.push(
      step("PTO off", "PTO off, wait until everything stands.", {
        actor: "PTO",
        look: "The shaft stands.",
        caution: "Nobody gets off while anything turns.",
        needs: electric(machine) === "PTO" && driven ? [is("current", "off")] : [],
        sets: { PTO: "stopped" },
      }),
    );
  if (mechanical(machine))
    steps.push(
      step("drive locked", "Pull the drive lock-out pins, both sides.", {
        look: "The chains stand still when it is pulled.",
        caution: supposed(machine),
        sets: { drive: "locked" },
      }),
      ...(machine.lockouts === 2
        ? [
            step("small-seed locked", "Pull the small-seed box's own lock-out pin.", {
              look: "Its chain stands still as well.",
              sets: { "small-seed drive": "locked" },
            }),
          ]
        : []),
    );
  return steps;
}

function uncouple(machine: Machine): Step[] {
  const { has, driven, carried } = machine;
  const steps = [
    step("level", `Stand on firm, level ground${carried ? "" : "; chocks under the wheels"}.`, {
      actor: "driver",
      look: "Park brake on, engine off, key with you.",
      caution: "A tool that rolls crushes.",
    }),
  ];
  if (has.has("suspension"))
    steps.push(
      step("let off", `Open ${tapOf(machine)}, let the pressure off, shut it.`, {
        actor: "lever",
        fns: ["suspension"],
        way: "float",
        look: "The gauge stands at nothing.",
        caution: "Its line keeps its pressure: coupled in again it would jump.",
        sets: { suspension: "slack" },
      }),
    );
  if (has.has("jack"))
    steps.push(
      step("jack swung", "Swing the jack down, pin it, open its tap.", {
        look: "Pin through and clipped.",
        needs: [is("hoses", "in")],
        sets: { jack: "up" },
      }),
      step("jack down", "Jack down until the pin is free.", {
        actor: "lever",
        fns: ["jack"],
        way: "out",
        look: "The pin turns by hand.",
        caution: "On a plate where the ground is soft.",
        needs: [is("jack", "up"), is("hoses", "in")],
        sets: { jack: "down" },
      }),
    );
  else
    steps.push(
      carried
        ? step("stands", "Stands down and pinned; lower until they carry.", {
            actor: "driver",
            look: "The links hang loose, it does not lean.",
            caution:
              "On a plate where the ground is soft. Nobody between tractor and implement while it moves.",
            sets: { stands: "down" },
          })
        : step("stands", "Parking jack down, until it carries the drawbar.", {
            look: "The pin turns by hand.",
            caution: "On a plate where the ground is soft.",
            sets: { stands: "down" },
          }),
    );
  if (machine.sprung)
    steps.push(
      step("bracket in", "Lock bracket of the transport cylinder in again.", {
        look: "Its pin is through and clipped.",
        sets: { bracket: "in" },
      }),
    );
  const stood = has.has("jack") ? is("jack", "down") : is("stands", "down");
  if (has.size > 0)
    steps.push(
      step("relieve", "Relieve both lines of every hose: levers each way, engine off.", {
        look: "No lever finds resistance.",
        needs: [stood],
        sets: { pressure: "relieved" },
      }),
      step("hoses off", "Hoses off, caps on, hung up by their tags.", {
        needs: [is("pressure", "relieved")],
        sets: { hoses: "off" },
      }),
    );
  if (driven)
    steps.push(
      step("shaft off", "Drive shaft off the tractor, hung on its hook.", {
        look: "Engine off; the guard is whole.",
        needs: [is("PTO", "stopped")],
        sets: { shaft: "off" },
      }),
    );
  steps.push(
    step("plugs off", "Plugs out, each by its name: lights, implement bus, whatever else leads across.", {
      look: "Cables hung up, caps shut; nothing is left between the two.",
      sets: { plugs: "off" },
    }),
    step(
      "uncoupled",
      carried
        ? "Links off, the top link last; drive off slowly."
        : "Chain and pin out, the pin last; drive off slowly.",
      {
        look: "Nothing is still tied to the tractor.",
        needs: [
          ...(has.size > 0 ? [is("hoses", "off")] : []),
          ...(driven ? [is("shaft", "off")] : []),
          is("plugs", "off"),
          stood,
        ],
        sets: { coupled: "no" },
      },
    ),
  );
  return steps;
}

const MADE: Record<Exclude<SequenceKind, "fold">, (machine: Machine) => Step[]> = {
  "hook-up": hookUp,
  unfold,
  start,
  headland,
  stop,
  uncouple,
};

/** Sequences in the order of a day; fold stands after stop. */
const DAY = ["hook-up", "unfold", "start", "headland", "stop"] as const;

/** How the machine is when a sequence begins, all before it having been run through. */
export function startOf(kind: SequenceKind, machine: Machine, lists: Lists = {}): World {
  const rest = atRest(machine);
  const upTo = (kinds: readonly Exclude<SequenceKind, "fold">[]) =>
    kinds.reduce((world, each) => endOf(world, listOf(each, machine, lists).steps), rest);
  const looked = (world: World) => ({ ...world, people: "unknown" });
  if (kind === "fold") return looked(upTo(DAY));
  if (kind === "uncouple")
    return looked(endOf(startOf("fold", machine, lists), listOf("fold", machine, lists).steps));
  return looked(upTo(DAY.slice(0, DAY.indexOf(kind))));
}

/** Lists people edited, by kind; the template stands in for what is not there. */
export type Lists = Partial<Record<SequenceKind, readonly Step[]>>;

/** The list of one kind: as edited, or as the template has it. */
export function listOf(kind: SequenceKind, machine: Machine, lists: Lists = {}): Sequence {
  const edited = lists[kind];
  if (edited) return { kind, steps: edited };
  return { kind, steps: kind === "fold" ? foldOf(machine, lists).steps : MADE[kind](machine) };
}

/** Folding as unfolding taken back, where every step can be; otherwise only the look round, and why. */
export function foldOf(machine: Machine, lists: Lists = {}): { steps: Step[]; why: string[] } {
  const begin = startOf("unfold", machine, lists);
  const unfolding = listOf("unfold", machine, lists);
  const backwards = reverseOf("fold", begin, unfolding);
  return backwards.ok
    ? { steps: [...backwards.sequence.steps], why: [] }
    : { steps: [lookRound()], why: backwards.why };
}
