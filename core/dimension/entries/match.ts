import { capital } from "../../quantity/capital.ts";
import { CATEGORIES } from "../../trade/category.ts";
import { DRAFT_TABLE } from "../../trade/draft.ts";
import { DRAWBAR_CATEGORIES } from "../../trade/drawbar.ts";
import { NO_SOIL, TOOL_KINDS, UNDRIVEN, UNMETERED } from "../../trade/kinds.ts";
import { DRIVES, SURFACES } from "../../trade/power.ts";
import { describeShaft, PTO_TYPES } from "../../trade/pto.ts";
import { choice, count, entriesOf, length, measure } from "../entry-type.ts";

const plain = (keys: readonly string[], label: (key: string) => string = capital) =>
  keys.map((key) => ({ key, label: label(key) }));

const kilowatts = (low: number, high: number) => [low * 1000, high * 1000] as const;
const perMinute = (low: number, high: number) => [low / 60, high / 60] as const;
const kmh = (low: number, high: number) => [low / 3.6, high / 3.6] as const;

const LINKED = ["mounted", "front", "semi", "links"] as const;
const PINNED = ["drawn", "train"] as const;
const BEHIND_ANOTHER = { train: { subject: "rear hitch" } } as const;
const IN_SOIL = ["drawn", "train", "links", "semi", "mounted", "front"] as const;

/** What works no soil has no draft by a table, and no depth. */
const OF_SOIL = { notOf: { kinds: NO_SOIL, unless: null } } as const;
/** What no shaft drives has none. */
const OF_DRIVEN = { notOf: { kinds: UNDRIVEN, unless: null } } as const;

/** What has no seed meters has none to drive. */
const OF_METERS = { notOf: { kinds: UNMETERED, unless: null } } as const;

/** Mowers and rakes stand still while folded (common practice; the book comes first). */
const STILL = { otherwise: { value: "still", source: "common practice for mowers and rakes" } } as const;

const DRIVEN_BY_SHAFT = { key: "tool.pto", is: PTO_TYPES };

const BUSHING = { fitted: "Fitted", none: "None" };

export const MATCH = {
  ...entriesOf("match", "Work and power", {
    "tool.kind": choice(
      Object.entries(TOOL_KINDS).map(([key, { label }]) => ({ key, label })),
      {
        label: "What the implement is",
        fromTo: "what it does to the ground or the crop",
        subject: "implement",
        matters: "Draft, shaft power and how the stabilisers are set follow from it.",
      },
    ),
    "work.guided": choice(
      { yes: "Yes, along lines", no: "No, by hand" },
      {
        label: "Steered by satellite",
        fromTo: "whether guidance steers the machine along lines with this tool",
        subject: "coupling",
        matters: "Without it nothing is asked about receiver, overlap or lines.",
      },
    ),
    "work.switched": choice(
      { yes: "Yes, by the terminal", no: "No" },
      {
        label: "Sections switched",
        fromTo: "whether a terminal turns parts of the tool on and off by where it is",
        subject: "coupling",
        matters: "Without it nothing is asked about sections and delays.",
      },
    ),
    "tool.draft": choice(
      Object.entries(DRAFT_TABLE).map(([key, { label }]) => ({ key, label })),
      {
        ...OF_SOIL,
        label: "Row of the draft table",
        fromTo: "the kind of point, disc or opener nearest to this tool's",
        subject: "implement",
        on: IN_SOIL,
        touchedBy: ["tool openers"],
        matters: "Draft is reckoned by it.",
      },
    ),
    "tool.count": count([1, 120], 9, {
      ...OF_SOIL,
      label: "{Many} that work the soil",
      fromTo: "where that is not what is counted across the tool: coulters before the rows, say",
      subject: "implement",
      on: IN_SOIL,
      touchedBy: ["tool openers"],
      matters: "Draft of tines and rows is reckoned for each.",
    }),
    "tool.perMetre": measure("power per length", kilowatts(2, 150), 20e3, {
      label: "Rule of thumb for this tool",
      fromTo: "power for each metre of working width, as people here reckon",
      subject: "implement",
      matters: "It is the quick answer beside the draft model.",
    }),
    "work.speed": measure("speed", kmh(0.5, 30), 2.5, {
      label: "Working speed",
      fromTo: "how fast it shall go at work",
      subject: "coupling",
      otherwise: { value: 8 / 3.6, source: "assumed, a usual speed" },
      matters: "Power grows with it, and draft too.",
    }),
    "work.depth": length([0.01, 0.9], 0.1, {
      ...OF_SOIL,
      label: "Working depth",
      fromTo: "from the unworked surface down to the bottom of the work",
      how: "Scrape loose soil aside and measure in three places.",
      subject: "coupling",
      shown: "small",
      on: IN_SOIL,
      sigma: { taped: 0.01, book: 0.02, assumed: 0.04 },
      matters: "Draft grows with it.",
    }),
    "work.soil": choice(
      { fine: "Fine (clay)", medium: "Medium (loam)", coarse: "Coarse (sand)" },
      {
        ...OF_SOIL,
        label: "Soil",
        fromTo: "the heaviest soil of the job",
        subject: "coupling",
        otherwise: { value: "medium", source: "assumed" },
        matters: "Draft in sand is half of that in clay for some tools.",
      },
    ),
    "work.surface": choice(plain(SURFACES), {
      label: "Ground under the wheels",
      fromTo: "what the tractor drives on at work",
      subject: "coupling",
      otherwise: { value: "tilled", source: "assumed" },
      matters: "Wheels lose power to slip and to sinking in.",
    }),
    "work.slope": measure("ratio", [0, 0.4], 0, {
      label: "Steepest slope uphill",
      fromTo: "rise over run, in per cent",
      subject: "coupling",
      otherwise: { value: 0, source: "assumed level" },
      matters: "Uphill, tractor and tool have to be lifted too.",
    }),
  }),
  ...entriesOf("match", "Tractor", {
    "tractor.power": measure("power", kilowatts(10, 700), 100e3, {
      label: "Rated engine power",
      fromTo: "from the type plate or test report",
      subject: "tractor",
      matters: "It is what there is to share out.",
    }),
    "tractor.drive": choice(
      {
        [DRIVES[0]]: "Rear wheels",
        [DRIVES[1]]: "Front-wheel assist",
        [DRIVES[2]]: "Four equal wheels",
        [DRIVES[3]]: "Tracks",
      },
      {
        label: "Drive",
        fromTo: "which wheels pull",
        subject: "tractor",
        otherwise: { value: "front-wheel assist", source: "assumed" },
        matters: "It decides how much power the wheels lose.",
      },
    ),
    "tractor.traction": measure("ratio", [0.3, 0.95], 0.72, {
      label: "Tractive efficiency, measured",
      fromTo: "drawbar power over axle power, where somebody measured it here",
      subject: "coupling",
      matters: "Without it the table's figure for drive and ground is used.",
    }),
    "tractor.axleEfficiency": measure("ratio", [0.7, 1], 0.96, {
      label: "Efficiency from PTO to axle",
      fromTo: "axle power over PTO power",
      subject: "tractor",
      otherwise: { value: 0.96, source: "ASABE D497, from memory" },
      matters: "Gears take their share.",
    }),
    "tractor.ptoEfficiency": measure("ratio", [0.7, 1], 0.9, {
      label: "Efficiency from engine to PTO",
      fromTo: "PTO power over rated engine power",
      subject: "tractor",
      otherwise: { value: 0.9, source: "ASABE D497, from memory" },
      matters: "What the shaft has is less than the plate says.",
    }),
  }),
  ...entriesOf("match", "Links and pins", {
    "hitch.category": choice(
      plain(CATEGORIES, (key) => `Category ${key}`),
      {
        label: "Tractor's hitch category",
        fromTo: "size of the balls in the links",
        how: "Measure the bore of a lower ball: 22 mm is 1, 28 mm is 2, 37 mm is 3, 51 mm is 4. N has the narrow span.",
        subject: "hitch",
        on: LINKED,
        touchedBy: ["quick coupler"],
        matters: "Pins must fill the balls: slack hammers, and a thick pin does not go in.",
      },
    ),
    "hitch.coupler": choice(
      { none: "None: free links", rigid: "Rigid quick coupler", hooks: "Hooks on the link ends" },
      {
        label: "Quick coupler",
        fromTo: "what catches the implement's pins",
        subject: "hitch",
        on: LINKED,
        alters: "quick coupler",
        otherwise: { value: "none", source: "assumed" },
        matters: "A rigid coupler has one span and one mast height, and moves everything back.",
      },
    ),
    "hitch.narrowest": length([0.3, 1.4], 0.6, {
      label: "Link ends, narrowest apart",
      fromTo: "between the ball shoulders with the links drawn in",
      subject: "hitch",
      on: LINKED,
      touchedBy: ["links"],
      matters: "A narrow cross shaft must be reached.",
    }),
    "hitch.widest": length([0.4, 1.6], 0.95, {
      label: "Link ends, widest apart",
      fromTo: "between the ball shoulders with the links let out as far as the stabilisers go",
      subject: "hitch",
      on: LINKED,
      touchedBy: ["links"],
      matters: "A wide cross shaft must be reached.",
    }),
    "hitch.lift": measure("mass", [200, 16000], 4000, {
      label: "Lift capacity",
      fromTo: "what the lift holds through its whole stroke, from the plate or the test report",
      subject: "hitch",
      on: ["mounted", "front", "semi", "links", "head"],
      matters: "What it cannot lift stays on the ground.",
    }),
    "hitch.liftBehind": length([0, 2], 0, {
      label: "Lift capacity holds so far behind the link ends",
      fromTo: "from the link ends straight back to where the plate or report quotes it; 0 at the link ends",
      how: "Test reports give one figure at the link ends and often another on a frame, 610 mm behind them: take the length that goes with the figure above.",
      subject: "hitch",
      on: LINKED,
      sigma: { taped: 0.005, book: 0.01, assumed: 0.1 },
      otherwise: { value: 0, source: "at the link ends" },
      matters: "The same lift holds less further back: load and capacity are compared at one place.",
    }),
  }),
  ...entriesOf("match", "Drawbar", {
    "hitch.drawbarCategory": choice(
      plain(DRAWBAR_CATEGORIES, (key) => `Category ${key}`),
      {
        label: "Drawbar category",
        fromTo: "from the plate on the drawbar",
        subject: "hitch",
        on: PINNED,
        as: BEHIND_ANOTHER,
        touchedBy: ["tractor drawbar"],
        matters: "It says which pin belongs in it.",
      },
    ),
    "hitch.pin": length([0.012, 0.09], 0.03, {
      label: "Drawbar pin",
      fromTo: "diameter of the pin",
      subject: "hitch",
      shown: "fine",
      on: PINNED,
      as: BEHIND_ANOTHER,
      sigma: { taped: 0.0005, book: 0.001, assumed: 0.005 },
      touchedBy: ["tractor drawbar"],
      matters: "A thin pin in a wide eye hammers it out, and shears.",
    }),
    "tool.eye": length([0.012, 0.1], 0.031, {
      label: "Implement's eye",
      fromTo: "bore of the hitch eye",
      subject: "implement",
      shown: "fine",
      on: PINNED,
      sigma: { taped: 0.0005, book: 0.001, assumed: 0.005 },
      touchedBy: ["tool drawbar"],
      matters: "The pin must fill it.",
    }),
    "hitch.toPto": length([0.2, 0.8], 0.4, {
      ...OF_DRIVEN,
      label: "Drawbar pin to PTO shaft end",
      fromTo: "from the pin hole straight ahead to the end of the PTO shaft",
      subject: "hitch",
      on: ["drawn", "links"],
      as: {
        links: {
          label: "Link ends to PTO shaft end",
          fromTo:
            "from the line between the lower link ends, at work, straight ahead to the end of the PTO shaft",
          touchedBy: ["links"],
        },
      },
      touchedBy: ["tractor drawbar"],
      matters: "Too short and the joint jams in a turn, too long and the shaft parts.",
    }),
    "hitch.verticalLimit": measure("mass", [100, 12000], 1500, {
      label: "Permitted load on the pin",
      fromTo: "downward, from the plate",
      subject: "hitch",
      on: PINNED,
      as: BEHIND_ANOTHER,
      touchedBy: ["tractor drawbar"],
      matters: "Drawbar pulled out, it carries less.",
    }),
    "hitch.towLimit": measure("mass", [500, 60000], 12000, {
      label: "Permitted towed mass",
      fromTo: "from the tractor's papers",
      subject: "hitch",
      on: ["drawn", "train", "links", "semi"],
      as: BEHIND_ANOTHER,
      matters: "Hitch and brakes are made for no more.",
    }),
  }),
  ...entriesOf("match", "Links and pins", {
    "tool.category": choice(
      plain(CATEGORIES, (key) => `Category ${key}`),
      {
        label: "Implement's hitch category",
        fromTo: "size of its pins",
        subject: "implement",
        on: LINKED,
        touchedBy: ["tool headstock"],
        matters: "Pins must fill the balls.",
      },
    ),
    "tool.lowerPin": length([0.015, 0.06], 0.028, {
      label: "Lower pins, measured",
      fromTo: "diameter of the pins the lower links take",
      subject: "implement",
      shown: "fine",
      on: LINKED,
      sigma: { taped: 0.0003, book: 0.001, assumed: 0.003 },
      touchedBy: ["tool headstock"],
      matters: "Measured, it counts before the category.",
    }),
    "tool.lowerBushing": choice(BUSHING, {
      label: "Bushings on the lower pins",
      fromTo: "whether the slack between pins and balls is taken up by bushings",
      subject: "coupling",
      on: LINKED,
      touchedBy: ["tool headstock"],
      matters: "A thin pin in a large ball hammers both out.",
    }),
    "tool.upperBushing": choice(BUSHING, {
      label: "Bushing on the upper pin",
      fromTo: "whether the slack between pin and ball is taken up by a bushing",
      subject: "coupling",
      on: ["mounted", "front", "semi"],
      touchedBy: ["tool headstock"],
      matters: "A thin pin in a large ball hammers both out.",
    }),
    "tool.upperPin": length([0.015, 0.06], 0.025, {
      label: "Upper pin, measured",
      fromTo: "diameter of the pin the top link takes",
      subject: "implement",
      shown: "fine",
      on: ["mounted", "front", "semi"],
      sigma: { taped: 0.0003, book: 0.001, assumed: 0.003 },
      touchedBy: ["tool headstock"],
      matters: "Measured, it counts before the category.",
    }),
  }),
  ...entriesOf("match", "PTO and shaft", {
    "pto.type": choice(
      plain(PTO_TYPES, (key) => capital(describeShaft(key as "1"))),
      {
        ...OF_DRIVEN,
        label: "Tractor's PTO shaft",
        fromTo: "splines and diameter of the shaft end",
        subject: "PTO",
        on: IN_SOIL,
        matters: "The implement's shaft must have the same splines.",
      },
    ),
    "pto.speed": measure("rotation", perMinute(200, 1500), 9, {
      ...OF_DRIVEN,
      label: "PTO speed chosen",
      fromTo: "what the lever and the display say",
      subject: "PTO",
      on: IN_SOIL,
      matters: "Faster than marked breaks shafts and people.",
    }),
    "tool.pto": choice(
      [
        { key: "none", label: "Not driven" },
        ...plain(PTO_TYPES, (key) => capital(describeShaft(key as "1"))),
      ],
      {
        ...OF_DRIVEN,
        label: "Shaft the implement takes",
        fromTo: "splines of its drive shaft's tractor end",
        subject: "implement",
        on: IN_SOIL,
        matters: "It must be the tractor's.",
      },
    ),
    "tool.ptoLow": measure("rotation", perMinute(100, 1400), 9, {
      ...OF_DRIVEN,
      label: "PTO speed, lowest",
      fromTo: "from the implement's sign",
      subject: "implement",
      on: IN_SOIL,
      matters: "Slower it does not work well.",
    }),
    "tool.ptoHigh": measure("rotation", perMinute(100, 1400), 9, {
      ...OF_DRIVEN,
      label: "PTO speed, highest",
      fromTo: "from the implement's sign",
      subject: "implement",
      on: IN_SOIL,
      matters: "Faster it flies apart.",
    }),
    "tool.shaftPower": measure("power", kilowatts(5, 400), 60e3, {
      ...OF_DRIVEN,
      label: "Power at the shaft",
      fromTo: "what the implement takes, from its book",
      subject: "implement",
      on: IN_SOIL,
      matters: "Without it the table's figure for its width is used.",
    }),
    "tool.shaftClosed": length([0.3, 3], 0.9, {
      label: "Drive shaft, pushed together",
      fromTo: "from joint centre to joint centre with the shaft pushed right together",
      how: "Off the tractor, guard slid back. Push until the tubes meet the yoke.",
      subject: "implement",
      on: IN_SOIL,
      when: DRIVEN_BY_SHAFT,
      sigma: { taped: 0.003, book: 0.01, assumed: 0.05 },
      touchedBy: ["tool rebuilt"],
      matters: "Shorter it cannot be: a shaft that bottoms out breaks the gearbox.",
    }),
    "tool.shaftTubes": length([0.1, 2], 0.5, {
      label: "Tubes' overlap, pushed together",
      fromTo: "how far the inner tube lies in the outer one with the shaft pushed right together",
      subject: "implement",
      on: IN_SOIL,
      when: DRIVEN_BY_SHAFT,
      sigma: { taped: 0.003, book: 0.01, assumed: 0.05 },
      touchedBy: ["tool rebuilt"],
      matters: "A third of it must stay in each other in every position.",
    }),
    "tool.shaftLeast": length([0.03, 1], 0.2, {
      label: "Least overlap, from its book",
      fromTo: "what the shaft's maker asks for; empty where the book says nothing",
      subject: "implement",
      on: IN_SOIL,
      when: DRIVEN_BY_SHAFT,
      matters: "It counts before the third of common practice.",
    }),
    "work.shaftWork": length([0.3, 3.5], 1, {
      label: "Drive shaft at work",
      fromTo: "from joint centre to joint centre, straight behind, at working height",
      subject: "coupling",
      on: IN_SOIL,
      when: DRIVEN_BY_SHAFT,
      sigma: { taped: 0.005, book: 0.02, assumed: 0.1 },
      touchedBy: ["links", "top link", "tractor drawbar"],
      matters: "The shaft's overlap is reckoned from it.",
    }),
    "work.shaftRaised": length([0.3, 3.5], 1, {
      label: "Drive shaft, raised",
      fromTo: "from joint centre to joint centre where it is shortest or longest through the lift",
      how: "Shaft off. Lift slowly by the outside control, PTO stopped, and hold the tape where the distance between both stubs is least or greatest.",
      subject: "coupling",
      on: ["mounted", "front", "semi", "links"],
      when: DRIVEN_BY_SHAFT,
      sigma: { taped: 0.005, book: 0.02, assumed: 0.1 },
      touchedBy: ["links", "top link"],
      matters: "Through the lift it pushes together or pulls apart.",
    }),
    "work.shaftTurned": length([0.3, 3.5], 1.1, {
      label: "Drive shaft in the tightest turn",
      fromTo: "from joint centre to joint centre with the machine turned as far as it goes",
      subject: "coupling",
      on: ["drawn", "semi", "links"],
      when: DRIVEN_BY_SHAFT,
      sigma: { taped: 0.005, book: 0.02, assumed: 0.1 },
      touchedBy: ["tractor drawbar", "links"],
      matters: "In a turn it pulls apart, or pushes together.",
    }),
    "tool.shaftCategory": choice(
      ["1", "2", "3", "4", "5", "6", "7", "8"].map((key) => ({ key, label: `Size ${key}` })),
      {
        ...OF_DRIVEN,
        label: "Drive shaft's size",
        fromTo: "from the mark on its joint or tube",
        subject: "implement",
        on: IN_SOIL,
        matters: "Each size carries so much power and no more.",
      },
    ),
    "tool.meterDrive": choice(
      {
        wheel: "Ground wheel, by chains",
        "PTO generator": "Electric, generator on the PTO",
        "oil generator": "Electric, generator driven by oil",
        motor: "Hydraulic motor",
        none: "None on it: what feeds it doses",
      },
      {
        ...OF_METERS,
        label: "Meters are driven by",
        fromTo: "what turns the seed meters",
        subject: "implement",
        on: IN_SOIL,
        matters:
          "A wheel-driven tool has a lock-out to release before work, an electric one current to switch on, in the right order. Forgotten, the first pass is bare.",
      },
    ),
    "tool.lockouts": choice(
      { one: "One", two: "Two: the small-seed box has its own" },
      {
        ...OF_METERS,
        label: "Drive lock-outs",
        fromTo: "pins that keep the chains still on the road",
        subject: "implement",
        on: IN_SOIL,
        when: { key: "tool.meterDrive", is: ["wheel"] },
        otherwise: { value: "one", source: "unless it has a small-seed box" },
        matters: "The second one is forgotten: the small seed stays in its box.",
      },
    ),
    "tool.folded": choice(
      { still: "Must stand while folded", turns: "May turn while folded" },
      {
        ...OF_DRIVEN,
        label: "Drive while folded",
        fromTo: "whether it may be driven with parts folded, by its book",
        subject: "implement",
        on: IN_SOIL,
        otherwise: { value: "turns", source: "unless its book says otherwise" },
        matters: "Joints turned through a right angle break, and blades in the air throw.",
        ofTool: { mower: STILL, conditioner: STILL, rake: STILL },
      },
    ),
    "tool.guard": choice(
      {
        complete: "Complete, turning free, chains hooked",
        damaged: "Damaged or not turning",
        missing: "Missing",
      },
      {
        ...OF_DRIVEN,
        label: "Shaft guard",
        fromTo: "tube, cones and chains, both ends",
        subject: "implement",
        on: IN_SOIL,
        matters: "A bare shaft winds in a sleeve in less than a second.",
      },
    ),
  }),
  ...entriesOf("match", "Road", {
    "tool.chain": measure("force", [5e3, 500e3], 60e3, {
      label: "Safety chain's strength",
      fromTo: "from the tag on the chain",
      subject: "implement",
      on: PINNED,
      matters: "It must hold the weight of everything behind it.",
    }),
    "tractor.roadSpeed": measure("speed", kmh(10, 80), 11, {
      label: "Tractor's top speed",
      fromTo: "from its papers",
      subject: "tractor",
      matters: "The lowest limit of all counts on the road.",
    }),
    "tool.roadSpeed": measure("speed", kmh(5, 80), 11, {
      label: "Implement's road speed",
      fromTo: "from the sign on its back",
      subject: "implement",
      matters: "The lowest limit of all counts on the road.",
    }),
    "hitch.roadSpeed": measure("speed", kmh(5, 80), 11, {
      label: "Speed the hitch is rated for",
      fromTo: "from the plate on the hitch",
      subject: "hitch",
      on: PINNED,
      as: BEHIND_ANOTHER,
      matters: "The lowest limit of all counts on the road.",
    }),
    "tool.brakes": choice(
      { none: "None", working: "Working, coupled to the tractor", "not coupled": "There, but not coupled" },
      {
        label: "Implement's brakes",
        fromTo: "what slows it on the road",
        subject: "implement",
        on: ["drawn", "train", "links", "semi"],
        matters: "A heavy tool pushes the tractor straight on in a bend.",
      },
    ),
    "tool.headTravels": choice(
      { "on the machine": "On the machine", "on its own trailer": "On its own trailer" },
      {
        label: "Head on the road",
        fromTo: "how the head travels",
        subject: "implement",
        on: ["head"],
        matters: "A head wider than the road allows is taken off and drawn lengthways.",
      },
    ),
    "tool.transportWidth": length([0.8, 20], 3, {
      label: "Transport width",
      fromTo: "across the folded implement or the tractor's wheels, whichever is wider",
      subject: "implement",
      touchedBy: ["tool rebuilt"],
      matters: "Over the limit it needs a permit, or a truck.",
    }),
    "tool.transportHeight": length([0.5, 6], 3, {
      label: "Transport height",
      fromTo: "from the road up to the highest point, folded and lifted",
      subject: "implement",
      touchedBy: ["tool rebuilt"],
      matters: "Bridges and lines do not move.",
    }),
  }),
};
