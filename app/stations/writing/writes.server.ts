import type { Stamp } from "../../session/clock.server.ts";
import { askedOf, NOT_UNDERSTOOD } from "../../session/intents.server.ts";
import type { Outcome } from "../../session/outcome.ts";
import { keepWeights } from "../balance/keep-weights.server.ts";
import {
  keepBenchRun,
  keepRun as keepCalibrationRun,
  keepChangedParts,
  keepEnd,
  keepRunLeft,
  keepSetup,
} from "../calibrating/keep-calibration.server.ts";
import { keepDriven, keepTerminal } from "../field/keep-field.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import {
  keepAdjuster,
  keepAdjusterBack,
  keepAdjusterOff,
  keepChangedAdjuster,
  keepLearnt,
  keepMap,
  keepSettings,
} from "../ground/keep-ground.server.ts";
import {
  keepAsBefore,
  keepBegunStrip,
  keepLearntAmount,
  keepMeasured,
  keepMended,
  keepReached,
  keepRunStrip,
  keepSchool,
  keepSeen,
  keepTurned,
} from "../ground/keep-strip.server.ts";
import { keepAsked } from "../handover/keep-asked.server.ts";
import { keepCoupling, keepTicked } from "../hookup/keep-hookup.server.ts";
import { keepPin, keepPlugged, keepUnpinned } from "../hoses/keep-hoses.server.ts";
import { keepJob } from "../job/keep-job.server.ts";
import { keepRung } from "../ladder/ladder.server.ts";
import { keepBegunWork, keepEndedWork, keepLoad, keepNote } from "../log/keep-log.server.ts";
import {
  keepAccepted,
  keepBegun,
  keepConditions,
  keepLeftOut,
  keepLog,
  keepObserved,
} from "../proof/keep-proof.server.ts";
import { keepChangedProduct, keepNewProduct, keepProduct } from "../rate/keep-product.server.ts";
import { keepServicedOn } from "../rounds/rounds.server.ts";
import { keepChosen, keepTable, keepVariant } from "../sections/keep-sections.server.ts";
import { keepEdited } from "../sequences/keep-list.server.ts";
import { keepRun } from "../sequences/keep-run.server.ts";
import { keepSheet } from "../sheet/keep-sheet.server.ts";
import { keepWhatItTold } from "../told/keep-told.server.ts";
import { keepLayout, keepOne, noteChange, takeBack } from "./keep.server.ts";

type Write = (open: OpenRig, form: FormData, stamp: Stamp) => Outcome | Promise<Outcome>;

/** What a form about a rig may ask for. */
const WRITES: Record<string, Write> = {
  "keep-reading": keepOne,
  "keep-sections": keepLayout,
  "keep-change": noteChange,
  "take-back": takeBack,
  "fit-weights": keepWeights,
  tick: keepTicked,
  coupling: keepCoupling,
  run: keepRun,
  "keep-list": keepEdited,
  rung: keepRung,
  "service-done": keepServicedOn,
  "pin-hose": keepPin,
  "unpin-hoses": keepUnpinned,
  "keep-plan": keepPlugged,
  "begin-test": keepBegun,
  "set-test": keepConditions,
  observe: keepObserved,
  "observe-log": keepLog,
  "leave-out": keepLeftOut,
  "accept-test": keepAccepted,
  terminal: keepTerminal,
  "keep-sheet": keepSheet,
  "keep-told": keepWhatItTold,
  "keep-layout": keepTable,
  "new-variant": keepVariant,
  "choose-variant": keepChosen,
  drive: keepDriven,
  "keep-map": keepMap,
  "set-adjusters": keepSettings,
  "add-adjuster": keepAdjuster,
  "change-adjuster": keepChangedAdjuster,
  "adjuster-off": keepAdjusterOff,
  "adjuster-back": keepAdjusterBack,
  "learn-effect": keepLearnt,
  "begin-strip": keepBegunStrip,
  "keep-look": keepSeen,
  "turned-as-said": keepTurned,
  "learn-amount": keepLearntAmount,
  "keep-measured": keepMeasured,
  "keep-preset": keepReached,
  "set-as-kept": keepAsBefore,
  "follow-school": keepSchool,
  "run-strip": keepRunStrip,
  mend: keepMended,
  "set-calibration": keepSetup,
  calibrate: keepCalibrationRun,
  "leave-run": keepRunLeft,
  "end-calibration": keepEnd,
  "bench-run": keepBenchRun,
  "change-parts": keepChangedParts,
  "set-job": keepJob,
  "ask-reading": keepAsked,
  "begin-work": keepBegunWork,
  "end-work": keepEndedWork,
  "log-load": keepLoad,
  "log-note": keepNote,
  "load-product": keepProduct,
  "new-product": keepNewProduct,
  "change-product": keepChangedProduct,
};

/** Carries out what a form asks for. Nothing is written unless all of it is right. */
export function carryOut(open: OpenRig, form: FormData, stamp: Stamp): Outcome | Promise<Outcome> {
  // All others judge by the rig as it is before they write.
  if (!LIGHT.has(String(form.get("intent")))) open.opened.whole;
  return askedOf(WRITES, form)?.(open, form, stamp) ?? NOT_UNDERSTOOD;
}

/** What asks for nothing of the rig but whose it is. */
const LIGHT = new Set(["keep-reading", "keep-sections", "keep-change", "take-back"]);
