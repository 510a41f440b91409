import { TOOL_KINDS, type ToolKindKey } from "../../trade/kinds.ts";
import { NOZZLE_SIZE_KEYS, NOZZLE_SIZES } from "../../trade/nozzles.ts";
import { choice, count, EACH_SEASON, entriesOf, measure } from "../entry-type.ts";

const LITRE = 0.001;
const GRAM = 0.001;
const HECTARE = 1e4;
const BAR = 1e5;
const MINUTE = 60;

/** What others than these have none of. */
const ofKinds = (...kinds: readonly ToolKindKey[]) => ({
  notOf: {
    kinds: (Object.keys(TOOL_KINDS) as ToolKindKey[]).filter((key) => !kinds.includes(key)),
    unless: null,
  },
});

/** Asked of tools that were told to be of these kinds, and of them alone. */
const toldToBe = (...kinds: readonly ToolKindKey[]) => ({
  ...ofKinds(...kinds),
  when: { key: "tool.kind", is: kinds },
});

const DOSING = toldToBe("sprayer", "spreader", "drill", "planter", "cart");
const SPRAYER = toldToBe("sprayer");
const PLANTER = toldToBe("planter");
const SPREADER = toldToBe("spreader");
const HEADER = toldToBe("header");
/** What doses by weight with meters of its own: a cart that feeds a drill, a drill that is not fed by one. */
const DRILL = {
  ...ofKinds("drill", "cart"),
  when: { key: "tool.meterDrive", is: ["wheel", "PTO generator", "oil generator", "motor"] },
} as const;

/** A constant is what it was calibrated to; a book's is a place to begin. */
const CONSTANT = { subject: "implement", dueAfter: EACH_SEASON } as const;
/** Once a season, and oftener where more is done (common practice, no source). */
const eachHectares = (hectares: number) => ({ dueAfter: { ...EACH_SEASON, hectares } });

/** A rate at one press, as a share of the one that is set: the same whatever is put out. Editing one changes no calibration. */
const preset = (number: number, what: string) =>
  measure("share", [0.2, 2], 1, {
    ...toldToBe("sprayer", "spreader", "drill", "planter", "cart"),
    label: `Preset ${number}`,
    fromTo: `${what}: of the rate that is set, in per cent`,
    how: "Read it off the terminal, as a share of the rate set.",
    subject: "coupling",
    matters: "One press puts it out, and another press back.",
  });

const ROLLS = { low: "Low rates (fine)", medium: "Middle rates", high: "High rates (coarse)" };
/** Classes of droplets (ASABE S572, ISO 25358; names from memory). */
const DROPLETS = {
  "very fine": "Very fine",
  fine: "Fine",
  medium: "Medium",
  coarse: "Coarse",
  "very coarse": "Very coarse",
  "extremely coarse": "Extremely coarse",
  "ultra coarse": "Ultra coarse",
};
const RANKS = { front: "Front rank", rear: "Rear rank", both: "Both ranks" };

export const RATE = {
  ...entriesOf("rate", "Today's job", {
    "work.area": measure("area", [0.2 * HECTARE, 400 * HECTARE], 12 * HECTARE, {
      ...toldToBe("sprayer", "spreader", "drill", "planter", "cart", "header"),
      label: "Field today",
      fromTo: "how much is to be done in the field that is next",
      subject: "coupling",
      matters: "What a wrong constant costs, and how often one fills, is said of it.",
    }),
    "tool.hectares": measure("area", [0, 20_000 * HECTARE], 1000 * HECTARE, {
      ...toldToBe("sprayer", "spreader", "drill", "planter", "cart"),
      label: "Area counter",
      fromTo: "all hectares the tool has done, as its computer counts them",
      how: "Read it off the terminal; now and then, and calibrations fall due by it.",
      subject: "implement",
      matters: "What is calibrated by hectares falls due by it.",
    }),
    "rate.liquid": measure(
      "volume per area",
      [(30 * LITRE) / HECTARE, (1000 * LITRE) / HECTARE],
      (200 * LITRE) / HECTARE,
      {
        ...SPRAYER,
        label: "Rate set in the terminal",
        fromTo: "how much of the mix shall go on each hectare",
        how: "Enter it in the terminal after the product was chosen there: many set it back to nothing then.",
        subject: "coupling",
        touchedBy: ["product"],
        matters: "After another product the terminal may stand at none, or at the last one's.",
      },
    ),
    "rate.seed": measure("mass per area", [2 / HECTARE, 450 / HECTARE], 170 / HECTARE, {
      ...DRILL,
      label: "Rate set in the terminal",
      fromTo: "how much seed shall go on each hectare",
      how: "Enter it in the terminal after crop and variety were chosen there: many set it back to nothing then.",
      subject: "coupling",
      touchedBy: ["product"],
      matters: "After another crop or variety the terminal may stand at none, or at the last one's.",
    }),
    "rate.seeds": measure("count per area", [1, 120], 9, {
      ...PLANTER,
      label: "Seeds set in the terminal",
      fromTo: "how many seeds shall go on each hectare",
      how: "Enter it in the terminal after crop and variety were chosen there: many set it back to nothing then.",
      subject: "coupling",
      touchedBy: ["product"],
      matters: "After another crop or variety the terminal may stand at none, or at the last one's.",
    }),
    "rate.spread": measure("mass per area", [15 / HECTARE, 3000 / HECTARE], 250 / HECTARE, {
      ...SPREADER,
      label: "Rate set in the terminal",
      fromTo: "how much shall go on each hectare",
      how: "Enter it in the terminal after the product was chosen there.",
      subject: "coupling",
      touchedBy: ["product"],
      matters: "Another product runs and flies otherwise at the same slide.",
    }),
  }),
  ...entriesOf("rate", "Preset rates", {
    "rate.preset1": preset(1, "the usual rate"),
    "rate.preset2": preset(2, "more, as on headlands or weak ground"),
    "rate.preset3": preset(3, "less"),
  }),
  ...entriesOf("rate", "Speed", {
    "rate.speedSource": choice(
      {
        wheel: "Its own wheel",
        tractor: "The tractor's signal",
        radar: "Radar",
        receiver: "The receiver",
      },
      {
        ...DOSING,
        label: "Speed comes from",
        fromTo: "what tells its computer how fast it goes",
        how: "Look on the terminal which source is chosen. Dashes are no signal; 0.0 is a signal of standing still.",
        subject: "coupling",
        matters: "Only what counts pulses has a constant, and each source slips in its own way.",
      },
    ),
    "rate.pulsesPerMetre": measure("count per length", [0.5, 1000], 13, {
      ...DOSING,
      when: { key: "rate.speedSource", is: ["wheel", "tractor", "radar"] },
      label: "Speed constant",
      fromTo: "pulses the speed sensor gives on each metre",
      how: "Read it off the terminal, or drive a taped distance in the field, tank half full.",
      subject: "coupling",
      dueAfter: EACH_SEASON,
      touchedBy: ["tractor tyres", "tractor pressure", "tool wheels", "tool pressure"],
      matters: "Speed, hectares and rate are all wrong by as much as this is.",
    }),
  }),
  ...entriesOf("rate", "Liquid", {
    "rate.pulsesPerLitre": measure("count per volume", [2 / LITRE, 3000 / LITRE], 180 / LITRE, {
      ...SPRAYER,
      ...CONSTANT,
      ...eachHectares(800),
      label: "Flow constant",
      fromTo: "pulses the flow meter gives for each litre",
      how: "Read it off the terminal, or the plate on the meter.",
      touchedBy: ["flow meter"],
      matters: "What is called a litre on the terminal is wrong by as much as this is.",
    }),
    "rate.nozzle": choice(
      NOZZLE_SIZE_KEYS.map((key) => ({ key, label: `${key}, ${NOZZLE_SIZES[key].colour}` })),
      {
        ...SPRAYER,
        label: "Nozzle size",
        fromTo: "the number on the tips; the colour goes with it (ISO 10625)",
        subject: "implement",
        alters: "nozzles",
        matters: "Its flow at a pressure follows from it, and when one is worn.",
      },
    ),
    "rate.pressureLow": measure("pressure", [0.5 * BAR, 6 * BAR], 1.5 * BAR, {
      ...SPRAYER,
      label: "Lowest pressure of the nozzle",
      fromTo: "below which its fan falls in",
      how: "Read it in the nozzle's table.",
      subject: "implement",
      touchedBy: ["nozzles"],
      matters: "The slowest speed at a rate follows from it.",
    }),
    "rate.pressureHigh": measure("pressure", [2 * BAR, 20 * BAR], 5 * BAR, {
      ...SPRAYER,
      label: "Highest pressure of the nozzle",
      fromTo: "above which it makes too much drift",
      how: "Read it in the nozzle's table.",
      subject: "implement",
      touchedBy: ["nozzles"],
      matters: "The fastest speed at a rate follows from it.",
    }),
    "rate.dropletsLow": choice(DROPLETS, {
      ...SPRAYER,
      label: "Droplets at the lowest pressure",
      fromTo: "the class in the nozzle's table there",
      subject: "implement",
      touchedBy: ["nozzles"],
      matters: "Labels ask for a class; drift follows from it.",
    }),
    "rate.dropletsHigh": choice(DROPLETS, {
      ...SPRAYER,
      label: "Droplets at the highest pressure",
      fromTo: "the class in the nozzle's table there",
      subject: "implement",
      touchedBy: ["nozzles"],
      matters: "Labels ask for a class; drift follows from it.",
    }),
    "rate.density": measure("mass per volume", [700, 1500], 1000, {
      ...SPRAYER,
      label: "Density of the mix",
      fromTo: "what a litre of it weighs",
      how: "Weigh ten litres in a jug; water is 1 kg/l.",
      subject: "coupling",
      touchedBy: ["product"],
      otherwise: { value: 1000, source: "water" },
      matters: "A denser mix runs slower through the same nozzle.",
    }),
    "rate.pumpFlow": measure("flow", [(20 * LITRE) / MINUTE, (1500 * LITRE) / MINUTE], 0.004, {
      ...SPRAYER,
      label: "Pump's flow to the boom",
      fromTo: "what the pump can give the boom beside stirring the tank",
      subject: "implement",
      matters: "Beyond it the rate falls however the valve stands.",
    }),
    "rate.tank": measure("volume", [100 * LITRE, 15000 * LITRE], 3, {
      ...SPRAYER,
      label: "Tank",
      fromTo: "what it holds when full",
      subject: "implement",
      matters: "How many fills a field takes follows from it.",
    }),
    "rate.tankRest": measure("volume", [0, 300 * LITRE], 20 * LITRE, {
      ...SPRAYER,
      label: "Left in the tank",
      fromTo: "what the pump cannot draw",
      subject: "implement",
      otherwise: { value: 0, source: "nothing told: all of it is reckoned sprayable" },
      matters: "It is mixed, and not sprayed.",
    }),
    "rate.valve": count([1, 9999], 400, {
      ...SPRAYER,
      label: "Regulation constant",
      fromTo: "how fast the regulating valve follows",
      how: "Read it off the terminal.",
      subject: "implement",
      touchedBy: ["flow meter"],
      matters: "Too low, the rate lags behind the speed; too high, it hunts.",
    }),
  }),
  ...entriesOf("rate", "Seed by weight", {
    "rate.displacement": measure("mass per count", [0.02 * GRAM, 5000 * GRAM], 40 * GRAM, {
      ...DRILL,
      ...CONSTANT,
      ...eachHectares(250),
      label: "Meter displacement",
      fromTo: "what one turn or pulse of the meter gives",
      how: "Read it off the terminal, after a catch test.",
      touchedBy: ["product", "meters"],
      matters: "Every hectare gets more or less by as much as this is wrong.",
    }),
    "rate.rollDeclared": choice(ROLLS, {
      ...DRILL,
      label: "Roll told to the terminal",
      fromTo: "which meter roll the terminal believes is in",
      subject: "implement",
      alters: "meters",
      matters: "Another roll than the one fitted gives another rate, and no warning.",
    }),
    "rate.rollFitted": choice(ROLLS, {
      ...DRILL,
      label: "Roll fitted",
      fromTo: "which meter roll is really in: open the meter and look",
      subject: "implement",
      alters: "meters",
      matters: "It is the roll that sets the rate, not the page that names it.",
    }),
    "rate.ranksDeclared": choice(RANKS, {
      ...DRILL,
      label: "Ranks told to the terminal",
      fromTo: "which ranks of openers the terminal believes are fed",
      subject: "implement",
      alters: "meters",
      matters: "One rank more or less halves or doubles what a row gets.",
    }),
    "rate.ranksFitted": choice(RANKS, {
      ...DRILL,
      label: "Ranks fed",
      fromTo: "which ranks of openers are really fed: look at the slides",
      subject: "implement",
      alters: "meters",
      matters: "One rank more or less halves or doubles what a row gets.",
    }),
    "rate.meterLow": measure("rotation", [0.5 / MINUTE, 60 / MINUTE], 10 / MINUTE, {
      ...DRILL,
      label: "Slowest the meter doses evenly",
      fromTo: "turns a minute, in the book of the drill",
      subject: "implement",
      touchedBy: ["meters"],
      matters: "Below it the seed comes in pulses.",
    }),
    "rate.meterHigh": measure("rotation", [10 / MINUTE, 400 / MINUTE], 120 / MINUTE, {
      ...DRILL,
      label: "Fastest the meter doses evenly",
      fromTo: "turns a minute, in the book of the drill",
      subject: "implement",
      touchedBy: ["meters"],
      matters: "Above it the cells are not filled, and the rate falls.",
    }),
    "rate.hopper": measure("mass", [50, 8000], 800, {
      ...DRILL,
      label: "Hopper",
      fromTo: "what it holds of this seed when full",
      subject: "implement",
      touchedBy: ["product"],
      matters: "Where one refills follows from it.",
    }),
  }),
  ...entriesOf("rate", "Seed by count", {
    "rate.rows": count([1, 60], 8, {
      ...PLANTER,
      label: "Rows controlled",
      fromTo: "how many rows the terminal controls, as it was told",
      subject: "implement",
      touchedBy: ["tool openers"],
      matters: "Rates are divided by the rows it believes in.",
    }),
    "rate.rowsOff": count([0, 60], 0, {
      ...PLANTER,
      label: "Rows off on purpose",
      fromTo: "rows that shall not plant, as on a wheel track",
      subject: "implement",
      otherwise: { value: 0, source: "none told" },
      matters: "Their alarms alone may be muted.",
    }),
    "rate.rowsMuted": count([0, 60], 0, {
      ...PLANTER,
      label: "Row alarms muted",
      fromTo: "how many rows say nothing when they stop",
      subject: "implement",
      otherwise: { value: 0, source: "none told" },
      matters: "A row that stops unheard leaves a strip as long as the field.",
    }),
    "rate.startSpeed": measure("speed", [0.2, 3], 0.6, {
      ...PLANTER,
      label: "Start-up speed",
      fromTo: "below which the meters already turn as they are lowered",
      how: "Read it off the terminal.",
      subject: "implement",
      matters: "Without it the first metres stay empty until the speed is told.",
    }),
    "rate.timeout": measure("time", [0.5, 20], 5, {
      ...PLANTER,
      label: "Start-up time-out",
      fromTo: "how long they turn without a speed before they stop",
      how: "Read it off the terminal.",
      subject: "implement",
      matters: "Too long, and standing still makes a heap.",
    }),
    "rate.alarmLow": measure("ratio", [0.5, 0.99], 0.9, {
      ...PLANTER,
      label: "Row display: low from",
      fromTo: "share of the seeds set below which a row is shown as low",
      how: "Read it off the terminal.",
      subject: "implement",
      matters: "A wide band hides a bad row, a narrow one cries all day.",
    }),
    "rate.alarmHigh": measure("ratio", [0.5, 1], 0.97, {
      ...PLANTER,
      label: "Row display: singulation low from",
      fromTo: "share of single seeds below which a row is shown",
      how: "Read it off the terminal.",
      subject: "implement",
      matters: "A wide band hides a bad row, a narrow one cries all day.",
    }),
    "rate.startHeight": measure("ratio", [0.02, 0.98], 0.4, {
      ...PLANTER,
      ...CONSTANT,
      label: "Start height",
      fromTo: "where the meters start as it is lowered, in per cent of the sensor's way",
      how: "Taken over while lowering: the openers just touch.",
      touchedBy: ["tool rebuilt", "tool wheels"],
      matters: "Too high it drops seed on top, too low the first metre stays empty.",
    }),
    "rate.stopHeight": measure("ratio", [0.02, 0.98], 0.5, {
      ...PLANTER,
      ...CONSTANT,
      label: "Stop height",
      fromTo: "where the meters stop as it is raised, in per cent of the sensor's way",
      how: "Taken over while raising: the openers just leave the ground.",
      touchedBy: ["tool rebuilt", "tool wheels"],
      matters: "Too late it drops seed on the headland.",
    }),
    "rate.loadCells": measure("mass", [0, 120], 0, {
      ...PLANTER,
      ...CONSTANT,
      label: "Load cells, raised",
      fromTo: "what the load on the gauge wheels shows with the planter raised",
      how: "Raise it, wait until the figure stands still.",
      touchedBy: ["weighing"],
      matters: "Downforce is held to a figure that is wrong by as much as this.",
    }),
    "rate.gyro": measure("ratio", [0, 0.2], 0, {
      ...PLANTER,
      ...CONSTANT,
      dueAfter: { months: 3, hours: null },
      label: "Turn compensation, left over",
      fromTo:
        "by how much inner and outer rows differ from what the curve asks, after the gyro was set to nothing",
      how: "Stand still on level ground, set the gyro to nothing, drive a curve and compare.",
      matters:
        "In a curve the outer rows get too little and the inner ones too much. Repeat it during the season.",
    }),
  }),
  ...entriesOf("rate", "Spreader", {
    "rate.flowFactor": measure("factor", [0.3, 3], 1, {
      ...SPREADER,
      ...CONSTANT,
      label: "Flow factor",
      fromTo: "how well the product runs, against the one the table was made with",
      how: "Read it off the terminal.",
      touchedBy: ["product"],
      matters: "The slide is set by it: the rate is wrong by as much as it is.",
    }),
    "rate.evenness": measure("ratio", [0, 0.5], 0.08, {
      ...SPREADER,
      ...CONSTANT,
      label: "Evenness of the spread",
      fromTo: "by how much what falls differs over the field, at the spacing that is driven",
      how: "By a tray test: up to 10 % is even.",
      touchedBy: ["product", "spread set"],
      matters: "Strips of too much lodge, strips of too little stay thin.",
    }),
    "rate.scale": measure("factor", [0.8, 1.25], 1, {
      ...SPREADER,
      ...CONSTANT,
      label: "Scale factor",
      fromTo: "by what its scale multiplies what the load cells give",
      how: "Read it off the terminal.",
      touchedBy: ["weighing"],
      matters: "What was put out is counted wrong by as much as this is.",
    }),
  }),
  ...entriesOf("rate", "Harvest", {
    "rate.yield": measure("factor", [0.3, 3], 1, {
      ...HEADER,
      label: "Yield factor",
      fromTo: "by what the monitor multiplies what its sensor gives",
      how: "Read it off the terminal.",
      subject: "tractor",
      dueAfter: EACH_SEASON,
      touchedBy: ["product", "weighing"],
      matters: "Every load and every map is wrong by as much as this is.",
    }),
    "rate.moistureOffset": measure("ratio", [-0.04, 0.04], 0, {
      ...HEADER,
      label: "Moisture offset",
      fromTo: "what is added to the moisture the sensor shows",
      how: "Read it off the terminal.",
      subject: "tractor",
      sides: { plus: "more", minus: "less" },
      touchedBy: ["product", "weighing"],
      otherwise: { value: 0, source: "nothing told" },
      matters: "Dry tonnes are reckoned by it.",
    }),
  }),
};
