/** Every symptom, as it is seen in the field. A cause whose station is not built yet is not listed: nothing here leads nowhere. */
import { calibration, job, reading, type Symptom, station, step } from "./symptom.ts";

const PLOUGH = ["plough"] as const;
const OPENERS = ["drill", "planter"] as const;
const HOE = ["hoe"] as const;
const SUBSOILER = ["subsoiler"] as const;
const MOWERS = ["mower", "conditioner"] as const;
const RAKE = ["rake"] as const;
const HEAD = ["header"] as const;
const CULTIVATORS = ["chisel", "disc", "cultivator"] as const;

const GUIDANCE: readonly Symptom[] = [
  {
    key: "alternating",
    seen: "Gaps and overlaps alternate",
    words: "joints guess rows zebra every second pass",
    tools: null,
    picture: "alternating",
    causes: [
      {
        what: "The tool works to one side",
        test: "Joints of passes driven to and fro: wide and narrow in turns.",
        cure: "Enter the side it works to, to the side it is.",
        tested: job("joints"),
      },
      {
        what: "The receiver stands to one side",
        test: "Distances from the receiver to both wheel faces.",
        cure: "Tape it from both sides.",
        tested: reading("receiver.lateral"),
      },
      {
        what: "The tool's own side offset was taped wrong",
        test: "Tape both ends of the width from the middle of the hitch.",
        cure: "Tape it anew.",
        tested: reading("tool.lateral"),
      },
    ],
  },
  {
    key: "all-wide",
    seen: "All joints too wide, or all too narrow",
    words: "gap overlap every pass spacing width",
    tools: null,
    picture: "wide",
    causes: [
      {
        what: "Working width",
        test: "Tape from edge to edge of what it really works.",
        cure: "Enter the width as taped.",
        tested: reading("tool.width"),
      },
      {
        what: "Line spacing in the terminal",
        test: "Read it off: width less overlap.",
        cure: "Enter it in the terminal, then read it back here.",
        tested: reading("guidance.trackSpacing"),
      },
    ],
  },
  {
    key: "ahead",
    seen: "Coverage drawn ahead of the work, or behind it",
    words: "headland late early switching map shifted",
    tools: null,
    picture: "late",
    causes: [
      {
        what: "A length to the work, alike at all speeds",
        test: "Drive a headland mark at two speeds: the same error at both.",
        cure: "Tape hitch to the working edge.",
        tested: job("headland"),
      },
      {
        what: "A delay, growing with the speed",
        test: "Twice the error at twice the speed.",
        cure: "Enter the delay to switch on.",
        tested: reading("work.delayOn"),
      },
      {
        what: "Hitch distance left at zero",
        test: "The map is off by about the tractor's length.",
        cure: "Tape axle to hitch.",
        tested: reading("axle.pin"),
      },
    ],
  },
  {
    key: "swings",
    seen: "The tool swings wide of the line after turns",
    words: "curve trailing pivot cuts corner towed",
    tools: null,
    picture: "swing",
    causes: [
      {
        what: "Hitch to its wheels",
        test: "Drive a circle and compare the wheel marks.",
        cure: "Tape hitch to the axle it turns about.",
        tested: reading("pin.pivot"),
      },
      {
        what: "The side offset is not the tool's but the soil's pull",
        test: "To and fro on level ground: does it stay on one side?",
        cure: "Level it first, then its side offset.",
        tested: station("ground"),
      },
    ],
  },
  {
    key: "boom-tight",
    seen: "The tool is drawn tight behind the tractor on the screen",
    words: "picture boom zero distance hitch",
    tools: null,
    picture: "display",
    causes: [
      {
        what: "Hitch distance left at zero",
        test: "Look at both lengths on the terminal's page.",
        cure: "Tape axle to hitch, enter it on the terminal.",
        tested: reading("axle.pin"),
      },
      {
        what: "Hitch to the work left at zero",
        test: "As above, on the implement's page.",
        cure: "Tape hitch to the working edge.",
        tested: reading("pin.workFront"),
      },
    ],
  },
  {
    key: "hectares",
    seen: "Recorded hectares are not the field's",
    words: "area acres too many too few record",
    tools: null,
    picture: "area",
    causes: [
      {
        what: "Working width",
        test: "Tape it; a head's width is set on the machine's own display.",
        cure: "Enter the width as taped.",
        tested: reading("tool.width"),
      },
      {
        what: "Overlap",
        test: "What is worked twice counts twice.",
        cure: "Enter the overlap that is driven.",
        tested: reading("work.overlap"),
      },
      {
        what: "The recording trigger",
        test: "Raise and lower once, and watch the coverage.",
        cure: "Set what starts it: height, lever or depth.",
        tested: station("ground"),
      },
    ],
  },
];

const PLOUGHS: readonly Symptom[] = [
  {
    key: "lean",
    seen: "The plough leans",
    words: "legs upright tilt turnover both ways",
    tools: PLOUGH,
    picture: "leaning",
    causes: [
      {
        what: "Tyres of one axle differ",
        test: "One gauge on both: the lean differs after turnover.",
        cure: "Bring the softer one up.",
        tested: step("plough", "tyres"),
      },
      {
        what: "The stop screws",
        test: "The same lean both ways.",
        cure: "Stop screws, the same count on both sides.",
        tested: step("plough", "upright"),
      },
      {
        what: "The front part of a semi-mounted plough",
        test: "Gauge on the first body's leg, both ways.",
        cure: "Spacers on the turnover cylinders, as many on both; then the rear part.",
        tested: step("plough", "frontUpright"),
      },
      {
        what: "Lift rods unequal",
        test: "Tape both rods with the tool lifted a little.",
        cure: "Bring them to one length.",
        tested: reading("hitch.rodRight"),
      },
    ],
  },
  {
    key: "first-furrow",
    seen: "The first furrow is too wide, or too narrow",
    words: "ridge hollow furrow step first body",
    tools: PLOUGH,
    picture: "furrow",
    causes: [
      {
        what: "It leans",
        test: "Toward ploughed land: too wide and deep; away: too narrow.",
        cure: "Upright first.",
        tested: step("plough", "upright"),
      },
      {
        what: "The first furrow's spindle",
        test: "Marker test.",
        cure: "Spindle or cylinder, by what the test says.",
        tested: step("plough", "furrow"),
      },
      {
        what: "Front wheels too far apart",
        test: "Tape between the tyres, in front and behind.",
        cure: "Set them by the school.",
        tested: reading("tractor.insideFront"),
      },
      {
        what: "The cross shaft is off the middle",
        test: "Tape it in the headstock.",
        cure: "Slide it to the middle.",
        tested: reading("tool.shaftSide"),
      },
    ],
  },
  {
    key: "pulled",
    seen: "The tractor is pulled aside, or wanders",
    words: "side pull steering drawn draft line",
    tools: PLOUGH,
    picture: "pulled",
    causes: [
      {
        what: "The first furrow is not right yet",
        test: "Marker test.",
        cure: "First furrow first, then the draw line.",
        tested: step("plough", "furrow"),
      },
      {
        what: "The draw line",
        test: "Hands light on the wheel: which way does it go?",
        cure: "Draw-line spindle.",
        tested: step("plough", "pull"),
      },
      {
        what: "Front wheels too close together",
        test: "Tape between the tyres: too narrow in front it wanders.",
        cure: "Set them by the school.",
        tested: reading("tractor.insideFront"),
      },
      {
        what: "Stabilisers rigid at work",
        test: "Look at them: a plough finds its own line.",
        cure: "Free in work, rigid on the road.",
        tested: reading("work.stabilisers"),
      },
    ],
  },
  {
    key: "trash",
    seen: "Trash shows, the wall is ragged, furrows lie in pairs",
    words: "stubble buried residue pairs uneven coulter skimmer",
    tools: PLOUGH,
    picture: "trash",
    causes: [
      {
        what: "Skimmers",
        test: "Their depth: never over a third of the ploughing depth.",
        cure: "All alike, at their depth.",
        tested: step("plough", "skimmers"),
      },
      {
        what: "Coulters",
        test: "Beyond the cut, and above the share.",
        cure: "Upright, all alike, at their reach.",
        tested: step("plough", "coulterReach"),
      },
      {
        what: "A body is bent",
        test: "Point to point and tail to tail.",
        cure: "Straighten or replace it.",
        tested: step("plough", "bodies"),
      },
      {
        what: "Too fast",
        test: "Slow down: does it bury?",
        cure: "Slower, or by your school.",
        tested: step("plough", "surface"),
      },
    ],
  },
  {
    key: "wear",
    seen: "Points wear faster in front",
    words: "nose in worn share top link",
    tools: PLOUGH,
    picture: "wear",
    causes: [
      {
        what: "It noses in: top link too short, in a fixed hole",
        test: "Depth in front against behind.",
        cure: "Top link longer.",
        tested: step("plough", "depth"),
      },
      {
        what: "Lower links too low, with the pin in a slot",
        test: "Which hole is the pin in?",
        cure: "Lower links higher; the top link sets no depth there.",
        tested: reading("work.topHole"),
      },
    ],
  },
];

const SOWING: readonly Symptom[] = [
  {
    key: "spin",
    seen: "Gauge wheels spin",
    words: "opener firm loose downforce turn by hand",
    tools: OPENERS,
    picture: "spinning",
    causes: [
      {
        what: "Too little down pressure",
        test: "Try the wheels by hand: nine in ten are firm.",
        cure: "A little more, a step at a time.",
        tested: step("openers", "firm"),
      },
      {
        what: "Past the gauge's marked zone",
        test: "Read the gauge: past it the openers are lifted.",
        cure: "Less, or ballast.",
        tested: step("openers", "gauge"),
      },
    ],
  },
  {
    key: "openers-lift",
    seen: "Openers lift, the frame's left wheel is in the air",
    words: "too much downpressure shallow frame rockshaft",
    tools: OPENERS,
    picture: "lifted",
    causes: [
      {
        what: "Too much down pressure",
        test: "Gauge past its zone.",
        cure: "Back off until the wheel is down.",
        tested: step("openers", "gauge"),
      },
      {
        what: "Too little weight",
        test: "It lifts below the zone already.",
        cure: "Ballast on its bar.",
        tested: station("balance"),
      },
    ],
  },
  {
    key: "stand",
    seen: "The stand is uneven from the first pass",
    words: "emergence patchy rows",
    tools: OPENERS,
    picture: "rows",
    causes: [
      {
        what: "A lock-out is in, or the downforce is off",
        test: "Look at both before the first pass.",
        cure: "Release it, switch it on.",
        tested: step("openers", "lockouts"),
      },
      {
        what: "Openers set otherwise, one rank or some",
        test: "Walk along both ranks.",
        cure: "All to one notch.",
        tested: step("openers", "ranks"),
      },
      {
        what: "Depth",
        test: "Dig the seed across both ranks.",
        cure: "By the depth map.",
        tested: step("openers", "depth"),
      },
    ],
  },
  {
    key: "slot",
    seen: "The seed slot stays open, or is ploughed up",
    words: "closing wheel sidewall seed moved",
    tools: OPENERS,
    picture: "slot",
    causes: [
      {
        what: "Closing wheels",
        test: "Look at the slot behind several openers.",
        cure: "A notch harder, or softer.",
        tested: step("openers", "closing"),
      },
      {
        what: "Firming wheels",
        test: "Loose seedbed: lowest notch.",
        cure: "Every opener to its notch.",
        tested: step("openers", "firming"),
      },
    ],
  },
];

const HOEING: readonly Symptom[] = [
  {
    key: "thrown",
    seen: "Soil is thrown on seedlings",
    words: "buried covered hoe crop",
    tools: HOE,
    picture: "thrown",
    causes: [
      {
        what: "Cutaway disc too high",
        test: "Measure it below the blade.",
        cure: "A little lower than the blade.",
        tested: step("hoe", "disc"),
      },
      {
        what: "Blades too far forward",
        test: "Which holes are they in?",
        cure: "Into the rear holes.",
        tested: step("hoe", "blade"),
      },
      {
        what: "Too fast",
        test: "Slow down: does it still reach the row?",
        cure: "Slower.",
        tested: step("hoe", "row"),
      },
    ],
  },
  {
    key: "wedges",
    seen: "Trash wedges at the blade",
    words: "choke block residue gauge wheel",
    tools: HOE,
    picture: "trash",
    causes: [
      {
        what: "Gap to the gauge wheel",
        test: "Does trash fall through?",
        cure: "Blade back a hole, or the shorter one.",
        tested: step("hoe", "gap"),
      },
    ],
  },
  {
    key: "hoe-depth",
    seen: "The hoe's wheels sink, or its depth wanders",
    words: "crank walks gauge wheel soft spring",
    tools: HOE,
    picture: "lopsided",
    causes: [
      {
        what: "Gauge wheel too high for soft soil",
        test: "Floor to wheel, blade on the floor.",
        cure: "Lower the wheel.",
        tested: step("hoe", "clear"),
      },
      {
        what: "Springs drive it in",
        test: "Loose soil: gravity alone.",
        cure: "Take notches off, each side.",
        tested: step("hoe", "springs"),
      },
      {
        what: "The height crank walks",
        test: "Its nut drags, or it does not.",
        cure: "Tighten the drag nut a little.",
        tested: step("hoe", "crank"),
      },
    ],
  },
];

const LOOSENING: readonly Symptom[] = [
  {
    key: "no-entry",
    seen: "The shank does not enter",
    words: "subsoiler ripper penetration skates",
    tools: SUBSOILER,
    picture: "shallow",
    causes: [
      {
        what: "Points not down",
        test: "Angle at work: a little nose down.",
        cure: "Top link shorter.",
        tested: step("subsoiler", "nose"),
      },
      {
        what: "Top link",
        test: "Its length against the linkage.",
        cure: "By the linkage.",
        tested: reading("work.topLink"),
      },
    ],
  },
  {
    key: "pulls-hard",
    seen: "It pulls hard of a sudden, or in jerks",
    words: "draft stop far down jerky subsoiler",
    tools: SUBSOILER,
    picture: "heavy",
    causes: [
      {
        what: "The stop is set too deep",
        test: "Feel the depth in the slot.",
        cure: "Stop higher, lower slowly.",
        tested: step("subsoiler", "slot"),
      },
      {
        what: "Ground not loosened for years",
        test: "Jerks on the first run only: no fault.",
        cure: "Lower gear, slower.",
        tested: step("subsoiler", "pulls"),
      },
      {
        what: "The lift's setting",
        test: "What does the lift hold by at work?",
        cure: "As the tool asks for.",
        tested: reading("work.control"),
      },
    ],
  },
];

const FODDER: readonly Symptom[] = [
  {
    key: "bed-digs",
    seen: "The mower's bed is heavy and digs",
    words: "suspension float tap scalps soil in fodder",
    tools: MOWERS,
    picture: "heavy",
    causes: [
      {
        what: "Tap open, or not charged",
        test: "Tap and gauge, in float.",
        cure: "Charge in float, shut the tap.",
        tested: step("mower", "suspension"),
      },
      { what: "Bed nose down", test: "Its scale.", cure: "Top link longer.", tested: step("mower", "bed") },
      {
        what: "Transport bracket in",
        test: "Look at it.",
        cure: "Out for work.",
        tested: step("mower", "ready"),
      },
    ],
  },
  {
    key: "cut",
    seen: "Stubble too high, too low, or slanting",
    words: "cutting height uneven mower",
    tools: MOWERS,
    picture: "ragged",
    causes: [
      {
        what: "Pitch of the bed",
        test: "Its scale against zero.",
        cure: "Top link.",
        tested: step("mower", "bed"),
      },
      {
        what: "Cutting height",
        test: "Stubble at four places.",
        cure: "Top link or skids, by what the linkage says.",
        tested: step("mower", "cut"),
      },
    ],
  },
  {
    key: "swath",
    seen: "The swath does not fit the baler",
    words: "windrow wide pickup boards vanes",
    tools: MOWERS,
    picture: "swath",
    causes: [
      {
        what: "Boards",
        test: "Width of the swath against the pickup.",
        cure: "Boards in or out, by its angle.",
        tested: step("mower", "swath"),
      },
      {
        what: "Conditioner throws too wide",
        test: "Its speed and baffle.",
        cure: "Slower, baffle closer.",
        tested: step("mower", "conditioner"),
      },
    ],
  },
  {
    key: "left-lying",
    seen: "The rake leaves fodder, or takes soil along",
    words: "tines height clean rows left",
    tools: RAKE,
    picture: "rows",
    causes: [
      {
        what: "Tine height",
        test: "Both rotors off the ground.",
        cure: "Both scales to one number.",
        tested: step("rake", "tines"),
      },
      {
        what: "Cam and speed",
        test: "Cam by the crop, 350 to 450 rpm.",
        cure: "By the crop.",
        tested: step("rake", "cam"),
      },
      {
        what: "Too many rows for its reach",
        test: "Rows, their distance, one row's width.",
        cure: "Wider, or a row less.",
        tested: step("rake", "rows"),
      },
    ],
  },
  {
    key: "lifts-unevenly",
    seen: "The sides lift unevenly",
    words: "one side first flow trim air wing",
    tools: [...RAKE, ...CULTIVATORS],
    picture: "lopsided",
    causes: [
      {
        what: "Flows not trimmed on this tractor",
        test: "Lift both from the ground: which is first?",
        cure: "Trim the flows.",
        tested: station("hoses"),
      },
      {
        what: "Air in the lines, or out of phase",
        test: "Hold in detent until no air comes.",
        cure: "Bleed; re-phase with side levelling off.",
        tested: step("cultivator", "system"),
      },
    ],
  },
];

const HARVEST: readonly Symptom[] = [
  {
    key: "hunts",
    seen: "The head is restless, the stubble ragged",
    words: "height control hunts bounces sensitivity drop rate",
    tools: HEAD,
    picture: "ragged",
    causes: [
      {
        what: "Too sensitive",
        test: "One step less, and look again.",
        cure: "Raising and lowering first, then the drop rate.",
        tested: step("head", "sensitivity"),
      },
      {
        what: "Another head recognised",
        test: "What does the display name?",
        cure: "Plug and list first.",
        tested: step("head", "recognised"),
      },
    ],
  },
  {
    key: "width-fixed",
    seen: "The width on the terminal will not change",
    words: "head display locked field grey",
    tools: HEAD,
    picture: "display",
    causes: [
      {
        what: "It is set on the machine's own display",
        test: "Look there.",
        cure: "Enter the true width there.",
        tested: step("head", "width"),
      },
      {
        what: "Another head recognised",
        test: "What does the display name?",
        cure: "Plug and list first.",
        tested: step("head", "recognised"),
      },
    ],
  },
];

const TILLAGE: readonly Symptom[] = [
  {
    key: "one-side",
    seen: "One side works deeper",
    words: "uneven tilt lean deep right left",
    tools: [...PLOUGH, ...CULTIVATORS, ...OPENERS, ...HOE],
    picture: "lopsided",
    causes: [
      {
        what: "Lift rods unequal",
        test: "Tape both rods.",
        cure: "Bring them to one length.",
        tested: reading("hitch.rodRight"),
      },
      {
        what: "Tyres of one axle differ",
        test: "One gauge on both.",
        cure: "Bring the softer one up.",
        tested: reading("tractor.pressureRearLeft"),
      },
      {
        what: "The tool's own wheels or screws",
        test: "Depth map across.",
        cure: "What the map says to turn.",
        tested: station("ground"),
      },
    ],
  },
  {
    key: "wing",
    seen: "A wing works deeper or shallower than the middle",
    words: "folding wing frame shim stack",
    tools: CULTIVATORS,
    picture: "wing",
    causes: [
      {
        what: "Stacks unequal",
        test: "Count the shims, left and right.",
        cure: "Equal, unless the book says otherwise.",
        tested: step("cultivator", "stacks"),
      },
      {
        what: "The wing's own screw",
        test: "Depth at the wing less depth in the middle.",
        cure: "Trim the wing against the frame.",
        tested: step("cultivator", "wings"),
      },
      {
        what: "Gauge wheels off their book",
        test: "Turnbuckles, base plate to holder.",
        cure: "To their book lengths.",
        tested: step("cultivator", "wheels"),
      },
    ],
  },
  {
    key: "tracks",
    seen: "Ridges, steps, or rear blades in the front tracks",
    words: "floor uneven smooth edge deflector skew",
    tools: CULTIVATORS,
    picture: "tracks",
    causes: [
      {
        what: "It tows askew",
        test: "Do the rear blades split the front tracks?",
        cure: "Level across, then the hitch's middle.",
        tested: step("cultivator", "shows"),
      },
      {
        what: "A blade bent or worn",
        test: "The depth map names it, measured twice.",
        cure: "Replace it.",
        tested: step("cultivator", "depth"),
      },
    ],
  },
  {
    key: "depth-shown",
    seen: "The depth shown is not the depth dug",
    words: "display depth control calibration wrong zero",
    tools: CULTIVATORS,
    picture: "display",
    causes: [
      {
        what: "Frame never learnt",
        test: "Does each calibration carry its tick?",
        cure: "Down to the stop, up to the stop.",
        tested: step("cultivator", "system"),
      },
      {
        what: "Zero and slope",
        test: "Two depths, shown and dug.",
        cure: "Tell it the measured depth.",
        tested: step("cultivator", "zero"),
      },
    ],
  },
  {
    key: "cancelled",
    seen: "A setpoint arms and is cancelled",
    words: "depth control seven seconds lever standing still",
    tools: CULTIVATORS,
    picture: "lever",
    causes: [
      {
        what: "It was not moving",
        test: "Command it while driving; standing, hold the lever.",
        cure: "While driving.",
        tested: step("cultivator", "holds"),
      },
      {
        what: "A function is not on automatic",
        test: "Both remotes in the menu.",
        cure: "Both to automatic.",
        tested: step("cultivator", "system"),
      },
    ],
  },
];

const STARTING: readonly Symptom[] = [
  {
    key: "generator",
    seen: "Error of the generator or the motors at the start",
    words: "pto current order electric drive planter",
    tools: ["planter", "drill", "spreader"],
    picture: "lever",
    causes: [
      {
        what: "The order of PTO and current",
        test: "Run the start list step by step.",
        cure: "In the list's order.",
        tested: { by: "sequence", kind: "start" },
      },
    ],
  },
];

const DOSING = ["sprayer", "spreader", "drill", "planter", "cart"] as const;

const RATES: readonly Symptom[] = [
  {
    key: "left-over",
    seen: "Product runs out early, or is left over",
    words: "rate too much too little hopper tank short used amount does not add up",
    tools: DOSING,
    picture: "area",
    causes: [
      {
        what: "What the terminal calls a litre or a kilogram",
        test: "What is gone out of the tank against what it counted.",
        cure: "Calibrate flow or displacement, and enter it.",
        tested: calibration("applied-liquid"),
      },
      {
        what: "What a turn of the meter gives",
        test: "Caught over a fortieth of a hectare.",
        cure: "Enter the displacement that was caught.",
        tested: calibration("catch"),
      },
      {
        what: "Roll or ranks are not those the terminal was told",
        test: "Open the meter and look.",
        cure: "Tell the terminal what is fitted, or change it.",
        tested: reading("rate.rollFitted"),
      },
      {
        what: "The product runs otherwise than the table's",
        test: "Weighed over a timed run.",
        cure: "Enter the flow factor.",
        tested: calibration("flow-factor"),
      },
      {
        what: "Hectares are counted wrong by the speed",
        test: "Pulses over a taped distance.",
        cure: "Enter the speed constant.",
        tested: calibration("speed"),
      },
      {
        what: "Working width",
        test: "Tape from edge to edge of what it really works.",
        cure: "Enter the width as taped.",
        tested: reading("tool.width"),
      },
    ],
  },
  {
    key: "zero-rate",
    seen: "The rate stands at nothing, or at the last product's",
    words: "no rate zero after crop variety product changed",
    tools: DOSING,
    picture: "display",
    causes: [
      {
        what: "Crop, variety or product was chosen anew",
        test: "Many terminals set the rate back then.",
        cure: "Enter the rate again, there and here.",
        tested: station("rate"),
      },
    ],
  },
  {
    key: "hunting",
    seen: "The rate swings, or comes late behind the speed",
    words: "hunts lags over under shoots valve regulation pressure jumps",
    tools: ["sprayer"],
    picture: "display",
    causes: [
      {
        what: "Regulation constant",
        test: "One gear faster: it comes late, rests, or swings.",
        cure: "A tenth up where it lags, a tenth down where it swings.",
        tested: calibration("valve"),
      },
      {
        what: "Speed outside what the nozzle holds",
        test: "The window of speeds at this rate.",
        cure: "Drive within it, or take another nozzle.",
        tested: reading("rate.nozzle"),
      },
    ],
  },
  {
    key: "stripes-sprayed",
    seen: "Strips of stronger or weaker growth under the boom",
    words: "nozzle worn blocked stripes burn weeds left",
    tools: ["sprayer"],
    picture: "tracks",
    causes: [
      {
        what: "Worn or blocked nozzles",
        test: "Each caught with a jug for a minute.",
        cure: "Clean the blocked, change the worn, and catch them again.",
        tested: calibration("nozzles"),
      },
    ],
  },
  {
    key: "stripes-spread",
    seen: "Dark and pale strips after fertiliser",
    words: "spreader uneven lodging strips tramlines one side",
    tools: ["spreader"],
    picture: "tracks",
    causes: [
      {
        what: "It throws to one side, or not as wide as the tracks",
        test: "Trays across the swath.",
        cure: "Turn the vane of the side it lies to; drive a spacing at which it is even.",
        tested: calibration("trays"),
      },
      {
        what: "Spacing of the tracks",
        test: "Read it off: the one the vanes are set for.",
        cure: "Enter it in the terminal, or set the vanes for it.",
        tested: reading("guidance.trackSpacing"),
      },
    ],
  },
  {
    key: "thin-row",
    seen: "One row is thin, or not there",
    words: "skips gaps singulation planter row unit missing doubles",
    tools: ["planter"],
    picture: "rows",
    causes: [
      {
        what: "A row unit that skips or doubles",
        test: "Plants counted row by row.",
        cure: "Look at its disc, vacuum, tube and brush; then count again.",
        tested: calibration("stand"),
      },
      {
        what: "Its alarm was muted",
        test: "As many muted as are off on purpose.",
        cure: "Put the alarms on.",
        tested: reading("rate.rowsMuted"),
      },
    ],
  },
  {
    key: "late-start",
    seen: "No seed at the beginning of a pass, or seed on the headland",
    words: "start stop height planter lowering raising first metres empty",
    tools: ["planter"],
    picture: "late",
    causes: [
      {
        what: "Start height",
        test: "Taken over while lowering, as the openers just touch.",
        cure: "Take it over anew.",
        tested: calibration("start-height"),
      },
      {
        what: "Stop height",
        test: "Taken over while raising, as the openers just leave the ground.",
        cure: "Take it over anew.",
        tested: calibration("stop-height"),
      },
      {
        what: "Start-up speed",
        test: "Read it off the terminal.",
        cure: "Set it to what one really starts with.",
        tested: reading("rate.startSpeed"),
      },
    ],
  },
  {
    key: "uneven-rows",
    seen: "Some rows of the drill come up thicker than others",
    words: "drill distributor hose outlet uneven rows",
    tools: ["drill"],
    picture: "rows",
    causes: [
      {
        what: "A hose that hangs, or an outlet that clogs",
        test: "Each row caught and weighed.",
        cure: "Clear it, and catch again.",
        tested: calibration("evenness"),
      },
    ],
  },
  {
    key: "speed-wrong",
    seen: "Speed on the terminal is not what one drives",
    words: "speed dashes zero wheel radar receiver tractor wrong",
    tools: DOSING,
    picture: "display",
    causes: [
      {
        what: "The source it is taken from",
        test: "All sources against tape and watch. Dashes are no signal.",
        cure: "Take one that is right, or calibrate it.",
        tested: calibration("sources"),
      },
      {
        what: "Speed constant",
        test: "Pulses over a taped distance.",
        cure: "Enter the constant that was counted.",
        tested: calibration("speed"),
      },
    ],
  },
  {
    key: "tonnes-wrong",
    seen: "The monitor's tonnes are not the weighbridge's",
    words: "yield monitor weigh ticket harvest load moisture dry",
    tools: HEAD,
    picture: "display",
    causes: [
      {
        what: "Yield factor",
        test: "Weigh tickets of several loads.",
        cure: "Enter the factor; loads before are corrected by it.",
        tested: calibration("yield"),
      },
      {
        what: "Moisture offset",
        test: "A tested sample of each load.",
        cure: "Enter the offset.",
        tested: calibration("moisture"),
      },
    ],
  },
];

const PULLING: readonly Symptom[] = [
  {
    key: "slips",
    seen: "Wheels turn and it hardly pulls; much fuel",
    words: "slip spinning fuel ballast pressure traction",
    tools: [...CULTIVATORS, ...PLOUGH, ...SUBSOILER],
    picture: "spinning",
    causes: [
      {
        what: "Slip beyond what pays",
        test: "Turns of a chalked wheel with and without the tool.",
        cure: "Pressure first, then ballast, then depth.",
        tested: calibration("slip"),
      },
    ],
  },
];

/** All there are, those of any tool first. */
export const SYMPTOMS: readonly Symptom[] = [
  ...GUIDANCE,
  ...PLOUGHS,
  ...TILLAGE,
  ...LOOSENING,
  ...SOWING,
  ...HOEING,
  ...FODDER,
  ...HARVEST,
  ...STARTING,
  ...RATES,
  ...PULLING,
];
