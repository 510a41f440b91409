import { UNDRIVEN } from "../../trade/kinds.ts";
import { PTO_TYPES } from "../../trade/pto.ts";
import { choice, entriesOf, length, measure, NOT_ON_TRACKS } from "../entry-type.ts";

const DEGREE = Math.PI / 180;

/** What swings about a pin of the machine that drives, beside its tyres. */
const SWINGS = ["drawn", "links"] as const;
/** A tractor of wheels, or anything else that drives and has no head in front. */
const NO_HEAD = ["drawn", "train", "links", "semi", "mounted", "front", "boom", "frontBoom"] as const;

const DRAWBAR = { subject: "implement", on: SWINGS, touchedBy: ["tool drawbar"] } as const;
const BY_SHAFT = {
  subject: "implement",
  on: SWINGS,
  notOf: { kinds: UNDRIVEN, unless: null },
  when: { key: "tool.pto", is: PTO_TYPES },
} as const;

/** What turning at the headland rests on. */
export const TURNING = entriesOf("guidance", "Turning", {
  "tractor.turnRadius": length([2, 25], 6, {
    label: "Least turning radius",
    fromTo: "from the middle of a full circle to the middle between the wheels, steering hard over",
    how: "On firm level ground drive a full circle at a walk, steering hard over. Tape its diameter on the track of the outer rear wheel, take off the track width, halve it.",
    subject: "tractor",
    touchedBy: ["tractor tyres", "tractor wheels"],
    matters: "How far it reaches into the headland, and how long each turn is.",
  }),
  "tractor.nose": length([1.6, 9], 4.2, {
    label: "Rear axle to its foremost part",
    fromTo:
      "from the middle of the rear axle straight ahead to what sticks out furthest: bonnet, weights, front links",
    how: "As it goes to work, with the weights it then carries. Plumb both to the floor and tape between the marks.",
    subject: "tractor",
    on: NO_HEAD,
    matters: "Its nose reaches furthest into the headland, and into the fence.",
  }),
  "tractor.tail": length([2, 10], 5.6, {
    label: "Drive axle to its rearmost part",
    fromTo:
      "from the middle of the drive axle straight back to what sticks out furthest: tail, ladder, straw spreader",
    how: "Plumb both to the floor and tape between the marks.",
    subject: "tractor",
    on: ["head"],
    matters: "It steers behind: its tail swings out as far as this is long.",
  }),
  "tractor.tyreWidth": length([0.2, 2.2], 0.6, {
    when: NOT_ON_TRACKS,
    label: "Rear tyre's width",
    fromTo:
      "across one rear tyre at its widest; twins from the inner to the outer face, with what is between them",
    how: "Hold a board to either face, at hub height, under load.",
    subject: "tractor",
    touchedBy: ["tractor tyres"],
    matters: "How much is left between it and the drawbar in a turn.",
  }),
  "tractor.tyreHeight": length([0.7, 2.4], 1.85, {
    when: NOT_ON_TRACKS,
    label: "Rear tyre's height",
    fromTo: "from the floor to the top of a rear tyre",
    how: "Lay a board on top of the lugs and tape down to the floor.",
    subject: "tractor",
    on: SWINGS,
    touchedBy: ["tractor tyres"],
    matters: "Half of it is how far back the tyre reaches from its axle.",
  }),
  "tool.barWidth": length([0.04, 1.2], 0.25, {
    ...DRAWBAR,
    label: "Drawbar's width",
    fromTo: "across the drawbar beside the pin, jack and hose holders with it",
    matters: "It swings towards the inner tyre.",
    as: { links: { label: "Tongue's width", fromTo: "across the tongue close behind its turning point" } },
  }),
  "tool.barLength": length([0.1, 9], 1.9, {
    ...DRAWBAR,
    label: "Pin back to where it is widest",
    fromTo:
      "from the pin straight back to the foremost part of the tool that is as wide as its frame: the frame's corner, a wing, a step",
    matters: "That corner comes nearest to the tyre.",
    as: { links: { label: "Turning point back to where it is widest" } },
  }),
  "tool.shoulder": length([0.2, 12], 2, {
    ...DRAWBAR,
    label: "Width there",
    fromTo: "across the tool at that place, from corner to corner, as it is lifted for a turn",
    matters: "That corner comes nearest to the tyre.",
  }),
  "tool.barShape": choice(
    { even: "One bar, even as far as the frame", v: "A V that widens all the way" },
    {
      ...DRAWBAR,
      label: "Drawbar's shape",
      fromTo: "seen from above, from the pin to where the tool is widest",
      otherwise: { value: "v", source: "the one that leaves less room" },
      matters: "A V comes nearer to the tyre than one bar does.",
    },
  ),
  "tool.shaftInput": length([0.05, 3], 0.5, {
    ...BY_SHAFT,
    label: "Pin back to the tool's shaft end",
    fromTo: "from the pin straight back to the middle of the joint on the tool's side",
    touchedBy: ["tool drawbar"],
    matters: "With the way from pin to PTO it decides how far either joint bends.",
    as: { links: { label: "Turning point back to the tool's shaft end" } },
  }),
  "tool.shaftJoints": choice(
    {
      plain: "Plain joints at both ends",
      "wide ahead": "Wide-angle joint at the tractor",
      "wide both": "Wide-angle joints at both ends",
    },
    {
      ...BY_SHAFT,
      label: "Drive shaft's joints",
      fromTo: "a wide-angle joint is twice as long: two crosses with a disc between them",
      otherwise: { value: "plain", source: "what bends least" },
      matters: "A wide one may bend twice as far while it turns.",
    },
  ),
  "tool.shaftBend": measure("angle", [5 * DEGREE, 85 * DEGREE], 25 * DEGREE, {
    ...BY_SHAFT,
    label: "Bend its joints may run at, from its book",
    fromTo: "the largest angle the shaft's maker permits while it turns; empty where the book says nothing",
    matters: "It counts before the figures of common practice.",
  }),
  "hitch.couplers": length([0, 2.5], 0.55, {
    label: "Pin ahead to the hose couplers",
    fromTo: "from the pin straight ahead to the face of the couplers",
    subject: "hitch",
    on: SWINGS,
    touchedBy: ["tractor drawbar"],
    matters: "From there the hoses have to reach.",
    as: { links: { label: "Turning point ahead to the hose couplers", touchedBy: ["links"] } },
  }),
  "tractor.couplersAside": length([0, 1.2], 0.3, {
    label: "Outermost coupler from the middle",
    fromTo: "from the tractor's middle sideways to the outermost coupler a hose is in",
    subject: "tractor",
    on: SWINGS,
    matters: "Turned away from it, that hose has furthest to reach.",
  }),
  "work.couplersAbove": length([0, 2], 0.4, {
    label: "Couplers above the hose holder",
    fromTo: "how much higher the couplers are than the place where the hoses are held on the tool",
    subject: "coupling",
    on: SWINGS,
    matters: "Hoses reach that way as well.",
  }),
  "tool.hosesHeld": length([0.1, 6], 0.9, {
    label: "Pin back to where the hoses are held",
    fromTo: "from the pin straight back to the first clamp or holder of the hoses on the tool",
    subject: "implement",
    on: SWINGS,
    touchedBy: ["tool drawbar"],
    matters: "Behind it no hose moves in a turn.",
    as: { links: { label: "Turning point back to where the hoses are held" } },
  }),
  "tool.hoseLength": length([0.3, 8], 2.2, {
    label: "Shortest hose, from coupler to holder",
    fromTo: "along the shortest hose, from its coupler to the place where it is held on the tool",
    how: "Unplugged and laid straight.",
    subject: "implement",
    on: SWINGS,
    touchedBy: ["tool rebuilt"],
    matters: "Too short it tears in a turn, too long it drags.",
  }),
});
