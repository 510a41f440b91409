/** Is it ready to steer: the routine that was run, the effort either way, the rear wheels' offset. */
import type { Check } from "../../finding/check.ts";
import type { Checker, Row } from "../../finding/checking.ts";
import { quantity, tell } from "../../quantity/said.ts";
import { askedKeys } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known } from "../../rig/whole.ts";
import { usesCamera } from "./camera-checks.ts";

/** Sides further apart than this are not one valve's (ours): three points. */
const APART = 0.03;
/** What a terminal shows as nothing. */
const NOTHING = (0.05 * Math.PI) / 180;

/** Routine, effort, and of a machine that steers behind its offset. */
export function steeringChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  const asked = askedKeys(rig);
  return [
    routineCheck(rig, rowOf),
    effortCheck(rig, rowOf),
    ...(asked.has("tractor.rearSteer") ? [rearCheck(rig, rowOf)] : []),
  ];
}

function routineCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("steer-routine", "Steering calibration");
  const routine = chosen<"full" | "quick" | "none">(rig, "tractor.steerRoutine");
  const camera = usesCamera(rig);
  if (routine === null) return row.unknown("tractor.steerRoutine");
  if (routine === "full") return resultCheck(rig, row);
  const said = routine === "quick" ? "Only the quick routine was run." : "No routine was run.";
  const why =
    "The full one tells the valve's own play; keep its result page. By the operator's manual, nobody near the wheels.";
  return camera || routine === "none"
    ? row.fix("tractor.steerRoutine", said, why, "Run the full routine")
    : row.note("tractor.steerRoutine", said, why, "Run the full routine");
}

/** Of the full routine: whether what it came to can be looked at again. */
function resultCheck(rig: ResolvedRig, row: Row): Check {
  const result = chosen<"kept" | "lost">(rig, "tractor.steerResult");
  if (result === null)
    return row.unknown(
      "tractor.steerResult",
      "The full hydraulic routine was run. Was its result page kept?",
    );
  return result === "kept"
    ? row.good("tractor.steerRoutine", "The full hydraulic routine was run, its result page kept.")
    : row.note(
        "tractor.steerResult",
        "The full hydraulic routine was run, its result page not kept.",
        "The next one is held against nothing: photograph its page then.",
      );
}

function effortCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("steer-effort", "Minimum effort");
  const [left, right] = [known(rig, "tractor.effortLeft"), known(rig, "tractor.effortRight")];
  if (left === null) return row.unknown("tractor.effortLeft");
  if (right === null) return row.unknown("tractor.effortRight");
  const said = tell`Left ${quantity("share", left)}, right ${quantity("share", right)}`;
  return Math.abs(left - right) > APART + 1e-9
    ? row.check(
        left > right ? "tractor.effortLeft" : "tractor.effortRight",
        tell`${said}: the sides lie far apart.`,
        "Look for a sticking valve, air in the oil or a linkage that rubs, then find both again.",
      )
    : row.good("tractor.effortLeft", tell`${said}.`);
}

function rearCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("steer-rear", "Rear-steer offset");
  const offset = known(rig, "tractor.rearSteer");
  if (offset === null) return row.unknown("tractor.rearSteer");
  return Math.abs(offset) > NOTHING
    ? row.fix(
        "tractor.rearSteer",
        tell`The rear wheels are set ${quantity("angle", Math.abs(offset))} off straight.`,
        "It runs askew along its line, and no sensitivity cures it.",
        undefined,
        0,
      )
    : row.good("tractor.rearSteer", "None.");
}
