import { entriesOf, length, measure, NOT_ON_TRACKS } from "../entry-type.ts";

const WEIGHED = { taped: 15, book: 60, assumed: 200 };
const WEIGHED_BARE = ["nothing coupled", "driver on"] as const;
/** A boom that stays on is weighed with its machine, the tank rinsed empty. */
const BOOM_ON = { conditions: ["tank empty", "driver on"] } as const;
const TAKEN_OFF = ["drawn", "train", "links", "semi", "mounted", "front", "head"] as const;
const GAUGE = { taped: 5e3, book: 2e4, assumed: 4e4 };
const ROLLING = ["drawn", "train", "links", "semi"] as const;

const pressure = (label: string, side: string) =>
  measure("pressure", [0.3e5, 6e5], 1.4e5, {
    label,
    fromTo: `on the gauge, ${side}, tyre cold`,
    subject: "tractor",
    when: NOT_ON_TRACKS,
    // Tyres still hard from the road slip and press the soil: after another job they are gauged again.
    touchedBy: ["tractor tyres", "tractor pressure", "other job"],
    alters: "tractor pressure",
    // A tyre loses a little by itself (common practice, no source).
    dueAfter: { months: 1, hours: 100 },
    sigma: GAUGE,
    matters: "The tyres of an axle must be alike, and hard enough for load and speed.",
  });

const onImplement = (label: string, side: string) => ({
  ...pressure(label, side),
  subject: "implement" as const,
  when: null,
  on: ROLLING,
  touchedBy: ["tool pressure"] as const,
  alters: "tool pressure" as const,
});

export const BALANCE = {
  ...entriesOf("balance", "Machine on the scales", {
    "tractor.front": measure("mass", [100, 20000], 2400, {
      when: NOT_ON_TRACKS,
      letter: "22",
      label: "Front axle, unladen",
      fromTo: "what the weighbridge shows under the front axle",
      how: "Front wheels on the bridge, then the rear wheels, level all the way.",
      subject: "tractor",
      conditions: WEIGHED_BARE,
      touchedBy: ["tractor tyres"],
      sigma: WEIGHED,
      matters: "Steering needs weight on it.",
      as: {
        head: { label: "Drive axle, no head", fromTo: "what the weighbridge shows under the drive axle" },
        boom: BOOM_ON,
      },
    }),
    "tractor.rear": measure("mass", [100, 20000], 3800, {
      when: NOT_ON_TRACKS,
      letter: "23",
      label: "Rear axle, unladen",
      fromTo: "what the weighbridge shows under the rear axle",
      how: "Front wheels on the bridge, then the rear wheels, level all the way.",
      subject: "tractor",
      conditions: WEIGHED_BARE,
      touchedBy: ["tractor tyres"],
      sigma: WEIGHED,
      matters: "It carries most of what is lifted behind.",
      as: {
        head: { label: "Steered axle, no head", fromTo: "what the weighbridge shows under the steered axle" },
        boom: BOOM_ON,
      },
    }),
    "tractor.mass": measure("mass", [400, 30000], 6200, {
      label: "Whole tractor, unladen",
      fromTo: "all wheels on the weighbridge, or the papers",
      subject: "tractor",
      conditions: WEIGHED_BARE,
      touchedBy: ["tractor tyres"],
      sigma: WEIGHED,
      matters: "Both axles must add up to it.",
      as: { boom: BOOM_ON },
    }),
    "tractor.cg": length([-2, 2], 0, {
      label: "Middle of the tracks to the machine's c.g.",
      fromTo: "from the middle of what the tracks have on the ground to where the bare machine would balance",
      how: "From its book; or weigh it with only the front end rollers on the bridge: that load over the whole mass, times the distance between the end rollers, less the rear roller's distance from the middle.",
      subject: "tractor",
      direction: "forward",
      sides: { plus: "ahead", minus: "behind" },
      at: "turn",
      on: ["drawn", "train", "links", "semi", "mounted", "front"],
      when: { key: "tractor.steering", is: ["tracks"] },
      conditions: WEIGHED_BARE,
      sigma: { taped: 0.03, book: 0.05, assumed: 0.2 },
      matters: "It tells how much stands on the front of the tracks, and how much on their rear.",
    }),
    "tractor.grainTank": measure("mass", [0, 25000], 8000, {
      label: "Grain tank, full",
      fromTo: "mass of what fills the machine's own tank; 0 where it has none",
      how: "Litres times the density of the heaviest crop: wheat is about 0.78 kg a litre.",
      subject: "tractor",
      on: ["head"],
      sigma: { taped: 50, book: 100, assumed: 400 },
      matters: "Empty and full are different machines: both must stand.",
    }),
    "tractor.grainTankCg": length([-4, 4], 0, {
      label: "Drive axle to the grain tank's c.g.",
      fromTo: "from the middle of the drive axle to the middle of the full tank",
      how: "Weigh both axles with the tank full: what the steered axle gains, over what the tank holds, is this length over the wheelbase.",
      subject: "tractor",
      direction: "forward",
      sides: { plus: "ahead", minus: "behind" },
      on: ["head"],
      sigma: { taped: 0.03, book: 0.1, assumed: 0.25 },
      matters: "It decides which axle the grain stands on.",
    }),
    "tractor.frontLimit": measure("mass", [300, 32000], 4000, {
      when: NOT_ON_TRACKS,
      label: "Front axle, permitted",
      fromTo: "from the plate or the papers",
      subject: "tractor",
      matters: "More breaks the axle, or the law.",
      as: { head: { label: "Drive axle, permitted" } },
    }),
    "tractor.rearLimit": measure("mass", [300, 30000], 7000, {
      when: NOT_ON_TRACKS,
      label: "Rear axle, permitted",
      fromTo: "from the plate or the papers",
      subject: "tractor",
      matters: "More breaks the axle, or the law.",
      as: { head: { label: "Steered axle, permitted" } },
    }),
    "tractor.grossLimit": measure("mass", [600, 45000], 10000, {
      label: "Gross mass, permitted",
      fromTo: "from the plate or the papers",
      subject: "tractor",
      matters: "Tractor, ballast and all it carries together.",
    }),
  }),
  ...entriesOf("balance", "Implement", {
    "tool.mass": measure("mass", [20, 40000], 1500, {
      letter: "24",
      label: "Implement, empty",
      fromTo: "whole mass, from the weighbridge or the plate",
      subject: "implement",
      on: TAKEN_OFF,
      conditions: ["tank empty"],
      touchedBy: ["tool rebuilt"],
      sigma: WEIGHED,
      matters: "Lift, ballast, chain and brakes are reckoned from it.",
    }),
    "tool.cg": length([0, 12], 0.8, {
      letter: "25",
      label: "Balls to the implement's c.g.",
      fromTo: "from the balls straight back to where the empty implement would balance",
      how: "Weigh it lifted: the tractor's front axle tells, or hang it and find the point of balance.",
      subject: "implement",
      on: TAKEN_OFF,
      direction: "rearward",
      touchedBy: ["tool rebuilt", "tool drawbar"],
      sigma: { taped: 0.03, book: 0.1, assumed: 0.25 },
      matters: "It is the lever that lifts the front axle.",
      as: {
        front: {
          fromTo: "from the front balls straight ahead to where it would balance",
          direction: "forward",
        },
        head: {
          label: "Mount to the head's c.g.",
          fromTo: "from the mount straight ahead to where it would balance",
          direction: "forward",
        },
        drawn: {
          label: "Pin to the implement's c.g.",
          fromTo: "from the pin straight back to where the empty implement would balance",
          plausible: [0.5, 16],
        },
        train: {
          label: "Pin to the implement's c.g.",
          fromTo: "from the pin straight back to where the empty implement would balance",
          plausible: [0.5, 16],
        },
      },
    }),
    "tool.load": measure("mass", [0, 30000], 0, {
      letter: "26",
      label: "What fills it",
      fromTo: "mass of a full tank or hopper",
      how: "Litres times the density of what is in it: fertiliser and liquids are not water.",
      subject: "implement",
      sigma: { taped: 20, book: 50, assumed: 200 },
      otherwise: { value: 0, source: "nothing to fill" },
      matters: "Full and empty must both stand.",
    }),
    "tool.loadCg": length([0, 14], 0.8, {
      letter: "27",
      label: "Balls to the load's c.g.",
      fromTo: "from the balls straight back to the middle of the tank or hopper",
      subject: "implement",
      direction: "rearward",
      touchedBy: ["tool drawbar"],
      sigma: { taped: 0.03, book: 0.1, assumed: 0.25 },
      matters: "A tank far back fills the front axle's lack.",
      as: {
        front: {
          fromTo: "from the front balls straight ahead to the middle of the tank",
          direction: "forward",
        },
        head: {
          label: "Mount to the load's c.g.",
          fromTo: "from the mount straight ahead to the middle of what it carries",
          direction: "forward",
        },
        boom: {
          label: "Rear axle to the tank's c.g.",
          fromTo: "from the middle of the rear axle forward to the middle of the full tank",
          how: "Weigh both axles with the tank full: what the front axle gains, over what the tank holds, is this length over the wheelbase.",
          direction: "forward",
          sides: { plus: "ahead", minus: "behind" },
          plausible: [-2, 5],
          touchedBy: ["tool rebuilt"],
          matters: "It decides which axle the spray liquid stands on.",
        },
        drawn: {
          label: "Pin to the load's c.g.",
          fromTo: "from the pin straight back to the middle of the tank or hopper",
        },
        train: {
          label: "Pin to the load's c.g.",
          fromTo: "from the pin straight back to the middle of the tank or hopper",
        },
      },
    }),
    "tool.axleLimit": measure("mass", [200, 40000], 6000, {
      label: "Implement's axle, permitted",
      fromTo: "from its plate",
      subject: "implement",
      on: ROLLING,
      matters: "A full hopper may be more than its axle carries.",
    }),
  }),
  ...entriesOf("balance", "Tyres and wheels", {
    "tractor.pressureFrontLeft": pressure("Pressure, front left", "front left"),
    "tractor.pressureFrontRight": pressure("Pressure, front right", "front right"),
    "tractor.pressureRearLeft": pressure("Pressure, rear left", "rear left"),
    "tractor.pressureRearRight": pressure("Pressure, rear right", "rear right"),
    "tool.pressureLeft": onImplement("Implement's tyre pressure, left", "left"),
    "tool.pressureRight": onImplement("Implement's tyre pressure, right", "right"),
    "tractor.trackFront": length([1, 3.2], 1.8, {
      when: NOT_ON_TRACKS,
      label: "Front track width",
      fromTo: "from the middle of the left front tyre to the middle of the right one",
      subject: "tractor",
      touchedBy: ["tractor wheels", "tractor tyres"],
      alters: "tractor wheels",
      matters: "Wheels must run between rows, and front and rear in one line.",
    }),
    "tractor.trackRear": length([1, 3.2], 1.8, {
      label: "Rear track width",
      fromTo: "from the middle of the left rear tyre to the middle of the right one",
      subject: "tractor",
      touchedBy: ["tractor wheels", "tractor tyres"],
      alters: "tractor wheels",
      matters: "Wheels must run between rows, and front and rear in one line.",
    }),
  }),
};
