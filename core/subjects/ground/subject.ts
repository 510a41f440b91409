import type { Subject } from "../../subject/subject.ts";
import type { ComponentKind } from "../../yard/component.ts";
import { ADJUSTER_KIND } from "../../yard/ground.ts";
import { groundChecks } from "./checks.ts";
import { worksTheSoil } from "./ground-of-rig.ts";
import { guideFor } from "./guide/index.ts";
import { type GroundReckoned, reckonGround } from "./guide/of-rig.ts";

/** What an adjuster may be set to, in steps, and stand at. */
const STEPS = 1000;

/** Screws, shims, holes, notches and cranks by which a tool's depth and level are set. */
export const ADJUSTER: ComponentKind = {
  key: ADJUSTER_KIND,
  label: "Adjusters",
  one: "adjuster",
  mirrored: true,
  figures: [{ key: "setting", label: "Setting", family: "count", step: 1, range: [-STEPS, STEPS] }],
};

export const GROUND: Subject<"ground", GroundReckoned> = {
  key: "ground",
  label: "Ground",
  lead: "How deep and how level does it really work, and which screw makes it right?",
  asks: "Is it as deep and as level as wanted?",
  changesOf: ["implement"],
  shows: "rig",
  holds: null,
  onSheet: false,
  components: [ADJUSTER],
  serves: ({ parts }) => parts.some((part) => worksTheSoil(part) || guideFor(part.rig.tool) !== null),
  reckon: reckonGround,
  checks: (known, whole) => groundChecks(whole, known),
};
