import { positionOf, refusal, refusalBack } from "../../../core/sequence/run.ts";
import { keepRunEvents, type NewEvent } from "../../../data/sequences.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { written } from "../writing/written.server.ts";
import { openSequence, saidOf } from "./open-sequence.server.ts";
import { RunDto } from "./run.dto.ts";

/** Keeps what happened in a run, if it can happen now; out of order it is refused with the reason. */
export const keepRun = written(
  RunDto,
  ({ open, value: { id, kind, run, what, step, said }, told }): Outcome => {
    const { sequence, start, run: under, done } = openSequence(open, kind);
    if (under && under.id !== run)
      return refused({ form: `${under.person} runs this already. Look at it again.` });
    if (!under && what !== "done") return refused({ form: "Nothing is under way." });
    const found = sequence.steps.find((each) => each.id === step);
    if (what === "done") {
      const why = refusal(start, sequence, done, step);
      if (why.length > 0) return refused({ form: why.join(" ") });
      if (found && saidOf(found) !== said)
        return refused({ form: `The step reads otherwise now: ${saidOf(found)}` });
    }
    if (what === "back") {
      const why = refusalBack(start, sequence, done);
      if (why.length > 0) return refused({ form: why.join(" ") });
      if (done.at(-1) !== step) return refused({ form: "Only the last step can be taken back." });
    }
    const events: (NewEvent & { id?: string })[] = [{ id, what, step, said }];
    const last = what === "done" && positionOf(start, sequence, [...done, step]).next === null;
    if (last) events.push({ what: "finished", step: "", said: "Run through" });
    keepRunEvents(open.db, { id: run, couplingId: open.rig.couplingId, kind }, events, told);
    return kept(last ? "Run through, to the end" : "", { id });
  },
);
